import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { toJsonSchema } from '@valibot/to-json-schema'
import {
  BUNDLE_FORMAT,
  BundleSchema,
  TABLE_IDS,
  tableSpec,
  type Row,
  type TableId,
  type Tables,
} from '#core/contract/bundle'
import { PACKS, type PackId } from '#core/contract/bundle-names'
import type { KnownFigures } from '#core/learn/corrections'
import { figureName, priorSdOfPack } from '#core/learn/figures'
import { migrationCount, type Db } from '#server/store/open'

/** Rows of one table as exported: the schema's columns in the schema's order, JSON as JSON. */
export function rowsOf(db: Db, table: TableId): Row[] {
  const spec = tableSpec(table)
  const columns = Object.keys(spec.row.entries)
  const rows = db
    .prepare(`SELECT ${columns.join(', ')} FROM ${table} ORDER BY ${spec.order ?? spec.key.join(', ')}`)
    .all() as Record<string, unknown>[]
  if (!spec.json) return rows
  for (const row of rows)
    for (const column of spec.json) if (row[column] !== null) row[column] = JSON.parse(row[column] as string)
  return rows
}

export const tablesOf = (db: Db, tables: readonly TableId[] = TABLE_IDS): Tables =>
  Object.fromEntries(tables.map((table) => [table, rowsOf(db, table)]))

/** What was learned of the pots, burners and bags of a pack, less sure, for another kitchen to begin with. */
function priorsOf({ vessel = [], heat = [], bag = [] }: Tables, known: KnownFigures, nowMs: number): Row[] {
  const ids = (rows: readonly Row[]) => rows.map((row) => String(row.id))
  const own = ids(vessel).map((id) => `own ${id}`)
  return [
    ...ids(vessel).flatMap((id) => [figureName('steam', id), figureName('time', id)]),
    ...[...ids(heat), ...own].map((id) => figureName('power', id)),
    ...ids(bag).map((id) => figureName('bag', id)),
  ]
    .sort()
    .flatMap((figure) => {
      const figures = known[figure]
      return figures
        ? [
            {
              figure,
              kind: 'prior',
              value: figures.mean,
              sd: priorSdOfPack(figure, figures.sd),
              at_ms: Math.round(nowMs),
            },
          ]
        : []
    })
}

/** Pots that a pack of methods does not name are not exported. */
function packOf(db: Db, pack: PackId, { known, nowMs }: Pick<Wanted, 'known' | 'nowMs'>): Tables {
  const tables = tablesOf(db, PACKS[pack].tables)
  if (tables.belief_override) tables.belief_override = priorsOf(tables, known ?? {}, nowMs)
  if (pack !== 'methods') return tables
  const spoken = new Set(
    [...(tables.programme ?? []), ...(tables.pour_mark ?? [])].map((row) => row.vessel_id),
  )
  return { ...tables, vessel: (tables.vessel ?? []).filter((row) => spoken.has(row.id)) }
}

export interface Wanted {
  /** All of it, or a pack. */
  holds: 'household' | PackId
  /** Folder of the pictures; left out, neither they nor the rows that name them are exported. */
  pictures?: string | undefined
  /** What was learned; a pack takes some of it along. */
  known?: KnownFigures
  nowMs: number
}

/**
 * The household, or a pack of it, as one JSON document; a row a line, so that two of them can be compared by
 * any tool.
 */
export function bundleText(db: Db, { holds, pictures, known, nowMs }: Wanted): string {
  // One moment of the database, whatever is written meanwhile.
  const tables = db.transaction(() =>
    holds === 'household' ? tablesOf(db) : packOf(db, holds, { known: known ?? {}, nowMs }),
  )()
  const photos = tables.photo ?? []
  if (tables.photo && pictures === undefined) tables.photo = []
  const head = {
    $schema: '/household.schema.json',
    format: BUNDLE_FORMAT,
    version: migrationCount(),
    exported_at: new Date(nowMs).toISOString(),
    holds,
  }
  const written = (Object.entries(tables) as [TableId, Row[]][]).map(
    ([table, rows]) =>
      `    ${JSON.stringify(table)}: [${rows.map((row) => `\n      ${JSON.stringify(row)}`).join(',')}${rows.length > 0 ? '\n    ' : ''}]`,
  )
  const leftover =
    pictures === undefined
      ? []
      : photos.map(
          (row) =>
            `\n    ${JSON.stringify(row.id)}: "${readFileSync(join(pictures, `${String(row.id)}.jpg`)).toString('base64')}"`,
        )
  const parts = [
    ...Object.entries(head).map(([name, value]) => `  ${JSON.stringify(name)}: ${JSON.stringify(value)}`),
    `  "tables": {\n${written.join(',\n')}\n  }`,
  ]
  if (leftover.length > 0) parts.push(`  "pictures": {${leftover.join(',')}\n  }`)
  return `{\n${parts.join(',\n')}\n}\n`
}

let schema: object | undefined
/**
 * The bundle format of this version, as JSON Schema. What it cannot say (a check of one field against
 * another) the answer's own words do.
 */
export const bundleSchema = (): object =>
  (schema ??= {
    title: 'A household of Omsel',
    description: `Version ${migrationCount()}. Older ones are taken too.`,
    ...toJsonSchema(BundleSchema, { typeMode: 'input', errorMode: 'ignore' }),
  })
