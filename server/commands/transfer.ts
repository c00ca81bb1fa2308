import { randomUUID } from 'node:crypto'
import { mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { runningCookOf } from '#core/contract/running-cook'
import type { Result } from '#core/contract/plan-request'
import { TABLE_IDS, tableSpec, type Row, type TableId, type Tables } from '#core/contract/bundle'
import type { GroupId } from '#core/contract/bundle-names'
import { replay } from '#core/cook/replay'
import { fieldError } from '#core/contract/field-error'
import { takeCopy } from '#server/backup/copy'
import { ALL, announce } from '#server/realtime/hub'
import { renameConflicts } from '#server/transfer/rename-conflicts'
import { stagingDatabase, parseBundle, type ParsedBundle } from '#server/transfer/import-bundle'
import { applyMerge, emptyTables, mergePlan, type Choice, type GroupChange } from '#server/transfer/merge'
import { kitchenIn, type Kitchen } from '#server/store/open-household'
import { lineOf, rebuildMissingEntries, type Noted } from './rebuild-entry'
import { inOneWrite } from '../store/write'

/** Merge into this household, or replace it. */
export const IMPORT_MODES = ['merge', 'as-new'] as const
export type ImportMode = (typeof IMPORT_MODES)[number]
/**
 * For rows both households have and that differ: ours, theirs, or (things that can exist side by side) both.
 */
export type CarryChoices = Partial<Record<GroupId, Choice | 'both'>>
/** Groups whose things can exist side by side. */
export const SIDE_BY_SIDE: readonly GroupId[] = ['pots', 'shelf']

export interface ImportPreview {
  holds: ParsedBundle['holds']
  exportedAt: string
  version: number
  rows: number
  pictures: number
  changes: GroupChange[]
}

const MAX_SIDE_PX = 4096

const chosen = (
  kitchen: Kitchen,
  tables: Tables,
  choices: CarryChoices,
): { tables: Tables; choices: Partial<Record<GroupId, Choice>> } => {
  const both = TABLE_IDS.filter(
    (table) => SIDE_BY_SIDE.includes(tableSpec(table).group) && choices[tableSpec(table).group] === 'both',
  )
  return {
    tables: renameConflicts(kitchen.db, tables, both, randomUUID),
    choices: Object.fromEntries(
      Object.entries(choices).filter(([, choice]) => choice === 'theirs'),
    ) as Partial<Record<GroupId, Choice>>,
  }
}

/** What bringing a bundle in would change. Nothing is written. */
export function lookAt(kitchen: Kitchen, bytes: Uint8Array): Result<ImportPreview> {
  const read = parseBundle(bytes)
  if (!read.ok) return read
  const { holds, exportedAt, version, tables, pictures } = read.value
  const { changes } = mergePlan(kitchen.db, tables)
  return {
    ok: true,
    value: {
      holds,
      exportedAt,
      version,
      rows: Object.values(tables).reduce((sum, rows) => sum + rows.length, 0),
      pictures: pictures.size,
      changes,
    },
  }
}

/** Whatever is refused half-way takes everything back with it. */
class Refused extends Error {}

/** How far a bundle on its way in has come. */
export interface Progress {
  done: number
  total: number
}
interface Watched {
  /** Stops it while nothing has been written yet. */
  signal?: AbortSignal
}
declare global {
  var omselCarrying: Progress | undefined
  var omselBrought: number | undefined
}
/** Progress of the import that is running, if one is. */
export const carrying = (): Progress | undefined => globalThis.omselCarrying
/** Imports finished since the server started: a late Stop can see that it came too late. */
export const broughtTimes = (): number => globalThis.omselBrought ?? 0

/**
 * Brings a bundle in: all of what was chosen, or nothing.
 * @param file the household's database, copied before it is replaced
 * @returns how many rows were written, and the folder of the copy made before
 */
export async function importBundle(
  kitchen: Kitchen,
  file: string,
  bytes: Uint8Array,
  how: ImportMode,
  choices: CarryChoices,
  nowMs: number,
  watched: Watched = {},
): Promise<Result<{ rows: number; aside?: string }>> {
  if (globalThis.omselCarrying) return fieldError('file', 'must wait: another import is running', 'conflict')
  globalThis.omselCarrying = { done: 0, total: 0 }
  try {
    return await runImport(kitchen, file, bytes, how, choices, nowMs, watched)
  } finally {
    globalThis.omselCarrying = undefined
  }
}

interface RowChanges {
  added: Map<TableId, Row[]>
  replaced: Map<TableId, Row[]>
}

interface Photo {
  id: string
  bytes: Buffer
  row: Row
}

async function runImport(
  kitchen: Kitchen,
  file: string,
  bytes: Uint8Array,
  how: ImportMode,
  choices: CarryChoices,
  nowMs: number,
  { signal }: Watched,
): Promise<Result<{ rows: number; aside?: string }>> {
  const read = parseBundle(bytes)
  if (!read.ok) return read
  const refused = how === 'as-new' ? whyNotAsNew(kitchen, read.value) : undefined
  if (refused) return refused
  const theirs = chosen(kitchen, read.value.tables, how === 'merge' ? choices : {})
  const changes = (): RowChanges =>
    how === 'merge'
      ? mergePlan(kitchen.db, theirs.tables, theirs.choices)
      : { added: new Map(Object.entries(theirs.tables) as [TableId, Row[]][]), replaced: new Map() }
  const coming = changes().added
  const photos = (coming.get('photo') ?? []).map((row) => ({
    id: String(row.id),
    bytes: read.value.pictures.get(String(row.id))!,
    row,
  }))
  const wrongPhoto = await firstWrongPhoto(photos)
  if (wrongPhoto)
    return fieldError(`pictures.${wrongPhoto.id}`, 'is not the picture that its photo speaks of')
  const guest = stagingDatabase(theirs.tables)
  if (!guest.ok) return guest
  try {
    const cookIds = (coming.get('cook') ?? []).map((row) => String(row.id))
    const lines = await linesOf(kitchenIn(guest.value), cookIds, signal)
    const aside =
      how === 'as-new' ? await takeCopy(file, join(dirname(file), 'before-import'), nowMs) : undefined
    if (signal?.aborted) throw new Refused(STOPPED)
    // Computed again inside: while the lines were made, someone may have pressed something.
    const rows = withPictures(file, photos, () =>
      inOneWrite(kitchen.db, () => {
        if (how === 'as-new') emptyTables(kitchen.db)
        return write(kitchen, changes(), lines)
      }),
    )
    globalThis.omselBrought = broughtTimes() + 1
    kitchen.notebook.changed()
    announce(ALL)
    return { ok: true, value: { rows, ...(aside === undefined ? {} : { aside }) } }
  } catch (error) {
    const { code, message = '' } = error as { code?: string; message?: string }
    // The database's own errors are known by their code: they may be of another realm's class.
    if (error instanceof Refused || code?.startsWith('SQLITE_CONSTRAINT'))
      return fieldError('file', `cannot be imported: ${message}`)
    throw error
  } finally {
    guest.value.close()
  }
}

function whyNotAsNew(kitchen: Kitchen, { holds, tables }: Pick<ParsedBundle, 'holds' | 'tables'>) {
  if (holds !== 'household' || tables.household?.length !== 1)
    return fieldError(
      'how',
      'must be merge: this file is only part of a household and cannot replace all of it',
    )
  if (kitchen.cooks.running().length > 0)
    return fieldError('how', 'must wait: a pot is on the stove. Finish it or set it aside first', 'conflict')
  return undefined
}

/** The first whose picture is not the JPEG its row describes. */
async function firstWrongPhoto(photos: readonly Photo[]): Promise<Photo | undefined> {
  if (photos.length === 0) return undefined
  const { default: sharp } = await import('sharp')
  for (const photo of photos) {
    const { bytes, row } = photo
    const meta = await sharp(bytes, { limitInputPixels: MAX_SIDE_PX ** 2 })
      .metadata()
      .catch(() => undefined)
    const matches =
      meta?.format === 'jpeg' &&
      meta.width === row.width &&
      meta.height === row.height &&
      bytes.length === row.bytes
    if (!matches) return photo
  }
  return undefined
}

/** Writes pictures before their rows, so that no row points at one that is not there; a failure leaves none. */
function withPictures<T>(file: string, photos: readonly Photo[], work: () => T): T {
  const written = photos.map(({ id, bytes }) => keepPicture(file, id, bytes))
  try {
    return work()
  } catch (error) {
    for (const path of written) rmSync(path, { force: true })
    throw error
  }
}

/** Writes rows and notebook lines. Runs in a transaction.  @returns how many rows  @throws {Refused} */
function write(kitchen: Kitchen, { added, replaced }: RowChanges, lines: readonly Noted[]): number {
  applyMerge(kitchen.db, { added, replaced })
  const loose = kitchen.db.pragma('foreign_key_check') as { table: string }[]
  if (loose.length > 0) {
    const tables = [...new Set(loose.map((row) => row.table))].join(', ')
    throw new Refused(`${loose.length} rows speak of what is not there (${tables})`)
  }
  for (const id of touchedCooks(added, replaced)) kitchen.notebook.drop(id)
  const there = new Set((added.get('cook') ?? []).map((row) => String(row.id)))
  for (const { line, evidence } of lines) if (there.has(line.cook_id)) kitchen.notebook.put(line, evidence)
  rebuildMissingEntries(kitchen)
  return [...added.values(), ...replaced.values()].reduce((sum, list) => sum + list.length, 0)
}

const SLICE_MS = 40
const STOPPED = 'it was stopped; nothing was changed'

/**
 * Notebook entries of batches, computed from their events in the staging database, a slice at a time so that
 * the stove is served meanwhile. A cook that cannot be followed from its events is no cook.
 * @throws {Refused}
 */
async function linesOf(
  guest: Kitchen,
  ids: readonly string[],
  signal: AbortSignal | undefined,
): Promise<Noted[]> {
  const lines: Noted[] = []
  let begun = performance.now()
  for (const [i, id] of ids.entries()) {
    try {
      const line = lineOf(guest, id)
      if (line) lines.push(line)
      else canBeReplayed(guest, id)
    } catch (error) {
      throw new Refused(`the cook ${id} cannot be followed: ${(error as Error).message.slice(0, 160)}`)
    }
    if (performance.now() - begun < SLICE_MS) continue
    globalThis.omselCarrying = { done: i + 1, total: ids.length }
    await new Promise((resolve) => setImmediate(resolve))
    if (signal?.aborted) throw new Refused(STOPPED)
    begun = performance.now()
  }
  return lines
}

function canBeReplayed({ cooks }: Kitchen, id: string): void {
  const cook = cooks.find(id)!
  const events = cooks.events(id)
  replay(runningCookOf(cook, events), events, events.at(-1)?.atMs ?? cook.startedMs)
}

function keepPicture(file: string, id: string, jpeg: Buffer): string {
  const path = join(dirname(file), 'photos', `${id}.jpg`)
  mkdirSync(dirname(path), { recursive: true })
  writeFileSync(`${path}.part`, jpeg, { flush: true })
  renameSync(`${path}.part`, path)
  return path
}

/** Cooks whose lines are no longer what their records say. */
const touchedCooks = (...sets: ReadonlyMap<TableId, readonly Row[]>[]): Set<string> =>
  new Set(
    sets.flatMap((set) =>
      (['cook_event', 'rating', 'measurement'] as const).flatMap((table) =>
        (set.get(table) ?? []).map((row) => String(row.cook_id)),
      ),
    ),
  )
