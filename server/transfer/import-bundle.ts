import type { FieldError } from '#core/contract/fields'
import {
  parseEnvelope,
  TABLE_IDS,
  tableName,
  tableSpec,
  wrongRows,
  type Bundle,
  type Row,
  type TableId,
  type Tables,
} from '#core/contract/bundle'
import { BUNDLE_LIMITS } from '#core/contract/bundle-names'
import type { Result } from '#core/contract/plan-request'
import { bringUp, migrationCount, openDatabase, type Db } from '#server/store/open'
import { tablesOf } from './export-bundle'
import { inOneWrite } from '../store/write'

export interface ParsedBundle {
  holds: Bundle['holds']
  exportedAt: string
  /** The version it was written in. */
  version: number
  /** Rows in this version's format. */
  tables: Tables
  pictures: ReadonlyMap<string, Buffer>
}

const refuse = (message: string): { ok: false; errors: FieldError[] } => ({
  ok: false,
  errors: [{ path: '', message, code: 'invalid' }],
})

/**
 * How deep the brackets of a JSON text go, without parsing it: what is nested without end is refused before
 * anything walks it.
 */
export function depthOf(text: string): number {
  let depth = 0
  let deepest = 0
  let quoted = false
  for (let i = 0; i < text.length; i++) {
    const sign = text.charCodeAt(i)
    if (quoted) {
      if (sign === 0x5c) i++
      else if (sign === 0x22) quoted = false
    } else if (sign === 0x22) quoted = true
    else if (sign === 0x5b || sign === 0x7b) deepest = Math.max(deepest, ++depth)
    else if (sign === 0x5d || sign === 0x7d) depth--
  }
  return deepest
}

/**
 * Reads a bundle from unchecked bytes. Nothing of the household is changed.
 * @returns its rows in this version's format, or what is wrong with it
 */
export function parseBundle(bytes: Uint8Array): Result<ParsedBundle> {
  if (bytes.length > BUNDLE_LIMITS.bytes)
    return refuse(
      `the file may have ${BUNDLE_LIMITS.bytes / 1e6} MB at most; this one has ${(bytes.length / 1e6).toFixed(1)}`,
    )
  let text: string
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return refuse('the file is no text in UTF-8')
  }
  const depth = depthOf(text)
  if (depth > BUNDLE_LIMITS.depth)
    return refuse(`the file is nested ${depth} deep; ${BUNDLE_LIMITS.depth} is the most`)
  let given: unknown
  try {
    given = JSON.parse(text)
  } catch (error) {
    return refuse(`the file is no JSON: ${(error as Error).message.slice(0, 120)}`)
  }
  const read = parseEnvelope(given)
  if (!read.ok) return read
  const { version, holds, exported_at, pictures } = read.value
  if (version > migrationCount())
    return refuse(
      `the file is of version ${version}, newer than version ${migrationCount()}, which this Omsel can read; update it first`,
    )
  const byName = new Map(TABLE_IDS.map((table) => [tableName(table, version), table]))
  const strange = Object.keys(read.value.tables).find((name) => !byName.has(name))
  if (strange !== undefined) return refuse(`tables.${strange.slice(0, 60)} is not known here`)
  const parsedBundle: Tables = Object.fromEntries(
    Object.entries(read.value.tables).map(([name, rows]) => [byName.get(name)!, rows]),
  )
  const tables =
    version === migrationCount()
      ? { ok: true as const, value: parsedBundle }
      : upgraded(parsedBundle, version)
  if (!tables.ok) return tables
  const errors = wrongRows(tables.value)
  if (errors.length > 0) return { ok: false, errors }
  const missing = (tables.value.photo ?? []).find(
    (photo) => !Object.hasOwn(pictures ?? {}, photo.id as string),
  )
  if (missing) return refuse(`pictures has none for the photo ${String(missing.id)}`)
  const sound = soundRows(tables.value)
  if (!sound.ok) return sound
  return {
    ok: true,
    value: {
      holds,
      exportedAt: exported_at,
      version,
      tables: sound.value,
      pictures: new Map(
        Object.entries(pictures ?? {}).map(([id, base64]) => [id, Buffer.from(base64, 'base64')]),
      ),
    },
  }
}

