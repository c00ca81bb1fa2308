import { deliveredPower, fullPower } from '#core/heat/sources'
import { isJacketed, keepsWarmItself } from '#core/vessel/vessel'
import { FRIDGE_WARMEST_C } from '#core/constants'
import type { Dressing } from '#core/finish/dressing'
import { handWarmMinutes, heatOfCooked } from '#core/finish/hand-warm'
import { LOOSEN_WAYS, type LoosenWay } from '#core/finish/loosen'
import { fryingOf, USUAL_PAN_W } from '#core/finish/fry'
import { SPREAD_MM, type Spread } from '#core/finish/spread'
import type { Blend } from '#core/grain/blend'
import { inWords } from '#core/grain/varieties'
import { holdingPower } from '#core/leftovers/hold-time'
import type { Method } from '#core/methods/definition'
import { CUES, type CueId } from '#core/methods/signs'
import { soakSigns } from '#core/methods/stages'
import { dishBelow } from '#core/methods/steam'
import { roundTo } from '#core/units/rounding'
import { OIL_DENSITY } from '#core/seasoning/oil-density'
import type { AddInOut, Seasoning } from '#core/seasoning/seasoning'
import { guidanceOf, SHALLOW_MM } from '#core/leftovers/guidance'
import type { PlanRequest } from './request'
import {
  addInAmount,
  amountText,
  amountWords,
  dressAmounts,
  grainAmounts,
  liquidAmount,
  mixAmounts,
  seasoningAmounts,
  type Speaking,
} from './stage-amounts'
import { SPRINKLE_MIN } from '#core/finish/set-aside'
import { inMeasure } from '#core/units/measures'
import type { StageAmount } from './stage-amount'
import type { PreparedPlan } from './prepare'
import type { Plan, Stage, Window } from './result'
import { isSlow } from '#core/grain/blend'
import { settingOf } from './stage-settings'
import { timelineOf } from './timeline'

/**
 * Hands-on minutes: a little for any batch, and more for a larger one. Low, expected and high are in these
 * proportions.
 */
const byHand = (fixed: number, per100g: number, dryG: number): Window => {
  const expected = fixed + (per100g * dryG) / 100
  return rounded({ low: expected * 0.7, expected, high: expected * 1.6 })
}
const MEASURE = [1, 0.25] as const
const ONE_WASH = [0.5, 0.08] as const
const DRAIN = [1, 0.25] as const
const POUR = [0.5, 0.08] as const
const SEASON = [0.7, 0.02] as const
const FLUFF = [1, 0.1] as const

const cold = { heat: 'off', power_w: 0, lid: 'off' } as const
const clocked = { ...cold, ends_on: 'clock' } as const
/** Hands-on work ends when the cook says so; the minutes are only an estimate. */
const byCue = (cue: CueId) => ({ ...cold, ends_on: 'cue', cue: CUES[cue].text, cue_id: cue }) as const
const rounded = ({ low, expected, high }: Window): Window => ({
  low: roundTo(low, 1),
  expected: roundTo(expected, 1),
  high: roundTo(high, 1),
})

type StageDraft = Omit<Stage, 'after'>

/** Milled rice sheds starch that clouds the water; other grain only dust, and quinoa froth. */
const clouds = ({ family }: Blend['parts'][number]['variety']): boolean =>
  family === 'white rice' || family === 'sticky rice'

