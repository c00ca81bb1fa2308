import { celsius } from '#core/units/units'
import { LATENT_HEAT, openSurfaceEvaporation } from './evaporation'
import { leakOf, lossFactor } from './lid'

test('heat of vaporisation at 100 °C as in IAPWS-IF97', () =>
  expect(Math.abs(LATENT_HEAT - 2256.5)).toBeLessThan(1))

test('an open surface gives 67 g/(m² min) at the boil and a factor e less 18 K below', () => {
  expect(openSurfaceEvaporation(celsius(100)) * 60).toBeCloseTo(67, 9)
  expect(openSurfaceEvaporation(celsius(100)) / openSurfaceEvaporation(celsius(82))).toBeCloseTo(Math.E, 9)
})

test('lids: a tight one lets 4 % of the vapour out, foil half of that, a loose one a third of one set ajar', () => {
  expect(leakOf('tight', 'on')).toBeCloseTo(0.04, 9)
  expect(leakOf('foil', 'on')).toBeCloseTo(0.02, 9)
  expect(leakOf('loose', 'on')).toBeCloseTo(leakOf('loose', 'ajar') / 3, 9)
  expect([leakOf('tight', 'ajar'), leakOf('tight', 'off')]).toEqual([0.5, 1])
  for (const fit of ['tight', 'loose', 'foil'] as const) {
    expect(lossFactor(fit, 'off', true)).toBeGreaterThan(lossFactor(fit, 'ajar', true))
    expect(lossFactor(fit, 'on', false)).toBeLessThan(lossFactor(fit, 'on', true))
  }
})
