import type { Db } from './open'
import type { TableRow } from './rows'

/** A way to cook under a name. */
export type SavedWayRow = TableRow<'saved_way'>

export function savedWaysIn(db: Db) {
  const list = db.prepare(
    'SELECT id, name, search, steps, saved_ms FROM saved_way ORDER BY name COLLATE NOCASE, id',
  )
  const named = db.prepare('SELECT id FROM saved_way WHERE name = ? COLLATE NOCASE').pluck()
  const put = db.prepare(
    `INSERT INTO saved_way (id, name, search, steps, saved_ms) VALUES (@id, @name, @search, @steps, @saved_ms)
     ON CONFLICT (id) DO UPDATE SET name = excluded.name, search = excluded.search, steps = excluded.steps,
       saved_ms = excluded.saved_ms`,
  )
  const drop = db.prepare('DELETE FROM saved_way WHERE id = ?')
  return {
    all: () => list.all() as SavedWayRow[],
    /** The id of the way of this name, whatever its case. */
    idOf: (name: string) => named.get(name) as string | undefined,
    put: (row: SavedWayRow) => void put.run(row),
    drop: (id: string) => drop.run(id).changes > 0,
  }
}
