import { cookReady, makeReady, NO_LUCK, outcomeOf, type Ready, type Simulation } from './simulate'
import { GOOD_OUTCOMES, outcomeWord, type OutcomeWord } from './outcome-word'
import { SWEEP } from './sweep'
import { verdictOf } from './verdict'

/** How the pot ends over water × minutes of its long stage. */
export interface OutcomeMap {
  /** Pours, g, ascending; minutes of the long stage, ascending. */
  pours: number[]
  minutes: number[]
  /** By minutes, then by pour. */
  cells: OutcomeWord[][]
  /** The plan's own point. */
  at: { pourG: number; minutes: number }
  /** The stage whose minutes these are. */
  stage: string
  stageId: string
}

/** Shares of the plan's water and of its minutes that the map spans. */
export const MAP_SPAN = { pour: [0.6, 1.5], minutes: [0.4, 2] } as const
export const MAP_SIZE = { pours: 19, minutes: 17 } as const

/** The stage whose length is the cook's to choose: the one the plan solves, else the longest over heat. */
function longStage({ prepared, phases, made }: Ready): { id: string; minutes: number } | undefined {
  const solved = prepared.timed.stages.find((s) => s.until === 'solved')
  const clocked = phases.filter((p) => 'minutes' in p.until && (p.powerW > 0 || p.mode === 'sealed'))
  const id = solved?.id ?? clocked.sort((a, b) => minutesOf(b) - minutesOf(a))[0]?.id
  const own = phases.find((p) => p.id === id)
  if (id === undefined || !own || !('minutes' in own.until)) return undefined
  return { id, minutes: own.until.minutes || made.stages.find((s) => s.id === id)?.minutes.expected || 0 }
}
const minutesOf = ({ until }: Ready['phases'][number]): number => ('minutes' in until ? until.minutes : 0)

const spread = ([from, to]: readonly [number, number], n: number, by: number): number[] =>
  Array.from({ length: n }, (_, i) => by * (from + ((to - from) * i) / (n - 1)))

/**
 * Cooks the pot at every point of the map. A generator, so that it can be watched and stopped.
 * @yields how many pots are done
 * @returns undefined where no stage is the cook's to stretch (a cooker lets go by itself)
 */
export function* outcomeMap({
  happenings: interventions,
  ...of
}: Simulation): Generator<number, OutcomeMap | undefined> {
  const ready = makeReady(of)
  const long = longStage(ready)
  if (!long || !(long.minutes > 0)) return undefined
  const pours = spread(MAP_SPAN.pour, MAP_SIZE.pours, ready.pourG)
  const minutes = spread(MAP_SPAN.minutes, MAP_SIZE.minutes, long.minutes)
  const cells: OutcomeWord[][] = []
  let done = 0
  for (const stretch of minutes) {
    const phases = ready.phases.map((p) => (p.id === long.id ? { ...p, until: { minutes: stretch } } : p))
    const row: OutcomeWord[] = []
    for (const pourG of pours) {
      const { pot } = cookReady({ ...ready, phases, pourG }, interventions, SWEEP, NO_LUCK)
      row.push(outcomeWord(verdictOf(outcomeOf(pot), ready.prepared.blend.uptake, ready.prepared.sauce)))
      yield ++done
    }
    cells.push(row)
  }
  return {
    pours,
    minutes,
    cells,
    at: { pourG: ready.pourG, minutes: long.minutes },
    stage: ready.made.stages.find((s) => s.id === long.id)?.title ?? long.id,
    stageId: long.id,
  }
}

/** How far the water may be off, everything else as planned, before the pot ends otherwise than well. */
export interface WaterRoomForError {
  fromG: number
  toG: number
}

/** Steps of the pour in which its slack is looked for, and how far. */
const ROOM_FOR_ERROR_STEP = 0.02
const ROOM_FOR_ERROR_MOST = 0.5

/**
 * Walks from the plan's pour to either side while the pot ends well.
 * @returns undefined where already the plan's own pot does not
 */
export function waterRoomForError({
  happenings: interventions,
  ...of
}: Simulation): WaterRoomForError | undefined {
  const ready = makeReady(of)
  const good = (share: number): boolean => {
    const { pot } = cookReady({ ...ready, pourG: ready.pourG * share }, interventions, SWEEP, NO_LUCK)
    const word = outcomeWord(verdictOf(outcomeOf(pot), ready.prepared.blend.uptake, ready.prepared.sauce))
    return GOOD_OUTCOMES.has(word)
  }
  if (!good(1)) return undefined
  const walk = (sign: 1 | -1): number => {
    let share = 1
    while (
      Math.abs(share + sign * ROOM_FOR_ERROR_STEP - 1) <= ROOM_FOR_ERROR_MOST + 1e-9 &&
      good(share + sign * ROOM_FOR_ERROR_STEP)
    )
      share += sign * ROOM_FOR_ERROR_STEP
    return share * ready.pourG
  }
  return { fromG: walk(-1), toG: walk(1) }
}
