import { lossFactor, leakOf } from '#core/heat/lid'
import { minutesToHeat } from '#core/heat/time-to-boil'
import type { MethodStage } from '#core/methods/definition'
import type { PotSetup } from '#core/pot/pot'
import { HEAT_SPREAD, type CookedThrough } from './cook-through'
import type { Window } from './result'

/**
 * The window of a stage that ends on a sign: the same heat-up with the heat a little up and down, or a plain
 * spread.
 */
const RELEASE_SPREAD = 0.25
const SWITCH_SPREAD = 0.15

/** Minutes for every stage: what the reduced pot gave, with how far each may stretch. */
export function windowsOf(
  stages: readonly MethodStage[],
  course: CookedThrough,
  solved: { low: number; high: number } | undefined,
  setup: PotSetup,
  heatCapacity: number,
  startC: number,
): Window[] {
  return stages.map((stage, i) => {
    const expected = course.minutes[i]!
    if (stage.until === 'solved')
      return { low: solved?.low ?? expected, expected, high: solved?.high ?? expected }
    if ('minutes' in stage.until) return { low: expected, expected, high: expected }
    switch (stage.until.event) {
      case 'boil':
      case 'pressure': {
        const toC = stage.until.event === 'pressure' ? stage.sealedC! : setup.boilC
        const minutes = (factor: number) =>
          minutesToHeat({
            powerW: stage.powerW * factor,
            heatCapacity,
            loss: setup.loss * lossFactor(setup.lid, stage.lid, true),
            fromC: startC,
            toC,
            roomC: setup.kitchenC,
            openArea: stage.mode === 'open' ? setup.openArea * leakOf(setup.lid, stage.lid) : 0,
          })
        const middle = minutes(1)
        if (!Number.isFinite(middle)) return { low: expected, expected, high: expected }
        const slow = minutes(1 - HEAT_SPREAD)
        return {
          low: (expected * minutes(1 + HEAT_SPREAD)) / middle,
          expected,
          high: Number.isFinite(slow) ? (expected * slow) / middle : expected * 2,
        }
      }
      case 'switch':
        return spread(expected, SWITCH_SPREAD)
      case 'toasted':
      case 'dry':
      case 'tasted':
        return spread(expected, SWITCH_SPREAD)
      case 'unsealed':
        return spread(expected, RELEASE_SPREAD)
    }
  })
}

const spread = (expected: number, by: number): Window => ({
  low: expected * (1 - by),
  expected,
  high: expected * (1 + by),
})
