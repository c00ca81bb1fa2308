import type { DeviceKind } from '#core/contract/equipment'
import type { Db } from './open'
import type { TableRow } from './rows'

export type DeviceRow = TableRow<'device'>

/** The devices of this kitchen that are switched on. */
export function devicesIn(db: Db) {
  const all = db.prepare(
    'SELECT kind, on_since_ms, trusted, drift_per_hour, lag_s, drop_out, lie FROM device ORDER BY kind',
  )
  const put = db.prepare(`
    INSERT INTO device (kind, on_since_ms, trusted, drift_per_hour, lag_s, drop_out, lie)
    VALUES (@kind, @on_since_ms, @trusted, @drift_per_hour, @lag_s, @drop_out, @lie)
    ON CONFLICT (kind) DO UPDATE SET trusted = @trusted, drift_per_hour = @drift_per_hour, lag_s = @lag_s, drop_out = @drop_out, lie = @lie`)
  const off = db.prepare('DELETE FROM device WHERE kind = ?')
  return {
    all: () => all.all() as DeviceRow[],
    put: (row: DeviceRow) => void put.run(row),
    off: (kind: DeviceKind) => void off.run(kind),
  }
}