/**
 * Writes rows into tables of their own version, and lets the database itself change them, as it changed the
 * household that stayed.
 */
function upgraded(tables: Tables, version: number): Result<Tables> {
  const db = openDatabase(':memory:', version)
  try {
    db.pragma('foreign_keys = OFF')
    const fieldError = fill(db, tables, version)
    if (fieldError) return { ok: false, errors: [fieldError] }
    bringUp(db)
    const now = tablesOf(
      db,
      TABLE_IDS.filter((table) => tables[table] !== undefined || table === 'household'),
    )
    if (!tables.household) delete now.household
    return { ok: true, value: now }
  } catch (error) {
    return refuse(
      `the file could not be converted from version ${version} to ${migrationCount()}: ${(error as Error).message.slice(0, 160)}`,
    )
  } finally {
    db.close()
  }
}

/**
 * Holds rows to the database's own rules (its checks, its keys) by writing them into an empty one, and takes
 * them as it gives them back. References are not checked here: a row may name what only the importing
 * household has.
 */
function soundRows(tables: Tables): Result<Tables> {
  const household = stagingDatabase(tables)
  if (!household.ok) return household
  try {
    return {
      ok: true,
      value: tablesOf(
        household.value,
        TABLE_IDS.filter((table) => tables[table] !== undefined),
      ),
    }
  } finally {
    household.value.close()
  }
}

/** A household in memory with these rows. The caller closes it. */
export function stagingDatabase(tables: Tables): Result<Db> {
  const db = openDatabase(':memory:')
  db.pragma('foreign_keys = OFF')
  const fieldError = fill(db, tables, migrationCount())
  if (!fieldError) return { ok: true, value: db }
  db.close()
  return { ok: false, errors: [fieldError] }
}

const cell = (value: unknown): unknown =>
  typeof value === 'boolean'
    ? Number(value)
    : value !== null && typeof value === 'object'
      ? JSON.stringify(value)
      : value

/** Puts rows into their tables, whatever columns they have.  @returns the first that the database would not take */
const fill = (db: Db, tables: Tables, version: number): FieldError | undefined =>
  inOneWrite(db, () => filled(db, tables, version))

function filled(db: Db, tables: Tables, version: number): FieldError | undefined {
  for (const table of TABLE_IDS) {
    const rows = tables[table]
    if (!rows || rows.length === 0) continue
    const name = tableName(table, version)
    const there = new Set(db.prepare('SELECT name FROM pragma_table_info(?)').pluck().all(name) as string[])
    if (there.size === 0)
      return {
        path: `tables.${name}`,
        message: `tables.${name} is not known in that version`,
        code: 'invalid',
      }
    const put = putter(db, name)
    for (const [i, row] of rows.entries()) {
      const path = `tables.${name}.${i}`
      const strange = Object.keys(row).find((column) => !there.has(column))
      if (strange !== undefined)
        return {
          path,
          message: `${path}.${strange.slice(0, 60)} is not known in that version`,
          code: 'invalid',
        }
      try {
        put(row)
      } catch (error) {
        return {
          path,
          message: `${path} cannot be stored: ${(error as Error).message.slice(0, 160)}`,
          code: 'invalid',
        }
      }
    }
  }
  return undefined
}

/** Writes rows of one table; a statement for each set of columns. */
export function putter(db: Db, table: string): (row: Row) => void {
  const made = new Map<string, ReturnType<Db['prepare']>>()
  return (row) => {
    const columns = Object.keys(row)
    const name = columns.join()
    let put = made.get(name)
    if (!put)
      made.set(
        name,
        (put = db.prepare(
          `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
        )),
      )
    put.run(columns.map((column) => cell(row[column])))
  }
}

export const keyOf = (table: TableId, row: Row): string =>
  JSON.stringify(tableSpec(table).key.map((column) => row[column]))
