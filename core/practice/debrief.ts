import { SCORCH_FROM_C, SCORCHED_KS } from '#core/constants'
import type { HeatLevel } from '#core/heat/sources'
import type { Plan } from '#core/plan/result'
import { meanCentre } from '#core/pot/mean-centre'
import { FULL } from '#core/pot/pot'
import { reasonsOf } from '#core/simulate/reasons'
import type { ActionKind } from './action-kind'
import { runActions, type Readout, type Handled, type Marks } from './run-actions'
import type { PlayerActions } from './player-actions'
import { endingOf, type Ending } from './ending'
import { whatToTry, type Tried } from './improvements'
import type { PracticeConditions } from './situation'

/** One thing that was done, and what the same pot comes to without it. */
export interface Action {
  kind: ActionKind
  says: string
  /** What is compared with, in words. */
  without: string
  atMin: number
  /** The pot without it. */
  doing: PlayerActions
  ending: Ending
  /** In numbers: with it, less without it. */
  did: { drunkGPerG: number; evaporatedG: number; freeG: number; centre: number }
  /** How much it weighed, 0 nothing. */
  weight: number
}

export interface Debrief {
  ending: Ending
  reasons: string[]
  /** What the situation is about first, then by weight. */
  deeds: Action[]
  /** The inside at the minute it was decided, and the same minute done otherwise. */
  moment: { atMin: number; says: string; yours: Readout; other: Readout | undefined; otherSays: string }
  tryThis: Tried | undefined
  marks: Marks
}

const LEVEL_WORDS: Record<HeatLevel, string> = {
  off: 'off',
  lowest: 'to the lowest',
  low: 'to low',
  medium: 'to medium',
  high: 'to full',
}
const minutes = (n: number): string => (n < 1 ? `${Math.round(n * 60)} s` : `${Math.round(n)} min`)

interface Without {
  kind: ActionKind
  says: string
  without: string
  atMin: number
  doing: PlayerActions
}

/**
 * Everything that was done, each with the same doing less that one thing. The first heat is left alone:
 * without it there is no pot.
 */
function actionsOf(
  { card, right, cardRequest, real }: PracticeConditions,
  playerActions: PlayerActions,
  marks: Marks,
): Without[] {
  const actions: Without[] = []
  const pour = Math.round(playerActions.pourG)
  const [asCard, asRight] = [Math.round(card.water.pour_g), Math.round(right.water.pour_g)]
  const steamed = right.stages.some((s) => s.kind === 'steam')
  if (!steamed) {
    if (Math.abs(pour - asCard) > 0.02 * asCard)
      actions.push({
        kind: 'pour',
        says: `You added ${pour} g; the card says ${asCard}`,
        without: 'with the card’s',
        atMin: 0,
        doing: { ...playerActions, pourG: asCard },
      })
    else if (Math.abs(pour - asRight) > 0.02 * asRight)
      actions.push({
        kind: 'pour',
        says: `You poured the card’s ${pour} g`,
        without: `with the ${asRight} g this pot needs`,
        atMin: 0,
        doing: { ...playerActions, pourG: asRight },
      })
  }
  const soakOnCard = cardRequest.soak?.minutes ?? 0
  if (soakOnCard > 0 && real.soak === null) {
    if (playerActions.soakMinutes < 0.8 * soakOnCard)
      actions.push({
        kind: 'soak',
        says: `You soaked it ${minutes(playerActions.soakMinutes)}`,
        without: `with the card’s ${Math.round(soakOnCard / 60)} h`,
        atMin: 0,
        doing: { ...playerActions, soakMinutes: soakOnCard },
      })
    else
      actions.push({
        kind: 'soak',
        says: `You let it soak ${minutes(playerActions.soakMinutes)}`,
        without: 'hardly soaked',
        atMin: 0,
        doing: { ...playerActions, soakMinutes: 1 },
      })
  }
  playerActions.heats.forEach(({ atMin, level }, i) => {
    const before = playerActions.heats[i - 1]
    if (!before || before.level === level) return
    if (level === 'off' && i === playerActions.heats.length - 1)
      return void actions.push(minutesAction(card, right, playerActions, before.atMin, atMin))
    actions.push({
      kind: 'heat',
      says: `At ${minutes(atMin)} you turned it ${LEVEL_WORDS[level]}`,
      without: 'left as it was',
      atMin,
      doing: { ...playerActions, heats: playerActions.heats.filter((_, n) => n !== i) },
    })
  })
  for (const { from, to, lid } of openings(playerActions)) {
    const rest = playerActions.lids.filter((l) => l.atMin < from || l.atMin > to)
    actions.push({
      kind: 'lid',
      says: `At ${minutes(from)} the lid was ${lid} for ${minutes(to - from)}`,
      without: 'with it left on',
      atMin: from,
      doing: { ...playerActions, lids: rest },
    })
  }
  if (playerActions.putInMin !== null && !steamed) {
    const later = right.add_after_minutes
    if (playerActions.putInMin > TOGETHER_MIN)
      actions.push({
        kind: 'put-in',
        says: `At ${minutes(playerActions.putInMin)} you put the rest in`,
        without: 'both from the start',
        atMin: playerActions.putInMin,
        doing: { ...playerActions, putInMin: 0 },
      })
    else if (later !== undefined)
      actions.push({
        kind: 'put-in',
        says: 'You put both in from the start',
        without: `with the quick one ${minutes(later)} after the boil`,
        atMin: 0,
        doing: { ...playerActions, putInMin: Math.min(playerActions.serveMin, (marks.boil ?? 0) + later) },
      })
  }
  const lastOff = playerActions.heats.at(-1)
  if (lastOff?.level === 'off' && playerActions.serveMin - lastOff.atMin >= 1)
    actions.push({
      kind: 'rest',
      says: `It rested ${minutes(playerActions.serveMin - lastOff.atMin)} before opening`,
      without: 'opened at once',
      atMin: lastOff.atMin,
      doing: { ...playerActions, serveMin: lastOff.atMin },
    })
  return actions
}

