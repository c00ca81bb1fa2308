import { aimOf } from '#core/plan/scale-aim'
import { seedOf } from '#core/cook/true-pot'
import { randomOf } from '#core/random'
import type { AtTheStove, Reading, Source } from '#server/devices/device'

/** How a cook pours: seconds before it begins, grams a second, and how far it misses. */
const BEGINS_S = 6
const GRAIN_G_S = 18
const WATER_G_S = 35
const MISSES_G = 3
/** Off the target by no more than this, and still for so long: the cook has stopped pouring. */
const NEAR_G = 8
const STILL_S = 4
/** A sieve stops dripping after so long, and a pot is loosened and dished out, s. */
const DRIPS_S = 50
const LOOSENED_S = 75

/** What is on the scale now. */
function onScale(pot: AtTheStove): { grams: number; done: boolean } | undefined {
  const { stage, stageStartMs, nowMs, plan, cookId } = pot
  const seconds = (nowMs - stageStartMs) / 1000
  const aim = aimOf(pot.stage, pot.plan)
  if (aim !== undefined) {
    const target = Math.max(0, aim + MISSES_G * (2 * randomOf(seedOf(`${cookId} ${stage.id}`))() - 1))
    const rate = stage.kind === 'measure' && stage.id !== 'pour' ? GRAIN_G_S : WATER_G_S
    // Pouring slows down near the target.
    const fast = target * 0.85
    const poured = Math.max(0, seconds - BEGINS_S) * rate
    const grams = poured <= fast ? poured : Math.min(target, fast + (poured - fast) / 4)
    return { grams, done: grams >= target - 1e-9 && seconds > BEGINS_S + target / rate + STILL_S }
  }
  if (stage.kind === 'drain') {
    const clinging = plan.water.clinging_g + plan.water.soaked_in_g
    return {
      grams: plan.grain.mass_g + clinging * (1 + 3 * Math.exp(-seconds / 10)),
      done: seconds > DRIPS_S,
    }
  }
  if (stage.kind === 'fluff') {
    const full = plan.yield.cooked_mass_g
    return { grams: seconds < LOOSENED_S ? full : full * 0.7, done: seconds > LOOSENED_S }
  }
  return undefined
}

/** A kitchen scale under the bowl or the pot. */
export const simulatedScale: Source = {
  kind: 'scale',
  read(pot): Reading | undefined {
    const on = onScale(pot)
    return on && { kind: 'scale', atMs: pot.nowMs, grams: Math.round(on.grams) }
  },
  cue(reading, pot) {
    const on = onScale(pot)
    if (!on?.done || reading.grams === undefined) return undefined
    const aim = aimOf(pot.stage, pot.plan)
    // A scale far off its target ends no step: the cook has to look.
    if (aim !== undefined && Math.abs(reading.grams - aim) > NEAR_G) return undefined
    return pot.stage.id === 'pour' ? { amount: reading.grams } : {}
  },
}
