import fc from 'fast-check'
import { eveningOdds, ON_TIME_MIN } from './evening-odds'
import { search } from './search'
import type { Block, Dish } from './task'

/** Φ by a series (Abramowitz & Stegun 26.2.10), good to 1e-9 for |x| < 4. */
function phi(x: number): number {
  let [term, sum] = [x, x]
  for (let n = 1; n < 100; n++) {
    term *= (-x * x * (2 * n - 1)) / (2 * n) / (2 * n + 1)
    sum += term
  }
  return 0.5 + sum / Math.sqrt(2 * Math.PI)
}

const block = (
  dish: string,
  id: string,
  minutes: number,
  spread: number,
  more: Partial<Block> = {},
): Block => ({
  id: `${dish} ${id}`,
  dish,
  minutes,
  after: [],
  needs: [],
  tasks: [{ id, title: id, from: 0, minutes, hands: false, place: null, early: spread, late: spread }],
  ...more,
})
const dish = (id: string, blocks: Block[], holdMost = 30): Dish => ({ id, title: id, blocks, holdMost })
const kitchen = { burners: [{ id: 'a' }], oven: 0, appliances: [], cooks: 1 }
const oddsOf = (dishes: Dish[], runs = 20_000, locks = new Map<string, { start?: number }>()) =>
  eveningOdds({ dishes, placed: search({ dishes, kitchen, locks }).placed, runs })
// Four standard errors of 20,000 evenings.
const near = (got: number, wanted: number) =>
  expect(Math.abs(got - wanted)).toBeLessThan(4 * Math.sqrt(0.25 / 20_000))

describe('the chance that all is ready on time', () => {
  test.each([2, 4, 8, 12])('is Φ(5/σ) for one task of σ = %s min', (spread) => {
    near(oddsOf([dish('rice', [block('rice', 'simmer', 30, spread)])]).onTime, phi(ON_TIME_MIN / spread))
  })

  test('what is over early waits for its hour, and only lateness goes on; chances of dishes multiply', () => {
    const chain = (id: string) =>
      dish(id, [
        block(id, 'first', 20, 3),
        block(id, 'then', 20, 4, { after: [{ id: `${id} first`, mostWait: 0 }] }),
      ])
    // Early half the evenings: Φ(5/4); else the sum of what is late at first and of what follows.
    const density = (x: number) => Math.exp(-(x * x) / 18) / (3 * Math.sqrt(2 * Math.PI))
    const late = Array.from({ length: 1500 }, (_, n) => (n + 0.5) / 100).reduce(
      (sum, x) => sum + (density(x) * phi((5 - x) / 4)) / 100,
      0,
    )
    const one = oddsOf([chain('rice')]).onTime
    near(one, 0.5 * phi(5 / 4) + late)
    near(oddsOf([chain('rice'), chain('lentils')]).onTime, one ** 2)
  })

  test('is certain where clocks end everything', () => {
    expect(oddsOf([dish('rice', [block('rice', 'simmer', 30, 0)])])).toEqual({ onTime: 1, withinMin: 5 })
  })

  test('a dish that waits for the burner of another is late with it', () => {
    const onBurner = (id: string, spread: number) =>
      dish(
        id,
        [
          block(id, 'heat', 30, spread, {
            needs: [{ from: 0, minutes: 30, hands: false, place: 'burner' }],
          }),
        ],
        60,
      )
    // The first is held while the second cooks; the second begins late when the first ends late.
    const shared = oddsOf([onBurner('rice', 10), onBurner('lentils', 0)]).onTime
    near(shared, phi(5 / 10))
  })
})

describe('the margin', () => {
  test('is proposed for the dish that varies most, and raises the odds to Φ((5 + m)/σ)', () => {
    const sure = dish('greens', [block('greens', 'steam', 5, 0.5)])
    const loose = dish('rice', [block('rice', 'simmer', 30, 8)])
    const { onTime, margin } = oddsOf([sure, loose])
    near(onTime, phi(5 / 8))
    expect(margin).toMatchObject({ dish: 'rice' })
    near(margin!.onTime, phi((5 + margin!.readyBeforeMin) / 8))
    // Followed, the timetable has those odds.
    const then = oddsOf(
      [sure, loose],
      20_000,
      new Map([['rice simmer', { start: margin!.readyBeforeMin + 30 }]]),
    )
    near(then.onTime, margin!.onTime)
  })

  test('is never longer than the dish may be held, and none where it would bring nothing', () => {
    const short = oddsOf([dish('rice', [block('rice', 'simmer', 30, 8)], 6)])
    expect(short.margin!.readyBeforeMin).toBeLessThanOrEqual(6)
    expect(oddsOf([dish('rice', [block('rice', 'simmer', 30, 8)], 2)]).margin).toBeUndefined()
    expect(oddsOf([dish('rice', [block('rice', 'simmer', 30, 1)])]).margin).toBeUndefined()
  })

  test('never lowers the odds, and more spread never raises them', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 15 }), { minLength: 1, maxLength: 4 }), (spreads) => {
        const dishes = (more: number) =>
          spreads.map((s, n) => dish(`d${n}`, [block(`d${n}`, 'cook', 20 + 5 * n, s + more)]))
        const usual = oddsOf(dishes(0), 2000)
        expect(usual.margin?.onTime ?? 1).toBeGreaterThan(usual.onTime - 1e-9)
        expect(oddsOf(dishes(2), 2000).onTime).toBeLessThanOrEqual(usual.onTime + 1e-9)
      }),
      { numRuns: 25 },
    )
  })
})