/**
 * How long the last heat lasted, beside the card's minutes where they were not kept, beside what this pot
 * needs where they were.
 */
function minutesAction(
  card: Plan,
  right: Plan,
  playerActions: PlayerActions,
  from: number,
  to: number,
): Without {
  const [asCard, asRight] = [lastHeatOf(card), lastHeatOf(right)]
  const lasted = to - from
  const until = (minutesOn: number): PlayerActions => ({
    ...playerActions,
    heats: [...playerActions.heats.slice(0, -1), { atMin: from + minutesOn, level: 'off' as const }],
    serveMin: Math.max(from + minutesOn + 1, playerActions.serveMin + minutesOn - lasted),
  })
  const base = { kind: 'minutes' as const, atMin: to }
  if (Math.abs(lasted - asCard) > SAME_MINUTES)
    return {
      ...base,
      says: `After ${minutes(lasted)} you turned it off; the card says ${minutes(asCard)}`,
      without: 'with the card’s minutes',
      doing: until(asCard),
    }
  if (Math.abs(lasted - asRight) > SAME_MINUTES)
    return {
      ...base,
      says: `You gave it the card’s ${minutes(lasted)}`,
      without: `with the ${minutes(asRight)} this pot needs`,
      doing: until(asRight),
    }
  return {
    ...base,
    says: `After ${minutes(lasted)} you turned it off`,
    without: 'left on to the end',
    doing: { ...playerActions, heats: playerActions.heats.slice(0, -1) },
  }
}

const SAME_MINUTES = 2
/** In by then is in from the start. */
const TOGETHER_MIN = 3
/** Minutes of the plan's last heat: all of it from the boil on. */
const lastHeatOf = (plan: Plan): number =>
  plan.stages
    .filter((s) => s.power_w > 0 && s.kind !== 'heat-up' && s.ends_on === 'clock')
    .reduce((sum, s) => sum + s.minutes.expected, 0)

/** Stretches in which the lid was not on. */
function openings({ lids, serveMin }: PlayerActions): { from: number; to: number; lid: string }[] {
  const found: { from: number; to: number; lid: string }[] = []
  lids.forEach(({ atMin, lid }, i) => {
    if (lid === 'on') return
    const to = lids.slice(i + 1).find((l) => l.lid === 'on')?.atMin ?? serveMin
    if (found.at(-1) && found.at(-1)!.to > atMin) return
    found.push({ from: atMin, to, lid })
  })
  return found
}

/** What an appliance did by itself, as things that were waited for or not. */
function ownActions(
  { real, heldMinutes }: PracticeConditions,
  playerActions: PlayerActions,
  marks: Marks,
): Without[] {
  const actions: Without[] = []
  if (marks.click !== undefined && real.source.kind === 'cooker') {
    const stood = playerActions.serveMin - marks.click
    if (stood < 5)
      actions.push({
        kind: 'rest',
        says: `You opened it ${minutes(stood)} after the click`,
        without: 'ten minutes later',
        atMin: playerActions.serveMin,
        doing: {
          ...playerActions,
          lids: playerActions.lids.filter((l) => l.atMin < marks.click!),
          serveMin: marks.click + 10,
        },
      })
    else
      actions.push({
        kind: 'rest',
        says: `You left it ${minutes(stood)} after the click`,
        without: 'opened at the click',
        atMin: marks.click,
        doing: { ...playerActions, serveMin: marks.click + 0.1 },
      })
  }
  if (real.source.kind === 'pressure') {
    const whole = runActions(
      real,
      { ...playerActions, ventMin: null, serveMin: playerActions.serveMin + 120 },
      heldMinutes,
    ).marks.unsealed
    if (playerActions.ventMin !== null && whole !== undefined)
      actions.push({
        kind: 'vent',
        says: `At ${minutes(playerActions.ventMin)} you used quick release`,
        without: 'left to natural release',
        atMin: playerActions.ventMin,
        doing: { ...playerActions, ventMin: null, serveMin: whole + 1 },
      })
    else if (marks.pressure !== undefined)
      actions.push({
        kind: 'vent',
        says: 'You used natural release',
        without: 'with quick release',
        atMin: marks.pressure + heldMinutes,
        doing: {
          ...playerActions,
          ventMin: marks.pressure + heldMinutes,
          serveMin: marks.pressure + heldMinutes + 3,
        },
      })
  }
  return actions
}

