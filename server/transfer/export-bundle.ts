import { createReadStream, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Readable, type PassThrough } from 'node:stream'
import { toJsonSchema } from '@valibot/to-json-schema'
import Database from 'better-sqlite3'
import { ZipFile } from 'yazl'
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
import { HEAD_NAME, pictureEntry, tableEntry } from './archive-names'

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

const headOf = ({ holds, nowMs }: Wanted) => ({
  $schema: '/household.schema.json',
  format: BUNDLE_FORMAT,
  version: migrationCount(),
  exported_at: new Date(nowMs).toISOString(),
  holds,
})

/** Rows of a table as JSON, one after the other, without having all of them at once. */
function* rowTexts(db: Db, table: TableId): Generator<string> {
  const spec = tableSpec(table)
  const columns = Object.keys(spec.row.entries)
  const rows = db
    .prepare(`SELECT ${columns.join(', ')} FROM ${table} ORDER BY ${spec.order ?? spec.key.join(', ')}`)
    .iterate() as Iterable<Record<string, unknown>>
  for (const row of rows) {
    for (const column of spec.json ?? [])
      if (row[column] !== null) row[column] = JSON.parse(row[column] as string)
    yield JSON.stringify(row)
  }
}

/** Texts in pieces of some size, so that not every row is written by itself. */
function* inPieces(texts: Iterable<string>): Generator<string> {
  let piece = ''
  for (const text of texts) {
    piece += text
    if (piece.length < PIECE) continue
    yield piece
    piece = ''
  }
  if (piece !== '') yield piece
}
/** Characters of a piece. */
const PIECE = 65_536

/** Which tables are exported, and their rows as JSON. The database shows one moment of it, as the caller arranges. */
function exported(db: Db, wanted: Wanted): { table: TableId; texts: Iterable<string> }[] {
  const { holds, known = {}, nowMs } = wanted
  if (holds === 'household')
    return TABLE_IDS.map((table) => ({
      table,
      texts: table === 'photo' && wanted.pictures === undefined ? [] : rowTexts(db, table),
    }))
  const tables = packOf(db, holds, { known, nowMs })
  return (Object.entries(tables) as [TableId, Row[]][]).map(([table, rows]) => ({
    table,
    texts: rows.map((row) => JSON.stringify(row)),
  }))
}

/** Ids of the pictures that belong to what is exported. */
const pictureIds = (db: Db, { holds, pictures }: Wanted): string[] =>
  holds !== 'household' || pictures === undefined
    ? []
    : (db.prepare('SELECT id FROM photo ORDER BY id').pluck().all() as string[])

/**
 * The household, or a pack of it, as one JSON document, in pieces; a row a line, so that two of them can be
 * compared by any tool.
 */
export function* bundlePieces(db: Db, wanted: Wanted): Generator<string> {
  const head = Object.entries(headOf(wanted)).map(
    ([name, value]) => `  ${JSON.stringify(name)}: ${JSON.stringify(value)},\n`,
  )
  yield `{\n${head.join('')}  "tables": {\n`
  const tables = exported(db, wanted)
  for (const [i, { table, texts }] of tables.entries()) {
    yield `    ${JSON.stringify(table)}: [`
    let rows = 0
    const lines = function* () {
      for (const text of texts) yield `${rows++ > 0 ? ',' : ''}\n      ${text}`
    }
    yield* inPieces(lines())
    yield `${rows > 0 ? '\n    ' : ''}]${i < tables.length - 1 ? ',' : ''}\n`
  }
  yield '  }'
  const ids = pictureIds(db, wanted)
  for (const [i, id] of ids.entries()) {
    const picture = readFileSync(join(wanted.pictures!, `${id}.jpg`)).toString('base64')
    yield `${i === 0 ? ',\n  "pictures": {' : ','}\n    ${JSON.stringify(id)}: "${picture}"`
  }
  yield ids.length > 0 ? '\n  }\n}\n' : '\n}\n'
}

/** The same as one text, for a household that is small. */
export const bundleText = (db: Db, wanted: Wanted): string =>
  // One moment of the database, whatever is written meanwhile.
  db.transaction(() => [...bundlePieces(db, wanted)].join(''))()

/**
 * The household, or a pack of it, as a ZIP of `household.json` (what it is), `tables/NAME.jsonl` (a row a line)
 * and `pictures/ID.jpg`. Any size: neither rows nor pictures are all held at once.
 */
export function archiveOf(db: Db, wanted: Wanted): NodeJS.ReadableStream {
  const zip = new ZipFile()
  const output = zip.outputStream as PassThrough
  // A row or a picture that cannot be read ends the file in the middle, where its reader hears of it; a reader who
  // leaves ends what is being read.
  let current: Readable | undefined
  const read = (stream: Readable): Readable => {
    current = stream
    return stream.on('error', (error) => output.destroy(error))
  }
  output.on('close', () => current?.destroy())
  const mtime = new Date(wanted.nowMs)
  const tables = exported(db, wanted)
  const head = { ...headOf(wanted), tables: tables.map(({ table }) => table) }
  zip.addBuffer(Buffer.from(`${JSON.stringify(head, null, 2)}\n`), HEAD_NAME, { mtime })
  for (const { table, texts } of tables) {
    const lines = function* () {
      for (const text of texts) yield `${text}\n`
    }
    zip.addReadStreamLazy(tableEntry(table), { mtime }, (opened) => {
      opened(null, read(Readable.from(inPieces(lines()))))
    })
  }
  // Pictures are packed already.
  for (const id of pictureIds(db, wanted))
    zip.addReadStreamLazy(pictureEntry(id), { mtime, compress: false }, (opened) => {
      opened(null, read(createReadStream(join(wanted.pictures!, `${id}.jpg`))))
    })
  zip.end()
  return output
}

/**
 * A household's file opened for an export of its own: one moment of it, however long the export takes and
 * whatever is written meanwhile. The caller closes it.
 */
export function openForExport(file: string): Db {
  const db = new Database(file, { readonly: true, fileMustExist: true })
  db.exec('BEGIN')
  // The moment begins with the first read.
  db.prepare('SELECT count(*) FROM household').get()
  return db
}

/** Closes what was opened for an export; a query that its reader left in the middle is let end first. */
export async function closeAfterExport(db: Db): Promise<void> {
  for (let tries = 0; db.open && tries < MAX_TRIES; tries++)
    try {
      db.close()
    } catch {
      await new Promise((resolve) => setTimeout(resolve, WAIT_MS))
    }
}
const [MAX_TRIES, WAIT_MS] = [100, 20]

let schema: object | undefined
/**
 * The bundle format of this version, as JSON Schema. What it cannot say (a check of one field against
 * another) the answer's own words do.
 */
export const bundleSchema = (): object =>
  (schema ??= {
    $id: `urn:omsel:household:${migrationCount()}`,
    title: 'A household of Omsel',
    description: `Version ${migrationCount()}. Older ones are taken too.`,
    ...toJsonSchema(BundleSchema, { typeMode: 'input', errorMode: 'ignore' }),
  })
