import type { Blend } from '#core/grain/blend'
import type { PotGrain, PotSetup } from '#core/pot/pot'
import { isJacketed, type Vessel } from '#core/vessel/vessel'

export interface Loading {
  blend: Blend
  dryG: number
  vessel: Vessel
  boilC: number
  kitchenC: number
  /** Pour plus what clings, g, and its temperature. */
  freeWaterG: number
  waterC: number
  /** Uptake by shell for each part of the blend, in its order; empty when nothing was soaked. */
  soaked: readonly Float64Array[]
  /** Members of the blend, by their place in it, that go in later. */
  later?: readonly number[]
}

/** The simulator's pot for a load of grain and water. */
export function potSetupOf({
  blend,
  dryG,
  vessel,
  boilC,
  kitchenC,
  freeWaterG,
  waterC,
  soaked,
  later = [],
}: Loading): PotSetup {
  const grains = blend.parts.map(({ variety, share }, i): PotGrain => {
    const shells = soaked[i]
    return {
      dryG: dryG * share,
      bulkDensity: variety.bulkDensity,
      kernelDensity: variety.kernelDensity,
      radiusMm: variety.radiusMm,
      skin: variety.skin,
      soakLimit: variety.soakLimit,
      most: variety.uptake.most,
      minutesAt100: variety.minutesAt100,
      ...(variety.precooked ? { precooked: variety.precooked } : {}),
      ...(shells ? { soaked: shells } : {}),
      ...(later.includes(i) ? { joinsLater: true } : {}),
    }
  })
  return {
    grains,
    heatCapacity: vessel.heatCapacity,
    loss: vessel.loss,
    steamFactor: vessel.steamFactor,
    openArea: (Math.PI / 4) * (vessel.rimDiameter / 1000) ** 2,
    lid: vessel.lid,
    ...(isJacketed(vessel.kind) ? { jacketed: true } : {}),
    boilC,
    kitchenC,
    freeWaterG,
    waterC,
  }
}
