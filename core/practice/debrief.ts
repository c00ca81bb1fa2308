import { SCORCH_FROM_C, SCORCHED_KS } from '#core/constants'
import type { HeatLevel } from '#core/heat/sources'
import type { Plan } from '#core/plan/result'
import { meanCentre } from '#core/pot/readout'
import { FULL } from '#core/pot/pot'
import { reasonsOf } from '#core/simulate/reasons'
import type { DeedKind } from './action-kind'
import { cookByHand, type Glimpse, type Handled, type Marks } from './run-actions'
import type { Doing } from './player-actions'
import { endingOf, type Ending } from './ending'
import { whatToTry, type Tried } from './improvements'
import type { Kitchen } from './situation'

/** One thing that was done, and what the same pot comes to without it. */
export interface Deed {
  kind: DeedKind
  says: string
  /** What is compared with, in words. */
  without: string
  atMin: number
  /** The pot without it. */
  doing: Doing
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
  deeds: Deed[]
  /** The inside at the minute it was decided, and the same minute done otherwise. */
  moment: { atMin: number; says: string; yours: Glimpse; other: Glimpse | undefined; otherSays: string }
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
  kind: DeedKind
  says: string
  without: string
  atMin: number
  doing: Doing
}

/** Everything that was done, each with the same doing less that one thing. The first heat is left alone: without it there is no pot. */
function deedsOf({ card, right, cardRequest, real }: Kitchen, doing: Doing, marks: Marks): Without[] {
  const deeds: Without[] = []
  const pour = Math.round(doing.pourG)
  const [asCard, asRight] = [Math.round(card.water.pour_g), Math.round(right.water.pour_g)]
  const steamed = right.stages.some((s) => s.kind === 'steam')
  if (!steamed) {
    if (Math.abs(pour - asCard) > 0.02 * asCard)
      deeds.push({
        kind: 'pour',
        says: `You added ${pour} g; the card says ${asCard}`,
        without: 'with the card’s',
        atMin: 0,
        doing: { ...doing, pourG: asCard },
      })
    else if (Math.abs(pour - asRight) > 0.02 * asRight)
      deeds.push({
        kind: 'pour',
        says: `You poured the card’s ${pour} g`,
        without: `with the ${asRight} g this pot needs`,
        atMin: 0,
        doing: { ...doing, pourG: asRight },
      })
  }
  const soakOnCard = cardRequest.soak?.minutes ?? 0
  if (soakOnCard > 0 && real.soak === null) {
    if (doing.soakMinutes < 0.8 * soakOnCard)
      deeds.push({
        kind: 'soak',
        says: `You soaked it ${minutes(doing.soakMinutes)}`,
        without: `with the card’s ${Math.round(soakOnCard / 60)} h`,
        atMin: 0,
        doing: { ...doing, soakMinutes: soakOnCard },
      })
    else
      deeds.push({
        kind: 'soak',
        says: `You let it soak ${minutes(doing.soakMinutes)}`,
        without: 'hardly soaked',
        atMin: 0,
        doing: { ...doing, soakMinutes: 1 },
      })
  }
  doing.heats.forEach(({ atMin, level }, i) => {
    const before = doing.heats[i - 1]
    if (!before || before.level === level) return
    if (level === 'off' && i === doing.heats.length - 1)
      return void deeds.push(minutesDeed(card, right, doing, before.atMin, atMin))
    deeds.push({
      kind: 'heat',
      says: `At ${minutes(atMin)} you turned it ${LEVEL_WORDS[level]}`,
      without: 'left as it was',
      atMin,
      doing: { ...doing, heats: doing.heats.filter((_, n) => n !== i) },
    })
  })
  for (const { from, to, lid } of openings(doing)) {
    const rest = doing.lids.filter((l) => l.atMin < from || l.atMin > to)
    deeds.push({
      kind: 'lid',
      says: `At ${minutes(from)} the lid was ${lid} for ${minutes(to - from)}`,
      without: 'with it left on',
      atMin: from,
      doing: { ...doing, lids: rest },
    })
  }
  if (doing.putInMin !== null && !steamed) {
    const later = right.add_after_minutes
    if (doing.putInMin > TOGETHER_MIN)
      deeds.push({
        kind: 'put-in',
        says: `At ${minutes(doing.putInMin)} you put the rest in`,
        without: 'both from the start',
        atMin: doing.putInMin,
        doing: { ...doing, putInMin: 0 },
      })
    else if (later !== undefined)
      deeds.push({
        kind: 'put-in',
        says: 'You put both in from the start',
        without: `with the quick one ${minutes(later)} after the boil`,
        atMin: 0,
        doing: { ...doing, putInMin: Math.min(doing.serveMin, (marks.boil ?? 0) + later) },
      })
  }
  const lastOff = doing.heats.at(-1)
  if (lastOff?.level === 'off' && doing.serveMin - lastOff.atMin >= 1)
    deeds.push({
      kind: 'rest',
      says: `It rested ${minutes(doing.serveMin - lastOff.atMin)} before opening`,
      without: 'opened at once',
      atMin: lastOff.atMin,
      doing: { ...doing, serveMin: lastOff.atMin },
    })
  return deeds
}

