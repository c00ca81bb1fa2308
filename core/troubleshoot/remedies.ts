import { capital } from '#core/units/capital'
import { CENTRE_THROUGH, CENTRE_WELL_THROUGH } from '#core/constants'
import type { Complaint, Remedy } from '#core/cook/remedy'
import { isSealed, OPENED_S } from '#core/cook/lid-lift'
import { outlookOf, type Outlook } from '#core/cook/outlook'
import { withRollback } from '#core/pot/snapshot'
import { remedyPhase, type Ahead, type PotEstimate } from '#core/cook/estimate-pot'
import { FILM } from '#core/methods/boil-and-drain'
import { REMEDY_HEATS, remedyHeatOf } from '#core/cook/remedy-heat'
import { deliveredPower } from '#core/heat/sources'
import { holdingPower } from '#core/leftovers/hold-time'
import { OVEN_C } from '#core/methods/oven'
import { celsius } from '#core/units/units'
import { loseWater, pourMore, stirBed } from '#core/pot/corrections'
import { grainWater, leastCooked } from '#core/pot/pot'
import { runPhase } from '#core/pot/run'
import { standingLoss } from '#core/vessel/vessel'
import { asSeen } from './as-seen'
import { becomes } from './other-uses'

/** One thing to do about a pot, with its figures, what it comes to, and what else the pot could become. */
export interface Advice {
  complaint: Complaint
  /** The act, with a figure. */
  says: string
  /** Why, from this pot. */
  why: string
  /** What is begun when the cook says yes; undefined where only words help. */
  remedy: Remedy | undefined
  /** How it ends then, on the pot as it was seen. */
  after: Outlook | undefined
  /** Other dishes it could still become. */
  becomes: readonly string[]
}

/** Waters tried on dry firm grain, g per g of dry grain, and minutes of lowest heat. */
const SPLASHES = [
  0.05, 0.08, 0.1, 0.12, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6, 0.75, 0.9, 1.1, 1.3, 1.6,
] as const
const HEATS = [0, 3, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 55, 75] as const
/** Steam on the way counts on top; a splash under this share of what the grain lacks cannot do. */
const MIN_OF_LACK = 0.7
/** Rest after a remedy where none of the plan's own follows, minutes. */
const REST_AFTER = 5
/** Uncovered on the lowest heat no longer than this, minutes: then a tray in the oven is gentler. */
const MAX_UNCOVERED = 12
/** Less than this runs off too slowly to be worth pouring, g. */
const WORTH_POURING_G = 20
/** Free water that lies separate, as a share of the cooked mass. */
const LOOSE = 0.025

/**
 * What can be done about a pot, computed on the pot as it should be now and as the cook saw it.
 * @param lostG of a pot that boiled over: how much went
 */
export function adviceFor(complaint: Complaint, estimate: PotEstimate, lostG = 0): Advice {
  if (estimate.ahead[0] && isSealed(estimate.ahead[0].stage))
    return inWordsOnly(
      { complaint, becomes: [] },
      'Let the pressure go first, then look again',
      'Under pressure the lid stays shut. How to switch off and let it out: follow your manual.',
    )
  return withRollback(estimate.pot, () => {
    asSeen(estimate.pot, complaint, estimate.prepared.blend.uptake.firm)
    return advise(complaint, estimate, lostG)
  })
}

type AdviceBase = Pick<Advice, 'complaint' | 'becomes'>

function advise(complaint: Complaint, estimate: PotEstimate, lostG: number): Advice {
  const base = {
    complaint,
    becomes: becomes(
      complaint,
      estimate.prepared.blend.parts.map((p) => p.variety),
    ),
  }
  if (estimate.prepared.method.basket) return forSteamed(complaint, base, estimate)
  switch (complaint) {
    case 'still-wet':
      return leastCooked(estimate.pot) < CENTRE_THROUGH
        ? advise('hard-wet', estimate, lostG)
        : forStillWet(base, estimate)
    case 'dry-firm':
    case 'chalky':
    case 'dry-early':
      return forDry(complaint, base, estimate)
    case 'hard-wet': {
      const best = timeThatFixes(estimate)
      return withOutcome(
        estimate,
        base,
        longerWords(estimate, best),
        `Enough water; centres ${percentCooked(estimate)} % cooked (90 is done).`,
        best,
      )
    }
    case 'opened':
      return forOpened(base, estimate)
    case 'boiled-over':
      return forBoiledOver(base, lostG)
    case 'scorched':
      return forScorched(base, estimate)
    case 'mush':
      return inWordsOnly(base, 'Use it for something else', 'Burst grain cannot be rescued as plain grain.')
  }
}

