import type { Caution, CautionFix } from '#core/plan/result'
import { firstKitchen } from '../../tests/helpers/first-kitchen'
import { fixOf } from './apply-fix'
import { firstPlan, requestOf } from './plan-state'

const household = firstKitchen()
/** Own water, other minutes and a keep-warm, so that a fix has something to change. */
const state = {
  ...firstPlan(household),
  poured: 900,
  hold: 60,
  heatStyle: 'boil-then-off' as const,
  release: 'quick' as const,
}
const caution = (mend: CautionFix): Caution => ({
  code: 'any',
  severity: 'warn',
  about: 'texture',
  text: 'Something is wrong.',
  mend,
})

test.each<CautionFix>([
  { amount: { basis: 'dry-mass', value: 250 } },
  { method: 'boil-and-drain' },
  { heat_style: 'boil-then-lowest' },
  { lid_until_boil: 'ajar' },
  { soak: { minutes: 120, celsius: 18, water: 'drain' } },
  { blend_timing: 'add-later' },
  { stock_share: 0.5 },
  { pour_override_g: null },
  { release: 'natural' },
  { rest_minutes: 10 },
  { hold_minutes: 0 },
  { boiler_dish: { name: 'nettle soup', liquid_g: 900 } },
])('the plan after a fix asks for what the fix says: %j', (mend) => {
  const fix = fixOf(caution(mend), state, household, 0)!
  expect(fix.text).not.toBe('')
  expect(requestOf(fix.state, household, 0)).toMatchObject(mend)
})

test('a rinse, another grain and a shorter rest of a dressing are asked for as well', () => {
  const asked = (mend: CautionFix) =>
    requestOf(fixOf(caution(mend), state, household, 0)!.state, household, 0)
  expect(asked({ rinse: { washes: 3, drain: 'sieve' } }).rinse).toEqual({ washes: 3, drain: 'sieve' })
  expect(asked({ grains: [{ variety: 'quinoa', share: 1 }] }).grains).toMatchObject([{ variety: 'quinoa' }])
  expect(
    asked({ dressing: { style: 'usual', infuse_minutes: 0, set_minutes: 90, ml_per_240_ml_dry: null } })
      .dressing,
  ).toMatchObject({ set_minutes: 90 })
})

test('what this kitchen cannot do has no key; a weight is said in its own units', () => {
  expect(fixOf(caution({ method: 'pressure-electric' }), state, household, 0)).toBeUndefined()
  expect(fixOf({ ...caution({}), mend: undefined as never }, state, household, 0)).toBeUndefined()
  const us = { ...household, system: 'us' as const }
  expect(fixOf(caution({ amount: { basis: 'dry-mass', value: 300 } }), state, us, 0)!.text).toBe(
    'Cook 10.6 oz',
  )
})
