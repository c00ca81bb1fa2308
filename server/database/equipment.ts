import type { VesselKind } from '#core/vessel/vessel'
import type { LidFit } from '#core/heat/lid'
import type { Db } from './open'

/** A vessel of the household; units stand in the names. */
export interface VesselRow {
  id: string
  name: string
  kind: VesselKind
  capacity_ml: number
  base_diameter_mm: number
  rim_diameter_mm: number
  height_mm: number
  heat_capacity_j_k: number
  lid: LidFit
  own_rated_w: number | null
  own_efficiency: number | null
}

export interface HeatRow {
  id: string
  name: string
  rated_w: number
  efficiency: number
}

/** Vessels and heats of the household, in the order it keeps them. */
export function equipmentIn(db: Db) {
  const vesselColumns = `id, name, kind, capacity_ml, base_diameter_mm, rim_diameter_mm, height_mm, heat_capacity_j_k, lid,
    own_rated_w, own_efficiency`
  const vessels = db.prepare(`SELECT ${vesselColumns} FROM vessel ORDER BY position, id`)
  const heats = db.prepare('SELECT id, name, rated_w, efficiency FROM heat ORDER BY position, id')
  const addVessel = db.prepare(`
    INSERT INTO vessel (position, ${vesselColumns})
    VALUES ((SELECT count(*) FROM vessel), @id, @name, @kind, @capacity_ml, @base_diameter_mm, @rim_diameter_mm, @height_mm,
      @heat_capacity_j_k, @lid, @own_rated_w, @own_efficiency)`)
  const addHeat = db.prepare(`
    INSERT INTO heat (position, id, name, rated_w, efficiency)
    VALUES ((SELECT count(*) FROM heat), @id, @name, @rated_w, @efficiency)`)
  return {
    vessels: () => vessels.all() as VesselRow[],
    heats: () => heats.all() as HeatRow[],
    add: db.transaction((rows: { vessels: readonly VesselRow[]; heats: readonly HeatRow[] }) => {
      for (const row of rows.vessels) addVessel.run(row)
      for (const row of rows.heats) addHeat.run(row)
    }),
  }
}
