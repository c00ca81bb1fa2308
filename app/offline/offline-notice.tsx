import { UnstyledButton } from '@mantine/core'
import { useEffect, useState, useSyncExternalStore } from 'react'
import { Link, useNavigate, useRevalidator } from 'react-router'
import { useNow } from '../ui/time/use-now'
import { dropStart, localStart, localStarts, sendStarts, type LocalStart } from './local-starts'

const RETRY_MS = 5000

const listen = (changed: () => void): (() => void) => {
  window.addEventListener('online', changed)
  window.addEventListener('offline', changed)
  return () => {
    window.removeEventListener('online', changed)
    window.removeEventListener('offline', changed)
  }
}

/** "17:40", and the day where it is another one. */
function hourOf(ms: number): string {
  const [then, now] = [new Date(ms), new Date()]
  const hour = then.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
  return then.toDateString() === now.toDateString()
    ? hour
    : `${hour} on ${then.toLocaleDateString('en', { weekday: 'long', day: 'numeric', month: 'long' })}`
}

/** A stove that was loaded without a connection: the worker (public/sw.js) puts its address behind the plan's. */
function useStoveInHash(): void {
  const navigate = useNavigate()
  useEffect(() => {
    const [, path, id] = /^#(\/stove\/([\w-]+))$/.exec(window.location.hash) ?? []
    if (path === undefined || id === undefined) return
    if (localStart(id)) void navigate(path, { replace: true })
    else window.location.replace('/no-connection.html')
  }, [navigate])
}

/**
 * What the household cannot be asked now: how old the page is, and the batches that only this device knows of. They
 * are sent from here as soon as that is possible.
 * @param heardMs when the household was last heard, by its clock
 */
export default function OfflineNotice({
  asOfMs,
  onStove,
  className,
}: {
  asOfMs: number
  onStove: boolean
  className: string
}) {
  const online = useSyncExternalStore(
    listen,
    () => navigator.onLine,
    () => true,
  )
  const [starts, setStarts] = useState(localStarts)
  const { revalidate } = useRevalidator()
  useStoveInHash()
  useEffect(() => {
    const send = async () => {
      const before = localStarts().length
      if (before > 0) await sendStarts()
      const left = localStarts()
      setStarts(left)
      // The household shows them itself from now on.
      if (left.length < before) void revalidate()
    }
    void send()
    const timer = setInterval(() => void send(), RETRY_MS)
    return () => clearInterval(timer)
  }, [online, revalidate])
  const copied = document.documentElement.dataset.kept !== undefined
  if (onStove || (online && !copied && starts.length === 0)) return null
  return (
    <p role="status" className={className}>
      {!online && 'No connection. '}
      {(copied || !online) && `This page is as it was at ${hourOf(asOfMs)}. `}
      {starts.map((start) => (
        <LocalBatch
          key={start.id}
          {...start}
          onDelete={() => {
            dropStart(start.id)
            setStarts(localStarts())
          }}
        />
      ))}
      {online && copied && (
        <UnstyledButton className="link" onClick={() => window.location.reload()}>
          Reload
        </UnstyledButton>
      )}
    </p>
  )
}

function LocalBatch({
  id,
  shown: { vesselName, tableMs },
  refused,
  onDelete,
}: LocalStart & { onDelete: () => void }) {
  const [opened] = useState(Date.now)
  const left = Math.max(0, Math.round((tableMs - useNow(opened)) / 60_000))
  return (
    <>
      <Link to={`/stove/${id}`}>
        {vesselName} · {left} min left
      </Link>
      , {refused === undefined ? 'not sent yet' : `not accepted: ${refused}`}.{' '}
      {refused !== undefined && (
        <UnstyledButton className="link" onClick={onDelete}>
          Delete
        </UnstyledButton>
      )}
    </>
  )
}