/**
 * What each act did, by cooking the pot again without it; the inside when it was decided; and the least that
 * would have made it good.
 */
export function debriefOf(
  kitchen: PracticeConditions,
  playerActions: PlayerActions,
  about?: ActionKind,
): Debrief {
  const cook = (d: PlayerActions) => runActions(kitchen.real, d, kitchen.heldMinutes, FULL)
  const mine = cook(playerActions)
  const ending = endingOf(mine)
  const actions = [
    ...actionsOf(kitchen, playerActions, mine.marks),
    ...ownActions(kitchen, playerActions, mine.marks),
  ]
    .map((action) => {
      const other = cook(action.doing)
      const without = endingOf(other)
      return {
        deed: {
          ...action,
          ending: without,
          did: differenceOf(mine, ending, other, without),
          weight: weightOf(ending, without),
        } satisfies Action,
        other,
      }
    })
    .sort(
      (a, b) =>
        Number(b.deed.kind === about) - Number(a.deed.kind === about) || b.deed.weight - a.deed.weight,
    )
  const tryThis = ending.good ? undefined : whatToTry(kitchen, playerActions, about)
  const gravest = actions[0]
  const compared = tryThis
    ? { run: cook(tryThis.doing), says: tryThis.says.join(', and ') }
    : gravest
      ? { run: gravest.other, says: gravest.deed.without }
      : undefined
  const at = decidedAt(mine, ending, compared?.run)
  return {
    ending,
    reasons: reasonsOf(
      { verdict: ending.verdict, outcome: ending.outcome, final: ending.final, events: [] },
      mine.prepared.blend.uptake,
    ),
    deeds: actions.map(({ deed: action }) => action),
    moment: {
      atMin: at.min,
      says: at.says,
      yours: readoutAt(mine, at.min),
      other: compared && readoutAt(compared.run, at.min),
      otherSays: compared?.says ?? '',
    },
    tryThis,
    marks: mine.marks,
  }
}

const differenceOf = (mine: Handled, ending: Ending, other: Handled, without: Ending): Action['did'] => ({
  drunkGPerG: ending.outcome.uptakeMean - without.outcome.uptakeMean,
  evaporatedG: mine.pot.evaporatedG - other.pot.evaporatedG,
  freeG: mine.pot.freeG - other.pot.freeG,
  centre: ending.outcome.centreMin - without.outcome.centreMin,
})

/**
 * Good turned to bad or back weighs most; within either, texture, centres and burning. Where it is bad with
 * it and without, it was not the reason.
 */
function weightOf(a: Ending, b: Ending): number {
  const scorch = Math.min(2, Math.abs(a.outcome.scorch - b.outcome.scorch) / SCORCHED_KS)
  const apart =
    Math.abs(a.texture - b.texture) + 4 * Math.abs(a.outcome.centreMin - b.outcome.centreMin) + scorch
  return a.good !== b.good ? TURNS + apart : a.good ? apart : apart * NOT_THE_REASON
}
const TURNS = 3
const NOT_THE_REASON = 0.3

const readoutAt = ({ glimpses: readouts }: Handled, atMin: number): Readout =>
  readouts.reduce((best, g) => (Math.abs(g.atMin - atMin) < Math.abs(best.atMin - atMin) ? g : best))

/**
 * The minute at which it was decided: when it began to burn, when the water was gone too soon, or when the
 * two pots were furthest apart.
 */
function decidedAt(mine: Handled, ending: Ending, other: Handled | undefined): { min: number; says: string } {
  const { marks } = mine
  if (ending.verdict.scorched && marks.burning !== undefined)
    return { min: marks.burning, says: `The bottom passes ${SCORCH_FROM_C} °C` }
  if ((ending.word === 'hard' || ending.word === 'dry') && marks.dry !== undefined)
    return {
      min: marks.dry,
      says: `The water is absorbed, centres ${Math.round(100 * meanCentre(readoutAt(mine, marks.dry)))} % cooked`,
    }
  if (!other) return { min: mine.pot.now / 60, says: 'Served' }
  let [best, apart] = [mine.pot.now / 60, 0]
  for (const g of mine.glimpses) {
    const o = readoutAt(other, g.atMin)
    const d = Math.abs(g.freeG - o.freeG) / mine.pot.dryG + 2 * Math.abs(meanCentre(g) - meanCentre(o))
    if (d > apart) [best, apart] = [g.atMin, d]
  }
  return { min: best, says: 'They differed most here' }
}
