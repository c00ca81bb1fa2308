import { activeEvents } from '#core/event-log'
import type { CoolingPlace } from './cooling'
import type { Guidance } from './guidance'

/** Events of a stored container. Nothing is ever changed or removed. */
export const LEFTOVER_EVENT_KINDS = [
  'to-fridge',
  'to-freezer',
  'thawed',
  'reheated',
  'eaten',
  'thrown',
  'take-back',
] as const
export type LeftoverEventKind = (typeof LEFTOVER_EVENT_KINDS)[number]

export interface LeftoverEvent {
  id: string
  kind: LeftoverEventKind
  atMs: number
  /** Portions eaten; all of them when left out. */
  portions?: number
  /** The event a take-back takes back. */
  target?: string
}

/** A container as it was put away. */
export interface StoredContainer {
  /** When the pot was off the heat: from here the clock runs, UTC ms. */
  cookedMs: number
  packedMs: number
  place: CoolingPlace
  portions: number
  grams: number
}

/** The same out of a stored row. */
export const packedOf = (
  row: Pick<StoredContainer, 'place' | 'portions' | 'grams'> & { cooked_ms: number; packed_ms: number },
): StoredContainer => ({
  cookedMs: row.cooked_ms,
  packedMs: row.packed_ms,
  place: row.place,
  portions: row.portions,
  grams: row.grams,
})

export interface ContainerState {
  place: 'cooling' | 'fridge' | 'freezer' | 'gone'
  /** How it went, when it is gone. */
  gone: 'eaten' | 'thrown' | null
  portions: number
  grams: number
  reheats: number
  /** To be eaten by then; null while it is frozen. UTC ms. */
  useByMs: number | null
  /** Still out of the fridge: to be eaten or cold by then; null once it is in. UTC ms. */
  outByMs: number | null
  /** In the freezer since, UTC ms; null elsewhere. */
  freezerSinceMs: number | null
  /** Frozen: how long it may still stay in the fridge once it is thawed, h. */
  leftH: number | null
  /** It was reheated as often as it may be: what is left of it is not kept again. */
  spent: boolean
  pastMs: number
  /** Past only because nobody said that it went in: it may have. */
  pastOut: boolean
  /** The newest event that can be taken back. */
  last: LeftoverEvent | undefined
}

const MINUTE = 60_000
const HOUR = 60 * MINUTE

/** A container as its events leave it, before it is looked at by the clock. */
interface Running {
  place: 'cooling' | 'fridge' | 'freezer'
  gone: ContainerState['gone']
  portions: number
  grams: number
  reheats: number
  /** Of the time it may be kept, used up before `runningFrom`, ms. */
  spentMs: number
  /** Since when its time runs; null while it is frozen. */
  runningFrom: number | null
  /** Out on the counter since, UTC ms. */
  outFrom: number
  /** Put into the freezer last, UTC ms. */
  freezerSince: number
  /** A thawed portion is eaten by then. */
  thawedBy: number
}

function stopClock(state: Running, atMs: number): void {
  if (state.runningFrom !== null) state.spentMs += Math.max(0, atMs - state.runningFrom)
  state.runningFrom = null
}

/** What each event does to a container. */
const APPLY: Record<
  Exclude<LeftoverEventKind, 'take-back'>,
  (state: Running, event: LeftoverEvent, guidance: Guidance) => void
> = {
  // Out of the freezer it is thawed, and that has an event of its own.
  'to-fridge': (state) => {
    if (state.place === 'cooling') state.place = 'fridge'
  },
  'to-freezer': (state, { atMs }) => {
    state.place = 'freezer'
    state.freezerSince = atMs
    stopClock(state, atMs)
    state.thawedBy = Infinity
  },
  thawed: (state, { atMs }, guidance) => {
    if (state.place !== 'freezer') return
    state.place = 'fridge'
    state.runningFrom = atMs
    state.thawedBy = atMs + guidance.thawed_h.value * HOUR
  },
  // What is reheated out of the freezer is thawed by it.
  reheated: (state, { atMs }) => {
    if (state.place === 'freezer') {
      state.place = 'fridge'
      state.runningFrom = atMs
    }
    state.reheats++
  },
  eaten: (state, event) => {
    const ate = Math.min(state.portions, event.portions ?? state.portions)
    state.grams -= state.portions > 0 ? (state.grams * ate) / state.portions : state.grams
    state.portions -= ate
    if (state.portions <= 1e-9) state.gone = 'eaten'
  },
  thrown: (state) => {
    state.gone = 'thrown'
  },
}

