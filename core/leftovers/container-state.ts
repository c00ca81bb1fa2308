import type { Guidance } from './guidance'

/** What can be told of a container that was put away. Nothing is ever changed or removed. */
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
  place: 'fridge' | 'freezer' | 'counter' | 'ice-bath'
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
  /** Frozen: how long it may still stay in the fridge once it is thawed, h. */
  leftH: number | null
  /** It was reheated as often as it may be: what is left of it is not kept again. */
  spent: boolean
  pastMs: number
  /** The newest event that can be taken back. */
  last: LeftoverEvent | undefined
}

const HOUR = 3_600_000

/** Events that still stand, oldest first. */
function activeLeftoverEvents(events: readonly LeftoverEvent[]): LeftoverEvent[] {
  const gone = new Set(events.filter((e) => e.kind === 'take-back').map((e) => e.target))
  return events.filter((e) => e.kind !== 'take-back' && !gone.has(e.id)).sort((a, b) => a.atMs - b.atMs)
}

/** A kept container at a moment: where it is, what is left, and until when it is good. Freezing stops the
 * clock; thawing starts it again, and
 * a thawed portion has its own, shorter one where the guidance says so. Durations, not dates: no daylight
 * saving moves them.
 */
export function containerState(
  packed: StoredContainer,
  events: readonly LeftoverEvent[],
  guidance: Guidance,
  nowMs: number,
): ContainerState {
  const stood = activeLeftoverEvents(events)
  const allowed = guidance.eat_h.value * HOUR
  let place: ContainerState['place'] =
    packed.place === 'fridge' || packed.place === 'freezer' ? packed.place : 'cooling'
  let gone: ContainerState['gone'] = null
  let [portions, grams, reheats] = [packed.portions, packed.grams, 0]
  // The clock runs from the pot, also while it cools and while somebody thought about freezing it.
  let [spent, runningFrom] = [0, packed.cookedMs as number | null]
  let thawedBy = Infinity
  const stop = (atMs: number) => {
    if (runningFrom !== null) spent += Math.max(0, atMs - runningFrom)
    runningFrom = null
  }
  if (place === 'freezer') stop(packed.packedMs)
  for (const event of stood) {
    if (gone) break
    switch (event.kind) {
      case 'to-fridge':
        // Out of the freezer it is thawed, and that has a clock of its own.
        if (place === 'cooling') place = 'fridge'
        break
      case 'to-freezer':
        place = 'freezer'
        stop(event.atMs)
        thawedBy = Infinity
        break
      case 'thawed':
        if (place !== 'freezer') break
        place = 'fridge'
        runningFrom = event.atMs
        thawedBy = event.atMs + guidance.thawed_h.value * HOUR
        break
      case 'reheated':
        // What is reheated out of the freezer is thawed by it.
        if (place === 'freezer') {
          place = 'fridge'
          runningFrom = event.atMs
        }
        reheats++
        break
      case 'eaten': {
        const ate = Math.min(portions, event.portions ?? portions)
        grams -= portions > 0 ? (grams * ate) / portions : grams
        portions -= ate
        if (portions <= 1e-9) gone = 'eaten'
        break
      }
      case 'thrown':
        gone = 'thrown'
        break
      case 'take-back':
        break
    }
  }
  const useByMs = gone
    ? null
    : runningFrom === null
      ? null
      : Math.min(runningFrom + allowed - spent, thawedBy)
  return {
    place: gone ? 'gone' : place,
    gone,
    portions: gone ? 0 : portions,
    grams: gone ? 0 : Math.max(0, grams),
    reheats,
    useByMs,
    leftH:
      !gone && runningFrom === null
        ? Math.min(guidance.thawed_h.value, Math.max(0, allowed - spent) / HOUR)
        : null,
    spent: reheats >= guidance.reheats.value,
    pastMs: useByMs === null ? 0 : Math.max(0, nowMs - useByMs),
    last: stood.at(-1),
  }
}

/** Which events make sense for a container as it stands; the rest are refused in words. */
export function canTell(
  view: ContainerState,
  kind: LeftoverEventKind,
  guidance: Guidance,
): string | undefined {
  if (kind === 'take-back') return view.last ? undefined : 'there is nothing to undo'
  if (view.gone) return `already ${view.gone === 'eaten' ? 'eaten' : 'thrown out'}`
  if (kind === 'thrown') return undefined
  if (view.pastMs > 0) return 'past its date: throw it away'
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
