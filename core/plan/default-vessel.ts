import type { Blend } from '#core/grain/blend'
import type { Method } from '#core/methods/definition'
import { FROTH } from '#core/water/clarity'
import { PACKED_IN_POT, pressureFill, SWOLLEN_SHARE, THINNEST_LAYER_MM } from '#core/vessel/fill-limits'
import { VESSEL_PRESETS, vesselPreset, type VesselPresetId } from '#core/vessel/presets'

/** Vessels of a kind from small to large, to choose from where none was named. */
const BY_SIZE: Partial<Record<string, readonly VesselPresetId[]>> = {
  pot: ['steel-1.6', 'heavy-2.5', 'heavy-3.5', 'stock-8'],
  cooker: ['cooker-3', 'cooker-5', 'cooker-10'],
  'pressure-electric': ['pressure-electric-5', 'pressure-electric-6', 'pressure-electric-8'],
}
/** The batch is only estimated here, so a default keeps this far inside every limit. */
const INSIDE = 0.98
/** Water that boils off, over what is drunk, as a guess, g/g. */
const BOILS_OFF = 0.4

/**
 * The vessel where none was named: the method's own, or the next that is neither too small nor too wide for
 * this batch.
 * @param waterPerG water in the finished dish, g per g of dry grain
 */
export function defaultVessel({
  method,
  blend,
  dryG,
  waterPerG,
}: {
  method: Method
  blend: Blend
  dryG: number
  waterPerG: number
}): VesselPresetId {
  const own = method.defaults.vessel
  const sizes = method.basket ? undefined : BY_SIZE[VESSEL_PRESETS[own].given.kind]
  if (!sizes) return own
  const place = sizes.indexOf(own)
  const water = method.water === 'excess' ? 3.5 : waterPerG + BOILS_OFF
  const fill = dryG / blend.kernelDensity + water * dryG
  const sealed = method.sealed === true
  const stirred = method.stirred === true
  const swollen = stirred ? fill : (dryG * (1 + waterPerG)) / (PACKED_IN_POT * blend.cookedDensity)
  const foam = fill * (stirred ? FROTH.clear : FROTH.unrinsed)
  const roomy = (id: VesselPresetId) => {
    const { kind, capacity } = vesselPreset(id)
    const limit = pressureFill(kind, blend.frothing || stirred)
    return (
      swollen <= INSIDE * SWOLLEN_SHARE * capacity &&
      (limit === undefined ? foam <= capacity : fill <= limit * capacity)
    )
  }
  const deep = (id: VesselPresetId) => {
    const { baseDiameter } = vesselPreset(id)
    const layerMm = (1000 * dryG) / blend.bulkDensity / ((Math.PI / 4) * baseDiameter ** 2)
    return method.water !== 'pot' || stirred || sealed || layerMm * INSIDE >= THINNEST_LAYER_MM
  }
  if (!roomy(own)) return sizes.slice(place).find(roomy) ?? sizes.at(-1)!
  if (!deep(own))
    return (
      sizes
        .slice(0, place)
        .toReversed()
        .find((id) => roomy(id) && deep(id)) ?? (roomy(sizes[0]!) ? sizes[0]! : own)
    )
  return own
}
