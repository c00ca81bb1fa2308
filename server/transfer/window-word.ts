import type { Stage } from '#core/plan/result'

/** "10 min", or "6 to 8 min" where a sign ends it. */
export function windowWord({ low, expected, high }: Stage['minutes'], endsOn: Stage['ends_on']): string {
  const [from, to, one] = [low, high, expected].map((n) => (n < 1 ? n.toFixed(1) : String(Math.round(n))))
  return endsOn === 'clock' || from === to ? `${one} min` : `${from} to ${to} min`
}
