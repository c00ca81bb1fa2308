import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import type { Row, TableId } from '#core/contract/bundle'
import { fieldError } from '#core/contract/field-error'
import type { Result } from '#core/contract/plan-request'
import { ENTRY_COLUMNS } from '#server/store/notebook'
import { openDatabase, type Db } from '#server/store/open'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { inOneWrite } from '#server/store/write'
import { applyMerge, mergePlan, replaceAll, type Choices, type MergePlan } from '#server/transfer/merge'
import { stagedDatabase, stagedPicture } from '#server/transfer/staging'
import { rebuildMissingEntries } from './rebuild-entry'

/** What was prepared, to be written. */
export interface ImportWrite {
  /** The household's database. */
  file: string
  /** Where what comes in is laid out. */
  folder: string
  how: 'merge' | 'as-new'
  /** Whose rows are kept where both have one and they differ. */
  choices: Choices
  /** Pictures that were looked at and may be put in their place. */
  photos: readonly string[]
}

/** Whatever is refused half-way takes everything back with it. */
class Refused extends Error {}

/**
 * Writes what was prepared, over a connection of its own: all of it or nothing. In a thread of its own it holds up
 * nobody who reads. What merging changes is worked out here, from what the household holds by now.
 * @returns how many rows were written
 */
export function writeImport(wanted: ImportWrite): Result<{ rows: number }> {
  const kitchen = openKitchen(wanted.file)
  const theirs = openDatabase(stagedDatabase(wanted.folder))
  const pictures = picturesOf(wanted)
  try {
    kitchen.db.prepare('ATTACH ? AS theirs').run(stagedDatabase(wanted.folder))
    const rows = inOneWrite(kitchen.db, () => {
      if (wanted.how === 'merge') {
        const plan = mergePlan(kitchen.db, theirs, wanted.choices)
        pictures.place(plan.added.get('photo') ?? [])
        return merge(kitchen, plan)
      }
      if (kitchen.cooks.running().length > 0) throw new Refused('a pot was put on the stove meanwhile')
      pictures.place(theirs.prepare('SELECT id FROM photo').all() as Row[])
      return replace(kitchen)
    })
    pictures.keep()
    kitchen.db.exec('DETACH theirs')
    // The log is emptied here and not by the next one who presses a key.
    kitchen.db.pragma('wal_checkpoint(PASSIVE)')
    return { ok: true, value: { rows } }
  } catch (error) {
    pictures.putBack()
    const { code, message = '' } = error as { code?: string; message?: string }
    if (error instanceof Refused || code?.startsWith('SQLITE_CONSTRAINT'))
      return fieldError('file', `cannot be imported: ${message}`)
    throw error
  } finally {
    theirs.close()
    kitchen.db.close()
  }
}

/**
 * Pictures are put in their place before their rows are written, so that no row points at one that is not there; a
 * failure leaves those that were there before.
 */
function picturesOf({ file, folder, photos }: ImportWrite) {
  const into = join(dirname(file), 'photos')
  const checked = new Set(photos)
  const paths: string[] = []
  return {
    /** @throws {Refused} for one that was not looked at */
    place(rows: readonly Row[]): void {
      if (rows.length > 0) mkdirSync(into, { recursive: true, mode: 0o700 })
      for (const { id } of rows) {
        if (!checked.has(String(id))) throw new Refused('pictures were changed meanwhile; try again')
        const path = join(into, `${String(id)}.jpg`)
        if (existsSync(path)) renameSync(path, `${path}.before`)
        paths.push(path)
        renameSync(stagedPicture(folder, String(id)), path)
      }
    },
    keep(): void {
      for (const path of paths) rmSync(`${path}.before`, { force: true })
    },
    putBack(): void {
      for (const path of paths) {
        rmSync(path, { force: true })
        if (existsSync(`${path}.before`)) renameSync(`${path}.before`, path)
      }
    },
  }
}

/** Their household in place of this one.  @returns how many rows  @throws {Refused} */
function replace(kitchen: Kitchen): number {
  const rows = replaceAll(kitchen.db)
  refuseLoose(kitchen.db)
  kitchen.db.exec(
    `INSERT INTO main.notebook_entry (${ENTRY_COLUMNS}) SELECT ${ENTRY_COLUMNS} FROM theirs.notebook_entry`,
  )
  rebuildMissingEntries(kitchen)
  return rows
}

/** Rows and notebook entries that merging adds or changes.  @returns how many rows  @throws {Refused} */
function merge(kitchen: Kitchen, { added, replaced }: MergePlan): number {
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

/** Cooks whose entries are no longer what their records say. */
const touchedCooks = (...sets: ReadonlyMap<TableId, readonly Row[]>[]): Set<string> =>
  new Set(
    sets.flatMap((set) =>
      (['cook_event', 'rating', 'measurement'] as const).flatMap((table) =>
        (set.get(table) ?? []).map((row) => String(row.cook_id)),
      ),
    ),
  )
