import { createHash } from 'node:crypto'
import { createWriteStream, mkdirSync, readFileSync, statfsSync, writeFileSync } from 'node:fs'
import { open } from 'node:fs/promises'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { crc32 } from 'node:zlib'
import * as yauzl from 'yauzl'
import type { FieldError } from '#core/contract/fields'
import {
  parseEnvelope,
  parseHead,
  TABLE_IDS,
  tableName,
  tableSpec,
  wrongRow,
  type Bundle,
  type Row,
  type TableId,
} from '#core/contract/bundle'
import { BUNDLE_LIMITS } from '#core/contract/bundle-names'
import type { Result } from '#core/contract/plan-request'
import { bringUp, migrationCount, openDatabase, type Db } from '#server/store/open'
import { entryOf, HEAD_NAME, tableEntry } from './archive-names'

/** A file that was read: what it is, and its rows and pictures, laid out in a folder of their own. */
export interface Staged {
  holds: Bundle['holds']
  exportedAt: string
  /** The version it was written in. */
  version: number
  rows: number
  pictures: number
}

/** The rows, in this version's format, in a database of their own. */
export const stagedDatabase = (folder: string): string => join(folder, 'staged.sqlite')
export const stagedPicture = (folder: string, id: string): string => join(folder, 'photos', `${id}.jpg`)

/** What is wrong with a file, with the place. */
class Wrong extends Error {
  readonly errors: readonly FieldError[]
  constructor(errors: readonly FieldError[]) {
    super(errors[0]!.message)
    this.errors = errors
  }
}
const wrong = (message: string, path = ''): never => {
  throw new Wrong([{ path, message, code: 'invalid' }])
}

/** What a file holds, whatever its format. */
interface Contents {
  head: Omit<Bundle, 'tables' | 'pictures'>
  /** Rows by the name a table has in the file's version. */
  tables: [name: string, rows: Iterable<unknown> | AsyncIterable<unknown>][]
  hasPicture: (id: string) => boolean
  savePicture: (id: string, path: string) => Promise<void>
  close: () => void
}

/**
 * Reads an exported file, ZIP or JSON, from unchecked bytes into a folder: every row is checked, brought to this
 * version and held to the database's own rules; of pictures only those that a row names are taken. A ZIP is read
 * a row at a time, whatever its size. Nothing of the household is changed.
 * @param source path of the file, or its bytes
 */
export async function stage(source: string | Uint8Array, folder: string): Promise<Result<Staged>> {
  mkdirSync(join(folder, 'photos'), { recursive: true, mode: 0o700 })
  let contents: Contents | undefined
  try {
    contents = await contentsOf(source, folder)
    const { head } = contents
    const rows = await stageRows(contents, stagedDatabase(folder))
    const pictures = await stagePictures(contents, folder)
    return {
      ok: true,
      value: {
        holds: head.holds,
        exportedAt: head.exported_at,
        version: head.version,
        rows,
        pictures,
      },
    }
  } catch (error) {
    if (error instanceof Wrong) return { ok: false, errors: [...error.errors] }
    throw error
  } finally {
    contents?.close()
  }
}

const ZIP_START = Buffer.from('PK\x03\x04')

async function contentsOf(source: string | Uint8Array, folder: string): Promise<Contents> {
  if (typeof source !== 'string')
    return ZIP_START.equals(source.subarray(0, 4))
      ? zipContents(await unzipped(yauzl.fromBufferPromise(Buffer.from(source), ZIP_OPTIONS)), folder)
      : jsonContents(source)
  const file = await open(source)
  const start = Buffer.alloc(4)
  const { size } = await file.stat()
  await file.read(start, 0, 4, 0)
  await file.close()
  if (ZIP_START.equals(start))
    return zipContents(await unzipped(yauzl.openPromise(source, ZIP_OPTIONS)), folder)
  refuseLongJson(size)
  return jsonContents(readFileSync(source))
}

