import type { Blend } from '#core/grain/blend'
import type { Method } from '#core/method/method'
import { VESSEL_PRESETS, vesselPreset, type VesselPresetId } from '#core/vessel/presets'

/** Vessels of a kind from small to large, to choose from where none was named. */
const BY_SIZE: Partial<Record<string, readonly VesselPresetId[]>> = {
  pot: ['steel-1.6', 'heavy-2.5', 'heavy-3.5', 'stock-8'],
  cooker: ['cooker-3', 'cooker-5', 'cooker-10'],
  'pressure-electric': ['pressure-electric-5', 'pressure-electric-6', 'pressure-electric-8'],
}
/** Cooked grain may fill this much, and what foams at the boil all of it; a layer thinner than this dries before it is cooked, mm. */
const SWOLLEN_SHARE = 0.74
const FROTH = 1.4
const THINNEST_BED = 8.2
const PACKED = 1.15
/** Water that boils off, over what is drunk, as a guess, g/g. */
const BOILS_OFF = 0.4

/** The vessel where none was named: the method's own, or the next that is neither too small nor too wide for this batch.
 *  @param waterPerG water in the finished dish, g per g of dry grain */
export function defaultVessel({ method, blend, dryG, waterPerG }: { method: Method; blend: Blend; dryG: number; waterPerG: number }): VesselPresetId {
  const own = method.defaults.vessel
  const sizes = method.basket ? undefined : BY_SIZE[VESSEL_PRESETS[own].given.kind]
  if (!sizes) return own
  const place = sizes.indexOf(own)
  const water = method.water === 'excess' ? 3.5 : waterPerG + BOILS_OFF
  const fill = dryG / blend.kernelDensity + water * dryG
  const sealed = method.sealed === true
  const roomy = (id: VesselPresetId) => {
    const { capacity } = vesselPreset(id)
    const swollen = method.stirred ? fill : (dryG * (1 + waterPerG)) / (PACKED * blend.cookedDensity)
    return swollen <= SWOLLEN_SHARE * capacity && (sealed ? fill <= (blend.frothing ? 1 / 3 : 1 / 2) * capacity : fill * (method.stirred ? 1.15 : FROTH) <= capacity)
  }
  const deep = (id: VesselPresetId) => {
    const { baseDiameter } = vesselPreset(id)
    return method.water !== 'pot' || method.stirred || sealed || dryG / blend.bulkDensity / ((Math.PI / 4) * (baseDiameter / 10) ** 2) >= THINNEST_BED / 10
  }
  if (!roomy(own)) return sizes.slice(place).find(roomy) ?? sizes.at(-1)!
  if (!deep(own)) return sizes.slice(0, place).toReversed().find((id) => roomy(id) && deep(id)) ?? (roomy(sizes[0]!) ? sizes[0]! : own)
  return own
}
