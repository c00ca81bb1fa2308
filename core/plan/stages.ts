import type { Blend } from '#core/grain/blend'
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

type Loose = Omit<Stage, 'after'>

/** What is done to the grain before it goes in. */
function grainStages({ request, prepared }: Laid): Loose[] {
  const { rinse, soak } = request
  const { dryG, blend } = prepared
  const washHow = blend.parts.map((p) => p.variety).find((v) => v.washes > 0)?.washHow ?? 'in the bowl'
  const stages: Loose[] = [
    { id: 'measure', kind: 'measure', title: 'Measure the grain', minutes: byHand(...MEASURE, dryG), hands_on: true, checks: [], ...byCue('measured') },
  ]
  if (rinse.washes > 0)
    stages.push({
      id: 'rinse',
      kind: 'rinse',
      title: `Rinse ${rinse.washes === 1 ? 'once' : rinse.washes === 2 ? 'twice' : `${rinse.washes} times`}`,
      minutes: byHand(rinse.washes * ONE_WASH[0], rinse.washes * ONE_WASH[1], dryG),
      hands_on: true,
      checks: [washHow],
      ...byCue('clear-enough'),
    })
  if (soak?.water === 'drain' && soak.minutes > 0) stages.push(soaking(request, blend))
  if (rinse.washes > 0 || soak?.water === 'drain')
    stages.push({
      id: 'drain',
      kind: 'drain',
      title: rinse.drain === 'sieve' ? 'Drain well in the sieve' : 'Tip the water off',
      minutes: byHand(...DRAIN, dryG),
      hands_on: true,
      checks: [],
      ...byCue('drained'),
    })
  return stages
}

function soaking({ soak, blendTiming }: PlanRequest, blend: Blend): Loose {
  const slow = blend.parts.filter((p) => isSlow(p, blend))
  const only = blendTiming === 'soak-slow' && slow.length > 0 ? `the ${slow.map((p) => p.variety.name.toLowerCase()).join(' and ')} ` : ''
  const where = soak!.water === 'keep' ? 'Soak in the water it will cook in' : `Soak ${only}under plenty of water`
  return {
    id: 'soak',
    kind: 'soak',
    title: `${where}${soak!.celsius <= FRIDGE_WARMEST_C ? ', in the fridge' : ''}`,
    minutes: { low: soak!.minutes, expected: soak!.minutes, high: soak!.minutes },
    hands_on: false,
    checks: ['Opaque white all through when it is done'],
    ...clocked,
  }
}

const POUR_TITLE = { pot: 'Pour the water', excess: 'Fill the pot with plenty of water', boiler: 'Water under the basket', stock: 'Water under the basket' } as const
/** A kettle or a second burner, W at the water. */
const KETTLE_W = 1700
const TAP_C = 15

/** What is done to the water before it meets the grain. */
function waterStages({ request, prepared, seasoning, pourG }: Laid): Loose[] {
  const { dryG, blend, method, boilC } = prepared
  const stages: Loose[] = []
  if (method.kettle) {
    const expected = (4.18 * pourG * (boilC - TAP_C)) / KETTLE_W / 60
    stages.push({
      id: 'kettle', kind: 'heat-up', title: method.water === 'stock' ? 'Bring the stock to just under the boil' : 'Boil the water in a kettle', hands_on: false,
      minutes: rounded({ low: expected * 0.7, expected, high: expected * 1.5 }), checks: [], ...byCue('kettle-boils'), heat: 'high',
    })
  }
  if (!(method.kettle && method.water === 'stock'))
    stages.push({ id: 'pour', kind: 'measure', title: method.kettle ? 'Pour the boiling water over it' : POUR_TITLE[method.water], minutes: byHand(...POUR, dryG), hands_on: true, checks: [], ...byCue('poured') })
  if (request.soak?.water === 'keep') stages.push(soaking(request, blend))
  const first = withWater(seasoning)
  if (first.length > 0)
    stages.push({
      id: 'season', kind: 'measure', title: `Into the water: ${first.join(', ')}`, minutes: byHand(...SEASON, dryG), hands_on: true, checks: [],
      ...byCue('seasoned'),
    })
  const onTop = seasoning.addIns.filter((a) => a.when === 'on-top').map(addInWords)
  const last = stages[stages.length - 1]!
  last.checks = [...last.checks, ...(onTop.length > 0 ? [`On top, not stirred in: ${onTop.join(', ')}`] : []), ...method.beforeHeat]
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
  /** For a kettle, g. */
  pourG: number
}

