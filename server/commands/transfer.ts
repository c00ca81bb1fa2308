import { randomUUID } from 'node:crypto'
import { mkdirSync, rmSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { TABLE_IDS, tableSpec, type Row } from '#core/contract/bundle'
import type { GroupId } from '#core/contract/bundle-names'
import type { Result } from '#core/contract/plan-request'
import { fieldError } from '#core/contract/field-error'
import { takeCopy } from '#server/backup/copy'
import { ALL, announce } from '#server/realtime/hub'
import type { Kitchen } from '#server/store/open-household'
import type { Choice, Choices, GroupChange } from '#server/transfer/merge'
import { prepareImport, STOPPED, type Prepared } from './prepare-import'
import { stagedPicture, type Staged } from '#server/transfer/staging'
import { writeImport, type ImportWrite } from './write-import'

/** Merge into this household, or replace it. */
export const IMPORT_MODES = ['merge', 'as-new'] as const
export type ImportMode = (typeof IMPORT_MODES)[number]
/**
 * For rows both households have and that differ: ours, theirs, or (things that can exist side by side) both.
 */
export type ImportChoices = Partial<Record<GroupId, Choice | 'both'>>
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
/** How it is written: in this thread, or in another. */
export type Write = (
  wanted: ImportWrite,
) => ReturnType<typeof writeImport> | Promise<ReturnType<typeof writeImport>>

/**
 * What bringing a file in would change. Nothing is written.
 * @param file the household's database
 * @param source path of the file that comes in, or its bytes
 */
export async function previewImport(
  file: string,
  source: string | Uint8Array,
  prepare: Prepare = prepareImport,
  signal?: AbortSignal,
): Promise<Result<ImportPreview>> {
  const prepared = await laidOut(file, (folder) =>
    prepare({ source, folder, file, how: 'look', both: [], choices: {} }, undefined, signal),
  )
  if (!prepared.ok) return prepared
  const { photos: _photos, households: _households, ...preview } = prepared.value
  return { ok: true, value: preview }
}

/** How far a file on its way in has come. */
export interface Progress {
  done: number
  total: number
}
interface Watched {
  /** Stops it while nothing has been written yet. */
  signal?: AbortSignal
  prepare?: Prepare
  write?: Write
}
declare global {
  var omselWriting: Promise<void> | undefined
  var omselImport: Progress | undefined
  var omselImports: number | undefined
}
/** Progress of the import that is running, if one is. */
export const importProgress = (): Progress | undefined => globalThis.omselImport
/** While an import is being written: resolves when it is. Others read meanwhile; who writes waits for it first. */
export const importWritten = (): Promise<void> | undefined => globalThis.omselWriting
/** Imports finished since the server started: a late Stop can see that it came too late. */
export const importsDone = (): number => globalThis.omselImports ?? 0

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
  choices: ImportChoices,
  nowMs: number,
  watched: Watched = {},
): Promise<Result<{ rows: number; aside?: string }>> {
  if (globalThis.omselImport) return fieldError('file', 'must wait: another import is running', 'conflict')
  globalThis.omselImport = { done: 0, total: 0 }
  try {
    return await laidOut(file, (folder) =>
      runImport(kitchen, { file, source, folder, how, choices, nowMs }, watched),
    )
  } finally {
    globalThis.omselImport = undefined
  }
}

/** What comes in, laid out, and how. */
interface Incoming {
  file: string
  source: string | Uint8Array
  folder: string
  how: ImportMode
  choices: ImportChoices
  nowMs: number
}

async function runImport(
  kitchen: Kitchen,
  { file, source, folder, how, choices, nowMs }: Incoming,
  { signal, prepare = prepareImport, write = writeImport }: Watched,
): Promise<Result<{ rows: number; aside?: string }>> {
  const both = TABLE_IDS.filter(
    (table) => SIDE_BY_SIDE.includes(tableSpec(table).group) && choices[tableSpec(table).group] === 'both',
  )
  const theirChoices = Object.fromEntries(
    Object.entries(choices).filter(([, choice]) => choice === 'theirs'),
  ) as Choices
  const prepared = await prepare(
    { source, folder, file, how, both, choices: theirChoices },
    (done, total) => void (globalThis.omselImport = { done, total }),
    signal,
  )
  if (!prepared.ok) return prepared
  const { photos } = prepared.value
  const refused = how === 'as-new' ? whyNotAsNew(kitchen, prepared.value) : undefined
  if (refused) return refused
  const wrongPhoto = await firstWrongPhoto(photos, folder)
  if (wrongPhoto)
    return fieldError(`pictures.${String(wrongPhoto.id)}`, 'is not the picture that its photo speaks of')
  const aside =
    how === 'as-new' ? await takeCopy(file, join(dirname(file), 'before-import'), nowMs) : undefined
  if (signal?.aborted) return fieldError('file', `cannot be imported: ${STOPPED}`)
  const checked = photos.map((row) => String(row.id))
  const written = await whileOthersWait(() =>
    write({ file, folder, how, choices: theirChoices, photos: checked }),
  )
  if (!written.ok) return written
  globalThis.omselImports = importsDone() + 1
  kitchen.notebook.changed()
  announce(ALL)
  return { ok: true, value: { ...written.value, ...(aside === undefined ? {} : { aside }) } }
}

/** Does the writing; who else wants to write waits for it (importWritten). */
async function whileOthersWait<T>(work: () => T | Promise<T>): Promise<T> {
  let over = (): void => undefined
  globalThis.omselWriting = new Promise((resolve) => (over = resolve))
  try {
    return await work()
  } finally {
    globalThis.omselWriting = undefined
    over()
  }
}

function whyNotAsNew(kitchen: Kitchen, { holds, households }: Prepared) {
  if (holds !== 'household' || households !== 1)
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
