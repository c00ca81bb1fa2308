import { cookMinutes } from '#core/grain/blend'
import type { Variety } from '#core/grain/varieties'

/** Minutes at 100 °C that the credited part of a rest is worth. */
export const REST_WORTH = 3

/**
 * A first idea of the earliest end of the last hot stage, minutes: the unsoaked grain's own time at this
 * speed, less what the rest is worth.
 */
export const earliestGuess = (variety: Variety, speed: number): number =>
  Math.max(0, cookMinutes(variety) / speed - REST_WORTH * speed)
