import type { EventKind } from '#core/cook/events'

/** What happened, in as few words as a key has room for. */
export const EVENT_WORDS: Record<EventKind, string> = {
  begin: 'begun early',
  cue: 'done',
  'go-on': 'next step early',
  skip: 'skip it',
  late: 'guests late',
  opened: 'opened',
  'boiled-over': 'boiled over',
  'heat-high': 'heat was high',
  'heat-low': 'heat was low',
  'heat-out': 'heat was out',
  'water-added': 'water added',
  stirred: 'stirred',
  remedy: 'fix',
  'minute-more': 'a minute more',
  'minute-less': 'a minute less',
  'lid-lifted': 'lid lifted',
  washed: 'rinse',
  weighed: 'weighed wet',
  soaked: 'how long it soaked',
  'take-back': 'undo',
  finish: 'served',
  stop: 'stopped',
}
