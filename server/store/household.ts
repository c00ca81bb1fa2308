import type { Settings } from '#core/contract/settings'
import type { Authority, FigureId } from '#core/leftovers/guidance'
import type { Db } from './open'

/** The one household of a data folder. */
export function householdIn(db: Db) {
  const read = db.prepare(
    'SELECT name, units, cup, system, elevation_m, kitchen_c, crease_mm, clock, zone, crystal FROM household WHERE id = 1',
  )
  const write = db.prepare(`
    INSERT INTO household (id, name, units, cup, system, elevation_m, kitchen_c, crease_mm, clock, zone, crystal)
    VALUES (1, @name, @units, @cup, @system, @elevation_m, @kitchen_c, @crease_mm, @clock, @zone, @crystal)
    ON CONFLICT (id) DO UPDATE SET name = @name, units = @units, cup = @cup, system = @system, elevation_m = @elevation_m,
      kitchen_c = @kitchen_c, crease_mm = @crease_mm, clock = @clock, zone = @zone, crystal = @crystal`)
  const parseGauge = db.prepare('SELECT gauge FROM household WHERE id = 1').pluck()
  const writeGauge = db.prepare('UPDATE household SET gauge = ? WHERE id = 1')
  const parseGuidance = db.prepare('SELECT guidance, own_figures FROM household WHERE id = 1')
  const writeGuidance = db.prepare('UPDATE household SET guidance = ?, own_figures = ? WHERE id = 1')
  const welcomed = db.prepare('SELECT welcomed FROM household WHERE id = 1').pluck()
  const setWelcomed = db.prepare('UPDATE household SET welcomed = ? WHERE id = 1')
  return {
    /** Whether its first things were asked. */
    welcomed: () => welcomed.get() !== 0,
    welcome: () => void setWelcomed.run(1),
    /** It is new: its first things are still to be asked. */
    isNew: () => void setWelcomed.run(0),
    /** Whose food-safety figures are followed, and which are set stricter. */
    guidance: (): { guidance: Authority; own: Partial<Record<FigureId, number>> } => {
      const row = parseGuidance.get() as { guidance: Authority; own_figures: string } | undefined
      return {
        guidance: row?.guidance ?? 'stricter',
        own: row ? (JSON.parse(row.own_figures) as Partial<Record<FigureId, number>>) : {},
      }
    },
    saveGuidance: (guidance: Authority, own: Partial<Record<FigureId, number>>) =>
      void writeGuidance.run(guidance, JSON.stringify(own)),
    /** The gauge the household uses. */
    gauge: () => (parseGauge.get() as string | undefined) ?? 'scale',
    saveGauge: (gauge: string) => void writeGauge.run(gauge),
    settings: () => read.get() as Settings | undefined,
    /** Who changes to cups reads the plan in cups, and who changes back in grams, until another gauge is pressed. */
    save: (settings: Settings) => {
      const before = read.get() as Settings | undefined
      write.run(settings)
      if (before && before.units !== settings.units)
        writeGauge.run(settings.units === 'cups' ? 'cup' : 'scale')
    },
  }
}
