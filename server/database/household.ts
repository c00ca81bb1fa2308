import type { Settings } from '#core/contract/kitchen'
import type { Db } from './open'

/** The one household of a data folder. */
export function householdIn(db: Db) {
  const read = db.prepare('SELECT name, units, cup, elevation_m, kitchen_c, crease_mm, clock, zone FROM household WHERE id = 1')
  const write = db.prepare(`
    INSERT INTO household (id, name, units, cup, elevation_m, kitchen_c, crease_mm, clock, zone)
    VALUES (1, @name, @units, @cup, @elevation_m, @kitchen_c, @crease_mm, @clock, @zone)
    ON CONFLICT (id) DO UPDATE SET name = @name, units = @units, cup = @cup, elevation_m = @elevation_m,
      kitchen_c = @kitchen_c, crease_mm = @crease_mm, clock = @clock, zone = @zone`)
  return {
    settings: () => read.get() as Settings | undefined,
    save: (settings: Settings) => void write.run(settings),
  }
}
