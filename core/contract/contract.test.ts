import { planFrom } from './plan'
import { presetsListing, varietiesListing } from './listings'

const good = { grains: [{ variety: 'short-white', share: 1 }], amount: { basis: 'dry-mass', value: 300 } }
const errorsOf = (input: unknown) => {
  const read = planFrom(input)
  if (read.ok) throw new Error('was read')
  return read.errors
}

test.each([
  ['texture', { texture: 1.4 }, 'from 0 to 1, got 1.4'],
  ['texture', { texture: 'soft' }, 'got "soft"'],
  ['texture', { texture: NaN }, 'must be a number'],
  ['elevation_m', { elevation_m: 9000 }, '-430 to 6000 m, got 9000'],
  ['kitchen_c', { kitchen_c: null }, 'got null'],
  ['method', { method: 'microwave' }, 'must be one of covered-simmer'],
  ['vessel', { vessel: 'bucket' }, 'got "bucket"'],
  [
    'vessel.base_diameter_mm',
    { vessel: { capacity_ml: 2000, base_diameter_mm: -4 } },
    'must be a number from 40 to 800 mm, got -4',
  ],
  ['heat.rated_w', { heat: { rated_w: 1e9, efficiency: 0.4 } }, 'from 50 to 20000 W, got 1000000000'],
  ['rinse.washes', { rinse: { washes: 2.5 } }, 'whole number'],
  ['rinse.drain', { rinse: { drain: 'shake' } }, 'none, tip, sieve'],
  ['soak.minutes', { soak: { minutes: -1 } }, 'got -1'],
  ['soak', { soak: 30 }, 'must be an object, got 30'],
  ['grains.0.variety', { grains: [{ variety: 'toString' }] }, 'got "toString"'],
  ['grains.1.share', { grains: [{ variety: 'quinoa' }, { variety: 'millet', share: 0 }] }, 'got 0'],
  ['grains', { grains: [] }, 'at least one'],
  ['grains', { grains: 'rice' }, 'a list'],
  ['amount.value', { amount: { basis: 'dry-mass', value: 1e7 } }, 'from 5 to 20000 for dry-mass'],
  ['amount.basis', { amount: { basis: 'handfuls', value: 2 } }, 'got "handfuls"'],
  ['amount.value', { amount: { basis: 'servings' } }, 'required'],
  ['serve_at', { serve_at: 'seven' }, 'like 2026-03-05T19:00:00+01:00'],
  ['serve_at', { serve_at: '2026-13-45T19:00:00Z' }, 'date and time'],
  ['stir_at_boil', { stir_at_boil: 'yes' }, 'true or false'],
  ['pour_override_g', { pour_override_g: -20 }, 'got -20'],
])('%s: %j is a named error', (path, change, words) => {
  const errors = errorsOf({ ...good, ...change })
  expect(errors).toEqual([{ path, message: expect.stringContaining(words), code: expect.any(String) }])
  expect(errors[0]!.message.startsWith(path)).toBe(true)
})

test.each([[null], [[]], ['plan'], [42], [undefined]])('%j is not a request', (input) => {
  expect(errorsOf(input).length).toBeGreaterThan(0)
})

test('every wrong field is named, not the first only', () => {
  expect(
    errorsOf({ texture: 3, elevation_m: 'high' })
      .map((e) => e.path)
      .sort(),
  ).toEqual(['amount', 'elevation_m', 'grains', 'texture'])
})

test('unknown fields are left for later versions', () => {
  expect(planFrom({ ...good, garnish: 'dill' })).toMatchObject({ ok: true })
})

test('listings carry units in their names and name what plan takes', () => {
  const { varieties } = varietiesListing()
  expect(varieties.length).toBe(32)
  const { vessels, heats, methods } = presetsListing()
  for (const { id } of vessels) expect(planFrom({ ...good, vessel: id })).toMatchObject({ ok: true })
  for (const { id } of heats) expect(planFrom({ ...good, heat: id })).toMatchObject({ ok: true })
  for (const { id } of methods) expect(planFrom({ ...good, method: id })).toMatchObject({ ok: true })
  expect(vessels.find((v) => v.id === 'heavy-2.5')).toMatchObject({
    capacity_ml: 2500,
    heat_capacity_j_k: 800,
    lid: 'tight',
  })
})
