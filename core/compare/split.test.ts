import type { PlanRequestJson } from '#core/contract/plan-request'
import type { VesselPresetId } from '#core/vessel/presets'
import { vesselPreset } from '#core/vessel/presets'
import { splitBatch, type SplitPot } from './split'

const pot = (id: VesselPresetId, place: string): SplitPot => ({
  id,
  name: id,
  place,
  capacityMl: vesselPreset(id).capacity,
  request: (grams): PlanRequestJson => ({
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'dry-mass', value: grams },
    vessel: id,
    heat: 'gas-medium',
    ...(id === 'cooker-5' ? { method: 'switch-cooker' as const, heat: 'cooker-5' as const } : {}),
  }),
})
const pots = [
  pot('heavy-3.5', 'big'),
  pot('steel-1.6', 'small'),
  pot('clay-1.8', 'small'),
  pot('cooker-5', 'own'),
]

test('fourteen as a main do not fit one pot, but two, each with its own water and time', () => {
  const options = splitBatch(1400, pots)
  expect(options.length).toBeGreaterThan(1)
  for (const { shares, rounds } of options) {
    expect(shares.reduce((sum, s) => sum + s.grams, 0) * rounds).toBeCloseTo(1400, -1)
    for (const s of shares) expect(s.plan.cautions.filter((c) => c.severity === 'stop')).toEqual([])
    // Two pots that want one burner never cook at once.
    expect(new Set(shares.map((s) => s.pot.place)).size).toBe(shares.length)
  }
  expect(options.some((o) => o.shares.length === 1 && o.rounds === 1)).toBe(false)
  const two = options.find((o) => o.shares.length === 2)!
  // Each pot's water is its own plan's: together not what one pot would want by the gram.
  expect(new Set(two.shares.map((s) => s.plan.water.ratio_by_mass)).size).toBe(2)
})

test('what fits one pot is soonest in one', () => {
  const [first] = splitBatch(300, pots)
  expect([first!.shares.length, first!.rounds]).toEqual([1, 1])
})

test('the list is in its own order: clock, hands, depth', () => {
  const options = splitBatch(900, pots)
  for (let i = 1; i < options.length; i++)
    expect(options[i]!.minutes).toBeGreaterThanOrEqual(options[i - 1]!.minutes)
})

test('two rounds take longer than one of half as much, and twice the hands', () => {
  const round = splitBatch(1200, [pots[0]!]).find((o) => o.rounds === 2)!
  const half = splitBatch(600, [pots[0]!]).find((o) => o.rounds === 1)!
  expect(round.minutes).toBeGreaterThan(half.minutes + 15)
  expect(round.handsOn).toBeCloseTo(2 * half.handsOn, 6)
})

test('with nothing that fits there is nothing to choose from', () => {
  expect(splitBatch(6000, [pots[1]!])).toEqual([])
})
