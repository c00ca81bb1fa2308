import { beliefOf, observe, sdOf, type Belief } from './belief'
import type { Judgement } from './judgement'

/** A judged cook, as far as learning goes. */
export interface JudgedCook {
  /** What was cooked in what: only like is compared with like. */
  key: string
  endedMs: number
  /** Water that went into the grain over what is published for the texture asked, g/g: what the cook then called wet, dry or right. */
  uptakeDelta: number
  /** Cooking time over what is published, as used in that plan. */
  minutesFactor: number
  judgement: Judgement
}

/** What is believed of one grain in one pot for the eaters of this house. */
export interface Learned {
  /** Added to the published uptake, g/g. */
  uptakeDelta: Belief
  /** Natural log of the factor on the published time. */
  logMinutes: Belief
  cooks: number
  lastMs: number
}

/** Before any cook: bags and eaters differ by about this much. */
const PRIOR_UPTAKE_SD = 0.12 // g/g
const PRIOR_LOG_MINUTES_SD = 0.15
/** A step on the wet–dry scale, and how vaguely a tongue tells it, g/g. */
const WET_STEP = 0.12
const WET_SD = 0.12
/** A step on the hard–overdone scale, as a share of the time, and its vagueness. */
const HARD_STEP = 0.1
const HARD_SD = 0.15

export const nothingLearned = (): Learned => ({
  uptakeDelta: beliefOf(0, PRIOR_UPTAKE_SD),
  logMinutes: beliefOf(0, PRIOR_LOG_MINUTES_SD),
  cooks: 0,
  lastMs: 0,
})

/** One cook's judgement moves both figures by what it bears and no more. Too wet says the grain wants less than it got. */
export function learnFrom(known: Learned, cook: JudgedCook): Learned {
  const { wetDry, hardness } = cook.judgement
  return {
    uptakeDelta: observe(known.uptakeDelta, cook.uptakeDelta - WET_STEP * wetDry, WET_SD),
    logMinutes: observe(known.logMinutes, Math.log(cook.minutesFactor) - HARD_STEP * hardness, HARD_SD),
    cooks: known.cooks + 1,
    lastMs: Math.max(known.lastMs, cook.endedMs),
  }
}

/** Everything learned, from the records alone: the same records give the same beliefs. */
export function learnedFrom(cooks: readonly JudgedCook[]): Map<string, Learned> {
  const known = new Map<string, Learned>()
  for (const cook of [...cooks].sort((a, b) => a.endedMs - b.endedMs))
    known.set(cook.key, learnFrom(known.get(cook.key) ?? nothingLearned(), cook))
  return known
}

/** What a plan takes from it. */
export interface Correction {
  uptakeDelta: number
  minutesFactor: number
  /** How sure the uptake is, one standard deviation, g/g. */
  uptakeSd: number
  cooks: number
  lastMs: number
}

export const correctionOf = (known: Learned): Correction => ({
  uptakeDelta: known.uptakeDelta.mean,
  minutesFactor: Math.exp(known.logMinutes.mean),
  uptakeSd: sdOf(known.uptakeDelta),
  cooks: known.cooks,
  lastMs: known.lastMs,
})
