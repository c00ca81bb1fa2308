import type { Db } from './open'
import type { TableRow } from './rows'
import { inOneWrite } from './write'

/** A vessel of the household; units are in the names. */
export type VesselRow = TableRow<'vessel'>

/** An appliance's programme, in the cook's words. */
export type ProgrammeRow = TableRow<'programme'>

export type HeatRow = TableRow<'heat'>

export type MeasureRow = TableRow<'measure'>

const json = (value: unknown) => (value === null ? null : JSON.stringify(value))
const COLUMNS = `id, name, kind, capacity_ml, base_diameter_mm, rim_diameter_mm, height_mm, heat_capacity_j_k, lid, own_rated_w,
  own_efficiency, material, empty_g, lining, steam_factor, marks, printed, measured, sticks_g`
const VALUES = COLUMNS.replace(/\w+/g, '@$&')
const UPDATES = COLUMNS.split(/,\s*/)
  .filter((c) => c !== 'id')
  .map((c) => `${c} = @${c}`)
  .join(', ')

/** Pots, burners and measures of the household, in its order. */
export function equipmentIn(db: Db) {
  const vessels = db.prepare(`SELECT ${COLUMNS} FROM vessel ORDER BY position, id`)
  const saveVessel = db.prepare(`
    INSERT INTO vessel (position, ${COLUMNS}) VALUES ((SELECT coalesce(max(position), 0) + 1 FROM vessel), ${VALUES})
    ON CONFLICT (id) DO UPDATE SET ${UPDATES}`)
  const dropVessel = db.prepare('DELETE FROM vessel WHERE id = ?')
  const heats = db.prepare(
    'SELECT id, name, rated_w, efficiency, knob, power_factor, measured FROM heat ORDER BY position, id',
  )
  const saveHeat = db.prepare(`
    INSERT INTO heat (position, id, name, rated_w, efficiency, knob, power_factor, measured)
    VALUES ((SELECT coalesce(max(position), 0) + 1 FROM heat), @id, @name, @rated_w, @efficiency, @knob, @power_factor, @measured)
    ON CONFLICT (id) DO UPDATE SET name = @name, rated_w = @rated_w, efficiency = @efficiency, knob = @knob,
      power_factor = @power_factor, measured = @measured`)
  const dropHeat = db.prepare('DELETE FROM heat WHERE id = ?')
  const measures = db.prepare('SELECT id, name, ml, parts, how FROM measure ORDER BY position, id')
  const saveMeasure = db.prepare(`
    INSERT INTO measure (position, id, name, ml, parts, how)
    VALUES ((SELECT coalesce(max(position), 0) + 1 FROM measure), @id, @name, @ml, @parts, @how)
    ON CONFLICT (id) DO UPDATE SET name = @name, ml = @ml, parts = @parts, how = @how`)
  const dropMeasure = db.prepare('DELETE FROM measure WHERE id = ?')
  const programmes = db.prepare(
    'SELECT id, vessel_id, name, pressure, minutes, after_it, known FROM programme ORDER BY position, id',
  )
  const saveProgramme = db.prepare(`
    INSERT INTO programme (position, id, vessel_id, name, pressure, minutes, after_it, known)
    VALUES ((SELECT coalesce(max(position), 0) + 1 FROM programme), @id, @vessel_id, @name, @pressure, @minutes, @after_it, @known)
    ON CONFLICT (id) DO UPDATE SET name = @name, pressure = @pressure, minutes = @minutes, after_it = @after_it, known = @known`)
  const dropProgramme = db.prepare('DELETE FROM programme WHERE id = ?')
  type Stored<T, K extends keyof T> = Omit<T, K> & Record<K, string | null>
  const save = {
    vessel: (row: VesselRow) =>
      void saveVessel.run({ ...row, marks: json(row.marks), printed: json(row.printed) }),
    heat: (row: HeatRow) => void saveHeat.run({ ...row, knob: json(row.knob) }),
    programme: (row: ProgrammeRow) => void saveProgramme.run(row),
    measure: (row: MeasureRow) => void saveMeasure.run({ ...row, parts: json(row.parts) }),
  }
  return {
    vessels: () =>
      (vessels.all() as Stored<VesselRow, 'marks' | 'printed'>[]).map((row): VesselRow => ({
        ...row,
        marks: row.marks === null ? null : (JSON.parse(row.marks) as VesselRow['marks']),
        printed: row.printed === null ? null : (JSON.parse(row.printed) as VesselRow['printed']),
      })),
    programmes: () => programmes.all() as ProgrammeRow[],
    heats: () =>
      (heats.all() as Stored<HeatRow, 'knob'>[]).map((row): HeatRow => ({
        ...row,
        knob: JSON.parse(row.knob!) as HeatRow['knob'],
      })),
    measures: () =>
      (measures.all() as Stored<MeasureRow, 'parts'>[]).map((row): MeasureRow => ({
        ...row,
        parts: JSON.parse(row.parts!) as number[],
      })),
    save,
    drop: {
      vessel: (id: string) => dropVessel.run(id).changes > 0,
      heat: (id: string) => dropHeat.run(id).changes > 0,
      programme: (id: string) => dropProgramme.run(id).changes > 0,
      measure: (id: string) => dropMeasure.run(id).changes > 0,
    },
    add: (rows: {
      vessels: readonly VesselRow[]
      heats: readonly HeatRow[]
      measures: readonly MeasureRow[]
      programmes?: readonly ProgrammeRow[]
    }) =>
      inOneWrite(db, () => {
        rows.vessels.forEach(save.vessel)
        rows.heats.forEach(save.heat)
        rows.measures.forEach(save.measure)
        rows.programmes?.forEach(save.programme)
      }),
  }
}
