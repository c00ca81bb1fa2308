import { tableSpec, type Row, type TableId, type Tables } from '#core/contract/bundle'
import { HOUSEHOLD_LIMITS } from '#core/contract/equipment'
import type { Db } from '#server/store/open'
import { keyOf } from './import-bundle'
import { rowsOf } from './export-bundle'

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
 * stay; whatever names them in the bundle names the new one.
 * @param fresh makes an id
 */
export function renameConflicts(
  db: Db,
  theirs: Tables,
  tables: readonly TableId[],
  fresh: () => string,
): Tables {
  let made = theirs
  for (const table of tables) {
    if (!Object.hasOwn(THINGS, table)) continue
    const { column, children, figures } = THINGS[table as keyof typeof THINGS]
    const ours = new Map(rowsOf(db, table).map((row) => [keyOf(table, row), row]))
    const renamed = new Map<unknown, string>()
    for (const row of made[table] ?? []) {
      const here = ours.get(keyOf(table, row))
      if (here && JSON.stringify(here) !== JSON.stringify(row)) renamed.set(row.id, fresh())
    }
    if (renamed.size === 0) continue
    const ofFigure = (row: Row): Row => {
      const start = figures.find((f) => renamed.has(String(row.figure).slice(f.length + 1)))
      return start !== undefined && String(row.figure).startsWith(`${start} `)
        ? { ...row, figure: `${start} ${renamed.get(String(row.figure).slice(start.length + 1))!}` }
        : row
    }
    const of = (row: Row, name: TableId): Row => {
      if (name === table)
        return renamed.has(row.id)
          ? {
              ...row,
              id: renamed.get(row.id)!,
              name: `${String(row.name).slice(0, HOUSEHOLD_LIMITS.name - OTHER.length)}${OTHER}`,
            }
          : row
      if (name === 'belief_override') return ofFigure(row)
      if (column === undefined || !(column in tableSpec(name).row.entries) || !renamed.has(row[column]))
        return row
      return {
        ...row,
        [column]: renamed.get(row[column])!,
        ...((children as readonly TableId[]).includes(name) ? { id: fresh() } : {}),
      }
    }
    made = Object.fromEntries(
      Object.entries(made).map(([name, rows]) => [name, rows.map((row) => of(row, name as TableId))]),
    )
  }
  return made
}
const OTHER = ' (theirs)'
