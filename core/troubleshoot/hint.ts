import { CENTRE_THROUGH } from '#core/constants'
import { textureOf } from '#core/grain/texture'
import { activeEvents } from '#core/event-log'
import { ADVICE_LEFT, LOOKS, type AdviceTopic, type CookEvent, type EventKind } from '#core/cook/events'
import { minutesUntilThrough, outlookOf, type Outlook } from '#core/cook/outlook'
import { isSealed } from '#core/cook/lid-lift'
import { lastHeated, type PotEstimate } from '#core/cook/estimate-pot'
import type { Remedy } from '#core/cook/remedy'
import type { CookView } from '#core/cook/replay'
import type { Plan } from '#core/plan/result'
import { FILM } from '#core/methods/boil-and-drain'
import { pourMore } from '#core/pot/corrections'
import { withRollback } from '#core/pot/snapshot'
import { adviceFor, remedyForHard } from './remedies'

/** What one key under a hint does. */
export type HintAct =
  | { kind: 'add'; grams: number }
  | { kind: 'more'; stage: string; minutes: number }
  | { kind: 'heat-off'; stage: string }
  | { kind: 'remedy'; remedy: Remedy }

/** What the stove says by itself about a pot under way. */
export interface Hint {
  /** Says the same thing again only when it is another thing. */
  id: string
  about: AdviceTopic
  says: string
  why: string
  /** Undefined where there is only something to expect. */
  act: HintAct | undefined
}

/** How far the texture may slip before it is announced, on the scale of 0 firm … 1 soft. */
const WORTH_TELLING = 0.22
/** A pot that is done and dry is not watered again for being so much firmer. */
const FIRM_ENOUGH = 0.4
/** Less water than this is not worth a word, g per g of dry grain. */
const WORTH_WATER = 0.04
const STEP_G = 5
const BISECTIONS = 6
const WORTH_MINUTES = 1

/** Events after which advice that was left is given again. */
const CHANGES_THE_POT: ReadonlySet<EventKind> = new Set([
  'skip',
  'go-on',
  'minute-less',
  'heat-high',
  'heat-low',
  'heat-out',
  'boiled-over',
  'water-added',
  'opened',
  ...LOOKS,
])

/**
 * What is worth saying about a pot that will not end as the plan foresaw: water missing, hard centres, more
 * water than is wanted, or that it is done. Water of the cook's own is compared with what the plan says it ends
 * as: it was announced there. What the cook left as it is is not said again until something else happens.
 */
export function hintFor(
  estimate: PotEstimate,
  plan: Plan,
  view: CookView,
  events: readonly CookEvent[],
): Hint | undefined {
  const happened = activeEvents(events)
  const changed = happened.findLast((e) => CHANGES_THE_POT.has(e.kind))
  const left = (about: AdviceTopic) =>
    happened.some((e) => e.kind === ADVICE_LEFT[about] && e.atMs >= (changed?.atMs ?? -Infinity))
  const outlook = outlookOf(estimate)
  const found =
    doneHint(estimate, plan, view, happened) ??
    waterHint(estimate, plan, outlook, happened) ??
    hardHint(estimate, outlook) ??
    wetHint(estimate, outlook)
  if (!found || left(found.about)) return undefined
  return estimate.ahead[0] && isSealed(estimate.ahead[0].stage) ? withLidShut(found, estimate) : found
}

/** Over this a vessel that is coming up to pressure may steam, °C. */
const STEAMS_C = 80

