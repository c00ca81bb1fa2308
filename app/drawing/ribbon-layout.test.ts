import { layRibbon } from './ribbon-layout'

const stages = [
  { id: 'rinse', start: 0, end: 5, wait: false },
  { id: 'soak', start: 5, end: 485, wait: true },
  { id: 'boil', start: 485, end: 492, wait: false },
  { id: 'rest', start: 492, end: 492.5, wait: true },
]
const { pieces, placeOf } = layRibbon(stages)

test('the pieces lie end to end over the whole ribbon', () => {
  let x = 0
  for (const piece of pieces) {
    expect(piece.x).toBeCloseTo(x, 12)
    x += piece.width
  }
  expect(x).toBeCloseTo(1, 12)
})

test('a long wait is folded, and a very short stage can still be seen', () => {
  expect(pieces.map((p) => p.folded)).toEqual([false, true, false, false])
  expect(pieces[1]!.width / pieces[2]!.width).toBeCloseTo(24 / 7, 6)
  expect(pieces[3]!.width / pieces[2]!.width).toBeCloseTo(2 / 7, 6)
})

test('a minute has its place, also within a fold', () => {
  expect(placeOf(0)).toBe(0)
  expect(placeOf(5)).toBeCloseTo(pieces[1]!.x, 12)
  expect(placeOf(245)).toBeCloseTo(pieces[1]!.x + pieces[1]!.width / 2, 12)
  expect(placeOf(1e6)).toBe(1)
  let last = -1
  for (let minute = 0; minute < 493; minute += 0.5) {
    const place = placeOf(minute)
    expect(place).toBeGreaterThanOrEqual(last)
    last = place
  }
})