/** Waters sprinkled on steamed grain, g per g of dry grain. */
const SPRINKLES = [0, 0.05, 0.1, 0.15, 0.2, 0.3, 0.4] as const

/** Steamed grain: what is not done is sprinkled and steamed on; what is wet is left to steam off. */
function forSteamed(complaint: Complaint, base: AdviceBase, estimate: PotEstimate): Advice {
  switch (complaint) {
    case 'still-wet':
      return inWordsOnly(
        base,
        'Lid off, off the heat, 5 min',
        'Water drips from the lid; a cloth under it catches that.',
      )
    case 'scorched':
    case 'boiled-over':
      return inWordsOnly(
        base,
        'Basket off, heat down, fresh hot water below',
        'Steam needs water; what boils up into the basket wets the grain. Steam burns: lift it with a cloth.',
      )
    case 'mush':
      return inWordsOnly(base, 'Use it for something else', 'Burst grain cannot be rescued as plain grain.')
    default: {
      const best = leastSteaming(estimate, complaint)
      return withOutcome(
        estimate,
        base,
        best.addG > 0
          ? `Sprinkle ${best.addG} g hot water, steam ${best.heatMinutes} min more`
          : `Steam ${best.heatMinutes} min more`,
        `Centres are ${percentCooked(estimate)} % cooked (90 is done).`,
        best,
      )
    }
  }
}

/** The least water and time over steam after which the centres are through and the grain is firm or softer. */
function leastSteaming(estimate: PotEstimate, complaint: Complaint): Remedy {
  const { powerW } = estimate.prepared.timed.stages.findLast((s) => s.kind === 'steam')!
  const made = (splash: number, heatMinutes: number): Remedy => ({
    complaint,
    addG: Math.round((splash * estimate.pot.dryG) / 5) * 5,
    turn: false,
    steam: true,
    powerW,
    lid: 'on',
    heatMinutes,
    restMinutes: restMinutesOf(estimate, REST_AFTER),
  })
  let best: { remedy: Remedy; worth: number } | undefined
  for (const splash of SPRINKLES)
    for (const minutes of HEATS.filter((m) => m > 0 && m <= 30)) {
      const remedy = made(splash, minutes)
      const { verdict, outcome } = after(estimate, remedy)
      if (outcome.centreMin >= CENTRE_WELL_THROUGH && verdict.texture !== 'dry') return remedy
      const worth = Math.min(CENTRE_WELL_THROUGH, outcome.centreMin) - (verdict.texture === 'dry' ? 0.2 : 0)
      if (!best || worth > best.worth) best = { remedy, worth }
    }
  return best!.remedy
}

/** Words and power of what heats this pot once more. */
const heatOf = ({ request: { vessel } }: PotEstimate) => REMEDY_HEATS[remedyHeatOf(vessel.kind)]
const longerWords = (estimate: PotEstimate, remedy: Remedy): string => {
  const { covered, heat } = heatOf(estimate)
  return remedy.heatMinutes > 0
    ? `${covered}, ${heat}, ${remedy.heatMinutes} min more`
    : capital(restWords(estimate, remedy))
}
const splashWords = (estimate: PotEstimate, addG: number, remedy: Remedy): string => {
  const { covered, atHeat } = heatOf(estimate)
  const then =
    remedy.heatMinutes > 0
      ? `${covered.toLowerCase()}, ${remedy.heatMinutes} min ${atHeat}`
      : restWords(estimate, remedy)
  return `Add ${addG} g boiling water, ${then}`
}
/** "heat off, lid on, rest 10 min". */
function restWords(estimate: PotEstimate, remedy: Pick<Remedy, 'restMinutes'>): string {
  const { covered, off } = heatOf(estimate)
  const heated = (estimate.ahead[0]?.phase.powerW ?? 0) > 0
  return `${heated ? `${off}, ` : ''}${covered.toLowerCase()}, rest ${restingMinutes(estimate, remedy)} min`
}
/** Minutes of rest after a remedy, its own or the plan's. */
const restingMinutes = (estimate: PotEstimate, { restMinutes }: Pick<Remedy, 'restMinutes'>): number =>
  Math.max(
    1,
    Math.round(
      restMinutes +
        following(estimate).reduce(
          (sum, { stage, minutes }) => sum + (stage.kind === 'rest' ? minutes : 0),
          0,
        ),
    ),
  )

