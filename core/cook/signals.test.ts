import { planFrom } from '#core/contract/plan'
import type { CookEvent, EventKind } from './events'
import { whereToWait } from './late'
import { nextTouch } from './next-action'
import { replay, type RunningCook } from './replay'
import { signalsOf } from './signals'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000
const read = planFrom({
  grains: [{ variety: 'short-white' }],
  amount: { basis: 'dry-mass', value: 300 },
  soak: { minutes: 30, celsius: 20 },
})
if (!read.ok) throw new Error('unread')
const plan = read.value
const cook: RunningCook = {
  plan,
  startedMs: START,
  pot: { lossWK: 1, openArea: 0.03, boilC: 100, kitchenC: 20 },
}
const minutesOf = (id: string) => plan.stages.find((s) => s.id === id)!.minutes
let made = 0
const event = (
  kind: EventKind,
  stage: string,
  minutes: number,
  more: Partial<CookEvent> = {},
): CookEvent => ({ id: `e${++made}`, kind, stage, atMs: START + minutes * MINUTE, ...more })
const byHand = [event('cue', 'measure', 1), event('cue', 'rinse', 4)]
const soaked = 4 + minutesOf('soak').expected
const heating = [...byHand, event('cue', 'drain', soaked + 1), event('cue', 'pour', soaked + 2)]
const heatFrom = soaked + 2
const at = (events: CookEvent[], minutes: number) => {
  const nowMs = START + minutes * MINUTE
  const view = replay(cook, events, nowMs)
  return { view, nowMs, signals: signalsOf(plan, view, nowMs), touch: nextTouch(plan, view) }
}
const kinds = (events: CookEvent[], minutes: number) =>
  at(events, minutes).signals.map(({ id }) => id.split(' ').slice(0, 2).join(' '))

describe('what is worth a sound', () => {
  test('work in hand is not; the end of a soak is, until what follows is done', () => {
    expect(kinds([], 0.5)).toEqual([])
    expect(kinds(byHand, soaked - 1)).toEqual([])
    expect(kinds(byHand, soaked + 0.5)).toEqual(['ended soak'])
    expect(kinds(heating, heatFrom + 0.1)).toEqual([])
  })
  test('a boil: quiet before it can come, due in its window, a closer look after it', () => {
    const { low, high } = minutesOf('heat-up')
    expect(kinds(heating, heatFrom + low - 0.5)).toEqual([])
    expect(kinds(heating, heatFrom + low + 0.1)).toEqual(['due heat-up'])
    expect(kinds(heating, heatFrom + high + 1.5)).toEqual(['late heat-up'])
  })
  test('a soak that ends in the night is announced in the morning, and heat at once', () => {
    const morning = (endMs: number) => endMs + 180 * MINUTE
    const announced = (events: CookEvent[], minutes: number) => {
      const { view, nowMs } = at(events, minutes)
      return signalsOf(plan, view, nowMs, undefined, morning).map(({ id }) =>
        id.split(' ').slice(0, 2).join(' '),
      )
    }
    expect(announced(byHand, soaked + 0.5)).toEqual([])
    expect(announced(byHand, soaked + 179)).toEqual([])
    expect(announced(byHand, soaked + 181)).toEqual(['ended soak'])
    expect(announced(heating, heatFrom + minutesOf('heat-up').low + 0.1)).toEqual(['due heat-up'])
  })
  test("advice is a signal, and its id is the advice's own", () => {
    const { view, nowMs } = at(heating, heatFrom + 1)
    expect(signalsOf(plan, view, nowMs, { id: 'add 7', says: 'Add 140 g' })).toEqual([
      { id: 'hint add 7', kind: 'attention', says: 'Add 140 g' },
    ])
  })
  test('a cook that is over is silent', () => {
    expect(kinds([...heating, event('finish', 'fluff', heatFrom + 60)], heatFrom + 61)).toEqual([])
  })
})

