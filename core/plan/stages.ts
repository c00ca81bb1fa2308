import { CUES, type CueId } from '#core/method/cues'
import { roundTo } from '#core/quantity/rounding'
import type { AddInOut, Seasoning } from '#core/season/seasoning'
import type { PlanRequest } from './request'
import type { Prepared } from './prepare'
import type { Stage, Window } from './result'
import { isSlow } from './soaked'

/** Handling by hand: a little for any batch, and more for a larger one. Low, expected and high are in these proportions. */
const byHand = (fixed: number, per100g: number, dryG: number): Window => {
  const expected = fixed + (per100g * dryG) / 100
  return rounded({ low: expected * 0.7, expected, high: expected * 1.6 })
}
const MEASURE = [1, 0.25] as const
const ONE_WASH = [0.5, 0.08] as const
const DRAIN = [1, 0.25] as const
const POUR = [0.5, 0.08] as const
const SEASON = [0.7, 0.02] as const
/** Less salt than this is not worth a step, g. */
const LEAST_SALT_G = 0.1
/** Water this cold is a fridge's, °C. */
const FRIDGE_WARMEST_C = 8
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
function coldStages({ request, prepared, seasoning }: Laid): Omit<Stage, 'after'>[] {
  const { rinse, soak } = request
  const { dryG, blend, method } = prepared
  const washHow = blend.parts.map((p) => p.variety).find((v) => v.washes > 0)?.washHow ?? 'in the bowl'
  const stages: Omit<Stage, 'after'>[] = [
    { id: 'measure', kind: 'measure', title: 'Measure the grain', minutes: byHand(...MEASURE, dryG), hands_on: true, checks: [], ...byCue('measured') },
  ]
  if (rinse.washes > 0) {
    stages.push({
      id: 'rinse',
      kind: 'rinse',
      title: `Rinse ${rinse.washes === 1 ? 'once' : rinse.washes === 2 ? 'twice' : `${rinse.washes} times`}`,
      minutes: byHand(rinse.washes * ONE_WASH[0], rinse.washes * ONE_WASH[1], dryG),
      hands_on: true,
      checks: [washHow],
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
  const slowOnly = request.blendTiming === 'soak-slow' && blend.parts.some((p) => isSlow(p, blend))
  const slowNames = blend.parts.filter((p) => isSlow(p, blend)).map((p) => p.variety.name.toLowerCase()).join(' and ')
  const cold = soak !== null && soak.celsius <= FRIDGE_WARMEST_C
  const soaking = (kept: boolean): Omit<Stage, 'after'> => ({
    id: 'soak',
    kind: 'soak',
    title: `${kept ? 'Soak in the water it will cook in' : `Soak ${slowOnly ? `the ${slowNames} ` : ''}under plenty of water`}${cold ? ', in the fridge' : ''}`,
    minutes: { low: soak!.minutes, expected: soak!.minutes, high: soak!.minutes },
    hands_on: false,
    checks: ['Opaque white all through when it is done'],
    ...clocked,
  })
  const wetted = rinse.washes > 0 || soak?.water === 'drain'
  if (soak?.water === 'drain' && soak.minutes > 0) stages.push(soaking(false))
  if (wetted) stages.push(drain)
  stages.push({
    id: 'pour', kind: 'measure', title: 'Pour the water', minutes: byHand(...POUR, dryG), hands_on: true, checks: [], ...byCue('poured'),
  })
  if (soak?.water === 'keep') stages.push(soaking(true))
  const first = withWater(seasoning)
  if (first.length > 0)
    stages.push({
      id: 'season', kind: 'measure', title: `Into the water: ${first.join(', ')}`, minutes: byHand(...SEASON, dryG), hands_on: true, checks: [],
      ...byCue('seasoned'),
    })
  const onTop = seasoning.addIns.filter((a) => a.when === 'on-top').map(addInWords)
  stages[stages.length - 1]!.checks = [
    ...stages[stages.length - 1]!.checks,
    ...(onTop.length > 0 ? [`On top, not stirred in: ${onTop.join(', ')}`] : []),
    ...method.beforeHeat,
  ]
  return stages
}

const addInWords = ({ name, grams }: Seasoning['addIns'][number]): string =>
  `${grams < 10 ? roundTo(grams, 1) : Math.round(grams)} g ${name}`

/** What goes into the water before the heat: salt and whatever cooks with it. */
const withWater = ({ saltToAddG, addIns }: Seasoning): string[] => [
  ...(saltToAddG >= LEAST_SALT_G ? [`${roundTo(saltToAddG, 1)} g salt`] : []),
  ...addIns.filter((a) => a.when === 'with-water').map(addInWords),
]

/** Words about add-ins at a moment of the cook. */
function addInChecks({ addIns }: Seasoning, kind: 'boiling' | 'end'): string[] {
  const said = (verb: string, list: Seasoning['addIns']) => (list.length > 0 ? [`${verb} ${list.map(addInWords).join(', ')}`] : [])
  const out = (when: AddInOut) => {
    const names = addIns.filter((a) => a.out === when).map((a) => a.name)
    return names.length > 0 ? [`Take out the ${names.join(' and the ')}`] : []
  }
  if (kind === 'boiling') return [...said('Now add', addIns.filter((a) => a.when === 'at-boil')), ...out('at-boil')]
  return [
    ...out('after-rest'),
    ...said('Fold in', addIns.filter((a) => a.when === 'fold-in')),
    ...said('At the table:', addIns.filter((a) => a.when === 'at-table')),
  ]
}

interface Laid {
  request: PlanRequest
  prepared: Prepared
  seasoning: Seasoning
  windows: readonly Window[]
}

/** The whole cook as stages with windows, each after the one before it. */
export function stagesOf(laid: Laid): Stage[] {
  const { prepared, seasoning, windows } = laid
  const { dryG } = prepared
  const hot = prepared.timed.stages
  const boiling = hot.findIndex((stage, i) => i > 0 && stage.powerW > 0)
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
      checks: i === boiling ? [...addInChecks(seasoning, 'boiling'), ...stage.checks] : stage.checks,
    }
  })
  const fluff: Omit<Stage, 'after'> = {
    id: 'fluff',
    kind: 'fluff',
    title: 'Loosen with a fork or paddle',
    minutes: byHand(...FLUFF, dryG),
    hands_on: true,
    checks: ['Lift and turn, do not press', ...addInChecks(seasoning, 'end')],
    ...byCue('loosened'),
  }
  const all = [...coldStages(laid), ...cooking, fluff]
  return all.map((stage, i) => ({ ...stage, after: i === 0 ? [] : [all[i - 1]!.id] }))
}
