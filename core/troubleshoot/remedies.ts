import { CENTRE_THROUGH } from '#core/constants'
import type { Complaint, Remedy } from '#core/cook/remedy'
import { OPENED_S } from '#core/cook/lid-lift'
import { outlookOf, type Outlook } from '#core/cook/outlook'
import { withRollback } from '#core/pot/snapshot'
import type { Ahead, PotEstimate } from '#core/cook/estimate-pot'
import { deliveredPower } from '#core/heat/sources'
import { celsius } from '#core/units/units'
import { pourMore, stirBed } from '#core/pot/actions'
import { grainWater, leastCooked } from '#core/pot/pot'
import { runPhase } from '#core/pot/run'
import { standingLoss } from '#core/vessel/vessel'
import { asSeen } from './as-seen'
import { becomes } from './other-uses'

/** A remedy means to end a little past through. */
const WELL_THROUGH = CENTRE_THROUGH + 0.01

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
/** Free water that lies separate, as a share of the cooked mass. */
const LOOSE = 0.025

/**
 * What can be done about a pot, computed on the pot as it should be now and as the cook saw it.
 * @param lostG of a pot that boiled over: how much went
 */
export function adviceFor(complaint: Complaint, estimate: PotEstimate, lostG = 0): Advice {
  return withRollback(estimate.pot, () => {
    asSeen(estimate.pot, complaint, estimate.prepared.blend.uptake.firm)
    return advise(complaint, estimate, lostG)
  })
}

type AdviceBase = Pick<Advice, 'complaint' | 'becomes'>

