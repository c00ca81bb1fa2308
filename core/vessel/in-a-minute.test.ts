import { HEAT_PRESETS } from '#core/heat/sources'
import { celsius } from '#core/units/units'
import { powerFromBoil } from './calibration'
import { minutesToBoil, potAtAGlance, TAP } from './in-a-minute'

const KITCHEN = { from: TAP, boil: celsius(100), kitchen: celsius(20) }
const pot = potAtAGlance({ shape: 'straight', rimMm: 200, heightMm: 100, emptyG: 2000, material: 'steel' })

describe('a pot in a minute', () => {
  test('holds what a cylinder holds, and a frustum where it narrows', () => {
    expect(pot.capacity).toBeCloseTo((Math.PI / 4) * 20 * 20 * 10, 0)
    const bowl = potAtAGlance({ shape: 'bowl', rimMm: 200, heightMm: 100, emptyG: 2000, material: 'steel' })
    const [r, R] = [7.2, 10]
    expect(bowl.capacity).toBeCloseTo(((Math.PI * 10) / 3) * (R * R + R * r + r * r), -1)
    expect(pot.heatCapacity).toBeCloseTo(1000, 6)
  })

  test('boils when the energy is in: by the balance of energy without a loss, and by the calibration read backwards with it', () => {
    const source = HEAT_PRESETS.induction
    const minutes = minutesToBoil({ vessel: pot, source, waterG: 1000, ...KITCHEN })
    const bare = ((4.18 * 1000 + 1000) * 85) / (1800 * 0.85) / 60
    expect(minutes).toBeGreaterThan(bare)
    expect(minutes).toBeLessThan(bare * 1.1)
    // What a cook times is the power it was predicted from.
    const power = powerFromBoil({
      waterG: 1000,
      fromC: 15,
      boilC: 100,
      minutes,
      heatCapacityJK: pot.heatCapacity,
      lossWK: pot.loss,
      roomC: 20,
    })
    expect(power / (1800 * 0.85)).toBeCloseTo(1, 2)
  })

  test('takes longer with more water, on less heat, and never boils on a candle', () => {
    const at = (waterG: number, ratedW: number) =>
      minutesToBoil({ vessel: pot, source: { ratedW, efficiency: 0.4, kind: 'gas' }, waterG, ...KITCHEN })
    expect(at(2000, 2700)).toBeGreaterThan(at(1000, 2700))
    expect(at(1000, 1000)).toBeGreaterThan(at(1000, 2700))
    expect(at(1000, 100)).toBe(Infinity)
  })
})
