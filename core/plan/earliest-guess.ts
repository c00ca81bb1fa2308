import type { Variety } from '#core/grain/varieties'

/** Minutes at 100 °C that a usual rest, or a natural release, is worth. */
export const REST_WORTH = 6
/** −ln(1 − 0.93) / 3: the share of N that leaves the centre done. */
const DONE_SHARE = 0.886
/** A skin delays the water, and with it the centre, by this much at most. */
const SKIN_DELAY = 0.15

/** A first idea of the earliest end of the last hot stage, minutes: the grain's own time at this speed, less what the rest is worth. */
export const earliestGuess = ({ minutesAt100, skin }: Pick<Variety, 'minutesAt100' | 'skin'>, speed: number): number =>
  Math.max(0, (DONE_SHARE * minutesAt100 * (1 + SKIN_DELAY * (1 - skin))) / speed - REST_WORTH * speed)
