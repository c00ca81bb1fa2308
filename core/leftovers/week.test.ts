import fc from 'fast-check'
import { guidanceOf } from './guidance'
import { containerState } from './container-state'
import { containersFor, planWeek, type WeekWish } from './week'

const HOUR = 3_600_000
const wish = (days: number[], portions = 2): WeekWish => ({ variety: 'barley-pearled', portions, days })
const COOKED = Date.UTC(2026, 10, 29, 17)

describe('a week cooked on one day', () => {
  test('by the UK figure of 24 hours only tomorrow is from the fridge; by the US one of three days, three are', () => {
    const from = (of: 'uk' | 'us', hours: number) =>
      planWeek([wish([0, 1, 2, 3, 4, 5, 6])], guidanceOf(of), hours)[0]!.meals.map((m) => m.from)
    expect(from('uk', 0)).toEqual(['pot', 'fridge', 'freezer', 'freezer', 'freezer', 'freezer', 'freezer'])
    expect(from('us', 0)).toEqual(['pot', 'fridge', 'fridge', 'fridge', 'freezer', 'freezer', 'freezer'])
    // Eaten an hour later in the day than it was cooked, tomorrow is a day and an hour away.
    expect(from('uk', 1)[1]).toBe('freezer')
    expect(from('us', 3)[0]).toBe('fridge')
  })

  test('counts portions by place, and no day twice', () => {
    const [batch] = planWeek([wish([3, 1, 1, 0])], guidanceOf('uk'), 0)
    expect(batch).toMatchObject({ portions: 6, fridgePortions: 2, freezerPortions: 2 })
    expect(batch!.meals.map((m) => m.day)).toEqual([0, 1, 3])
  })

  test('whatever the guidance, what it says is good when it is eaten, by the clock of the container itself', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('uk', 'us', 'stricter' as const),
        fc.integer({ min: 0, max: 6 }),
        fc.integer({ min: 0, max: 12 }),
        fc.option(fc.integer({ min: 6, max: 24 })),
        (authority, day, hours, own) => {
          const guidance = guidanceOf(authority as 'uk', own === null ? {} : { eat_h: own })
          const [{ meals }] = planWeek([wish([day])], guidance, hours) as [
            ReturnType<typeof planWeek>[number],
          ]
          const { from, thawHoursBefore } = meals[0]!
          if (from === 'pot') return
          const eatenMs = COOKED + (hours + 24 * day) * HOUR
          const stored = {
            cookedMs: COOKED,
            packedMs: COOKED + HOUR,
            place: from,
            portions: 2,
            grams: 400,
          } as const
          const thawed =
            thawHoursBefore === null
              ? []
              : [{ id: 't', kind: 'thawed' as const, atMs: eatenMs - thawHoursBefore * HOUR }]
          expect(containerState(stored, thawed, guidance, eatenMs).pastMs).toBe(0)
        },
      ),
    )
  })
})

describe('containers of the kitchen', () => {
  const tin = { id: 'tin', name: 'tin', ml: 500, depthMm: 45 }
  const tub = { id: 'tub', name: 'tub', ml: 2000, depthMm: 80 }
  const grain = { portionG: 180, densityGMl: 0.75 } // 240 mL a portion
  const meals = planWeek([wish([0, 1, 2, 3])], guidanceOf('uk'), 0)[0]!.meals

  test('each holds what is eaten at one time, the smallest that does; what has none is said', () => {
    const free = new Map([
      ['tin', 2],
      ['tub', 1],
    ])
    const got = containersFor(meals, grain, [tin, tub], free)
    expect(got.use.map(({ container, times }) => [container.id, times])).toEqual([
      ['tin', 2],
      ['tub', 1],
    ])
    expect(got.withoutPortions).toBe(0)
    expect(free.get('tin')).toBe(0)
    // The next grain of the same week finds none.
    expect(containersFor(meals, grain, [tin, tub], free).withoutPortions).toBe(6)
  })

  test('none is needed for what is eaten from the pot', () => {
    const now = planWeek([wish([0])], guidanceOf('uk'), 0)[0]!.meals
    expect(containersFor(now, grain, [], new Map())).toEqual({ use: [], withoutPortions: 0 })
  })
})
