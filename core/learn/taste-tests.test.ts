import fc from 'fast-check'
import { chanceOfLead, resultOf } from './taste-tests'

/** Every way the firsts can fall, one after another. */
function byCounting(most: number, tastings: number, cups: number): number {
  let led = 0
  const all = cups ** tastings
  for (let way = 0; way < all; way++) {
    const firsts = Array<number>(cups).fill(0)
    for (let t = 0, rest = way; t < tastings; t++, rest = Math.floor(rest / cups)) firsts[rest % cups]!++
    if (Math.max(...firsts) >= most) led++
  }
  return led / all
}

test('the odds are those of counting every way', () => {
  for (const cups of [2, 3, 4])
    for (const tastings of [1, 2, 3, 5, 6])
      for (let most = 0; most <= tastings; most++)
        expect(chanceOfLead(most, tastings, cups)).toBeCloseTo(byCounting(most, tastings, cups), 10)
})

test('two cups are a coin: 2·(1/2)^n for all of them', () => {
  expect(chanceOfLead(5, 5, 2)).toBeCloseTo(2 / 32, 12)
  expect(chanceOfLead(6, 6, 2)).toBeCloseTo(2 / 64, 12)
})

test('more firsts are less likely by chance, and it stays a chance', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 2, max: 4 }), (n, cups) => {
      let before = 1
      for (let most = 0; most <= n; most++) {
        const chance = chanceOfLead(most, n, cups)
        expect(chance).toBeLessThanOrEqual(before + 1e-12)
        expect(chance).toBeGreaterThanOrEqual(0)
        before = chance
      }
    }),
  )
  expect(() => chanceOfLead(4, 3, 2)).toThrow(RangeError)
})

describe('a tasteTest', () => {
  const all = (order: string, times: number) => Array.from({ length: times }, () => order.split(''))
  test('five of five for one of two cups is not yet believed; one more is', () => {
    const result = resultOf(all('AB', 5), ['A', 'B'])
    expect(result.leader).toBe('A')
    expect(result.chance).toBeCloseTo(0.0625, 6)
    expect(result.moreNeeded).toBe(1)
    expect(resultOf(all('AB', 6), ['A', 'B']).moreNeeded).toBe(0)
  })
  test('a draw has no leader, and no tasting yet says nothing', () => {
    expect(resultOf([...all('AB', 2), ...all('BA', 2)], ['A', 'B'])).toMatchObject({
      leader: null,
      moreNeeded: null,
      chance: 1,
    })
    expect(resultOf([], ['A', 'B'])).toMatchObject({ leader: null, chance: 1, moreNeeded: null })
  })
  test('mean ranks lie between first and last and add up', () => {
    const { firsts } = resultOf(
      [
        ['C', 'A', 'B'],
        ['A', 'C', 'B'],
        ['C', 'B', 'A'],
      ],
      ['A', 'B', 'C'],
    )
    expect(firsts[0]).toEqual({ letter: 'C', first: 2, meanRank: 4 / 3 })
    expect(firsts.reduce((sum, f) => sum + f.meanRank, 0)).toBeCloseTo(6, 9)
  })
})