/** What is done to the grain before it goes in. */
function grainStages({ request, prepared }: StageInput): StageDraft[] {
  const { rinse, soak } = request
  const { dryG, blend } = prepared
  const washed = blend.parts.map((p) => p.variety).filter((v) => v.washes > 0)
  const hows = [...new Set(washed.map((v) => v.washHow))]
  const washHow = hows.length > 0 ? hows : ['in the bowl']
  const stages: StageDraft[] = [
    {
      id: 'measure',
      kind: 'measure',
      title: 'Measure the grain',
      minutes: byHand(...MEASURE, dryG),
      hands_on: true,
      checks: [],
      amounts: grainAmounts(blend, dryG, request),
      ...byCue('measured'),
    },
  ]
  if (rinse.washes > 0)
    stages.push({
      id: 'rinse',
      kind: 'rinse',
      title: `Rinse ${rinse.washes === 1 ? 'once' : rinse.washes === 2 ? 'twice' : `${rinse.washes} times`}`,
      minutes: byHand(rinse.washes * ONE_WASH[0], rinse.washes * ONE_WASH[1], dryG),
      hands_on: true,
      checks: washHow,
      ...byCue(blend.parts.some((p) => clouds(p.variety)) ? 'clear-enough' : 'runs-clean'),
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

function soaking({ soak, blendTiming, startLaterMinutes }: PlanRequest, blend: Blend): StageDraft {
  const slow = blend.parts.filter((p) => isSlow(p, blend))
  const only =
    blendTiming === 'soak-slow' && slow.length > 0
      ? `the ${slow.map((p) => inWords(p.variety)).join(' and ')} `
      : ''
  const where =
    soak!.water === 'keep' ? 'Soak in the water it will cook in' : `Soak ${only}under plenty of water`
  return {
    id: 'soak',
    kind: 'soak',
    title:
      startLaterMinutes > 0
        ? 'Set the timer; it soaks and starts by itself'
        : `${where}${soak!.celsius <= FRIDGE_WARMEST_C ? ', in the fridge' : ''}`,
    minutes: { low: soak!.minutes, expected: soak!.minutes, high: soak!.minutes },
    hands_on: false,
    checks: startLaterMinutes > 0 ? ['Lid closed, plugged in, clock correct'] : soakSigns(blend),
    ...clocked,
  }
}

const POUR_TITLE = {
  pot: 'Pour the water',
  excess: 'Fill the pot with plenty of water',
  boiler: 'Water under the basket',
  stock: 'Water under the basket',
} as const
/** A kettle or a second burner, W at the water. */
const KETTLE_W = 1700
const TAP_C = 15

/** "“Leek stew”: 140 g water into it". */
const dishTitle = ({ name, top_up_g }: NonNullable<Plan['boiler_dish']>): string =>
  top_up_g >= 1
    ? `${dishBelow(name)}: ${Math.round(top_up_g)} g water into it`
    : `${dishBelow(name)} under the basket`

function pourTitle({ kettle, bowl, water }: Method, boilerDish: Plan['boiler_dish']): string {
  if (kettle) return 'Pour the boiling water over it'
  if (boilerDish) return dishTitle(boilerDish)
  return bowl ? 'Pour the water over the grain in the bowl' : POUR_TITLE[water]
}

/** Minutes until chopped onions are soft, on medium heat. */
const FRY = { low: 4, expected: 6, high: 9 }

/** What is fried before the grain and the water are in. */
function friedFirst({ request, prepared: { method, boilC }, seasoning }: StageInput): StageDraft[] {
  const amounts = seasoningAmounts(seasoning, 'first', request)
  if (amounts.length === 0) return []
  const inThePot =
    (request.vessel.kind === 'pot' || request.vessel.kind.startsWith('pressure')) && method.water === 'pot'
  const stage: StageDraft = {
    id: 'fry-first',
    kind: 'toast',
    title: `Fry first: ${amounts.map((a) => amountWords(a, request)).join(', ')}`,
    amounts,
    ...clocked,
    heat: 'medium',
    // Its burner is taken; what it gives the pot is gone before the water is in.
    power_w: inThePot
      ? roundTo(deliveredPower(request.source, 'medium', request.vessel.loss * (boilC - request.kitchenC)), 0)
      : 0,
    lid: 'off',
    minutes: FRY,
    hands_on: true,
    checks: [
      'In a little fat, stirring, until soft and clear',
      inThePot ? 'Then the grain and the water go in' : 'In a pan of its own; it goes in with the grain',
    ],
  }
  const set = settingOf(stage, request, { ovenC: undefined, pressureMinutes: undefined })
  return [inThePot && set ? { ...stage, set } : stage]
}

/** What is done to the water before it meets the grain. */
function waterStages(laid: StageInput): StageDraft[] {
  const { request, prepared, seasoning, pourG, boilerG, boilerDish } = laid
  const { dryG, blend, method, boilC } = prepared
  const stages: StageDraft[] = friedFirst(laid)
  if (method.kettle) {
    const expected = (4.18 * pourG * (boilC - TAP_C)) / KETTLE_W / 60
    stages.push({
      id: 'kettle',
      kind: 'heat-up',
      title:
        method.water === 'stock' ? 'Bring the stock to just under the boil' : 'Boil the water in a kettle',
      hands_on: false,
      minutes: rounded({ low: expected * 0.7, expected, high: expected * 1.5 }),
      checks: [],
      ...byCue(method.water === 'stock' && !method.basket ? 'stock-hot' : 'kettle-boils'),
      heat: 'high',
    })
  }
  if (method.bowl)
    stages.push({
      id: 'boiler',
      kind: 'measure',
      title: 'Water under the bowl',
      minutes: byHand(...POUR, dryG),
      hands_on: true,
      checks: [],
      amounts: [liquidAmount('water', boilerG ?? 0, request)],
      ...byCue('poured'),
    })
  if (!(method.kettle && method.water === 'stock'))
    stages.push({
      id: 'pour',
      kind: 'measure',
      title: pourTitle(method, boilerDish),
      minutes: byHand(...POUR, dryG),
      hands_on: true,
      checks: [],
      amounts: boilerDish
        ? [liquidAmount('water', boilerDish.top_up_g, request)]
        : pourAmounts(request, seasoning, method.water === 'stock' ? (boilerG ?? pourG) : pourG),
      ...byCue('poured'),
    })
  if (request.soak?.water === 'keep') stages.push(soaking(request, blend))
  const first = seasoningAmounts(seasoning, 'with-water', request)
  if (first.length > 0)
    stages.push({
      id: 'season',
      kind: 'measure',
      title: `Into the water: ${first.map((a) => amountWords(a, request)).join(', ')}`,
      amounts: first,
      minutes: byHand(...SEASON, dryG),
      hands_on: true,
      checks: [],
      ...byCue('seasoned'),
    })
  const onTop = seasoning.addIns.filter((a) => a.when === 'on-top').map(addInWords(request))
  const onTopAmounts = seasoningAmounts(seasoning, 'on-top', request)
  const last = stages[stages.length - 1]!
  last.checks = [
    ...last.checks,
    ...(onTop.length > 0 ? [`On top, not stirred in: ${onTop.join(', ')}`] : []),
    ...method.beforeHeat,
  ]
  if (onTopAmounts.length > 0) last.amounts = [...(last.amounts ?? []), ...onTopAmounts]
  return stages
}

const addInWords =
  (request: PlanRequest) =>
  (addIn: Seasoning['addIns'][number]): string =>
    amountWords(addInAmount(addIn, request), request)

/** The pour, as water and stock where some of it is stock. */
const pourAmounts = (request: PlanRequest, { stockG }: Seasoning, pourG: number): StageAmount[] =>
  stockG >= 1 && stockG < pourG
    ? [liquidAmount('water', pourG - stockG, request), liquidAmount('stock', stockG, request)]
    : [liquidAmount(stockG >= 1 ? 'stock' : 'water', pourG, request)]

/** Words about add-ins at a moment of the cook. */
function addInChecks({ addIns }: Seasoning, request: PlanRequest, kind: 'boiling' | 'end'): string[] {
  const said = (verb: string, list: Seasoning['addIns']) =>
    list.length > 0 ? [`${verb} ${list.map(addInWords(request)).join(', ')}`] : []
  const out = (when: AddInOut) => {
    const names = addIns.filter((a) => a.out === when).map((a) => addInAmount(a, request).name)
    return names.length > 0 ? [`Take out the ${names.join(' and the ')}`] : []
  }
  if (kind === 'boiling')
    return [
      ...said(
        'Now add',
        addIns.filter((a) => a.when === 'at-boil'),
      ),
      ...out('at-boil'),
    ]
  return [
    ...out('after-rest'),
    ...said(
      'Fold in',
      addIns.filter((a) => a.when === 'fold-in'),
    ),
    ...said(
      'To serve:',
      addIns.filter((a) => a.when === 'at-table'),
    ),
  ]
}

interface StageInput {
  request: PlanRequest
  prepared: PreparedPlan
  seasoning: Seasoning
  windows: readonly Window[]
  /** For a kettle, g. */
  pourG: number
  /** Under a basket, where the pour goes on the grain, g. */
  boilerG: number | undefined
  boilerDish: Plan['boiler_dish']
  loosen: LoosenWay
  spread: Spread | undefined
  aside: Plan['set_aside']
  dressing: Dressing | null
  cookedG: number
}

function hotStages({ request, prepared, seasoning, windows, pourG }: StageInput): StageDraft[] {
  const hot = prepared.timed.stages
  const boiling = hot.findIndex((stage, i) => i > 0 && (stage.powerW > 0 || stage.surroundC !== undefined))
  const held = hot.findIndex((stage) => stage.kind === 'pressure')
  const lidded =
    request.vessel.kind === 'pot' && request.vessel.lid === 'foil'
      ? hot.findIndex((stage) => stage.lid === 'on')
      : -1
  return hot.map((stage, i): StageDraft => {
    const { cue, surroundC } = stage
    const draft: StageDraft = {
      id: stage.id,
      kind: stage.kind,
      title: stage.title,
      heat: stage.heat,
      power_w: roundTo(
        surroundC === undefined ? stage.powerW : request.vessel.loss * (surroundC - prepared.boilC),
        0,
      ),
      lid: stage.lid,
      minutes: rounded(windows[i]!),
      ends_on: stage.endsOn,
      ...(cue ? { cue: CUES[cue].text, cue_id: cue } : {}),
      hands_on: stage.handsOn,
      checks: [
        ...(i === boiling ? addInChecks(seasoning, request, 'boiling') : []),
        ...(i === lidded ? ['Foil over the rim, then press the lid on'] : []),
        ...stage.checks,
      ],
    }
    const amounts = [
      ...(stage.pourShare ? [liquidAmount('water', pourG * stage.pourShare, request)] : []),
      ...(stage.ladle ? [liquidAmount('stock', pourG, request)] : []),
      ...(i === boiling ? seasoningAmounts(seasoning, 'at-boil', request) : []),
    ]
    if (amounts.length > 0) draft.amounts = amounts
    const set = settingOf(draft, request, {
      ovenC: surroundC,
      pressureMinutes: windows[held]?.expected,
    })
    if (set) draft.set = set
    return draft
  })
}

function lastStages({
  request,
  prepared,
  seasoning,
  loosen,
  spread,
  aside,
  dressing,
  cookedG,
}: StageInput): StageDraft[] {
  const way = LOOSEN_WAYS[loosen]
  const foldIn = seasoningAmounts(seasoning, 'fold-in', request)
  const fluff: StageDraft = {
    id: 'fluff',
    kind: 'fluff',
    title: loosen === 'stir' ? 'Stir once more and serve' : way.title,
    minutes: byHand(...FLUFF, prepared.dryG),
    hands_on: true,
    checks: [
      ...(prepared.timed.stages.at(-1)!.lid === 'on' &&
      request.vessel.kind !== 'oven-dish' &&
      !prepared.method.basket
        ? ['Lift the lid level: its drops must not fall back']
        : []),
      request.toasted ? 'Lift off the loose grain; the crisp bottom comes last' : way.how,
      ...addInChecks(seasoning, request, 'end'),
      ...(keepsWarmItself(request.vessel.kind) &&
      (request.holdMinutes === 0 || request.holdIn === 'warm-drawer')
        ? ['Turn off keep warm, and unplug']
        : []),
    ],
    loosen,
    ...(foldIn.length > 0 ? { amounts: foldIn } : {}),
    ...byCue(loosen === 'stir' ? 'stirred-even' : 'loosened'),
  }
  const last: StageDraft[] = [
    fluff,
    ...(aside ? asideStages(aside, request, prepared.dryG) : []),
    ...(spread ? fryingStages(spread, request, cookedG - (aside?.grams ?? 0)) : []),
  ]
  if (dressing) {
    const cools = handWarmMinutes({
      heatPerGram: heatOfCooked(prepared.dryG / cookedG),
      densityGMl: prepared.blend.cookedDensity,
      kitchenC: request.kitchenC,
    })
    last.push(
      {
        id: 'dress',
        kind: 'dress',
        title: 'Fold the dressing in while it is hot',
        amounts: dressAmounts(dressing, request),
        minutes: byHand(1, 0.4, prepared.dryG),
        hands_on: true,
        ...byCue('dressed'),
        checks: dressChecks(request.dressing!.bottle, dressing),
      },
      {
        id: 'cool',
        kind: 'cool',
        title: 'Fan and turn until lukewarm',
        hands_on: true,
        ...clocked,
        minutes: rounded({ low: cools * 0.7, expected: cools, high: cools * 1.4 }),
        checks: ['In a wide bowl, a finger deep', 'Then a damp cloth over it'],
      },
    )
    const { setMinutes } = request.dressing!
    if (setMinutes > 0)
      last.push({
        id: 'set',
        kind: 'hold',
        title: 'Let it set under a damp cloth',
        hands_on: false,
        ...clocked,
        checks: ['Not in the fridge yet: it hardens there'],
        minutes: { low: setMinutes, expected: setMinutes, high: setMinutes },
      })
  }
  if (request.purpose === 'batch') last.push(...batchStages(prepared.dryG, request))
  if (request.holdMinutes > 0) last.push(holdStage(request))
  return last
}

/** Grain for frying steams off, and is fried at once where that is asked. */
const fryingStages = (spread: Spread, request: PlanRequest, cookedG: number): StageDraft[] => [
  spreadStage(spread, request),
  ...(request.fryAtEnd ? [fryStage(request, cookedG)] : []),
]

/** Grain for frying steams off on a tray. */
const spreadStage = (spread: Spread, request: PlanRequest): StageDraft => ({
  id: 'spread',
  kind: 'spread',
  title: `Spread on a ${spread.tray.longCm} × ${spread.tray.wideCm} cm tray to steam dry`,
  hands_on: false,
  ...clocked,
  checks: [
    `${Math.round(spread.areaCm2)} cm², under ${SPREAD_MM} mm`,
    ...(request.fryAtEnd
      ? ['Then it is fried']
      : request.fryTomorrow?.share === 1
        ? tomorrowChecks(request)
        : [`Then fry it, or chill it within ${coldWithin(request)} min`]),
  ],
  minutes: rounded({ low: spread.minutes * 0.6, expected: spread.minutes, high: spread.minutes * 1.3 }),
})

/** What is said of grain that is chilled to be fried tomorrow. */
const tomorrowChecks = (request: PlanRequest): string[] => [
  `Into the fridge within ${coldWithin(request)} min, uncovered until it is cold`,
  'Tomorrow: break it up cold, and fry it until it steams all through',
]

/** A part is taken out and spread for tomorrow; what stays gets the water it wants besides, and drinks it. */
function asideStages(
  { grams, ml, tray_long_cm, tray_wide_cm, sprinkle_g }: NonNullable<Plan['set_aside']>,
  request: PlanRequest,
  dryG: number,
): StageDraft[] {
  const part: StageAmount = {
    what: 'cooked-grain',
    name: 'cooked grain',
    grams,
    ml,
    measures: request.measures.map((measure) => inMeasure(ml, measure)),
  }
  const aside: StageDraft = {
    id: 'set-aside',
    kind: 'spread',
    title: `Take ${amountText(part, request)} of it out, to fry tomorrow`,
    amounts: [part],
    minutes: byHand(1, 0.3, dryG),
    hands_on: true,
    ...byCue('shared-out'),
    checks: [
      `Spread on a ${tray_long_cm} × ${tray_wide_cm} cm tray, under ${SPREAD_MM} mm`,
      ...tomorrowChecks(request),
    ],
  }
  if (sprinkle_g < LEAST_SPRINKLE_G) return [aside]
  return [
    aside,
    {
      id: 'sprinkle',
      kind: 'hold',
      title: `Sprinkle ${amountText(liquidAmount('water', sprinkle_g, request), request)} boiling water over the rest`,
      amounts: [liquidAmount('water', sprinkle_g, request)],
      hands_on: false,
      ...clocked,
      lid: 'on',
      minutes: { low: SPRINKLE_MIN, expected: SPRINKLE_MIN, high: SPRINKLE_MIN },
      checks: ['Lid on again, off the heat; it is softer than the part for tomorrow'],
    },
  ]
}
/** Less water than this is not worth sprinkling, g. */
const LEAST_SPRINKLE_G = 5

/** Fried once it has steamed off, on the burner the pot was on; after an appliance, on a usual one. */
function fryStage(request: StageInput['request'], cookedG: number): StageDraft {
  const onBurner = !isJacketed(request.vessel.kind) && request.vessel.kind !== 'oven-dish'
  const { rounds, minutesPerRound, oilMl } = fryingOf(
    cookedG,
    onBurner ? fullPower(request.source) : USUAL_PAN_W,
  )
  const expected = rounds * minutesPerRound
  const each = Math.round(minutesPerRound)
  return {
    id: 'fry',
    kind: 'toast',
    title: rounds === 1 ? 'Fry it in a wide pan' : `Fry it in a wide pan, in ${rounds} rounds`,
    amounts: [addInAmount({ name: 'oil', grams: oilMl * OIL_DENSITY }, request)],
    ...clocked,
    heat: 'high',
    // It heats the pan, not the pot.
    power_w: 0,
    lid: 'off',
    ...(onBurner ? { set: { setting: 'high' } } : {}),
    minutes: rounded({ low: expected * 0.7, expected, high: expected * 1.5 }),
    hands_on: true,
    checks: [
      ...(rounds > 1 ? [`About ${Math.round(cookedG / rounds)} g and ${each} min a round`] : []),
      'Break up the lumps, then toss until it smells toasted',
      'Steaming hot all through before it is served',
    ],
  }
}

/** Kept warm until it is served: where it cooked, or in a warm drawer. */
function holdStage(request: StageInput['request']): StageDraft {
  const inDrawer = request.holdIn === 'warm-drawer'
  const byItself = keepsWarmItself(request.vessel.kind) && !inDrawer
  return {
    id: 'hold',
    kind: 'hold',
    title: inDrawer
      ? 'Into the warm drawer, covered'
      : byItself
        ? 'Hold it warm, lid down'
        : 'Leave it covered, off the heat',
    hands_on: false,
    ...clocked,
    ...(byItself
      ? { heat: 'lowest' as const, power_w: roundTo(holdingPower(request.vessel, request.kitchenC), 0) }
      : {}),
    lid: 'on',
    minutes: { low: 0, expected: request.holdMinutes, high: request.holdMinutes },
    checks: [
      ...(inDrawer
        ? [`Heated first: the grain stays at ${guidanceOf(request.guidance).hold_hot_c.value} °C or more`]
        : []),
      'Loosen it once more before it is served',
    ],
  }
}

/** Minutes until cooked grain must be cold, by the guidance in force. */
const coldWithin = ({ guidance }: Pick<PlanRequest, 'guidance'>): number =>
  guidanceOf(guidance).cool_min.value

/** Cooked for the week: shared out while hot into shallow containers, and cooled before they are shut. */
const batchStages = (dryG: number, request: Pick<PlanRequest, 'guidance'>): StageDraft[] => [
  {
    id: 'portion',
    kind: 'measure',
    title: 'Share it into shallow containers',
    minutes: byHand(2, 0.4, dryG),
    hands_on: true,
    ...byCue('shared-out'),
    checks: [`No deeper than ${SHALLOW_MM} mm, so that it cools in time`],
  },
  {
    id: 'cool-batch',
    kind: 'cool',
    title: 'Let them steam off, lids off',
    hands_on: false,
    ...clocked,
    minutes: { low: 10, expected: 20, high: 40 },
    checks: [`In the fridge within ${coldWithin(request)} min, lids on when it is cool`],
  },
]

/** How the dressing goes in, and where it comes from when it was made ahead. */
const dressChecks = (bottle: { name: string } | undefined, { saltLastG }: Dressing): string[] => [
  ...(bottle ? [`From the bottle “${bottle.name}”`] : []),
  'Over the paddle, all round; cut and fold, do not stir',
  ...(saltLastG > 0 ? [`Last, ${roundTo(saltLastG, 1)} g salt sprinkled over`] : []),
]

/** The dressing is mixed while the pot works; steeped, it starts as early as that takes. */
function dressingStages({ request, dressing }: StageInput, after: string, readyBy: number): Stage[] {
  if (!dressing || request.dressing!.bottle) return []
  const { infuseMinutes } = request.dressing!
  const mix: Stage = {
    id: 'mix-dressing',
    kind: 'dress',
    after: [after],
    title: `Mix ${mixWords(dressing, request)}`,
    amounts: mixAmounts(dressing, request),
    minutes: byHand(3, 0.1, dressing.liquidG * 3),
    hands_on: true,
    checks: ['Warm it gently to dissolve the sugar; do not boil'],
    ...byCue('dressing-clear'),
  }
  const takes = mix.minutes.expected + infuseMinutes
  if (readyBy > takes) mix.lag_minutes = roundTo(readyBy - takes, 1)
  if (infuseMinutes === 0) return [mix]
  return [
    mix,
    {
      id: 'infuse',
      kind: 'hold',
      after: [mix.id],
      title: 'Infuse the dressing, covered',
      hands_on: false,
      ...clocked,
      checks: ['Strain it before it goes in'],
      minutes: { low: infuseMinutes, expected: infuseMinutes, high: infuseMinutes },
    },
  ]
}

/** "30 g vinegar, 12 g sugar and 3.1 g salt". */
const mixWords = (dressing: Dressing, speaking: Speaking): string => {
  const said = mixAmounts(dressing, speaking).map((a) => amountWords(a, speaking))
  return said.length > 2 ? `${said.slice(0, -1).join(', ')} and ${said.at(-1)}` : said.join(', ')
}

const chained = (stages: readonly StageDraft[], first: readonly string[]): Stage[] =>
  stages.map((stage, i) => ({ ...stage, after: i === 0 ? [...first] : [stages[i - 1]!.id] }))
const minutesOf = (stages: readonly StageDraft[]): number =>
  stages.reduce((sum, s) => sum + s.minutes.expected, 0)

/**
 * The whole cook as a graph: work on the grain and on the water go on side by side where a method lets them,
 * and meet when the grain goes in; the water starts as late as it may.
 */
export function stagesOf(laid: StageInput): Stage[] {
  const cook = cookStages(laid)
  if (!laid.dressing) return cook
  // It is wanted when the grain is loosened; before that it can be mixed whenever the pot needs no hand.
  const times = timelineOf(cook)
  const [first] = cook
  const loosened = times.get('fluff')!
  const dressing = dressingStages(laid, first!.id, loosened.start - times.get(first!.id)!.end)
  if (dressing.length === 0) return cook
  const ready = dressing.reduce(
    (sum, stage) => sum + (stage.lag_minutes ?? 0) + stage.minutes.expected,
    times.get(first!.id)!.end,
  )
  // Steeped for longer than the pot takes, it is the pot that waits, not the hot grain.
  const waits = Math.max(0, ready - loosened.start)
  const later = cook.map((stage) =>
    waits > 0 && stage.after.includes(first!.id)
      ? { ...stage, lag_minutes: roundTo((stage.lag_minutes ?? 0) + waits, 1) }
      : stage,
  )
  const at = later.findIndex((stage) => stage.id === 'dress')
  return [
    ...later.slice(0, at),
    ...dressing,
    { ...later[at]!, after: [...later[at]!.after, dressing.at(-1)!.id] },
    ...later.slice(at + 1),
  ]
}

function cookStages(laid: StageInput): Stage[] {
  const { prepared } = laid
  const hot = hotStages(laid)
  const isAside = (id: string) => prepared.timed.stages.find((s) => s.id === id)?.aside === true
  const asideAt = hot.findIndex((stage) => isAside(stage.id))
  const water = waterStages(laid)
  const [measure, ...rest] = grainStages(laid) as [StageDraft, ...StageDraft[]]
  const aside = asideAt < 0 ? [] : hot.filter((stage) => isAside(stage.id))
  const kettleAt = water.findIndex((stage) => stage.id === 'kettle')
  // Cold water with the grain in it: one thing after another.
  if (asideAt < 0 && kettleAt < 0)
    return chained([measure, ...rest, ...water, ...hot, ...lastStages(laid)], [])
  const grainSide = chained([...rest, ...hot.slice(0, Math.max(0, asideAt))], ['measure'])
  const waterSide = chained(asideAt < 0 ? water.slice(0, kettleAt + 1) : [...water, ...aside], ['measure'])
  const lag = Math.max(0, minutesOf(grainSide) - minutesOf(waterSide))
  if (lag > 0) waterSide[0] = { ...waterSide[0]!, lag_minutes: roundTo(lag, 1) }
  const ends = [grainSide[grainSide.length - 1]?.id ?? 'measure', waterSide[waterSide.length - 1]!.id]
  const together = [
    ...(asideAt < 0 ? water.slice(kettleAt + 1) : []),
    ...hot.slice(asideAt < 0 ? 0 : asideAt + aside.length),
  ]
  return [
    { ...measure, after: [] },
    ...grainSide,
    ...waterSide,
    ...chained([...together, ...lastStages(laid)], ends),
  ]
}
