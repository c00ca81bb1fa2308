import { CUES, type CueId } from '#core/method/cues'
import type { MethodStage } from '#core/method/method'
import { roundTo } from '#core/quantity/rounding'
import type { PlanRequest } from './request'
import type { Stage, Window } from './result'

/** Handling by hand: a little for any batch, and more for a larger one. Low, expected and high are in these proportions. */
const byHand = (fixed: number, per100g: number, dryG: number): Window => {
  const expected = fixed + (per100g * dryG) / 100
  return rounded({ low: expected * 0.7, expected, high: expected * 1.6 })
}
const MEASURE = [1, 0.25] as const
const ONE_WASH = [0.5, 0.08] as const
const DRAIN = [1, 0.25] as const
const POUR = [0.5, 0.08] as const
const FLUFF = [1, 0.1] as const

const cold = { heat: 'off', power_w: 0, lid: 'off' } as const
const clocked = { ...cold, ends_on: 'clock' } as const
/** Work by hand ends when the cook says so; the minutes are only a guess. */
const byCue = (cue: CueId) => ({ ...cold, ends_on: 'cue', cue: CUES[cue].text, cue_id: cue }) as const
const rounded = ({ low, expected, high }: Window): Window => ({
  low: roundTo(low, 1),
  expected: roundTo(expected, 1),
  high: roundTo(high, 1),
})

/** What is done before the pot is hot, in the order it is done. */
function coldStages({ rinse, soak }: PlanRequest, dryG: number, washHow: string, beforeHeat: readonly string[]): Omit<Stage, 'after'>[] {
  const stages: Omit<Stage, 'after'>[] = [
    { id: 'measure', kind: 'measure', title: 'Measure the grain', minutes: byHand(...MEASURE, dryG), hands_on: true, checks: [], ...byCue('measured') },
  ]
  if (rinse.washes > 0) {
    stages.push({
      id: 'rinse',
      kind: 'rinse',
      title: `Rinse ${rinse.washes === 1 ? 'once' : rinse.washes === 2 ? 'twice' : `${rinse.washes} times`}, ${washHow}`,
      minutes: byHand(rinse.washes * ONE_WASH[0], rinse.washes * ONE_WASH[1], dryG),
      hands_on: true,
      checks: [],
      ...byCue('clear-enough'),
    })
  }
  const drain: Omit<Stage, 'after'> = {
    id: 'drain',
    kind: 'drain',
    title: rinse.drain === 'sieve' ? 'Drain well in the sieve' : 'Tip the water off',
    minutes: byHand(...DRAIN, dryG),
    hands_on: true,
    checks: [],
    ...byCue('drained'),
  }
  const soaking = (kept: boolean): Omit<Stage, 'after'> => ({
    id: 'soak',
    kind: 'soak',
    title: kept ? 'Soak in the water it will cook in' : 'Soak under plenty of water',
    minutes: { low: soak!.minutes, expected: soak!.minutes, high: soak!.minutes },
    hands_on: false,
    checks: ['Opaque white all through when it is done'],
    ...clocked,
  })
  const wetted = rinse.washes > 0 || soak?.water === 'drain'
  if (soak?.water === 'drain') stages.push(soaking(false))
  if (wetted) stages.push(drain)
  stages.push({
    id: 'pour', kind: 'measure', title: 'Pour the water', minutes: byHand(...POUR, dryG), hands_on: true, checks: [], ...byCue('poured'),
  })
  if (soak?.water === 'keep') stages.push(soaking(true))
  stages[stages.length - 1]!.checks = [...stages[stages.length - 1]!.checks, ...beforeHeat]
  return stages
}

/** The whole cook as stages with windows, each after the one before it. */
export function stagesOf(
  request: PlanRequest,
  dryG: number,
  washHow: string,
  beforeHeat: readonly string[],
  hot: readonly MethodStage[],
  windows: readonly Window[],
): Stage[] {
  const cooking = hot.map((stage, i): Omit<Stage, 'after'> => {
    const cue = stage.cue
    return {
      id: stage.id,
      kind: stage.kind,
      title: stage.title,
      heat: stage.heat,
      power_w: roundTo(stage.powerW, 0),
      lid: stage.lid,
      minutes: rounded(windows[i]!),
      ends_on: stage.endsOn,
      ...(cue ? { cue: CUES[cue].text, cue_id: cue } : {}),
      hands_on: stage.handsOn,
      checks: stage.checks,
    }
  })
  const fluff: Omit<Stage, 'after'> = {
    id: 'fluff',
    kind: 'fluff',
    title: 'Loosen with a fork or paddle',
    minutes: byHand(...FLUFF, dryG),
    hands_on: true,
    checks: ['Lift and turn, do not press'],
    ...byCue('loosened'),
  }
  const all = [...coldStages(request, dryG, washHow, beforeHeat), ...cooking, fluff]
  return all.map((stage, i) => ({ ...stage, after: i === 0 ? [] : [all[i - 1]!.id] }))
}