const percentCooked = ({ pot }: PotEstimate): number => Math.round(100 * leastCooked(pot))

const inWordsOnly = (base: AdviceBase, says: string, why: string): Advice => ({
  ...base,
  remedy: undefined,
  after: undefined,
  says,
  why,
})

function forStillWet(base: AdviceBase, estimate: PotEstimate): Advice {
  const tooMuchG = surplusG(estimate)
  const pourOffG = Math.floor((estimate.pot.freeG - FILM * estimate.pot.dryG) / 5) * 5
  if (pourOffG >= WORTH_POURING_G)
    return withOutcome(
      estimate,
      base,
      `Pour off the loose water, about ${pourOffG} g; lid back on`,
      `${Math.round(tooMuchG)} g too much water. Poured off, it cooks no further; the rest dries it.`,
      {
        complaint: base.complaint,
        addG: 0,
        turn: false,
        pourOffG,
        powerW: 0,
        lid: 'on',
        heatMinutes: 0,
        restMinutes: restMinutesOf(estimate, REST_AFTER),
      },
    )
  const minutes = minutesToSteamOff(estimate)
  if (minutes === undefined || minutes > MAX_UNCOVERED)
    return inWordsOnly(
      base,
      `Spread it on a tray, ${Math.max(8, Math.round(tooMuchG / 6))} min at 160 °C`,
      `${Math.round(tooMuchG)} g too much water: more than this pot boils off in ${MAX_UNCOVERED} min.`,
    )
  const heat = Math.max(1, Math.round(minutes))
  const words = heatOf(estimate)
  const gPerMin = (tooMuchG / Math.max(0.5, minutes)).toFixed(0)
  return withOutcome(
    estimate,
    base,
    `${words.open}, ${words.heat}, ${heat} min`,
    `${Math.round(tooMuchG)} g too much water; ${words.atHeat} about ${gPerMin} g a minute go as steam.`,
    {
      complaint: base.complaint,
      addG: 0,
      turn: false,
      ...remedyHeat(estimate),
      lid: 'off',
      heatMinutes: heat,
      restMinutes: 0,
    },
  )
}

function forDry(
  complaint: 'dry-firm' | 'chalky' | 'dry-early',
  base: AdviceBase,
  estimate: PotEstimate,
): Advice {
  const { firm } = estimate.prepared.blend.uptake
  const turn = complaint === 'chalky'
  const best = leastThatFixes(estimate, complaint, turn)
  const addG = roundSplash(best.addG)
  const lackG = Math.max(0, (firm - meanUptake(estimate)) * estimate.pot.dryG)
  const why = {
    'dry-early':
      `Not enough water: the grain has ${meanUptake(estimate).toFixed(2)} times its weight ` +
      `and needs ${firm.toFixed(2)} to be firm.`,
    chalky: `Centres are ${percentCooked(estimate)} % cooked; turning helps the steam reach them.`,
    'dry-firm': `${Math.round(lackG)} g too little water.`,
  }[complaint]
  return withOutcome(
    estimate,
    base,
    turn
      ? `Turn gently, sprinkle ${addG} g boiling water, ${turnedThen(estimate, best)}`
      : splashWords(estimate, addG, best),
    why,
    { ...best, addG },
  )
}

const turnedThen = (estimate: PotEstimate, remedy: Remedy): string =>
  remedy.heatMinutes > 0
    ? `${heatOf(estimate).heat} ${remedy.heatMinutes} min`
    : `rest ${restingMinutes(estimate, remedy)} min`

function forOpened(base: AdviceBase, estimate: PotEstimate): Advice {
  const { pot } = estimate
  // It stands open while this is read; what that costs is part of what has to be mended.
  const now = estimate.ahead[0]?.phase
  if (now?.mode === 'open') runPhase(pot, { ...now, lid: 'off', until: { minutes: OPENED_S / 60 } })
  const best = timeThatFixes(estimate)
  const { covered, heat } = heatOf(estimate)
  const rest = best.restMinutes ? `${best.restMinutes} min` : 'as planned'
  return withOutcome(
    estimate,
    base,
    best.heatMinutes > 0
      ? `${covered}, ${heat} ${best.heatMinutes} min, then rest ${rest}`
      : longerWords(estimate, best),
    `It lost steam and is at ${Math.round(pot.bulkC)} °C; centres ${percentCooked(estimate)} % cooked.`,
    best,
  )
}

