import { correctedMinutes, correctedPower, correctedSteam, correctionFrom, type Known } from './corrections'
import { figureName, idOf, isFigureName, priorSd } from './figures'

test('a learned logarithm is a factor on what was measured', () => {
  expect(correctedPower({ ratedW: 1800, powerFactor: 0.9 }, Math.log(1.1))).toBeCloseTo(1800 * 0.9 * 1.1, 9)
  expect(correctedSteam(1.2, Math.log(0.5))).toBeCloseTo(0.6, 9)
  expect(correctedMinutes(Math.log(1.15))).toBeCloseTo(1.15, 9)
})

test('nothing learned changes nothing', () => {
  expect([correctedPower({ ratedW: 1000 }), correctedSteam(1), correctedMinutes()]).toEqual([1000, 1, 1])
})

test('beyond what a kitchen can be it stops at the limit', () => {
  expect(correctedPower({ ratedW: 60 }, -3)).toBe(50)
  expect(correctedPower({ ratedW: 19_000 }, 3)).toBe(20_000)
  expect(correctedSteam(1, -9)).toBe(0.1)
  expect(correctedSteam(1, 9)).toBe(5)
  expect(correctedMinutes(-9)).toBe(0.3)
  expect(correctedMinutes(9)).toBe(3)
})

describe('what a plan takes from what is known', () => {
  const plan = { grainKey: 'quinoa', bagId: 'sack', vesselId: 'blue', heatId: 'gas' }
  const known = (mean: number, sd: number, cooks: number, lastMs: number): Known => ({
    mean,
    sd,
    cooks,
    lastMs,
    pinned: false,
  })

  test('grain and bag add up, each other figure is its own; sure as both together', () => {
    const found = correctionFrom(
      {
        [figureName('grain', 'quinoa')]: known(0.06, 0.03, 4, 70),
        [figureName('bag', 'sack')]: known(-0.02, 0.04, 2, 90),
        [figureName('steam', 'blue')]: known(0.1, 0.2, 3, 80),
        [figureName('power', 'gas')]: known(-0.1, 1.7, 3, 60),
        [figureName('grain', 'wild')]: known(9, 9, 9, 999),
      },
      plan,
    )!
    expect(found).toMatchObject({ steam: 0.1, power: -0.1, time: 0, cooks: 4, lastMs: 90 })
    expect(found.uptake).toBeCloseTo(0.04, 12)
    expect(found.uptakeSd).toBeCloseTo(0.05, 12)
    // As shares: of 1.7 g of water to a gram for the grain; no more than all of it for the others.
    expect(found.spreads).toEqual({ water: 0.0294, steam: 0.2, burner: 1 })
  })

  test('what was tasted together is known together: the sum is surer than its parts', () => {
    const grain = { ...known(0, 0.09, 3, 1), covaries: { 'bag sack': -0.0024, 'steam blue': -0.009 } }
    const bag = known(0, 0.04, 3, 1)
    const steam = known(0, 0.25, 3, 1)
    const { uptakeSd, spreads } = correctionFrom(
      { 'grain quinoa': grain, 'bag sack': bag, 'steam blue': steam },
      plan,
    )!
    expect(uptakeSd).toBeCloseTo(Math.sqrt(0.0081 + 0.0016 - 2 * 0.0024), 12)
    expect(spreads.water_with_steam).toBeCloseTo(-0.009 / (0.07 * 0.25), 3)
    const alone = correctionFrom({ 'grain quinoa': grain, 'steam blue': steam }, { ...plan, bagId: null })!
    expect(alone.spreads.water_with_steam).toBeCloseTo(-0.009 / (0.09 * 0.25), 3)
  })

  test('a grain never cooked keeps its published spread; a plan without known figures has no correction', () => {
    const found = correctionFrom(
      { [figureName('time', 'blue')]: known(0.1, 0.05, 1, 5) },
      { ...plan, bagId: null },
    )!
    expect(found.spreads).toEqual({ minutes: 0.05 })
    expect(found.uptakeSd).toBe(priorSd(figureName('grain', 'quinoa')))
    expect(correctionFrom({ [figureName('grain', 'wild')]: known(1, 1, 1, 1) }, plan)).toBeUndefined()
  })
})

test('a figure is a kind, a blank and a name; the name may have blanks', () => {
  expect(idOf(figureName('bag', 'the old sack'))).toBe('the old sack')
  expect(['grain quinoa', 'bag the old sack'].map(isFigureName)).toEqual([true, true])
  expect(['grain ', 'grain', ' quinoa', 'toString x', ''].map(isFigureName)).toEqual([
    false,
    false,
    false,
    false,
    false,
  ])
})
