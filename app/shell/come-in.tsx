import { useLocation } from 'react-router'
import type { Line } from './use-kitchen-stream'

/** The way back for a device the door was shut on; nothing while it is open. */
export function ComeIn({ line }: { line: Line }) {
  const { pathname, search } = useLocation()
  if (line !== 'shut') return null
  return (
    <>
      {' '}This device is no longer let in; <a href={`/enter?to=${encodeURIComponent(pathname + search)}`}>come in again</a>.
    </>
  )
}