function forBoiledOver(base: AdviceBase, lostG: number): Advice {
  const addG = Math.max(0, Math.round(lostG / 5) * 5)
  if (addG === 0)
    return inWordsOnly(base, 'Heat down, lid ajar until it is calm', 'A lid set ajar stops the foam.')
  return {
    ...base,
    after: undefined,
    says: `Heat down, lid ajar, add back ${addG} g boiling water`,
    why: `${Math.round(lostG)} g ran over and must be replaced.`,
    remedy: {
      complaint: base.complaint,
      addG,
      turn: false,
      powerW: 0,
      lid: 'on',
      heatMinutes: 0,
      restMinutes: 0,
    },
  }
}

function forScorched(base: AdviceBase, estimate: PotEstimate): Advice {
  const notThrough =
    leastCooked(estimate.pot) < CENTRE_THROUGH
      ? ' What you lift off is not through yet: back in a clean pot with a splash of boiling water, lid on.'
      : ''
  return inWordsOnly(
    base,
    `Heat off. Do not stir. Lift off all but the lowest ${Math.round(STUCK_MM)} mm`,
    `Leave about ${Math.round(stuckG(estimate))} g: mixed in, it tastes burnt.${notThrough}`,
  )
}

const roundSplash = (grams: number): number => Math.max(5, Math.round(grams / 5) * 5)

const meanUptake = ({ pot }: PotEstimate): number => grainWater(pot) / pot.dryG

/** Layer that sticks, mm. */
const STUCK_MM = 5
const stuckG = ({ request: { vessel }, prepared: { blend } }: PotEstimate): number =>
  (((Math.PI / 4) * vessel.baseDiameter ** 2 * STUCK_MM) / 1000) * blend.cookedDensity * 1.15

/** The least heat there is for this pot, W: lowest, keep warm, or the oven it came from. */
function remedyPowerW({ request, prepared, burner }: PotEstimate): number {
  const { vessel, source, kitchenC } = request
  switch (vessel.kind) {
    case 'cooker':
      return holdingPower(vessel, kitchenC)
    case 'oven-dish':
      return vessel.loss * (OVEN_C - prepared.boilC)
    default:
      return deliveredPower(
        { ...source, ratedW: source.ratedW * burner },
        'lowest',
        standingLoss(vessel, celsius(prepared.boilC), celsius(kitchenC)),
      )
  }
}

const remedyHeat = (estimate: PotEstimate): Pick<Remedy, 'heat' | 'powerW'> => {
  const heat = remedyHeatOf(estimate.request.vessel.kind)
  return { ...(heat === 'burner' ? {} : { heat }), powerW: remedyPowerW(estimate) }
}

const surplusG = ({ pot }: PotEstimate): number => {
  const grain = pot.dryG + grainWater(pot)
  return Math.max(0, pot.freeG - (LOOSE * grain) / (1 - LOOSE))
}

/** What follows a remedy: the plan's own rests and releases after the stage it breaks off. */
const following = ({ ahead }: PotEstimate): Ahead[] =>
  ahead
    .slice(1)
    .filter(({ stage, phase }) => stage.kind === 'rest' || (phase.powerW === 0 && stage.kind === 'release'))

/** Minutes of rest that belong to a remedy: none where a rest of the plan's own follows, else what was left of it. */
function restMinutesOf(estimate: PotEstimate, least: number): number {
  if (following(estimate).some(({ stage }) => stage.kind === 'rest')) return 0
  const now = estimate.ahead[0]
  return Math.max(least, now?.stage.kind === 'rest' ? Math.round(now.minutes) : 0)
}

const stepOf = (
  estimate: PotEstimate,
  remedy: Pick<Remedy, 'powerW' | 'lid' | 'heatMinutes' | 'restMinutes'>,
): Ahead[] => {
  const stage = estimate.ahead[0]?.stage
  const part = (powerW: number, lid: Remedy['lid'], minutes: number): Ahead => ({
    stage: stage!,
    phase: { ...remedyPhase(estimate.prepared, 'mend', powerW, lid), until: { minutes } },
    minutes,
    solved: false,
  })
  return [
    ...(remedy.heatMinutes > 0 ? [part(remedy.powerW, remedy.lid, remedy.heatMinutes)] : []),
    ...(remedy.restMinutes > 0 ? [part(0, 'on', remedy.restMinutes)] : []),
    ...following(estimate),
  ]
}

