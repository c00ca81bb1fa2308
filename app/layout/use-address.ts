import { useEffect, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import { stepBack } from '../ui/overlay/step-back'

interface Addressed<T> {
  read: (search: URLSearchParams) => T
  write: (state: T) => URLSearchParams
  /** While something is sent the address waits: changing it would break off the answer. */
  busy?: boolean
}

/** A drag changes the state many times a second; the address follows when it stops. */
const STILL_MS = 350
const MAX_BACK = 40
const MAX_ON_THE_WAY = 8
/** Browsers refuse more than 200 changes of the address in 30 s. */
const BETWEEN_WRITES_MS = 160

/** An address, whatever the order it was written in. */
const sorted = (search: string): string =>
  [...new URLSearchParams(search)]
    .map(([key, value]) => `${key}=${value}`)
    .sort()
    .join('&')

/**
 * State kept in the address, with a way back. A bare address stays bare until something is changed; someone
 * going back, or opening a bookmark, leads the state.
 */
export function useAddress<T>({ read, write, busy = false }: Addressed<T>) {
  const [search, setSearch] = useSearchParams()
  const [past, setPast] = useState<T[]>([])
  const [state, setState] = useState(() => read(search))
  const written = write(state).toString()
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  const [seen, setSeen] = useState(search.toString())
  const [mine, setMine] = useState<readonly string[]>([])
  if (search.toString() !== seen) {
    setSeen(search.toString())
    // An address of one's own that comes late must not undo what was changed meanwhile; on a busy machine
    // several are on their way.
    const own = mine.indexOf(sorted(search.toString()))
    if (own >= 0) setMine(mine.slice(own + 1))
    else if (search.toString() !== written) setState(read(search))
  }
  // What the router's address already opens, whatever its keys are called, needs no other address.
  const settled =
    (seen === '' && past.length === 0) || sorted(written) === sorted(write(read(search)).toString())
  const lastWriteMs = useRef(0)
  useEffect(() => {
    if (busy) return
    // The browser's address follows a change at once, so that a reload keeps it; the router follows when it is still.
    const { pathname, search: shown, hash } = window.location
    const wanted = settled ? seen : written
    if (sorted(shown) === sorted(wanted)) return
    if (!settled && performance.now() - lastWriteMs.current < BETWEEN_WRITES_MS) return
    lastWriteMs.current = performance.now()
    stepBack.from = `${pathname}${wanted && '?'}${wanted}${hash}`
    window.history.replaceState(window.history.state, '', stepBack.from)
  }, [busy, settled, written, seen])
  useEffect(() => {
    if (busy || settled) return
    timer.current = setTimeout(() => {
      setMine((list) => [...list.slice(-MAX_ON_THE_WAY), sorted(written)])
      setSearch(new URLSearchParams(written), { replace: true, preventScrollReset: true })
    }, STILL_MS)
    return () => clearTimeout(timer.current)
  }, [busy, settled, written, setSearch])
  return {
    state,
    written,
    become: (next: T) => {
      setPast((list) => [...list.slice(-MAX_BACK), state])
      setState(next)
    },
    undo: () => {
      const last = past.at(-1)
      if (last === undefined) return
      setState(last)
      setPast((list) => list.slice(0, -1))
    },
    canUndo: past.length > 0,
    /** Leaves the address as it is: something is about to be sent. */
    leaveAddress: () => clearTimeout(timer.current),
  }
}
