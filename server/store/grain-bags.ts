import type { Db } from './open'
import type { TableRow } from './rows'

/** A bag of the household's own. */
export type BagRow = TableRow<'bag'>

/** A pour that was right, saved for a grain in a pot. */
export type PourMarkRow = TableRow<'pour_mark'>

const BAG =
  'id, variety, name, label, label_ratio, adopted_delta, bought_on, opened_on, new_crop, enriched, left_g'

/** Bags on the shelf, and marks in the pots. */
export function grainBagsIn(db: Db) {
  const bags = db.prepare(`SELECT ${BAG} FROM bag ORDER BY position, id`)
  const saveBag = db.prepare(`
    INSERT INTO bag (position, ${BAG}) VALUES ((SELECT coalesce(max(position), 0) + 1 FROM bag), ${BAG.replace(/\w+/g, '@$&')})
    ON CONFLICT (id) DO UPDATE SET ${BAG.split(', ')
      .slice(1)
      .map((c) => `${c} = @${c}`)
      .join(', ')}`)
  const dropBag = db.prepare('DELETE FROM bag WHERE id = ?')
  const take = db.prepare(
    'UPDATE bag SET left_g = max(0, left_g - @grams) WHERE id = @id AND left_g IS NOT NULL',
  )
  const marks = db.prepare(
    'SELECT id, made_ms, grain_key, vessel_id, name, dry_g, pour_g, depth_mm FROM pour_mark ORDER BY made_ms DESC',
  )
  const addMark = db.prepare(`
    INSERT INTO pour_mark (id, made_ms, grain_key, vessel_id, name, dry_g, pour_g, depth_mm)
    VALUES (@id, @made_ms, @grain_key, @vessel_id, @name, @dry_g, @pour_g, @depth_mm)`)
  const dropMark = db.prepare('DELETE FROM pour_mark WHERE id = ?')
  return {
    bags: () => bags.all() as BagRow[],
    saveBag: (bag: BagRow) => void saveBag.run(bag),
    dropBag: (id: string) => dropBag.run(id).changes > 0,
    /** Cooking takes grain off its bag, where it is known how much there was. */
    take: (id: string, grams: number) => void take.run({ id, grams }),
    marks: () => marks.all() as PourMarkRow[],
    addMark: (mark: PourMarkRow) => void addMark.run(mark),
    dropMark: (id: string) => dropMark.run(id).changes > 0,
  }
}