/** The pot after a remedy and what follows it. The pot stays as it is. */
export function after(estimate: PotEstimate, remedy: Remedy): Outlook {
  const { pot, prepared } = estimate
  return withRollback(pot, () => {
    if (remedy.pourOffG) loseWater(pot, remedy.pourOffG)
    if (remedy.turn) stirBed(pot)
    if (remedy.addG > 0) pourMore(pot, remedy.addG, prepared.boilC)
    return outlookOf(estimate, stepOf(estimate, remedy))
  })
}

function withOutcome(
  estimate: PotEstimate,
  base: Pick<Advice, 'complaint' | 'becomes'>,
  says: string,
  why: string,
  remedy: Remedy,
): Advice {
  return { ...base, says, why, remedy, after: after(estimate, remedy) }
}

/** What finishes centres that are foreseen to stay hard once the heat is off. */
export function remedyForHard(estimate: PotEstimate): { says: string; remedy: Remedy } {
  const time = timeThatFixes(estimate)
  const { verdict } = after(estimate, time)
  if (!verdict.scorched && verdict.texture !== 'dry')
    return { says: longerWords(estimate, time), remedy: time }
  const best = leastThatFixes(estimate, 'hard-wet', false)
  const addG = roundSplash(best.addG)
  return {
    says: splashWords(estimate, addG, best),
    remedy: { ...best, addG },
  }
}

/** Minutes uncovered on the lowest heat until only loose water is left. */
function minutesToSteamOff(estimate: PotEstimate): number | undefined {
  const { pot } = estimate
  const target = pot.freeG - surplusG(estimate)
  return withRollback(pot, () => {
    const start = pot.now
    for (let i = 0; i < MAX_UNCOVERED * 6 && pot.freeG > target; i++)
      runPhase(pot, {
        id: 'off',
        powerW: remedyPowerW(estimate),
        lid: 'off',
        mode: 'open',
        until: { minutes: 1 / 6 },
      })
    return pot.freeG <= target ? (pot.now - start) / 60 : undefined
  })
}

/**
 * The least water and time after which centres are through and the grain is at least firm; the best there is
 * where none does.
 */
function leastThatFixes(estimate: PotEstimate, complaint: Complaint, turn: boolean): Remedy {
  const { pot } = estimate
  const byHeat = remedyHeat(estimate)
  const restMinutes = restMinutesOf(estimate, REST_AFTER)
  const lack = estimate.prepared.blend.uptake.firm - meanUptake(estimate) - pot.freeG / pot.dryG
  let best: { remedy: Remedy; worth: number } | undefined
  for (const splash of SPLASHES.filter((s) => s >= MIN_OF_LACK * lack))
    for (const heatMinutes of HEATS) {
      const remedy: Remedy = {
        complaint,
        addG: splash * pot.dryG,
        turn,
        ...byHeat,
        lid: 'on',
        heatMinutes,
        restMinutes,
      }
      const end = after(estimate, remedy)
      const { verdict, outcome } = end
      const through = outcome.centreMin >= CENTRE_WELL_THROUGH
      const holds = verdict.texture !== 'dry'
      if (through && holds && !verdict.soggy && !verdict.scorched && outcome.freeShare < 0.04) return remedy
      const worth =
        Math.min(CENTRE_WELL_THROUGH, outcome.centreMin) +
        Math.min(0, -Math.abs(end.shortG) / pot.dryG) -
        (verdict.soggy ? 1 : 0) -
        (verdict.scorched ? 2 : 0)
      if (!best || worth > best.worth) best = { remedy, worth }
    }
  return best!.remedy
}

/** The least time on the lowest heat, covered, after which centres are through and the water is drunk. */
function timeThatFixes(estimate: PotEstimate): Remedy {
  const byHeat = remedyHeat(estimate)
  const restMinutes = restMinutesOf(estimate, REST_AFTER * 2)
  const made = (heatMinutes: number): Remedy => ({
    complaint: 'hard-wet',
    addG: 0,
    turn: false,
    ...byHeat,
    lid: 'on',
    heatMinutes,
    restMinutes,
  })
  // Plenty of water is poured off at the end: it does not have to be absorbed.
  const drains = estimate.prepared.method.water === 'excess'
  const done = HEATS.find((minutes) => {
    const { outcome } = after(estimate, made(minutes))
    return outcome.centreMin >= CENTRE_WELL_THROUGH && (drains || outcome.freeShare < 0.03)
  })
  return made(done ?? HEATS.at(-1)!)
}
