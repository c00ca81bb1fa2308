import { TABLE_IDS, tableSpec, type TableId } from '#core/contract/bundle'
import { HOUSEHOLD_LIMITS } from '#core/contract/equipment'
import type { Db } from '#server/store/open'
import { keyOf, lightRows } from './merge'

/** Things that can be added under another id, the columns that name them, and what belongs to them. */
const THINGS = {
  vessel: {
    column: 'vessel_id',
    children: ['programme', 'pour_mark'],
    figures: ['steam', 'time', 'power own'],
  },
  heat: { column: 'heat_id', children: [], figures: ['power'] },
  measure: { column: undefined, children: [], figures: [] },
  bag: { column: 'bag_id', children: [], figures: ['bag'] },
} as const satisfies Partial<
  Record<
    TableId,
    {
      column: string | undefined
      children: readonly TableId[]
      /** Starts of the names of figures that end with its id. */
      figures: readonly string[]
    }
  >
>

/**
 * Gives things of theirs that differ from ours under the same id an id and a name of their own, so that both
 * stay; whatever names them in their database names the new one.
 * @param fresh makes an id
 */
export function renameConflicts(db: Db, theirs: Db, tables: readonly TableId[], fresh: () => string): void {
  for (const table of tables) {
    if (!Object.hasOwn(THINGS, table)) continue
    const { column, children, figures } = THINGS[table as keyof typeof THINGS]
    const ours = new Map(lightRows(db, table).map((row) => [keyOf(table, row), row]))
    const conflicts = lightRows(theirs, table).filter((row) => {
      const here = ours.get(keyOf(table, row))
      return here && JSON.stringify(here) !== JSON.stringify(row)
    })
    const rename = theirs.prepare(`UPDATE ${table} SET id = ?, name = ? WHERE id = ?`)
    const renameFigure = theirs.prepare('UPDATE belief_override SET figure = ? WHERE figure = ?')
    const naming = TABLE_IDS.filter((name) => column !== undefined && column in tableSpec(name).row.entries)
    for (const row of conflicts) {
      const id = fresh()
      const name = `${String(row.name).slice(0, HOUSEHOLD_LIMITS.name - OTHER.length)}${OTHER}`
      rename.run(id, name, row.id)
      for (const figure of figures) renameFigure.run(`${figure} ${id}`, `${figure} ${String(row.id)}`)
      for (const other of naming) {
        // What belongs to it is another thing too.
        if ((children as readonly TableId[]).includes(other)) {
          const renameChild = theirs.prepare(`UPDATE ${other} SET id = ? WHERE id = ?`)
          const ids = theirs.prepare(`SELECT id FROM ${other} WHERE ${column!} = ?`).pluck().all(row.id)
          for (const child of ids) renameChild.run(fresh(), child)
        }
        theirs.prepare(`UPDATE ${other} SET ${column!} = ? WHERE ${column!} = ?`).run(id, row.id)
      }
    }
  }
}
const OTHER = ' (theirs)'
