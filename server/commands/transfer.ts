import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { TABLE_IDS, tableSpec, type Row, type TableId } from '#core/contract/bundle'
import type { GroupId } from '#core/contract/bundle-names'
import type { Result } from '#core/contract/plan-request'
import { fieldError } from '#core/contract/field-error'
import { takeCopy } from '#server/backup/copy'
import { ALL, announce } from '#server/realtime/hub'
import { openDatabase, type Db } from '#server/store/open'
import { ENTRY_COLUMNS } from '#server/store/notebook'
import type { Kitchen } from '#server/store/open-household'
import {
  applyMerge,
  mergePlan,
  replaceAll,
  type Choice,
  type Choices,
  type GroupChange,
  type MergePlan,
} from '#server/transfer/merge'
import { prepareImport, STOPPED, type Prepared } from './prepare-import'
import { stagedDatabase, stagedPicture, type Staged } from '#server/transfer/staging'
import { rebuildMissingEntries } from './rebuild-entry'
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

export interface ImportPreview extends Staged {
  changes: GroupChange[]
}

const MAX_SIDE_PX = 4096

/** Folder in which files are unpacked before they are imported, next to the database. */
export const incomingFolder = (file: string): string => join(dirname(file), 'incoming')

/** Lays a file out in a folder of its own for as long as something is done with it. */
async function laidOut<T>(file: string, work: (folder: string) => Promise<T>): Promise<T> {
  const folder = join(incomingFolder(file), randomUUID())
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  try {
    return await work(folder)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/** How a file is prepared: in this thread, or in another so that the stove is served meanwhile. */
export type Prepare = typeof prepareImport

/**
 * What bringing a file in would change. Nothing is written.
 * @param file the household's database
 * @param source path of the file that comes in, or its bytes
 */
export async function lookAt(
  file: string,
  source: string | Uint8Array,
  prepare: Prepare = prepareImport,
  signal?: AbortSignal,
): Promise<Result<ImportPreview>> {
  const prepared = await laidOut(file, (folder) =>
    prepare({ source, folder, file, how: 'look', both: [], choices: {} }, undefined, signal),
  )
  if (!prepared.ok) return prepared
  const { plan, ...staged } = prepared.value
  return { ok: true, value: { ...staged, changes: plan?.changes ?? [] } }
}

/** Whatever is refused half-way takes everything back with it. */
class Refused extends Error {}

/** How far a file on its way in has come. */
export interface Progress {
  done: number
  total: number
}
interface Watched {
  /** Stops it while nothing has been written yet. */
  signal?: AbortSignal
  prepare?: Prepare
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
 * Brings a file in: all of what was chosen, or nothing.
 * @param file the household's database, copied before it is replaced
 * @param source path of the file that comes in, or its bytes
 * @returns how many rows were written, and the folder of the copy made before
 */
export async function importBundle(
  kitchen: Kitchen,
  file: string,
  source: string | Uint8Array,
  how: ImportMode,
  choices: CarryChoices,
  nowMs: number,
  watched: Watched = {},
): Promise<Result<{ rows: number; aside?: string }>> {
  if (globalThis.omselCarrying) return fieldError('file', 'must wait: another import is running', 'conflict')
  globalThis.omselCarrying = { done: 0, total: 0 }
  try {
    return await laidOut(file, (folder) =>
      runImport(kitchen, { file, source, folder, how, choices, nowMs }, watched),
    )
  } finally {
    globalThis.omselCarrying = undefined
  }
}

/** What comes in, laid out, and how. */
interface Incoming {
  file: string
  source: string | Uint8Array
  folder: string
  how: ImportMode
  choices: CarryChoices
  nowMs: number
}

async function runImport(
  kitchen: Kitchen,
  { file, source, folder, how, choices, nowMs }: Incoming,
  { signal, prepare = prepareImport }: Watched,
): Promise<Result<{ rows: number; aside?: string }>> {
  const both = TABLE_IDS.filter(
    (table) => SIDE_BY_SIDE.includes(tableSpec(table).group) && choices[tableSpec(table).group] === 'both',
  )
  const theirChoices = Object.fromEntries(
    Object.entries(choices).filter(([, choice]) => choice === 'theirs'),
  ) as Choices
  const asPrepared = writtenSoFar(kitchen.db)
  const prepared = await prepare(
    { source, folder, file, how, both, choices: theirChoices },
    (done, total) => void (globalThis.omselCarrying = { done, total }),
    signal,
  )
  if (!prepared.ok) return prepared
  const theirs = openDatabase(stagedDatabase(folder))
  try {
    const refused = how === 'as-new' ? whyNotAsNew(kitchen, prepared.value, theirs) : undefined
    if (refused) return refused
    const { plan } = prepared.value
    // While the file was prepared someone may have pressed something: what merging changes is then worked out again.
    const planNow = () =>
      plan && writtenSoFar(kitchen.db) !== asPrepared ? mergePlan(kitchen.db, theirs, theirChoices) : plan
    const photos = plan
      ? (planNow()?.added.get('photo') ?? [])
      : (theirs.prepare('SELECT id, bytes, width, height FROM photo').all() as Row[])
    const wrongPhoto = await firstWrongPhoto(photos, folder)
    if (wrongPhoto)
      return fieldError(`pictures.${String(wrongPhoto.id)}`, 'is not the picture that its photo speaks of')
    const aside =
      how === 'as-new' ? await takeCopy(file, join(dirname(file), 'before-import'), nowMs) : undefined
    if (signal?.aborted) throw new Refused(STOPPED)
    const rows = withAttached(kitchen.db, stagedDatabase(folder), () =>
      withPictures(file, photos, folder, () =>
        inOneWrite(kitchen.db, () => {
          const now = planNow()
          return now ? write(kitchen, now) : writeAsNew(kitchen, prepared.value.rows)
        }),
      ),
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
    theirs.close()
  }
}

/** Grows with everything that is written into a household, by this program or another. */
const writtenSoFar = (db: Db): string =>
  `${db.prepare('SELECT total_changes()').pluck().get() as number} ${db.pragma('data_version', { simple: true }) as number}`

function whyNotAsNew(kitchen: Kitchen, { holds }: Prepared, theirs: Db) {
  if (holds !== 'household' || theirs.prepare('SELECT count(*) FROM household').pluck().get() !== 1)
    return fieldError(
      'how',
      'must be merge: this file is only part of a household and cannot replace all of it',
    )
  if (kitchen.cooks.running().length > 0)
    return fieldError('how', 'must wait: a pot is on the stove. Finish it or set it aside first', 'conflict')
  return undefined
}

/** The first whose picture is not the JPEG its row describes. */
async function firstWrongPhoto(photos: readonly Row[], folder: string): Promise<Row | undefined> {
  if (photos.length === 0) return undefined
  const { default: sharp } = await import('sharp')
  for (const row of photos) {
    const path = stagedPicture(folder, String(row.id))
    const meta = await sharp(path, { limitInputPixels: MAX_SIDE_PX ** 2 })
      .metadata()
      .catch(() => undefined)
    const matches =
      meta?.format === 'jpeg' &&
      meta.width === row.width &&
      meta.height === row.height &&
      statSync(path).size === row.bytes
    if (!matches) return row
  }
  return undefined
}

/** Attaches their database to ours, under the name `theirs`, for as long as something is done with it. */
function withAttached<T>(db: Db, theirs: string, work: () => T): T {
  db.prepare('ATTACH ? AS theirs').run(theirs)
  try {
    return work()
  } finally {
    db.exec('DETACH theirs')
  }
}

/**
 * Puts pictures in their place before their rows, so that no row points at one that is not there; a failure
 * leaves those that were there before.
 */
function withPictures<T>(file: string, photos: readonly Row[], folder: string, work: () => T): T {
  const into = join(dirname(file), 'photos')
  if (photos.length > 0) mkdirSync(into, { recursive: true, mode: 0o700 })
  const paths = photos.map((row) => {
    const path = join(into, `${String(row.id)}.jpg`)
    if (existsSync(path)) renameSync(path, `${path}.before`)
    renameSync(stagedPicture(folder, String(row.id)), path)
    return path
  })
  try {
    const done = work()
    for (const path of paths) rmSync(`${path}.before`, { force: true })
    return done
  } catch (error) {
    for (const path of paths) {
      rmSync(path, { force: true })
      if (existsSync(`${path}.before`)) renameSync(`${path}.before`, path)
    }
    throw error
  }
}

/** Their household in place of this one. Runs in a transaction.  @throws {Refused} */
function writeAsNew(kitchen: Kitchen, rows: number): number {
  replaceAll(kitchen.db)
  refuseLoose(kitchen.db)
  kitchen.db.exec(
    `INSERT INTO main.notebook_entry (${ENTRY_COLUMNS}) SELECT ${ENTRY_COLUMNS} FROM theirs.notebook_entry`,
  )
  rebuildMissingEntries(kitchen)
  return rows
}

/** Writes rows and notebook entries. Runs in a transaction.  @returns how many rows  @throws {Refused} */
function write(kitchen: Kitchen, { added, replaced }: MergePlan): number {
  applyMerge(kitchen.db, { added, replaced })
  refuseLoose(kitchen.db)
  for (const id of touchedCooks(added, replaced)) kitchen.notebook.drop(id)
  const take = kitchen.db.prepare(
    `INSERT INTO main.notebook_entry (${ENTRY_COLUMNS}) SELECT ${ENTRY_COLUMNS} FROM theirs.notebook_entry WHERE cook_id = ?`,
  )
  for (const cook of added.get('cook') ?? []) take.run(cook.id)
  rebuildMissingEntries(kitchen)
  return [...added.values(), ...replaced.values()].reduce((sum, list) => sum + list.length, 0)
}

function refuseLoose(db: Db): void {
  const loose = db.pragma('main.foreign_key_check') as { table: string }[]
  if (loose.length === 0) return
  const tables = [...new Set(loose.map((row) => row.table))].join(', ')
  throw new Refused(`${loose.length} rows speak of what is not there (${tables})`)
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