const ZIP_OPTIONS = { lazyEntries: true, autoClose: false } as const
const unzipped = (zip: Promise<yauzl.ZipFile>): Promise<yauzl.ZipFile> =>
  zip.catch((error: Error) => wrong(`the file is no ZIP that can be read: ${error.message.slice(0, 120)}`))

/** A row is no longer than this, bytes; a picture is stored smaller than it came. */
const MAX_ROW = 4_000_000
const MAX_PICTURE = 20_000_000
const MAX_HEAD = 100_000
/** Of a disk's free room so much may be taken by what is unpacked. */
const ROOM_SHARE = 0.6

async function zipContents(zip: yauzl.ZipFile, folder: string): Promise<Contents> {
  try {
    return await contentsOfZip(zip, folder)
  } catch (error) {
    zip.close()
    throw error
  }
}

async function contentsOfZip(zip: yauzl.ZipFile, folder: string): Promise<Contents> {
  const entries = new Map<string, yauzl.Entry>()
  let bytes = 0
  try {
    for await (const entry of zip.eachEntry()) {
      const is = entryOf(entry.fileName)
      if (!is) wrong(`${entry.fileName.slice(0, 80)} is not part of an export`)
      if (entries.has(entry.fileName)) wrong(`${entry.fileName} is in the file twice`)
      if (is && 'picture' in is && entry.uncompressedSize > MAX_PICTURE)
        wrong(`${entry.fileName} may have ${MAX_PICTURE / 1e6} MB at most`)
      bytes += entry.uncompressedSize
      entries.set(entry.fileName, entry)
    }
  } catch (error) {
    if (error instanceof Wrong) throw error
    wrong(`the file is damaged: ${(error as Error).message.slice(0, 120)}`)
  }
  const { bavail, bsize } = statfsSync(folder)
  if (bytes > ROOM_SHARE * bavail * bsize)
    wrong(
      `the file needs ${Math.ceil(bytes / 1e6)} MB when unpacked; the disk has room for ${Math.floor((ROOM_SHARE * bavail * bsize) / 1e6)}`,
    )
  const opened = async (name: string) =>
    sound(await zip.openReadStreamPromise(entries.get(name)!), entries.get(name)!)
  const headEntry = entries.get(HEAD_NAME)
  if (!headEntry) return wrong(`${HEAD_NAME} is missing: this ZIP is no export`)
  if (headEntry.uncompressedSize > MAX_HEAD) wrong(`${HEAD_NAME} is too long`)
  const text: Buffer[] = []
  for await (const piece of await opened(HEAD_NAME)) text.push(piece as Buffer)
  const head = parseHead(jsonOf(textOf(Buffer.concat(text)), HEAD_NAME))
  if (!head.ok) throw new Wrong(head.errors)
  return {
    head: head.value,
    tables: head.value.tables.map((name) => {
      if (!entries.has(tableEntry(name))) wrong(`${tableEntry(name)} is missing`)
      return [name, rowsIn(() => opened(tableEntry(name)), name)]
    }),
    hasPicture: (id) => entries.has(`pictures/${id}.jpg`),
    savePicture: async (id, path) =>
      pipeline(await opened(`pictures/${id}.jpg`), createWriteStream(path, { mode: 0o600 })),
    close: () => zip.close(),
  }
}

/** What an entry holds, its sum checked at its end. */
function sound(stream: Readable, entry: yauzl.Entry): Readable {
  return Readable.from(
    (async function* () {
      let sum = 0
      try {
        for await (const piece of stream as AsyncIterable<Buffer>) {
          sum = crc32(piece, sum)
          yield piece
        }
      } catch (error) {
        wrong(`${entry.fileName} is damaged: ${(error as Error).message.slice(0, 120)}`)
      }
      if (sum !== entry.crc32) wrong(`${entry.fileName} is damaged: its sum does not agree`)
    })(),
    { objectMode: false },
  )
}

