import { disagreementIn } from './disagreement'
import { NOTHING_APPLIED, type Evidence } from './evidence'

/** A batch that took up so much over what is published, g/g, and how it was rated. */
const batch = (
  extraUptake: number | null,
  wetDry: number | null,
  more: Partial<Evidence> = {},
): Evidence => ({
  cookId: 'c',
  endedMs: 0,
  grainKey: 'quinoa',
  bagId: null,
  vesselId: 'blue',
  heatId: 'gas',
  extraUptake,
  steamPerDry: 0.2,
  applied: NOTHING_APPLIED,
  judged: wetDry === null ? null : { wetDry, hardness: 0 },
  heated: null,
  boilFactor: null,
  steamFactor: null,
  ...more,
})
const PLAN = { grainKey: 'quinoa', vesselId: 'blue' }
const rated = (...ratings: [number, number][]) => ratings.map(([water, wetDry]) => batch(water, wetDry))
const found = (evidence: Evidence[]) => disagreementIn(evidence, PLAN)

test('the same water, too wet and too dry in turn: two who differ', () => {
  expect(found(rated([0, 1], [0, -1], [0, 1], [0, -1], [0, 0]))).toMatchObject({ batches: 5, dry: 2, wet: 2 })
})
test('more water rated wetter, less water drier: one eater', () => {
  // A step is 0.12 g/g.
  expect(found(rated([0.12, 1], [-0.12, -1], [0.12, 1], [-0.12, -1], [0, 0]))).toBeUndefined()
})
test.each<[string, Evidence[]]>([
  ['four ratings are too few', rated([0, 1], [0, -1], [0, 1], [0, -1])],
  ['once too dry may be the batch', rated([0, 1], [0, -1], [0, 1], [0, 0], [0, 0])],
  ['another pot', rated([0, 1], [0, -1], [0, 1], [0, -1], [0, 0]).map((e) => ({ ...e, vesselId: 'red' }))],
  ['another grain', rated([0, 1], [0, -1], [0, 1], [0, -1], [0, 0]).map((e) => ({ ...e, grainKey: 'oats' }))],
  [
    'not rated, and of unknown water',
    [...rated([0, 1], [0, -1], [0, 1], [0, -1]), batch(null, 0), batch(0, null)],
  ],
  ['the ends of the scale say only a bound', rated([0, 2], [0, -2], [0, 2], [0, -2], [0, 0], [0, 0])],
])('not said: %s', (_why, evidence) => expect(found(evidence)).toBeUndefined())
test('what lies eight ratings back no longer counts', () => {
  const apart = rated([0, 1], [0, -1], [0, 1], [0, -1])
  expect(
    found([...apart, ...rated(...Array.from({ length: 8 }, (): [number, number] => [0, 0]))]),
  ).toBeUndefined()
})
test('steam that was corrected for is part of the water', () => {
  // 0.2 g/g × ln 1.82 = 0.12 g/g: one step more water, rated one step wetter.
  const steamy = { applied: { ...NOTHING_APPLIED, steam: 0.6 } }
  const evidence = [1, -1, 1, -1, 0].map((w) => batch(w === 1 ? 0 : w * 0.12, w, w === 1 ? steamy : {}))
  expect(found(evidence)).toBeUndefined()
})
