import fc from 'fast-check'
import { parseSimulateRequest } from '#core/contract/simulate'
import { WHAT_IFS } from '#core/simulate/what-if'
import {
  askedOf,
  countOtherwise,
  MAX_ACTS,
  NOTHING_OTHERWISE,
  otherwiseIn,
  stageChanged,
  writeOtherwise,
  type Otherwise,
} from './simulation-state'

const plan = {
  grains: [{ variety: 'long-white' as const }],
  amount: { basis: 'dry-mass' as const, value: 300 },
}
const read = (of: string) => otherwiseIn(new URLSearchParams(of))
const tenths = (min: number, max: number) => fc.integer({ min: min * 10, max: max * 10 }).map((n) => n / 10)

const anything: fc.Arbitrary<Otherwise> = fc.record({
  poured: fc.option(fc.integer({ min: 0, max: 2000 })),
  changes: fc
    .dictionary(
      fc.constantFrom('heat-up', 'simmer', 'rest', 'boil'),
      fc.record(
        {
          powerW: fc.integer({ min: 0, max: 2000 }),
          minutes: tenths(0, 200),
          lid: fc.constantFrom('on' as const, 'ajar' as const, 'off' as const),
        },
        { requiredKeys: [] },
      ),
    )
    .map((changes) =>
      Object.fromEntries(Object.entries(changes).filter(([, change]) => Object.keys(change).length > 0)),
    ),
  acts: fc.array(
    fc.oneof(
      fc.record({
        kind: fc.constant('lid-lift' as const),
        atMin: tenths(0, 100),
        amount: fc.integer({ min: 1, max: 600 }),
      }),
      fc.record({
        kind: fc.constant('add-water' as const),
        atMin: tenths(0, 100),
        amount: fc.integer({ min: 1, max: 900 }),
      }),
      fc.record({ kind: fc.constant('stir' as const), atMin: tenths(0, 100), amount: fc.constant(0) }),
    ),
    { maxLength: MAX_ACTS },
  ),
  elevation: fc.option(fc.integer({ min: -400, max: 6000 })),
  kitchen: fc.option(fc.integer({ min: -10, max: 50 })),
  asked: fc.subarray([...WHAT_IFS], { maxLength: 2 }),
})

test('an address says everything that is done otherwise, and back', () => {
  fc.assert(
    fc.property(anything, (of) => expect(otherwiseIn(writeOtherwise(new URLSearchParams(), of))).toEqual(of)),
  )
})

test('whatever is done otherwise, the simulator can read it', () => {
  fc.assert(
    fc.property(anything, (of) =>
      expect(parseSimulateRequest(askedOf(plan, of))).toMatchObject({ ok: true }),
    ),
    { numRuns: 60 },
  )
})

test.each([
  'do=simmer~-5~~',
  'do=~100~~',
  'do=simmer~~~shut',
  'do=simmer~NaN~1e9~',
  'act=explode~3~4',
  'act=lid-lift~-1~4',
  'height=90000',
  'water=-2',
  'kitchen=hot',
  'if=whatever',
  'do=' + 'x'.repeat(200) + '~1~~',
])('what an address gets wrong is left as planned: %s', (address) =>
  expect(read(address)).toEqual(NOTHING_OTHERWISE),
)

test('an act without its amount has the usual one', () => {
  expect(read('act=lid-lift~3&act=add-water~4~0&act=stir~5').acts).toEqual([
    { kind: 'lid-lift', atMin: 3, amount: 30 },
    { kind: 'add-water', atMin: 4, amount: 50 },
    { kind: 'stir', atMin: 5, amount: 0 },
  ])
})

test('a stage changed twice keeps both changes, and is set back as one', () => {
  const once = stageChanged(NOTHING_OTHERWISE, 'simmer', { powerW: 300 })
  const twice = stageChanged(once, 'simmer', { lid: 'ajar' })
  expect(twice.changes).toEqual({ simmer: { powerW: 300, lid: 'ajar' } })
  expect(countOtherwise(twice)).toBe(1)
  expect(stageChanged(twice, 'simmer', null)).toEqual(NOTHING_OTHERWISE)
})