/** The same for a vessel under pressure: what needs an open lid waits until the pressure is gone. */
function withLidShut(hint: Hint, { pot, ahead }: PotEstimate): Hint {
  const { act } = hint
  if (act?.kind === 'add' && ahead[0]!.stage.kind === 'pressure-up' && pot.bulkC < STEAMS_C)
    return {
      ...hint,
      says: `Before any steam comes: open, add ${act.grams} g water`,
      why: `${hint.why} Once it steams the lid stays shut.`,
    }
  if (act?.kind !== 'add' && act?.kind !== 'remedy') return hint
  return {
    ...hint,
    id: `shut ${hint.about}`,
    says: LID_SHUT[hint.about],
    why: `${hint.why} Under pressure the lid stays shut; by your manual, let the pressure go first.`,
    act: undefined,
  }
}
const LID_SHUT: Readonly<Record<AdviceTopic, string>> = {
  dry: 'Expect it firm; look when the pressure is gone',
  hard: 'It may be hard inside; look when the pressure is gone',
  soft: 'It will be wet; pour off when the pressure is gone',
  done: 'It is done',
}

const stillHot = ({ ahead }: PotEstimate): boolean => ahead.some(({ phase }) => phase.powerW > 0)

/** Seen dry, and the rest alone cooks it through: more heat would only dry the bottom. */
function doneHint(
  estimate: PotEstimate,
  plan: Plan,
  view: CookView,
  happened: readonly CookEvent[],
): Hint | undefined {
  const look = happened.findLast((e) => CHANGES_THE_POT.has(e.kind))
  const now = estimate.ahead[0]
  if (look?.kind !== 'seen-dry' || !now || now.phase.powerW === 0 || look.stage !== now.stage.id)
    return undefined
  if (!view.now.some((s) => s.id === now.stage.id) || now.stage.ends_on !== 'clock') return undefined
  const off = outlookOf(
    estimate,
    estimate.ahead.filter(({ phase }) => phase.powerW === 0),
  )
  const { uptake } = estimate.prepared.blend
  const firmer = textureOf(uptake, foreseen(estimate, plan)) - textureOf(uptake, off.outcome.uptakeMean)
  if (off.outcome.centreMin < CENTRE_THROUGH || firmer > FIRM_ENOUGH) return undefined
  return {
    id: 'done',
    about: 'done',
    says: 'Heat off, leave the lid',
    why: `The water is absorbed; resting cooks the centres to ${Math.round(100 * off.outcome.centreMin)} %. More heat would dry the bottom.`,
    act: { kind: 'heat-off', stage: now.stage.id },
  }
}

/** What the plan foresees in the grain at the end, g/g: with water of the cook's own, what that comes to. */
const foreseen = ({ request }: PotEstimate, { water, grain }: Plan): number =>
  request.pourOverrideG === null ? water.uptake_target : water.absorbed_g / grain.mass_g

/** Whether what happened has changed the water, and what to do about it: add some, or know what to expect. */
function waterHint(
  estimate: PotEstimate,
  plan: Plan,
  { outcome, verdict, freeG }: Outlook,
  happened: readonly CookEvent[],
): Hint | undefined {
  const { prepared, pot } = estimate
  if (prepared.method.water !== 'pot' || !stillHot(estimate)) return undefined
  const { uptake } = prepared.blend
  const wanted = foreseen(estimate, plan)
  const off = textureOf(uptake, outcome.uptakeMean) - textureOf(uptake, wanted)
  const shortG = wanted * pot.dryG + plan.water.left_in_pot_g - outcome.uptakeMean * pot.dryG - freeG
  const because = reasonFor(estimate, happened)
  if ((off < -WORTH_TELLING || verdict.scorched) && shortG > WORTH_WATER * pot.dryG) {
    const grams = gramsToAdd(estimate, wanted, shortG)
    return {
      id: `add ${Math.round(grams / 20)}`,
      about: 'dry',
      says: `Add ${grams} g boiling water`,
      why: `At this rate it ends ${verdict.scorched ? 'dry and scorched' : 'firmer than you wanted'}: ${because}.`,
      act: { kind: 'add', grams },
    }
  }
  if ((off > WORTH_TELLING || verdict.soggy) && -shortG > WORTH_WATER * pot.dryG)
    return {
      id: verdict.soggy ? 'wet' : 'softer',
      about: 'soft',
      says: verdict.soggy ? 'It will be wet' : 'Expect it softer',
      why: `${Math.round(-shortG)} g too much water: ${because}.`,
      act: undefined,
    }
  return undefined
}

