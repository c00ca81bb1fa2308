import fc from 'fast-check'
import { forecast, outlookWords, type BagLeft, type Need } from './forecast'

const need = (title: string, atMs: number, grams: number, variety: Need['variety'] = 'long-white'): Need => ({
  title,
  atMs,
  variety,
  grams,
})
const bag = (leftG: number | null, variety: BagLeft['variety'] = 'long-white'): BagLeft => ({
  variety,
  leftG,
})

describe('what the shelf is enough for', () => {
  test('pots take in the order they are cooked, whatever the order they were planned in', () => {
    const {
      outlooks: [rice],
      buy,
    } = forecast([bag(700), bag(200)], [need('Sunday', 2, 400), need('the choir', 1, 650)])
    expect(outlookWords(rice!)).toBe('enough for the choir, not for Sunday too: 150 g short')
    expect(buy).toEqual([{ variety: 'long-white', grams: 200, for: ['Sunday'] }])
  })

  test('enough stock needs nothing, and unknown stock is said', () => {
    expect(
      outlookWords(
        forecast([bag(900)], [need('a', 1, 300), need('b', 2, 300), need('c', 3, 100)]).outlooks[0]!,
      ),
    ).toBe('enough for a, b and c, 200 g left over')
    expect(outlookWords(forecast([bag(null)], [need('a', 1, 300)]).outlooks[0]!)).toBe('stock not entered')
    expect(outlookWords(forecast([], [need('a', 1, 300)]).outlooks[0]!)).toBe('300 g short for a')
    expect(forecast([bag(5)], [])).toEqual({ outlooks: [], buy: [] })
  })

  test('what is bought is what is missing, to one step, and no gram is counted twice', () => {
    const grams = fc.integer({ min: 1, max: 2000 })
    const variety = fc.constantFrom('long-white' as const, 'quinoa' as const)
    fc.assert(
      fc.property(
        fc.array(fc.record({ leftG: grams, variety }), { maxLength: 5 }),
        fc.array(fc.record({ atMs: grams, grams, variety }), { maxLength: 8 }),
        (bags, needs) => {
          const { outlooks, buy } = forecast(
            bags,
            needs.map((n, i) => ({ ...n, title: String(i) })),
          )
          for (const o of outlooks) {
            const wanted = needs.filter((n) => n.variety === o.variety).reduce((sum, n) => sum + n.grams, 0)
            const missing = Math.max(0, wanted - o.leftG!)
            expect(o.uses.reduce((sum, u) => sum + u.shortG, 0)).toBe(missing)
            expect(o.afterG).toBe(Math.max(0, o.leftG! - wanted))
            const bought = buy.find((b) => b.variety === o.variety)?.grams ?? 0
            expect(bought).toBeGreaterThanOrEqual(missing)
            expect(bought - missing).toBeLessThan(100)
          }
        },
      ),
    )
  })
})