/** How long the last heat lasted, beside the card's minutes where they were not kept, beside what this pot needs where they were. */
function minutesDeed(card: Plan, right: Plan, doing: Doing, from: number, to: number): Without {
  const [asCard, asRight] = [lastHeatOf(card), lastHeatOf(right)]
  const lasted = to - from
  const until = (minutesOn: number): Doing => ({
    ...doing,
    heats: [...doing.heats.slice(0, -1), { atMin: from + minutesOn, level: 'off' as const }],
    serveMin: Math.max(from + minutesOn + 1, doing.serveMin + minutesOn - lasted),
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
    doing: { ...doing, heats: doing.heats.slice(0, -1) },
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
function openings({ lids, serveMin }: Doing): { from: number; to: number; lid: string }[] {
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
function ownDeeds({ real, heldMinutes }: Kitchen, doing: Doing, marks: Marks): Without[] {
  const deeds: Without[] = []
  if (marks.click !== undefined && real.source.kind === 'cooker') {
    const stood = doing.serveMin - marks.click
    if (stood < 5)
      deeds.push({
        kind: 'rest',
        says: `You opened it ${minutes(stood)} after the click`,
        without: 'ten minutes later',
        atMin: doing.serveMin,
        doing: {
          ...doing,
          lids: doing.lids.filter((l) => l.atMin < marks.click!),
          serveMin: marks.click + 10,
        },
      })
    else
      deeds.push({
        kind: 'rest',
        says: `You left it ${minutes(stood)} after the click`,
        without: 'opened at the click',
        atMin: marks.click,
        doing: { ...doing, serveMin: marks.click + 0.1 },
      })
  }
  if (real.source.kind === 'pressure') {
    const whole = cookByHand(real, { ...doing, ventMin: null, serveMin: doing.serveMin + 120 }, heldMinutes)
      .marks.unsealed
    if (doing.ventMin !== null && whole !== undefined)
      deeds.push({
        kind: 'vent',
        says: `At ${minutes(doing.ventMin)} you used quick release`,
        without: 'left to natural release',
        atMin: doing.ventMin,
        doing: { ...doing, ventMin: null, serveMin: whole + 1 },
      })
    else if (marks.pressure !== undefined)
      deeds.push({
        kind: 'vent',
        says: 'You used natural release',
        without: 'with quick release',
        atMin: marks.pressure + heldMinutes,
        doing: {
          ...doing,
          ventMin: marks.pressure + heldMinutes,
          serveMin: marks.pressure + heldMinutes + 3,
        },
      })
  }
  return deeds
}

/** What each act did, by cooking the pot again without it; the inside when it was decided; and the least that would have made it good. */
export function debriefOf(kitchen: Kitchen, doing: Doing, about?: DeedKind): Debrief {
  const cook = (d: Doing) => cookByHand(kitchen.real, d, kitchen.heldMinutes, FULL)
  const mine = cook(doing)
  const ending = endingOf(mine)
  const deeds = [...deedsOf(kitchen, doing, mine.marks), ...ownDeeds(kitchen, doing, mine.marks)]
    .map((deed) => {
      const other = cook(deed.doing)
      const without = endingOf(other)
      return {
        deed: {
          ...deed,
          ending: without,
          did: differenceOf(mine, ending, other, without),
          weight: weightOf(ending, without),
        } satisfies Deed,
        other,
      }
    })
    .sort(
      (a, b) =>
        Number(b.deed.kind === about) - Number(a.deed.kind === about) || b.deed.weight - a.deed.weight,
    )
  const tryThis = ending.good ? undefined : whatToTry(kitchen, doing, about)
  const gravest = deeds[0]
  const beside = tryThis
    ? { run: cook(tryThis.doing), says: tryThis.says.join(', and ') }
    : gravest
      ? { run: gravest.other, says: gravest.deed.without }
      : undefined
  const at = decidedAt(mine, ending, beside?.run)
  return {
    ending,
    reasons: reasonsOf(
      { verdict: ending.verdict, outcome: ending.outcome, final: ending.final, told: [] },
      mine.prepared.blend.uptake,
    ),
    deeds: deeds.map(({ deed }) => deed),
    moment: {
      atMin: at.min,
      says: at.says,
      yours: glimpseAt(mine, at.min),
      other: beside && glimpseAt(beside.run, at.min),
      otherSays: beside?.says ?? '',
    },
    tryThis,
    marks: mine.marks,
  }
}

const differenceOf = (mine: Handled, ending: Ending, other: Handled, without: Ending): Deed['did'] => ({
  drunkGPerG: ending.outcome.uptakeMean - without.outcome.uptakeMean,
  evaporatedG: mine.pot.evaporatedG - other.pot.evaporatedG,
  freeG: mine.pot.freeG - other.pot.freeG,
  centre: ending.outcome.centreMin - without.outcome.centreMin,
})

/** Good turned to bad or back weighs most; within either, texture, hearts and burning. Where it is bad with it and without, it was not the reason. */
function weightOf(a: Ending, b: Ending): number {
  const scorch = Math.min(2, Math.abs(a.outcome.scorch - b.outcome.scorch) / SCORCHED_KS)
  const apart =
    Math.abs(a.texture - b.texture) + 4 * Math.abs(a.outcome.centreMin - b.outcome.centreMin) + scorch
  return a.good !== b.good ? TURNS + apart : a.good ? apart : apart * NOT_THE_REASON
}
const TURNS = 3
const NOT_THE_REASON = 0.3

const glimpseAt = ({ glimpses }: Handled, atMin: number): Glimpse =>
  glimpses.reduce((best, g) => (Math.abs(g.atMin - atMin) < Math.abs(best.atMin - atMin) ? g : best))

/** The minute at which it was decided: when it began to burn, when the water was gone too soon, or when the two pots were furthest apart. */
function decidedAt(mine: Handled, ending: Ending, other: Handled | undefined): { min: number; says: string } {
  const { marks } = mine
  if (ending.verdict.scorched && marks.burning !== undefined)
    return { min: marks.burning, says: `The bottom passes ${SCORCH_FROM_C} °C` }
  if ((ending.word === 'hard' || ending.word === 'dry') && marks.dry !== undefined)
    return {
      min: marks.dry,
      says: `The water is absorbed, centres ${Math.round(100 * meanCentre(glimpseAt(mine, marks.dry)))} % cooked`,
    }
  if (!other) return { min: mine.pot.now / 60, says: 'Served' }
  let [best, apart] = [mine.pot.now / 60, 0]
  for (const g of mine.glimpses) {
    const o = glimpseAt(other, g.atMin)
    const d = Math.abs(g.freeG - o.freeG) / mine.pot.dryG + 2 * Math.abs(meanCentre(g) - meanCentre(o))
    if (d > apart) [best, apart] = [g.atMin, d]
  }
  return { min: best, says: 'They differed most here' }
}
