import type { CookEvent } from '#core/cook/events'
import type { StageView } from '#core/cook/replay'
import type { Stage } from '#core/plan/result'
import { asksForLook, freshLook, GO_ON } from './look'
import { LOOKS } from '#core/cook/events'

const MINUTE = 60_000
const simmer: Stage = {
  id: 'simmer',
  after: [],
  kind: 'simmer',
  title: 'Turn to the lowest heat, leave the lid',
  heat: 'lowest',
  power_w: 200,
  lid: 'on',
  minutes: { low: 12, expected: 16, high: 20 },
  ends_on: 'clock',
  hands_on: false,
  checks: [],
}
const seen: StageView = {
  id: 'simmer',
  state: 'now',
  startMs: 0,
  endMs: 16 * MINUTE,
  addedMinutes: 0,
  liftedMinutes: 0,
}
const event = (kind: CookEvent['kind'], minute: number): CookEvent => ({
  id: `${kind}-${minute}`,
  kind,
  stage: 'simmer',
  atMs: minute * MINUTE,
})
const asks = (minute: number, events: CookEvent[] = [], stage: Partial<Stage> = {}) =>
  asksForLook({ ...simmer, ...stage }, seen, events, minute * MINUTE)

test('from three quarters of the heat on, and not before', () => {
  expect(asks(11.9)).toBe(false)
  expect(asks(12.1)).toBe(true)
})
test('looked once, it is not asked again near the end', () => {
  expect(asks(14, [event('seen-water', 9)])).toBe(false)
})
test('after every lid that was lifted, for three minutes, until it is answered', () => {
  expect(asks(5, [event('lid-lifted', 4)])).toBe(true)
  expect(asks(6.9, [event('lid-lifted', 4)])).toBe(true)
  expect(asks(7.1, [event('lid-lifted', 4)])).toBe(false)
  expect(asks(5, [event('lid-lifted', 4), event('seen-dry', 4.2)])).toBe(false)
  // Taken back, the lid was not lifted.
  expect(asks(5, [event('lid-lifted', 4), { ...event('take-back', 4.5), target: 'lid-lifted-4' }])).toBe(
    false,
  )
})
test.each([
  ['no lid on it', { lid: 'off' }],
  ['sealed under pressure', { kind: 'pressure' }],
  ['under foil in the oven', { kind: 'bake' }],
  ['off the heat', { kind: 'rest', power_w: 0 }],
  ['until a sign', { ends_on: 'cue' }],
] as const)('%s: near the end no look is asked for', (_what, stage) => {
  expect(asks(15, [], stage as Partial<Stage>)).toBe(false)
})
test('in the rest, a lifted lid is asked about', () => {
  expect(asks(5, [event('lid-lifted', 4)], { kind: 'rest', power_w: 0 })).toBe(true)
})
test('an answer is shown for three minutes, and there is one for every look', () => {
  expect(freshLook(simmer, [event('seen-dry', 4)], 6.9 * MINUTE)?.kind).toBe('seen-dry')
  expect(freshLook(simmer, [event('seen-dry', 4)], 7.1 * MINUTE)).toBeUndefined()
  for (const kind of LOOKS) expect(GO_ON[kind]).toBeTruthy()
})
