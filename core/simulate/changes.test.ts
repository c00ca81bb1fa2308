import { parseSimulateRequest, simulateFrom, type SimulateRequestJson } from '#core/contract/simulate'
import type { VarietyId } from '#core/grain/varieties'
import { simulate } from './simulate'
import { whatIf } from './what-if'

const asked = (more: Partial<SimulateRequestJson> = {}): SimulateRequestJson => ({
  grains: [{ variety: 'long-white' }],
  amount: { basis: 'dry-mass', value: 300 },
  method: 'covered-simmer',
  ...more,
})
const run = (more: Partial<SimulateRequestJson> = {}) => {
  const read = simulateFrom(asked(more))
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const FIVE: readonly VarietyId[] = ['long-white', 'short-white', 'brown-short', 'quinoa', 'barley-hulled']

test('a stage changed to just what was planned changes nothing', () => {
  const read = parseSimulateRequest(asked())
  if (!read.ok) throw new Error('unread')
  const simmer = simulate({ request: read.value.request, script: null, happenings: [] }).plan.stages.find(
    (s) => s.id === 'simmer',
  )!
  const same = run({
    changes: [{ stage: 'simmer', power_w: simmer.power_w, minutes: simmer.minutes.expected, lid: 'on' }],
  })
  // The plan's minutes and watts are rounded for people.
  expect(same.final.evaporated_g).toBeCloseTo(run().final.evaporated_g, 0)
  expect(same.final.uptake_mean).toBeCloseTo(run().final.uptake_mean, 2)
})

test.each(FIVE)('%s: a heat never lowered boils the water away and scorches', (variety) => {
  const plain = run({ grains: [{ variety }] })
  const high = run({
    grains: [{ variety }],
    changes: [{ stage: 'simmer', heat: 'high', minutes: variety === 'barley-hulled' ? 60 : 30 }],
  })
  expect(high.verdict.scorched).toBe(true)
  expect(high.final.evaporated_g).toBeGreaterThan(plain.final.evaporated_g + 50)
  expect(high.final.free_water_g).toBe(0)
})

test.each(FIVE)('%s: a rest left out ends rawer, a lid left off loses more', (variety) => {
  const plain = run({ grains: [{ variety }] })
  expect(
    run({ grains: [{ variety }], changes: [{ stage: 'rest', minutes: 0 }] }).final.centre_gelatinised_min,
  ).toBeLessThan(plain.final.centre_gelatinised_min)
  expect(
    run({ grains: [{ variety }], changes: [{ stage: 'heat-up', lid: 'off' }] }).final.evaporated_g,
  ).toBeGreaterThan(plain.final.evaporated_g)
})

test('a change of a stage the plan does not have is left alone', () => {
  expect(
    run({
      changes: [
        { stage: 'toString', minutes: 3 },
        { stage: '__proto__', minutes: 3 },
      ],
    }).final,
  ).toEqual(run().final)
})

test('what if is asked of the cook as it is done, changes and all', () => {
  const read = parseSimulateRequest(
    asked({ changes: [{ stage: 'simmer', heat: 'high' }], events: [{ at_min: 8, kind: 'stir' }] }),
  )
  if (!read.ok) throw new Error('unread')
  const { seed: _s, runs: _r, ...base } = read.value
  const lifted = whatIf(base, 'lid-lifted')
  expect(lifted.changes).toEqual(base.changes)
  expect(lifted.happenings.map((h) => h.kind)).toEqual(['stir', 'lid-lift', 'lid-lift', 'lid-lift'])
})

test.each([
  [{ changes: [{ stage: 'simmer', power_w: -1 }] }, 'changes.0.power_w'],
  [{ changes: [{ stage: 'simmer', power_w: 100, heat: 'low' }] }, 'changes.0'],
  [{ changes: [{ stage: 5 }] }, 'changes.0.stage'],
  [{ changes: [{ stage: 'x'.repeat(61) }] }, 'changes.0.stage'],
  [{ changes: [{ stage: 'simmer', lid: 'shut' }] }, 'changes.0.lid'],
  [{ changes: [{ stage: 'simmer', minutes: 1e9 }] }, 'changes.0.minutes'],
  [{ changes: 'all' }, 'changes'],
])('refuses %j at its own field', (more, path) => {
  const read = simulateFrom({ ...asked(), ...more })
  expect(read.ok ? [] : read.errors.map((e) => e.path)).toContain(path)
})