function hotStages({ request, prepared, seasoning, windows }: Laid): Loose[] {
  const hot = prepared.timed.stages
  const boiling = hot.findIndex((stage, i) => i > 0 && (stage.powerW > 0 || stage.surroundC !== undefined))
  return hot.map((stage, i) => {
    const { cue, surroundC } = stage
    return {
      id: stage.id,
      kind: stage.kind,
      title: stage.title,
      heat: stage.heat,
      power_w: roundTo(surroundC === undefined ? stage.powerW : request.vessel.loss * (surroundC - prepared.boilC), 0),
      lid: stage.lid,
      minutes: rounded(windows[i]!),
      ends_on: stage.endsOn,
      ...(cue ? { cue: CUES[cue].text, cue_id: cue } : {}),
      hands_on: stage.handsOn,
      checks: i === boiling ? [...addInChecks(seasoning, 'boiling'), ...stage.checks] : stage.checks,
    }
  })
}

/** A layer thinner than this steams off within minutes, mm. */
const SPREAD_MINUTES = 8

function lastStages({ request, prepared, seasoning }: Laid): Loose[] {
  const creamy = prepared.method.id === 'ladled'
  const fluff: Loose = {
    id: 'fluff',
    kind: 'fluff',
    title: creamy ? 'Stir once more and serve' : 'Loosen with a fork or paddle',
    minutes: byHand(...FLUFF, prepared.dryG),
    hands_on: true,
    checks: [...(creamy ? [] : [request.toasted ? 'Lift off what is loose; the toasted bottom comes last' : 'Lift and turn, do not press']), ...addInChecks(seasoning, 'end')],
    ...byCue('loosened'),
  }
  const spread: Loose = {
    id: 'spread', kind: 'spread', title: 'Spread it under 25 mm thin to steam off', hands_on: false, checks: ['Then fry it, or chill it within the hour'], ...clocked,
    minutes: { low: SPREAD_MINUTES * 0.6, expected: SPREAD_MINUTES, high: SPREAD_MINUTES * 1.3 },
  }
  return request.purpose === 'frying' ? [fluff, spread] : [fluff]
}

const chained = (stages: readonly Loose[], first: readonly string[]): Stage[] =>
  stages.map((stage, i) => ({ ...stage, after: i === 0 ? [...first] : [stages[i - 1]!.id] }))
const minutesOf = (stages: readonly Loose[]): number => stages.reduce((sum, s) => sum + s.minutes.expected, 0)

/** The whole cook as a graph: work on the grain and on the water go on side by side where a school lets them, and meet when the grain
 *  goes in; the water starts as late as it may. */
export function stagesOf(laid: Laid): Stage[] {
  const { prepared } = laid
  const hot = hotStages(laid)
  const isBeside = (id: string) => prepared.timed.stages.find((s) => s.id === id)?.beside === true
  const besideAt = hot.findIndex((stage) => isBeside(stage.id))
  const water = waterStages(laid)
  const [measure, ...rest] = grainStages(laid) as [Loose, ...Loose[]]
  const beside = besideAt < 0 ? [] : hot.filter((stage) => isBeside(stage.id))
  const kettleAt = water.findIndex((stage) => stage.id === 'kettle')
  // Cold water with the grain in it: one thing after another.
  if (besideAt < 0 && kettleAt < 0) return chained([measure, ...rest, ...water, ...hot, ...lastStages(laid)], [])
  const grainSide = chained([...rest, ...hot.slice(0, Math.max(0, besideAt))], ['measure'])
  const waterSide = chained(besideAt < 0 ? water.slice(0, kettleAt + 1) : [...water, ...beside], ['measure'])
  const lag = Math.max(0, minutesOf(grainSide) - minutesOf(waterSide))
  if (lag > 0) waterSide[0] = { ...waterSide[0]!, lag_minutes: roundTo(lag, 1) }
  const ends = [grainSide[grainSide.length - 1]?.id ?? 'measure', waterSide[waterSide.length - 1]!.id]
  const together = [...(besideAt < 0 ? water.slice(kettleAt + 1) : []), ...hot.slice(besideAt < 0 ? 0 : besideAt + beside.length)]
  return [{ ...measure, after: [] }, ...grainSide, ...waterSide, ...chained([...together, ...lastStages(laid)], ends)]
}
