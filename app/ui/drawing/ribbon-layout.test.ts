import { layRibbon, minuteAtPlace } from './ribbon-layout'

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

describe('slid under a now-line', () => {
  const stages = [
    { id: 'a', start: 0, end: 10, wait: false },
    { id: 'b', start: 10, end: 30, wait: false },
    { id: 'c', start: 30, end: 40, wait: false },
  ]
  test.each([0, 4, 10, 25, 39.9])(
    'at minute %f the line stands at a third and the table at the right edge',
    (minute) => {
      const { pieces, placeOf } = layRibbon(stages, 0, { minute, at: 1 / 3 })
      expect(placeOf(minute)).toBeCloseTo(1 / 3, 9)
      expect(placeOf(40)).toBeCloseTo(1, 9)
      expect(pieces.at(-1)!.x + pieces.at(-1)!.width).toBeCloseTo(1, 9)
      pieces.slice(1).forEach((piece, i) => expect(piece.x).toBeCloseTo(pieces[i]!.x + pieces[i]!.width, 9))
      expect(placeOf(0)).toBeGreaterThanOrEqual(-1e-9)
    },
  )
  test('what is over is drawn to the scale of what comes, until it fills the left', () => {
    const early = layRibbon(stages, 0, { minute: 4, at: 1 / 3 })
    expect((early.placeOf(4) - early.placeOf(0)) / 4).toBeCloseTo(
      (early.placeOf(40) - early.placeOf(4)) / 36,
      9,
    )
    expect(layRibbon(stages, 0, { minute: 30, at: 1 / 3 }).placeOf(0)).toBeCloseTo(0, 9)
  })
})

test('a place on the ribbon is found back as its minute, across folds too', () => {
  const { placeOf } = layRibbon([
    { id: 'soak', start: 0, end: 600, wait: true },
    { id: 'heat', start: 600, end: 612, wait: false },
    { id: 'rest', start: 612, end: 622, wait: true },
  ])
  for (const minute of [0, 3, 250, 599, 601, 611.5, 620])
    expect(minuteAtPlace(placeOf, placeOf(minute), 622)).toBeCloseTo(minute, 1)
})
