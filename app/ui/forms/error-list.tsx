const MOST = 8

/** What was wrong with something that holds many things: the first few, and how many more. */
export function Complaints({ of, className }: { of: readonly string[]; className?: string }) {
  if (of.length === 0) return null
  return (
    <ul role="alert" className={className}>
      {of.slice(0, MOST).map((message, i) => (
        <li key={i}>{message}</li>
      ))}
      {of.length > MOST && <li>and {of.length - MOST} more</li>}
    </ul>
  )
}
