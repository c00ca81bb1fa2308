import fc from 'fast-check'
import { parsePlanRequest } from '#core/contract/plan-request'
import { LATENT_HEAT } from '#core/heat/evaporation'
import { loseWater, pourMore, stirBed } from '#core/pot/corrections'
import { FULL, grainWater, heatCapacityOf, type Pot } from '#core/pot/pot'
import type { Phase } from '#core/pot/run'
import { potForPlan } from '#core/plan/pot-for-plan'
import { prepare } from '#core/plan/prepare'
import { runWithInterventions, type Intervention } from './interventions'
import { phasesOf } from './script'

const read = parsePlanRequest({
  grains: [{ variety: 'long-white' }],
  amount: { basis: 'dry-mass', value: 300 },
})
if (!read.ok) throw new Error('unread')
const request = read.value
const prepared = prepare(request)
const pot = (pourG = 520): Pot => potForPlan(request, prepared, { pour_g: pourG }, FULL)
const phases = (powerW: number, ...minutes: number[]): Phase[] =>
  minutes.map((m, i) => ({ id: `p${i}`, powerW, lid: 'on', mode: 'open', until: { minutes: m } }))
const intervention = (
  kind: Intervention['kind'],
  atMin: number,
  more: Partial<Intervention> = {},
): Intervention => ({
  kind,
  atMin,
  seconds: 0,
  grams: 0,
  celsius: 100,
  ...more,
})
const allWater = (p: Pot) => p.freeG + grainWater(p) + p.evaporatedG + p.drainedG

describe('what happens on the way', () => {
  test('water is neither made nor lost but by what is said', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.record({
              kind: fc.constant('add-water' as const),
              atMin: fc.double({ min: 0, max: 20, noNaN: true }),
              grams: fc.integer({ min: 0, max: 200 }),
            }),
            fc.record({
              kind: fc.constant('lose-water' as const),
              atMin: fc.double({ min: 0, max: 20, noNaN: true }),
              grams: fc.integer({ min: 0, max: 200 }),
            }),
            fc.record({
              kind: fc.constant('stir' as const),
              atMin: fc.double({ min: 0, max: 20, noNaN: true }),
              grams: fc.constant(0),
            }),
            fc.record({
              kind: fc.constant('lid-lift' as const),
              atMin: fc.double({ min: 0, max: 20, noNaN: true }),
              grams: fc.constant(0),
            }),
          ),
          { maxLength: 6 },
        ),
        (acts) => {
          const p = pot()
          const before = allWater(p)
          const added = acts.reduce((sum, a) => sum + (a.kind === 'add-water' ? a.grams : 0), 0)
          runWithInterventions(
            p,
            phases(600, 8, 12),
            acts.map((a) => intervention(a.kind, a.atMin, { grams: a.grams, seconds: 20 })),
          )
          expect(allWater(p)).toBeCloseTo(before + added, 6)
          expect(p.freeG).toBeGreaterThanOrEqual(0)
        },
      ),
      { numRuns: 15 },
    )
  })
  test('everything happens once and in order, also at the very start and the very end', () => {
    const events = runWithInterventions(pot(), phases(400, 5, 5), [
      intervention('stir', 10),
      intervention('stir', 0),
      intervention('add-water', 5, { grams: 10 }),
      intervention('stir', 99),
    ])
    expect(events.map(({ kind }) => kind)).toEqual(['stir', 'p0', 'add-water', 'p1', 'stir'])
    events.slice(1).forEach(({ tMin }, i) => expect(tMin).toBeGreaterThanOrEqual(events[i]!.tMin))
  })
  test("a lid lifted takes of its stage's time, and lets off more steam than a lid left on", () => {
    const [left, lifted] = [pot(), pot()]
    runWithInterventions(left, phases(150, 12), [])
    runWithInterventions(lifted, phases(150, 12), [intervention('lid-lift', 10, { seconds: 60 })])
    expect(lifted.now).toBeCloseTo(left.now, 6)
    expect(lifted.evaporatedG).toBeGreaterThan(left.evaporatedG)
  })
  test('what never comes is said, and a clock always comes', () => {
    const events = runWithInterventions(
      pot(),
      [
        { id: 'boil', powerW: 20, lid: 'on', mode: 'open', until: { event: 'boil', atMostMinutes: 3 } },
        ...phases(0, 1),
      ],
      [],
    )
    expect(events.map(({ kind }) => kind)).toEqual(['never boil', 'p0'])
  })
})

