import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'

/** Cautions that depend on what is done: with it the caution is there, without it not. */

const codesOf = (more: Partial<PlanRequestJson>): string[] => {
  const read = planFrom({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value.cautions.map((c) => c.code)
}
const of = (
  variety: PlanRequestJson['grains'][number]['variety'],
  value: number,
): Partial<PlanRequestJson> => ({
  grains: [{ variety }],
  amount: { basis: 'dry-mass', value },
})
const soaked = (minutes: number): Partial<PlanRequestJson> => ({
  soak: { minutes, celsius: 20, water: 'drain' },
})

test.each<[string, Partial<PlanRequestJson>, Partial<PlanRequestJson>]>([
  ['pressure-vessel', { method: 'pressure-electric' }, { method: 'covered-simmer' }],
  ['steam-under-lid', { method: 'covered-simmer' }, { method: 'pressure-electric' }],
  ['steamer-vent', { ...of('glutinous', 300), method: 'steam' }, { method: 'covered-simmer' }],
  ['washing-takes-vitamins', { rinse: { washes: 1 } }, { rinse: { washes: 0 } }],
  [
    'washing-takes-vitamins',
    { ...of('quinoa', 300), enriched: true, rinse: { washes: 1 } },
    of('quinoa', 300),
  ],
  ['hot-drain', { method: 'boil-and-drain' }, { method: 'covered-simmer' }],
  [
    'drained-arsenic',
    { method: 'boil-and-drain' },
    { ...of('barley-hulled', 300), method: 'boil-and-drain' },
  ],
  ['less-than-packages', { method: 'covered-simmer' }, { method: 'boil-and-drain' }],
  ['soak-fragile', soaked(230), soaked(60)],
  [
    'no-room-over-water',
    { ...of('long-white', 900), method: 'steam' },
    { ...of('long-white', 200), method: 'steam' },
  ],
  [
    'never-done',
    { ...of('wild', 100), method: 'boil-and-drain', elevation_m: 2500 },
    { ...of('wild', 100), method: 'boil-and-drain' },
  ],
  [
    'no-time-to-spare',
    { ...of('basmati', 100), method: 'covered-simmer', elevation_m: 2500 },
    { ...of('basmati', 300), method: 'covered-simmer' },
  ],
])('%s', (code, withIt, without) => {
  expect(codesOf(withIt)).toContain(code)
  expect(codesOf(without)).not.toContain(code)
})
