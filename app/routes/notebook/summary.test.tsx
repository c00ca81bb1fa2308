import { htmlOf } from '../../../tests/helpers/render'
import { SeasonStrip } from './season-strip'
import { outcomeWords, type NotebookSummary } from './summary'

const DAY = 86_400_000
const cook = (
  id: string,
  day: number,
  wetDry: number,
  over: Partial<NotebookSummary> = {},
): NotebookSummary => ({
  id,
  title: 'Quinoa',
  vesselName: 'clay',
  endedMs: Date.UTC(2026, 0, 1) + day * DAY,
  end: 'finish',
  grainG: 200,
  grainMl: 300,
  pourG: 300,
  minutes: 40,
  planned: 38,
  note: '',
  rating: { wetDry, hardness: 0, bottom: 'clean' },
  ...over,
})

test('outcomes in words', () => {
  expect(outcomeWords(cook('a', 0, 0))).toBe('right')
  expect(outcomeWords(cook('a', 0, -2, { rating: { wetDry: -2, hardness: 1, bottom: 'scorched' } }))).toBe(
    'too dry, a little soft, scorched',
  )
  expect(outcomeWords(cook('a', 0, 0, { rating: null }))).toBe('not rated yet')
  expect(outcomeWords(cook('a', 0, 0, { end: 'stop' }))).toBe('stopped')
})

const rated = (list: NotebookSummary[]) => list.flatMap((c) => (c.rating ? [{ ...c, rating: c.rating }] : []))

describe('the season strip', () => {
  const cooks = [cook('a', 0, 0), cook('b', 10, 2), cook('c', 40, -1), cook('d', 20, 0, { rating: null })]
  const places = (html: string) =>
    Object.fromEntries(
      [...html.matchAll(/href="\/notebook\/(\w)".*?translate\(([\d.]+) ([\d.]+)\)/gs)].map((m) => [
        m[1]!,
        [Number(m[2]), Number(m[3])] as const,
      ]),
    )
  const placed = places(htmlOf(<SeasonStrip cooks={rated(cooks)} zone="UTC" />))

  test('one kernel for each judged cook', () => {
    expect(Object.keys(placed).sort()).toEqual(['a', 'b', 'c'])
  })
  test('across by date, in proportion', () => {
    const [a, b, c] = [placed.a![0], placed.b![0], placed.c![0]]
    expect((b - a) / (c - a)).toBeCloseTo(10 / 40, 2)
  })
  test('dry above, wet below', () => {
    expect(placed.c![1]).toBeLessThan(placed.a![1])
    expect(placed.b![1]).toBeGreaterThan(placed.a![1])
  })
  test('two cooks are no season yet', () => {
    expect(htmlOf(<SeasonStrip cooks={rated(cooks.slice(0, 2))} zone="UTC" />)).not.toContain('<svg')
  })
})