describe('the next thing to touch', () => {
  test('work in hand is now; a clock is its end and what comes then; a cue is when it may come', () => {
    expect(at([], 0.5).touch).toMatchObject({ stage: 'measure', cue: true, atMs: START })
    expect(at(byHand, 10).touch).toMatchObject({ stage: 'soak', cue: false, atMs: START + soaked * MINUTE })
    expect(at(heating, heatFrom + 0.5).touch!.atMs).toBeCloseTo(
      START + (heatFrom + minutesOf('heat-up').low) * MINUTE,
      -1,
    )
  })
  test('ready alerts for serving; an ended batch has no alert', () => {
    expect(
      at(
        [...heating, event('cue', 'heat-up', heatFrom + 6), event('cue', 'fluff', heatFrom + 90)],
        heatFrom + 91,
      ).touch,
    ).toMatchObject({ title: 'Serve' })
    expect(at([event('stop', 'measure', 1)], 2).touch).toBeUndefined()
  })
})

describe('they come later', () => {
  test('before the heat it waits before the heat, or in the soak where the grain still may', () => {
    expect(whereToWait(plan, at(byHand, 10).view, 25)).toEqual({ stage: 'pour', where: 'before-heat' })
    expect(whereToWait(plan, at(byHand, 10).view, 25, 60)).toEqual({ stage: 'soak', where: 'soak' })
    expect(whereToWait(plan, at(byHand, 10).view, 90, 60)).toEqual({ stage: 'pour', where: 'before-heat' })
  })
  test('on the heat, waiting extends the rest and moves serving by as much', () => {
    const boiled = [...heating, event('cue', 'heat-up', heatFrom + 6)]
    const { view } = at(boiled, heatFrom + 8)
    expect(whereToWait(plan, view, 25)).toEqual({ stage: 'rest', where: 'rest' })
    const later = at([...boiled, event('late', 'rest', heatFrom + 8, { amount: 25 })], heatFrom + 8).view
    expect(later.tableMs - view.tableMs).toBe(25 * MINUTE)
    expect(later.stages.find((s) => s.id === 'rest')).toMatchObject({ state: 'next', addedMinutes: 25 })
    // Told before the rest began, it still counts when the rest is on.
    const resting = at(
      [...boiled, event('late', 'rest', heatFrom + 8, { amount: 25 })],
      heatFrom + 7 + minutesOf('simmer').expected + 5,
    ).view
    expect(resting.stages.find((s) => s.id === 'rest')).toMatchObject({ state: 'now', addedMinutes: 25 })
  })
})

test('skipped, a stage ends there, cue or clock; what follows begins', () => {
  const skipped = at([...byHand, event('skip', 'soak', 12)], 12.5).view
  expect(skipped.stages.find((s) => s.id === 'soak')).toMatchObject({
    state: 'done',
    endedBy: 'skip',
    endMs: START + 12 * MINUTE,
  })
  expect(skipped.now.map((s) => s.id)).toEqual(['drain'])
  const boil = at([...heating, event('skip', 'heat-up', heatFrom + 3)], heatFrom + 3.5).view
  expect(boil.now.map((s) => s.id)).toEqual(['simmer'])
})

describe('with nothing left to stretch', () => {
  test('a cook that is at its last stage waits there', () => {
    const last = plan.stages.at(-1)!.id
    const { view } = at(
      [...heating, event('cue', 'heat-up', heatFrom + 6)],
      heatFrom + 6 + minutesOf('simmer').expected + minutesOf('rest').expected + 0.5,
    )
    expect(view.now.map((s) => s.id)).toEqual([last])
    expect(whereToWait(plan, view, 25)).toEqual({ stage: last, where: 'end' })
  })
  test('late twice is late by both', () => {
    const boiled = [...heating, event('cue', 'heat-up', heatFrom + 6)]
    const once = at([...boiled, event('late', 'rest', heatFrom + 8, { amount: 25 })], heatFrom + 9).view
    const twice = at(
      [
        ...boiled,
        event('late', 'rest', heatFrom + 8, { amount: 25 }),
        event('late', 'rest', heatFrom + 8.5, { amount: 10 }),
      ],
      heatFrom + 9,
    ).view
    expect(twice.tableMs - once.tableMs).toBe(10 * MINUTE)
  })
})
