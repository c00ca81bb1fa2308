import type { Db } from './open'
import type { TableRow } from './rows'

export type PhotoRow = TableRow<'photo'>

const PHOTO = 'id, cook_id, vessel_id, cue, made_ms, bytes, width, height'

/** The rows of pictures; the files are next to the database. */
export function photosIn(db: Db) {
  const add = db.prepare(`INSERT INTO photo (${PHOTO}) VALUES (${PHOTO.replace(/\w+/g, '@$&')})`)
  const one = db.prepare(`SELECT ${PHOTO} FROM photo WHERE id = ?`)
  const ofCook = db.prepare(`SELECT ${PHOTO} FROM photo WHERE cook_id = ? ORDER BY made_ms`)
  const ofCue = db.prepare(
    `SELECT ${PHOTO} FROM photo WHERE vessel_id = ? AND cue = ? ORDER BY made_ms DESC LIMIT 1`,
  )
  const drop = db.prepare('DELETE FROM photo WHERE id = ?')
  return {
    add: (row: PhotoRow) => void add.run(row),
    find: (id: string) => one.get(id) as PhotoRow | undefined,
    ofCook: (cookId: string) => ofCook.all(cookId) as PhotoRow[],
    /** The latest picture of a sign in this pot. */
    ofCue: (vesselId: string, cue: string) => ofCue.get(vesselId, cue) as PhotoRow | undefined,
    drop: (id: string) => drop.run(id).changes > 0,
  }
}
