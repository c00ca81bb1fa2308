import { hourOf, nextAt } from './clock-hour'

/** Nobody is woken for a soak between these hours. */
const NIGHT_FROM = '22:30'
const NIGHT_TO = '06:30'
/** A moment, or the end of the night it falls into. */
export const afterNight = (ms: number, zone: string): number => {
  const hour = hourOf(ms, zone)
  return hour >= NIGHT_FROM || hour < NIGHT_TO ? nextAt(NIGHT_TO, zone, ms) : ms
}
