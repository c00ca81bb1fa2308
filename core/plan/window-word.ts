import type { Stage } from './result'

/** From here on minutes are said in hours. */
const HOURS_FROM_MIN = 90

/** Nobody times half a minute of pouring. */
const minutesOf = (n: number) => Math.max(1, Math.round(n))

/** "10 min", "6–8 min" where a sign ends it, or "1.5 h". */
export function windowWord(
  { low, expected, high }: Stage['minutes'],
  endsOn: Stage['ends_on'],
  between = '–',
): string {
  if (expected >= HOURS_FROM_MIN) return `${(expected / 60).toFixed(expected % 60 === 0 ? 0 : 1)} h`
  const [from, to, one] = [low, high, expected].map(minutesOf)
  if (endsOn === 'clock') return `${one} min`
  return from === to ? `${one} min` : `${from}${between}${to} min`
}
