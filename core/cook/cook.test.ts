import fc from 'fast-check'
import { planFrom } from '#core/contract/plan'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { activeEvents } from '#core/event-log'
import { identityOf, type CookEvent, type EventKind } from './events'
import { lidLift } from './lid-lift'
import { replay, type RunningCook } from './replay'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000
const at = (minutes: number) => START + minutes * MINUTE

function cookOf(request: Partial<PlanRequestJson> = {}): RunningCook {
  const json = {
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    method: 'covered-simmer',
    vessel: 'heavy-2.5',
    ...request,
  } as PlanRequestJson
  const [read, asked] = [planFrom(json), parsePlanRequest(json)]
  if (!read.ok || !asked.ok) throw new Error('not a request')
  const { vessel, kitchenC } = asked.value
  return {
    plan: read.value,
    startedMs: START,
    pot: {
      lossWK: vessel.loss,
      openArea: (Math.PI / 4) * (vessel.rimDiameter / 1000) ** 2,
      boilC: read.value.boil_c,
      kitchenC,
    },
  }
}
let made = 0
const event = (
  kind: EventKind,
  stage: string,
  minutes: number,
  more: Partial<CookEvent> = {},
): CookEvent => ({
  id: `e${++made}`,
  kind,
  stage,
  atMs: at(minutes),
  ...more,
})
const cook = cookOf()
const minutesOf = (id: string) => cook.plan.stages.find((s) => s.id === id)!.minutes.expected
const view = (events: CookEvent[], minutes: number) => replay(cook, events, at(minutes))
const stageAt = (events: CookEvent[], minutes: number) => view(events, minutes).now.map((s) => s.id)
/** Through the work by hand and up to the boil. */
const byHand = [
  event('cue', 'measure', 2),
  event('cue', 'rinse', 6),
  event('cue', 'drain', 7),
  event('cue', 'pour', 8),
]
const BOIL = 4
const boiled = [...byHand, event('cue', 'heat-up', 15)]

test('starts at the first stage, with serving as planned', () => {
  const start = view([], 0)
  expect(start.outcome).toBe('cooking')
  expect(stageAt([], 0)).toEqual(['measure'])
  expect(start.tableMs).toBeCloseTo(at(cook.plan.total_minutes.expected), -4)
  expect(start.next?.id).toBe('rinse')
})

test('a stage that ends on a sign waits for it, and serving moves with it', () => {
  const late = view(byHand, 45)
  expect(late.now[0]).toMatchObject({ id: 'heat-up', endMs: at(45) })
  expect(late.tableMs - view(byHand, 40).tableMs).toBe(5 * MINUTE)
})

test('the boil re-times everything after it', () => {
  const rest = minutesOf('simmer') + minutesOf('rest') + minutesOf('fluff')
  expect(view(boiled, 16).tableMs).toBeCloseTo(at(15 + rest), -1)
  const late = [...byHand, event('cue', 'heat-up', 21)]
  expect(view(late, 22).tableMs - view(boiled, 22).tableMs).toBe(6 * MINUTE)
})

test('a clock runs out by itself and the next stage begins there', () => {
  const simmer = minutesOf('simmer')
  expect(stageAt(boiled, 15 + simmer - 0.1)).toEqual(['simmer'])
  expect(stageAt(boiled, 15 + simmer + 0.1)).toEqual(['rest'])
  expect(view(boiled, 15 + simmer + 3).now[0]!.startMs).toBeCloseTo(at(15 + simmer), -1)
})

test('a minute more moves the end by a minute, until it is taken back', () => {
  const more = event('minute-more', 'simmer', 18)
  const plain = view(boiled, 19).tableMs
  expect(view([...boiled, more], 19).tableMs - plain).toBe(MINUTE)
  const back = event('take-back', 'simmer', 19, { target: more.id })
  expect(view([...boiled, more, back], 20).tableMs).toBe(plain)
  expect(view([...boiled, more, back], 20).last?.kind).toBe('cue')
})

