import { vesselOf, type Vessel } from '#core/vessel/vessel'
import type { VesselRow } from '#server/store/equipment'

/** A vessel of the household as the planner sees it. */
export const vesselFromRow = (row: VesselRow): Vessel =>
  vesselOf({
    kind: row.kind,
    capacityMl: row.capacity_ml,
    baseDiameterMm: row.base_diameter_mm,
    rimDiameterMm: row.rim_diameter_mm,
    heightMm: row.height_mm,
    heatCapacityJK: row.heat_capacity_j_k,
    lid: row.lid,
    steamFactor: row.steam_factor,
    ...(row.marks ? { marks: row.marks.map((m) => ({ levelMm: m.level_mm, volumeMl: m.volume_ml })) } : {}),
  })
