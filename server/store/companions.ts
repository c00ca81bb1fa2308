import type { Db } from './open'
import type { TableRow } from './rows'

/** A dish that often stands beside grain in this house. */
export type CompanionRow = TableRow<'companion'>

export function companionsIn(db: Db) {
  const list = db.prepare(
    'SELECT id, title, tasks, saved_ms FROM companion ORDER BY title COLLATE NOCASE, id',
  )
  const put = db.prepare(
    `INSERT INTO companion (id, title, tasks, saved_ms) VALUES (@id, @title, @tasks, @saved_ms)
     ON CONFLICT (title COLLATE NOCASE) DO UPDATE SET tasks = excluded.tasks, saved_ms = excluded.saved_ms`,
  )
  const drop = db.prepare('DELETE FROM companion WHERE id = ?')
  return {
    all: () => list.all() as CompanionRow[],
    /** Saves a dish; one of the same title is replaced, whatever its case. */
    put: (row: CompanionRow) => void put.run(row),
    drop: (id: string) => drop.run(id).changes > 0,
  }
}
