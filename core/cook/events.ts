import { undoneIds } from '#core/event-log'
import type { Remedy } from './remedy'

/**
 * Events of a running batch. A batch is its frozen plan and a list of these; nothing is ever changed or
 * removed.
 */
export const EVENT_KINDS = [
  'begin',
  'cue',
  'go-on',
  'skip',
  'minute-more',
  'minute-less',
  'late',
  'lid-lifted',
  'opened',
  'boiled-over',
  'heat-high',
  'heat-low',
  'heat-out',
  'water-added',
  'stirred',
  'seen-dry',
  'seen-water',
  'seen-hard',
  'left-dry',
  'left-hard',
  'left-soft',
  'left-on',
  'washed',
  'weighed',
  'soaked',
  'remedy',
  'take-back',
  'finish',
  'stop',
] as const
export type EventKind = (typeof EVENT_KINDS)[number]

export interface CookEvent {
  /** Made by the device that pressed, so that a retry is known for what it is. */
  id: string
  kind: EventKind
  /** The stage it is about. */
  stage: string
  /** When it happened, UTC milliseconds by the server's clock. */
  atMs: number
  /** How long the lid was off, s. */
  seconds?: number
  /** How clear the water ran, 0..1, after a wash. */
  clarity?: number
  /**
   * Grams or minutes, by the kind: weighed, poured, added, boiled over; soaked, more, late, how long the heat
   * was otherwise.
   */
  amount?: number
  /** What is done to put the pot right. */
  remedy?: Remedy
  /** The event a take-back takes back. */
  target?: string
}

/** What a look under the lid found: no water, some left, centres still hard. */
export const LOOKS: ReadonlySet<EventKind> = new Set(['seen-dry', 'seen-water', 'seen-hard'])

/** What advice of the stove is about: water missing, hard centres, too much water, or that the pot is done. */
export type AdviceTopic = 'dry' | 'hard' | 'soft' | 'done'
/** Advice that the cook read and left as it is. */
export const ADVICE_LEFT: Readonly<Record<AdviceTopic, EventKind>> = {
  dry: 'left-dry',
  hard: 'left-hard',
  soft: 'left-soft',
  done: 'left-on',
}

/** Kinds that can be said once: a second press, on whatever device, is the same event. */
const ONCE: ReadonlySet<EventKind> = new Set(['begin', 'cue', 'go-on', 'skip', 'finish', 'stop'])

/** Kinds that only make sense with an amount, and its limits. */
export const EVENT_AMOUNTS: Partial<Record<EventKind, readonly [number, number]>> = {
  late: [1, 240],
  'boiled-over': [1, 5000],
  'heat-high': [0.5, 120],
  'heat-low': [0.5, 240],
  'heat-out': [0.5, 240],
  'water-added': [1, 10_000],
}

/**
 * What makes two presses one: the stage and the kind, and how often that was taken back before. Undefined for
 * what may repeat.
 * @param events everything stored for the cook so far
 */
export function identityOf(
  event: Pick<CookEvent, 'kind' | 'stage' | 'target'>,
  events: readonly CookEvent[],
): string | undefined {
  if (event.kind === 'take-back') return `take-back ${event.target}`
  if (!ONCE.has(event.kind)) return undefined
  const taken = undoneIds(events)
  const before = events.filter(
    (e) => e.kind === event.kind && e.stage === event.stage && taken.has(e.id),
  ).length
  return `${event.kind} ${event.stage} ${before}`
}
