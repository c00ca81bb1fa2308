import { cookMinutes } from '#core/grain/blend'
import { FITTED_INTERVALS } from '#core/grain/fitted-intervals'
import { VARIETIES } from '#core/grain/varieties'
import { HEAT_PRESETS } from '#core/heat/sources'
import { methodOf, METHOD_IDS } from '#core/methods/index'
import { roundTo } from '#core/units/rounding'
import { VESSEL_PRESETS } from '#core/vessel/presets'
import { vesselOf } from '#core/vessel/vessel'

/**
 * The contract's `varieties`: the table, with units in the names. fitted_within: half width of the 90 %
 * interval of each fitted figure, as a share.
 */
export const varietiesListing = () => ({
  varieties: VARIETIES.map((row) => ({
    id: row.id,
    name: row.name,
    family: row.family,
    bulk_density_g_ml: row.bulkDensity,
    kernel_density_g_ml: row.kernelDensity,
    uptake_g_g: row.uptake,
    ...(row.steamedUptake ? { steamed_uptake_g_g: row.steamedUptake } : {}),
    cooked_density_g_ml: row.cookedDensity,
    minutes_at_100_c: roundTo(cookMinutes(row), 1),
    kernel_radius_mm: row.radiusMm,
    skin_conductance: row.skin,
    soak_limit_g_g: row.soakLimit,
    fitted_within: {
      minutes: FITTED_INTERVALS[row.id].minutesAt100,
      kernel_radius: FITTED_INTERVALS[row.id].radiusMm,
      skin_conductance: FITTED_INTERVALS[row.id].skin,
      soak_limit: FITTED_INTERVALS[row.id].soakLimit,
    },
    cling_g_g: row.cling,
    amylose_share: row.amylose,
    usual_washes: row.washes,
    kernel_length_mm: row.kernel.lengthMm,
    kernel_width_mm: row.kernel.widthMm,
    gluten: row.gluten,
  })),
})

/** The contract's `presets`: vessels, heats and the methods' own defaults. */
export const presetsListing = () => ({
  vessels: Object.entries(VESSEL_PRESETS).map(([id, { name, given }]) => {
    const vessel = vesselOf(given)
    return {
      id,
      name,
      kind: vessel.kind,
      capacity_ml: vessel.capacity,
      base_diameter_mm: vessel.baseDiameter,
      rim_diameter_mm: vessel.rimDiameter,
      height_mm: vessel.height,
      heat_capacity_j_k: vessel.heatCapacity,
      loss_w_k: roundTo(vessel.loss, 3),
      lid: vessel.lid,
    }
  }),
  heats: Object.entries(HEAT_PRESETS).map(([id, source]) => ({
    id,
    name: source.name,
    rated_w: source.ratedW,
    efficiency: source.efficiency,
  })),
  methods: METHOD_IDS.map((id) => {
    const { name, defaults } = methodOf(id)
    return { id, name, vessel: defaults.vessel, heat: defaults.heat, rest_minutes: defaults.restMinutes }
  }),
})
