import type { Db } from './open'
import type { TableRow } from './rows'

export const DIFFERS = ['water', 'soak', 'rest', 'method'] as const
export interface Cup {
  letter: string
  /** What is in it, in words. */
  label: string
  /** The address of its plan. */
  search: string
  /** Water over what the plan would give the grain, g/g; for tasteTests of water. */
  delta: number
}
export type TasteTestRow = TableRow<'taste_test'>
export type TastingRow = TableRow<'tasting'>

const TASTE_TEST = 'id, made_ms, title, differs, grain_key, vessel_id, blind, cups'

export function tasteTestsIn(db: Db) {
  const list = db.prepare(`SELECT ${TASTE_TEST} FROM taste_test ORDER BY made_ms DESC LIMIT 60`)
  const one = db.prepare(`SELECT ${TASTE_TEST} FROM taste_test WHERE id = ?`)
  const add = db.prepare(
    `INSERT INTO taste_test (${TASTE_TEST}) VALUES (${TASTE_TEST.replace(/\w+/g, '@$&')})`,
  )
  const drop = db.prepare('DELETE FROM taste_test WHERE id = ?')
  const tastings = db.prepare(
    'SELECT id, taste_test_id, at_ms, who, ranking FROM tasting WHERE taste_test_id = ? ORDER BY at_ms, id',
  )
  const taste = db.prepare(
    'INSERT INTO tasting (id, taste_test_id, at_ms, who, ranking) VALUES (@id, @taste_test_id, @at_ms, @who, @ranking) ON CONFLICT (id) DO NOTHING',
  )
  const untaste = db.prepare('DELETE FROM tasting WHERE id = ? AND taste_test_id = ?')
  const of = (row: Omit<TasteTestRow, 'cups'> & { cups: string }): TasteTestRow => ({
    ...row,
    cups: JSON.parse(row.cups) as Cup[],
  })
  return {
    all: () => (list.all() as (Omit<TasteTestRow, 'cups'> & { cups: string })[]).map(of),
    find: (id: string) => {
      const row = one.get(id) as (Omit<TasteTestRow, 'cups'> & { cups: string }) | undefined
      return row && of(row)
    },
    add: (row: TasteTestRow) => void add.run({ ...row, cups: JSON.stringify(row.cups) }),
    drop: (id: string) => drop.run(id).changes > 0,
    tastings: (tasteTestId: string) =>
      (tastings.all(tasteTestId) as (Omit<TastingRow, 'ranking'> & { ranking: string })[]).map(
        (row): TastingRow => ({ ...row, ranking: JSON.parse(row.ranking) as string[] }),
      ),
    taste: (row: TastingRow) => void taste.run({ ...row, ranking: JSON.stringify(row.ranking) }),
    untaste: (id: string, tasteTestId: string) => untaste.run(id, tasteTestId).changes > 0,
  }
}