/** Rows of a table, a line each. */
async function* rowsIn(opened: () => Promise<Readable>, table: string): AsyncGenerator<unknown> {
  const stream = await opened()
  let length = 0
  // A line without end is not collected.
  const bounded = Readable.from(
    (async function* () {
      for await (const piece of stream as AsyncIterable<Buffer>) {
        const last = piece.lastIndexOf(10)
        length = last < 0 ? length + piece.length : piece.length - last
        if (length > MAX_ROW) wrong(`tables.${table} has a row of more than ${MAX_ROW / 1e6} MB`)
        yield piece
      }
    })(),
  )
  let i = 0
  for await (const line of createInterface({ input: bounded, crlfDelay: Infinity })) {
    if (line === '') continue
    const path = `tables.${table}.${i++}`
    refuseDeep(line, path)
    yield jsonOf(line, path)
  }
}

function refuseLongJson(bytes: number): void {
  if (bytes > BUNDLE_LIMITS.bytes)
    wrong(
      `a JSON file may have ${BUNDLE_LIMITS.bytes / 1e6} MB at most; this one has ${(bytes / 1e6).toFixed(1)}. A ZIP may be larger`,
    )
}

function jsonContents(bytes: Uint8Array): Contents {
  refuseLongJson(bytes.length)
  const text = textOf(bytes)
  refuseDeep(text, 'the file')
  const read = parseEnvelope(jsonOf(text, 'the file'))
  if (!read.ok) throw new Wrong(read.errors)
  const { tables, pictures = {}, ...head } = read.value
  return {
    head,
    tables: Object.entries(tables),
    hasPicture: (id) => Object.hasOwn(pictures, id),
    savePicture: async (id, path) =>
      void writeFileSync(path, Buffer.from(pictures[id]!, 'base64'), { mode: 0o600 }),
    close: () => undefined,
  }
}

function textOf(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return wrong('the file is no text in UTF-8')
  }
}

function jsonOf(text: string, what: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    return wrong(`${what} is no JSON: ${(error as Error).message.slice(0, 120)}`)
  }
}

function refuseDeep(text: string, what: string): void {
  const depth = depthOf(text)
  if (depth > BUNDLE_LIMITS.depth)
    wrong(`${what} is nested ${depth} deep; ${BUNDLE_LIMITS.depth} is the most`)
}

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
 * Writes rows into tables of their own version, and lets the database itself change them, as it changed the
 * household that stayed. References are not checked here: a row may name what only the importing household has.
 * @returns how many rows there are in this version
 */
async function stageRows({ head: { version }, tables }: Contents, file: string): Promise<number> {
  if (version > migrationCount())
    wrong(
      `the file is of version ${version}, newer than version ${migrationCount()}, which this Omsel can read; update it first`,
    )
  const byName = new Map(TABLE_IDS.map((table) => [tableName(table, version), table]))
  const strange = tables.find(([name]) => !byName.has(name))
  if (strange) wrong(`tables.${strange[0].slice(0, 60)} is not known here`)
  const given = new Map(tables.map(([name, rows]) => [byName.get(name)!, rows]))
  const db = openDatabase(file, version)
  try {
    db.pragma('foreign_keys = OFF')
    // It is thrown away if anything goes wrong.
    db.pragma('synchronous = OFF')
    const current = version === migrationCount()
    const errors: FieldError[] = []
    db.exec('BEGIN')
    for (const table of TABLE_IDS) {
      const rows = given.get(table)
      if (rows) await fillTable(db, table, rows, { name: tableName(table, version), current, errors })
    }
    if (errors.length > 0) throw new Wrong(errors.slice(0, MAX_ERRORS))
    db.exec('COMMIT')
    if (!current) {
      migrated(db, version)
      // An update may give a pack settings that it does not have.
      if (!given.has('household')) db.exec('DELETE FROM household')
      for (const table of TABLE_IDS) checkTable(db, table, errors)
      if (errors.length > 0) throw new Wrong(errors.slice(0, MAX_ERRORS))
    }
    return TABLE_IDS.reduce(
      (sum, table) => sum + (db.prepare(`SELECT count(*) FROM ${table}`).pluck().get() as number),
      0,
    )
  } finally {
    db.close()
  }
}
const MAX_ERRORS = 20