/**
 * A container at a moment: where it is, what is left, and until when it is good. Freezing stops the clock;
 * thawing starts it again, and a thawed portion has its own, shorter one where the guidance says so.
 * Durations, not dates: no daylight saving moves them.
 */
export function containerState(
  packed: StoredContainer,
  events: readonly LeftoverEvent[],
  guidance: Guidance,
  nowMs: number,
): ContainerState {
  const active = activeEvents(events)
  const state: Running = {
    place: packed.place === 'fridge' || packed.place === 'freezer' ? packed.place : 'cooling',
    gone: null,
    portions: packed.portions,
    grams: packed.grams,
    reheats: 0,
    spentMs: 0,
    // The clock runs from the pot, also while it cools and while someone thought about freezing it.
    runningFrom: packed.cookedMs,
    outFrom: packed.packedMs,
    freezerSince: packed.packedMs,
    thawedBy: Infinity,
  }
  if (state.place === 'freezer') stopClock(state, packed.packedMs)
  for (const event of active) {
    if (state.gone) break
    if (event.kind !== 'take-back') APPLY[event.kind](state, event, guidance)
  }
  return viewOf(state, active.at(-1), guidance, nowMs)
}

function viewOf(
  { place, gone, portions, grams, reheats, spentMs, runningFrom, outFrom, freezerSince, thawedBy }: Running,
  last: LeftoverEvent | undefined,
  guidance: Guidance,
  nowMs: number,
): ContainerState {
  const spent = reheats >= guidance.reheats.value
  if (gone)
    return {
      place: 'gone',
      gone,
      portions: 0,
      grams: 0,
      reheats,
      useByMs: null,
      outByMs: null,
      freezerSinceMs: null,
      leftH: null,
      spent,
      pastMs: 0,
      pastOut: false,
      last,
    }
  const allowed = guidance.eat_h.value * HOUR
  const outByMs = place === 'cooling' ? outFrom + guidance.room_min.value * MINUTE : null
  const coldByMs = runningFrom === null ? null : Math.min(runningFrom + allowed - spentMs, thawedBy)
  const useByMs = coldByMs === null ? null : Math.min(coldByMs, outByMs ?? Infinity)
  return {
    place,
    gone,
    portions,
    grams: Math.max(0, grams),
    reheats,
    useByMs,
    outByMs,
    freezerSinceMs: place === 'freezer' ? freezerSince : null,
    leftH:
      runningFrom === null ? Math.min(guidance.thawed_h.value, Math.max(0, allowed - spentMs) / HOUR) : null,
    spent,
    pastMs: useByMs === null ? 0 : Math.max(0, nowMs - useByMs),
    pastOut: useByMs !== null && nowMs > useByMs && nowMs <= coldByMs!,
    last,
  }
}

/**
 * When something said of a container happened: that it went in can also be said later, and then holds for the
 * last moment at which it could.
 */
export const happenedAt = (view: ContainerState, kind: LeftoverEventKind, nowMs: number): number =>
  view.pastOut && movesIn(kind) ? view.outByMs! : nowMs

const movesIn = (kind: LeftoverEventKind): boolean => kind === 'to-fridge' || kind === 'to-freezer'

/** Which events are possible for a container now.  @returns why one is not, in words */
export function canTell(
  view: ContainerState,
  kind: LeftoverEventKind,
  guidance: Guidance,
): string | undefined {
  if (kind === 'take-back') return view.last ? undefined : 'there is nothing to undo'
  if (view.gone) return `already ${view.gone === 'eaten' ? 'eaten' : 'thrown out'}`
  if (kind === 'thrown') return undefined
  if (view.pastMs > 0 && !(view.pastOut && movesIn(kind))) return 'past its date: throw it away'
  switch (kind) {
    case 'to-fridge':
      return view.place === 'cooling' ? undefined : `it is in the ${view.place}`
    case 'to-freezer':
      return view.place === 'freezer'
        ? 'it is in the freezer'
        : view.reheats > 0
          ? 'reheated grain is not frozen'
          : undefined
    case 'thawed':
      return view.place === 'freezer' ? undefined : 'it is not frozen'
    case 'reheated':
      return view.spent
        ? `it was reheated ${guidance.reheats.value === 1 ? 'once' : `${guidance.reheats.value} times`} already`
        : undefined
    default:
      return undefined
  }
}