test('a minute less brings the end nearer by a minute, and never before it was said', () => {
  const less = event('minute-less', 'simmer', 18)
  const plain = view(boiled, 19)
  expect(plain.tableMs - view([...boiled, less], 19).tableMs).toBe(MINUTE)
  const end = (plain.stages.find((s) => s.id === 'simmer')!.endMs - at(0)) / MINUTE
  // Of twenty seconds only twenty seconds can go.
  const late = view([...boiled, event('minute-less', 'simmer', end - 1 / 3)], end + 1)
  expect(late.stages.find((s) => s.id === 'simmer')!.endMs).toBeCloseTo(at(end - 1 / 3), -1)
  expect(late.now[0]!.id).toBe('rest')
})

test('a minute more asked for as the clock runs out still counts; long after it does not', () => {
  const end = 15 + minutesOf('simmer')
  expect(view([...boiled, event('minute-more', 'simmer', end + 0.5)], end + 0.6).now[0]!.id).toBe('simmer')
  expect(view([...boiled, event('minute-more', 'simmer', end + 3)], end + 3.1).now[0]!.id).toBe('rest')
})

test('a taken back cue opens its stage again', () => {
  const back = event('take-back', 'heat-up', 15.1, { target: boiled[BOIL]!.id })
  expect(stageAt([...boiled, back], 16)).toEqual(['heat-up'])
  const again = event('cue', 'heat-up', 17)
  expect(stageAt([...boiled, back, again], 18)).toEqual(['simmer'])
})

test('going on early ends a clock; a cue for a stage that is not there changes nothing', () => {
  expect(stageAt([...boiled, event('go-on', 'simmer', 20)], 21)).toEqual(['rest'])
  expect(stageAt([event('cue', 'heat-up', 1)], 2)).toEqual(['measure'])
  expect(stageAt([...boiled, event('cue', 'nowhere', 16)], 17)).toEqual(['simmer'])
})

test('to the end: ready, then finished, and the clock stops', () => {
  const end = 15 + minutesOf('simmer') + minutesOf('rest')
  const loose = [...boiled, event('cue', 'fluff', end + 2)]
  expect(view(loose, end + 3).outcome).toBe('ready')
  const done = [...loose, event('finish', 'fluff', end + 4)]
  expect(view(done, end + 400)).toMatchObject({ outcome: 'finished', now: [], endedMs: at(end + 4) })
  expect(view([...boiled, event('stop', 'simmer', 17)], 90).outcome).toBe('stopped')
})

test('the order of arrival does not matter, and a repeated event counts once', () => {
  const more = [
    ...boiled,
    event('minute-more', 'simmer', 17),
    event('lid-lifted', 'simmer', 18, { seconds: 20 }),
  ]
  const straight = view(more, 22)
  fc.assert(
    fc.property(fc.shuffledSubarray(more, { minLength: more.length }), (shuffled) => {
      expect(replay(cook, shuffled, at(22))).toEqual(straight)
    }),
  )
  expect(identityOf({ kind: 'cue', stage: 'heat-up' }, boiled)).toBe('cue heat-up 0')
  const back = [...boiled, event('take-back', 'heat-up', 16, { target: boiled[BOIL]!.id })]
  expect(identityOf({ kind: 'cue', stage: 'heat-up' }, back)).toBe('cue heat-up 1')
  expect(identityOf({ kind: 'minute-more', stage: 'simmer' }, back)).toBeUndefined()
  expect(activeEvents(back)).toHaveLength(4)
})