function migrated(db: Db, version: number): void {
  try {
    bringUp(db)
  } catch (error) {
    wrong(
      `the file could not be converted from version ${version} to ${migrationCount()}: ${(error as Error).message.slice(0, 160)}`,
    )
  }
}

/** Rows of one table, whatever columns they have in their version. */
async function fillTable(
  db: Db,
  table: TableId,
  rows: Iterable<unknown> | AsyncIterable<unknown>,
  { name, current, errors }: { name: string; current: boolean; errors: FieldError[] },
): Promise<void> {
  const there = new Set(db.prepare('SELECT name FROM pragma_table_info(?)').pluck().all(name) as string[])
  if (there.size === 0) wrong(`tables.${name} is not known in that version`, `tables.${name}`)
  const put = putter(db, name)
  let i = 0
  for await (const given of rows) {
    const path = `tables.${name}.${i++}`
    if (typeof given !== 'object' || given === null || Array.isArray(given))
      return wrong(`${path} must be an object`, path)
    const row = given as Row
    if (current) {
      errors.push(...wrongRow(table, row, path))
      if (errors.length >= MAX_ERRORS) return
      if (errors.length > 0) continue
    }
    const strange = Object.keys(row).find((column) => !there.has(column))
    if (strange !== undefined) wrong(`${path}.${strange.slice(0, 60)} is not known in that version`, path)
    try {
      put(row)
    } catch (error) {
      wrong(`${path} cannot be stored: ${(error as Error).message.slice(0, 160)}`, path)
    }
  }
}

/** Checks rows that an update of the database made. */
function checkTable(db: Db, table: TableId, errors: FieldError[]): void {
  const { json = [], row: schema, order, key } = tableSpec(table)
  const columns = Object.keys(schema.entries).join(', ')
  const rows = db
    .prepare(`SELECT ${columns} FROM ${table} ORDER BY ${order ?? key.join(', ')}`)
    .iterate() as Iterable<Record<string, unknown>>
  let i = 0
  for (const row of rows) {
    for (const column of json) if (row[column] !== null) row[column] = JSON.parse(row[column] as string)
    errors.push(...wrongRow(table, row, `tables.${table}.${i++}`))
    if (errors.length >= MAX_ERRORS) return
  }
}

async function stagePictures({ hasPicture, savePicture }: Contents, folder: string): Promise<number> {
  const db = openDatabase(stagedDatabase(folder))
  const ids = db.prepare('SELECT id FROM photo').pluck().all() as string[]
  db.close()
  for (const id of ids) {
    if (!hasPicture(id)) wrong(`pictures has none for the photo ${id}`)
    try {
      await savePicture(id, stagedPicture(folder, id))
    } catch (error) {
      if (error instanceof Wrong) throw error
      wrong(`the picture ${id} cannot be read: ${(error as Error).message.slice(0, 120)}`)
    }
  }
  return ids.length
}

const cell = (value: unknown): unknown =>
  typeof value === 'boolean'
    ? Number(value)
    : value !== null && typeof value === 'object'
      ? JSON.stringify(value)
      : value

/** Writes rows of one table; a statement for each set of columns. */
function putter(db: Db, table: string): (row: Row) => void {
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

/** A digest of a JSON text, whatever its spaces: plans and requests are compared by it, and not all held at once. */
export const jsonDigest = (text: unknown): string | null =>
  typeof text === 'string'
    ? createHash('sha1')
        .update(JSON.stringify(JSON.parse(text)))
        .digest('base64')
    : null