describe('water that comes and goes', () => {
  test('boiling water warms a pot by its own heat, and no further', () => {
    const p = pot()
    const [heat, celsius] = [heatCapacityOf(p), p.bulkC]
    pourMore(p, 100, 100)
    expect(p.bulkC).toBeCloseTo((heat * celsius + 418 * 100) / (heat + 418), 6)
  })
  test('what runs over takes its heat along and leaves the pot as warm as it was', () => {
    const p = pot()
    runWithInterventions(p, phases(800, 4), [])
    const [celsius, heat] = [p.bulkC, heatCapacityOf(p)]
    loseWater(p, 80)
    expect(p.bulkC).toBe(celsius)
    expect(heat - heatCapacityOf(p)).toBeCloseTo(80 * 4.18, 6)
    loseWater(p, Infinity)
    expect(p.freeG).toBe(0)
  })
  test('stirred, every layer is alike, and the whole holds what it held', () => {
    // Drunk nearly dry, the bottom has drunk the most.
    const p = pot(420)
    runWithInterventions(p, phases(600, 16), [])
    const [water, means] = [grainWater(p), [...p.mean]]
    stirBed(p)
    expect(grainWater(p)).toBeCloseTo(water, 9)
    expect(Math.max(...p.mean) - Math.min(...p.mean)).toBeLessThan(1e-12)
    expect(Math.max(...means) - Math.min(...means)).toBeGreaterThan(1e-6)
  })
  test('boiling dry takes the water over the surplus: latent heat sets the minutes', () => {
    const p = pot(700)
    runWithInterventions(
      p,
      [{ id: 'boil', powerW: 1000, lid: 'on', mode: 'open', until: { event: 'boil', atMostMinutes: 60 } }],
      [],
    )
    const before = p.evaporatedG
    runWithInterventions(p, phases(1000, 2), [])
    const loss = p.setup.loss * (p.setup.boilC - p.setup.kitchenC)
    expect(
      (p.evaporatedG - before) / (((1000 - loss) * 120 * p.setup.steamFactor) / LATENT_HEAT),
    ).toBeCloseTo(1, 1)
  })
})

describe('a script as phases', () => {
  const step = (more: object) => ({
    powerW: 500,
    lid: 'on' as const,
    pressureKPa: null,
    until: { minutes: 5 },
    ...more,
  })
  test('one phase a step, by its number', () => {
    expect(phasesOf([step({}), step({ powerW: 0, until: { event: 'dry' } })], 101_325)).toMatchObject([
      { id: 'step-1', mode: 'open', until: { minutes: 5 } },
      { id: 'step-2', powerW: 0, until: { event: 'dry' } },
    ])
  })
  test('a step after a sealed one lets the pressure out first, and only then', () => {
    const made = phasesOf(
      [step({ pressureKPa: 75, until: { event: 'pressure' } }), step({ pressureKPa: 75 }), step({})],
      101_325,
    )
    expect(made.map(({ id, mode }) => `${id} ${mode}`)).toEqual([
      'step-1 sealing',
      'step-2 sealed',
      'step-3-vent venting',
      'step-3 open',
    ])
    // 75 kPa over the sea's air: 116 °C, by the steam tables.
    expect(made[0]!.sealedC).toBeGreaterThan(115)
    expect(made[0]!.sealedC).toBeLessThan(117)
  })
  test('gauge pressure adds to the air there is: lower up high', () => {
    const at = (pa: number) => phasesOf([step({ pressureKPa: 75 })], pa)[0]!.sealedC!
    expect(at(101_325) - at(75_000)).toBeGreaterThan(4)
  })
})