test('any list of events gives a view: stages in order, none ending before it starts', () => {
  const kinds = ['cue', 'go-on', 'minute-more', 'lid-lifted', 'take-back', 'finish', 'stop'] as const
  const stages = [...cook.plan.stages.map((s) => s.id), 'nowhere']
  const any = fc.array(
    fc.record({
      id: fc.constantFrom('a', 'b', 'c', 'd'),
      kind: fc.constantFrom(...kinds),
      stage: fc.constantFrom(...stages),
      atMs: fc.integer({ min: at(-5), max: at(120) }),
      target: fc.constantFrom('a', 'b', 'z'),
    }),
  )
  fc.assert(
    fc.property(any, fc.integer({ min: 0, max: 120 }), (events, minutes) => {
      const seen = view(events, minutes)
      for (const [i, stage] of seen.stages.entries()) {
        expect(stage.endMs).toBeGreaterThanOrEqual(stage.startMs)
        if (i > 0) expect(stage.startMs).toBeGreaterThanOrEqual(seen.stages[i - 1]!.endMs - 1e-6)
      }
    }),
  )
})

describe('a lifted lid', () => {
  const pot = { powerW: 200, lossWK: 1.2, openArea: 0.0284, boilC: 100, kitchenC: 20 }
  test('costs the vapour of its surface and the loss of an open pot, and the time to make up for it', () => {
    const lift = lidLift(pot, 60)
    expect(lift.steamG).toBeCloseTo(67 * 0.0284, 2) // 67 g/(m² min) at the boil
    expect(lift.joules).toBeCloseTo(67 * 0.0284 * 2257 + 1.2 * 0.6 * 80 * 60, -1)
    expect(lift.minutes).toBeCloseTo(lift.joules / (200 - 96) / 60, 6)
  })
  test('with the heat off nothing brings the boil back, and a weak flame is not waited for longer than 3 minutes', () => {
    expect(lidLift({ ...pot, powerW: 0 }, 30).minutes).toBe(0)
    expect(lidLift({ ...pot, powerW: 96 }, 30).minutes).toBe(3)
  })
  test('lengthens the simmer it falls in', () => {
    const lifted = view([...boiled, event('lid-lifted', 'simmer', 17, { seconds: 60 })], 19)
    expect(lifted.tableMs).toBeGreaterThan(view(boiled, 19).tableMs)
    expect(lifted.lidLifts).toBe(1)
    expect(lifted.slips.map((s) => s.stage)).toContain('simmer')
  })
})

describe('a night with a clock change', () => {
  // In Berlin the clock went from 02:00 to 03:00 on 29 March 2026: the night had 23 hours.
  const start = Date.UTC(2026, 2, 28, 20, 0)
  test('an overnight soak is as long as it is, whatever the wall says', () => {
    const night = cookOf({ grains: [{ variety: 'brown-short' }], soak: { minutes: 600, celsius: 5 } })
    const soak = night.plan.stages.find((s) => s.id === 'soak')!
    const pressed = (stage: string, minutes: number): CookEvent => ({
      ...event('cue', stage, 0),
      atMs: start + minutes * MINUTE,
    })
    const view = replay(
      { ...night, startedMs: start },
      [pressed('measure', 1), pressed('rinse', 5)],
      start + 30 * MINUTE,
    )
    const seen = view.stages.find((s) => s.id === 'soak')!
    expect(seen.endMs - seen.startMs).toBe(soak.minutes.expected * MINUTE)
    const wall = (ms: number) =>
      new Intl.DateTimeFormat('en-GB', {
        timeZone: 'Europe/Berlin',
        hour: '2-digit',
        minute: '2-digit',
      }).format(ms)
    expect(wall(seen.startMs)).toBe('21:05')
    // Ten hours later by every clock but the wall's.
    expect(wall(seen.endMs)).toBe('08:05')
    expect(
      replay({ ...night, startedMs: start }, [pressed('measure', 1), pressed('rinse', 5)], seen.endMs - 1000)
        .now[0]!.id,
    ).toBe('soak')
    expect(
      replay({ ...night, startedMs: start }, [pressed('measure', 1), pressed('rinse', 5)], seen.endMs + 1000)
        .now[0]!.id,
    ).toBe('drain')
  })
})