/** The least water, added now, that brings the grain to what is wanted, g. */
function gramsToAdd(estimate: PotEstimate, wanted: number, shortG: number): number {
  const { pot, prepared } = estimate
  const enough = (grams: number) =>
    withRollback(pot, () => {
      pourMore(pot, grams, prepared.boilC)
      const { outcome, freeG } = outlookOf(estimate)
      return outcome.uptakeMean + freeG / pot.dryG >= wanted
    })
  let [low, high] = [0, 1.5 * shortG]
  for (let i = 0; i < BISECTIONS; i++) {
    const middle = (low + high) / 2
    if (enough(middle)) high = middle
    else low = middle
  }
  return Math.max(STEP_G, Math.round(high / STEP_G) * STEP_G)
}

/** Off the heat and too wet: what takes the water away. */
function wetHint(estimate: PotEstimate, { verdict, freeG }: Outlook): Hint | undefined {
  const { pot, prepared, ahead } = estimate
  if (!verdict.soggy || stillHot(estimate) || ahead.length === 0 || prepared.method.water !== 'pot')
    return undefined
  if (freeG / pot.dryG < FILM) return undefined
  const { says, why, remedy } = adviceFor('still-wet', estimate)
  return remedy && { id: 'wet', about: 'soft', says, why, act: { kind: 'remedy', remedy } }
}

/** Centres that stay hard, said while the heat is on or can still be put back. */
function hardHint(estimate: PotEstimate, { outcome }: Outlook): Hint | undefined {
  const { prepared, ahead } = estimate
  if (outcome.centreMin >= Math.min(CENTRE_THROUGH, prepared.goal.centre) || ahead.length === 0)
    return undefined
  const why = `At this rate its centres are ${Math.round(100 * outcome.centreMin)} % cooked at the end (90 is done).`
  const place = lastHeated(ahead)
  if (place !== undefined) {
    const { stage, minutes } = ahead[place]!
    const needed = minutesUntilThrough(estimate, place)
    // A cooker that switches itself off, and a sign, take no minutes.
    if (needed === undefined || stage.ends_on !== 'clock') return undefined
    const more = Math.ceil(needed - minutes)
    if (more < WORTH_MINUTES) return undefined
    return {
      id: `hard ${Math.round(more / 4)}`,
      about: 'hard',
      says: `It stays hard in the middle: ${more} min more`,
      why,
      act: { kind: 'more', stage: stage.id, minutes: more },
    }
  }
  if (stillHot(estimate) || prepared.method.water !== 'pot') return undefined
  const { remedy, says } = remedyForHard(estimate)
  return remedy.heatMinutes >= WORTH_MINUTES
    ? {
        id: `hard again ${Math.round(remedy.heatMinutes / 4)}`,
        about: 'hard',
        says,
        why,
        act: { kind: 'remedy', remedy },
      }
    : undefined
}

/** What the newest thing was that moved the pot's water. */
function reasonFor({ burner }: PotEstimate, happened: readonly CookEvent[]): string {
  const REASONS: Partial<Record<EventKind, string>> = {
    'boiled-over': 'of boiling over',
    'water-added': 'of the water you added',
    'heat-high': 'of the minutes on high',
    'heat-low': 'of the minutes on low heat',
    'heat-out': 'of the minutes without heat',
    'seen-dry': 'you saw no water',
    'seen-water': 'you saw water',
  }
  const last = happened.findLast((e) => REASONS[e.kind] !== undefined)
  if (last) return `because ${REASONS[last.kind]}`
  if (Math.abs(burner - 1) > 0.1) return `the burner is ${burner < 1 ? 'less' : 'more'} than assumed`
  return 'from how it cooked so far'
}