function advise(complaint: Complaint, estimate: PotEstimate, lostG: number): Advice {
  const base = { complaint, becomes: becomes(complaint) }
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
        `Lid on, lowest heat, ${best.heatMinutes} min more`,
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

const percentCooked = ({ pot }: PotEstimate): number => Math.round(100 * leastCooked(pot))

const inWordsOnly = (base: AdviceBase, says: string, why: string): Advice => ({
  ...base,
  remedy: undefined,
  after: undefined,
  says,
  why,
})

function forStillWet(base: AdviceBase, estimate: PotEstimate): Advice {
  const minutes = minutesToSteamOff(estimate)
  const tooMuchG = surplusG(estimate)
  if (minutes === undefined || minutes > MAX_UNCOVERED)
    return inWordsOnly(
      base,
      `Spread it on a tray, ${Math.max(8, Math.round(tooMuchG / 6))} min at 160 °C`,
      `${Math.round(tooMuchG)} g too much water: more than this pot boils off in ${MAX_UNCOVERED} min.`,
    )
  const heat = Math.max(1, Math.round(minutes))
  const gPerMin = (tooMuchG / Math.max(0.5, minutes)).toFixed(0)
  return withOutcome(
    estimate,
    base,
    `Lid off, lowest heat, ${heat} min`,
    `${Math.round(tooMuchG)} g too much water; on the lowest heat this pot boils off ${gPerMin} g a minute.`,
    {
      complaint: base.complaint,
      addG: 0,
      turn: false,
      powerW: lowestW(estimate),
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
  const addG = Math.max(5, Math.round(best.addG / 5) * 5)
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
      ? `Turn it gently, sprinkle ${addG} g boiling water, ${best.heatMinutes} min on the lowest heat`
      : `Add ${addG} g boiling water, lid on, ${best.heatMinutes} min on the lowest heat`,
    why,
    { ...best, addG },
  )
}

function forOpened(base: AdviceBase, estimate: PotEstimate): Advice {
  const { pot } = estimate
  // It stands open while this is read; what that costs is part of what has to be mended.
  const now = estimate.ahead[0]?.phase
  if (now?.mode === 'open') runPhase(pot, { ...now, lid: 'off', until: { minutes: OPENED_S / 60 } })
  const best = timeThatFixes(estimate)
  const rest = best.restMinutes ? `${best.restMinutes} min` : 'as planned'
  return withOutcome(
    estimate,
    base,
    best.heatMinutes > 0
      ? `Lid on, lowest heat ${best.heatMinutes} min, then rest ${rest}`
      : `Lid on, rest ${best.restMinutes} min`,
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

const meanUptake = ({ pot }: PotEstimate): number => grainWater(pot) / pot.dryG

/** Layer that sticks, mm. */
const STUCK_MM = 5
const stuckG = ({ request: { vessel }, prepared: { blend } }: PotEstimate): number =>
  (((Math.PI / 4) * vessel.baseDiameter ** 2 * STUCK_MM) / 1000) * blend.cookedDensity * 1.15

const lowestW = ({ request, prepared, burner }: PotEstimate): number =>
  deliveredPower(
    { ...request.source, ratedW: request.source.ratedW * burner },
    'lowest',
    standingLoss(request.vessel, celsius(prepared.boilC), celsius(request.kitchenC)),
  )

const surplusG = ({ pot }: PotEstimate): number => {
  const grain = pot.dryG + grainWater(pot)
  return Math.max(0, pot.freeG - (LOOSE * grain) / (1 - LOOSE))
}

/** Rest of the plan's own that still follows. */
const restAhead = (ahead: readonly Ahead[]): boolean => ahead.some(({ stage }) => stage.kind === 'rest')
/** What follows a remedy: everything ahead but the stage it breaks off. */
const following = ({ ahead }: PotEstimate): Ahead[] =>
  ahead.filter(
    ({ stage, phase }) => stage.kind === 'rest' || (phase.powerW === 0 && stage.kind === 'release'),
  )

const stepOf = (
  estimate: PotEstimate,
  remedy: Pick<Remedy, 'powerW' | 'lid' | 'heatMinutes' | 'restMinutes'>,
): Ahead[] => {
  const stage = estimate.ahead[0]?.stage
  const part = (powerW: number, lid: Remedy['lid'], minutes: number): Ahead => ({
    stage: stage!,
    phase: { id: 'mend', powerW, lid, mode: 'open', until: { minutes } },
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

/** Minutes uncovered on the lowest heat until only loose water is left. */
function minutesToSteamOff(estimate: PotEstimate): number | undefined {
  const { pot } = estimate
  const target = pot.freeG - surplusG(estimate)
  return withRollback(pot, () => {
    const start = pot.now
    for (let i = 0; i < MAX_UNCOVERED * 6 && pot.freeG > target; i++)
      runPhase(pot, {
        id: 'off',
        powerW: lowestW(estimate),
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
  const powerW = lowestW(estimate)
  const restMinutes = restAhead(estimate.ahead) ? 0 : REST_AFTER
  const lack = estimate.prepared.blend.uptake.firm - meanUptake(estimate) - pot.freeG / pot.dryG
  let best: { remedy: Remedy; worth: number } | undefined
  for (const splash of SPLASHES.filter((s) => s >= MIN_OF_LACK * lack))
    for (const heatMinutes of HEATS) {
      const remedy: Remedy = {
        complaint,
        addG: splash * pot.dryG,
        turn,
        powerW,
        lid: 'on',
        heatMinutes,
        restMinutes,
      }
      const end = after(estimate, remedy)
      const { verdict, outcome } = end
      const through = outcome.centreMin >= WELL_THROUGH
      const holds = verdict.texture !== 'dry'
      if (through && holds && !verdict.soggy && !verdict.scorched && outcome.freeShare < 0.04) return remedy
      const worth =
        Math.min(WELL_THROUGH, outcome.centreMin) +
        Math.min(0, -Math.abs(end.shortG) / pot.dryG) -
        (verdict.soggy ? 1 : 0) -
        (verdict.scorched ? 2 : 0)
      if (!best || worth > best.worth) best = { remedy, worth }
    }
  return best!.remedy
}

/** The least time on the lowest heat, covered, after which centres are through and the water is drunk. */
function timeThatFixes(estimate: PotEstimate): Remedy {
  const powerW = lowestW(estimate)
  const restMinutes = restAhead(estimate.ahead) ? 0 : REST_AFTER * 2
  const made = (heatMinutes: number): Remedy => ({
    complaint: 'hard-wet',
    addG: 0,
    turn: false,
    powerW,
    lid: 'on',
    heatMinutes,
    restMinutes,
  })
  const done = HEATS.find((minutes) => {
    const { outcome } = after(estimate, made(minutes))
    return outcome.centreMin >= WELL_THROUGH && outcome.freeShare < 0.03
  })
  return made(done ?? HEATS.at(-1)!)
}
