import Database from 'better-sqlite3'
import { runningCookOf } from '#core/contract/running-cook'
import type { Result } from '#core/contract/plan-request'
import type { Row, TableId } from '#core/contract/bundle'
import { replay } from '#core/cook/replay'
import { lineOf } from './rebuild-entry'
import { fieldError } from '#core/contract/field-error'
import { openDatabase } from '#server/store/open'
import { kitchenIn, type Kitchen } from '#server/store/open-household'
import { randomUUID } from 'node:crypto'
import { mergePlan, type Choices, type GroupChange } from '#server/transfer/merge'
import { renameConflicts } from '#server/transfer/rename-conflicts'
import { stage, stagedDatabase, type Staged } from '#server/transfer/staging'

/** What is prepared of an import before anything is written. */
export interface Preparation {
  /** Path of the file, or its bytes. */
  source: string | Uint8Array
  /** Where it is laid out; the caller removes it. */
  folder: string
  /** The household's database. */
  file: string
  /** Only looked at, or brought in: merged or in place of what is here. */
  how: 'look' | 'merge' | 'as-new'
  /** Tables of things that stay side by side with ours where they differ. */
  both: readonly TableId[]
  /** Whose rows are kept where both have one and they differ. */
  choices: Choices
}
export interface Prepared extends Staged {
  /** What merging changes; nothing for a household that takes the place of ours. */
  changes: GroupChange[]
  /** Rows of the pictures that come along. */
  photos: Row[]
  /** How many households there are in the file: a whole export has one. */
  households: number
}

/** Batches that are followed before others get a turn. */
const AT_ONCE = 20
/** Where a thread says how far it has come. */
export const PROGRESS_CHANNEL = 'omsel-import'
export const STOPPED = 'it was stopped; nothing was changed'

/**
 * Reads a file, lays it out, and works out what takes long: what would change, or the notebook's entries of its
 * batches. A batch that cannot be followed from its events is none, and the file is refused.
 * @param onProgress batches followed, of how many
 */
export async function prepareImport(
  { source, folder, file, how, both, choices }: Preparation,
  onProgress: (done: number, total: number) => void = () => undefined,
  signal?: AbortSignal,
): Promise<Result<Prepared>> {
  const staged = await stage(source, folder)
  if (!staged.ok) return staged
  if (signal?.aborted) return fieldError('file', `cannot be imported: ${STOPPED}`)
  const ours = new Database(file, { readonly: true, fileMustExist: true })
  const theirs = openDatabase(stagedDatabase(folder))
  try {
    theirs.pragma('foreign_keys = OFF')
    theirs.pragma('synchronous = OFF')
    renameConflicts(ours, theirs, both, randomUUID)
    const plan = how === 'as-new' ? undefined : mergePlan(ours, theirs, choices)
    const prepared: Prepared = {
      ...staged.value,
      changes: plan?.changes ?? [],
      photos: plan
        ? (plan.added.get('photo') ?? [])
        : (theirs.prepare('SELECT id, bytes, width, height FROM photo').all() as Row[]),
      households: theirs.prepare('SELECT count(*) FROM household').pluck().get() as number,
    }
    if (how === 'look') return { ok: true, value: prepared }
    const ids = plan
      ? (plan.added.get('cook') ?? []).map((row) => String(row.id))
      : (theirs.prepare('SELECT id FROM cook').pluck().all() as string[])
    const guest = kitchenIn(theirs)
    theirs.exec('BEGIN')
    for (const [i, id] of ids.entries()) {
      try {
        const line = lineOf(guest, id)
        if (line) guest.notebook.put(line.line, line.evidence)
        else canBeReplayed(guest, id)
      } catch (error) {
        return fieldError(
          'file',
          `cannot be imported: the cook ${id} cannot be followed: ${(error as Error).message.slice(0, 160)}`,
        )
      }
      if (i % AT_ONCE !== AT_ONCE - 1) continue
      onProgress(i + 1, ids.length)
      await new Promise((resolve) => setImmediate(resolve))
      if (signal?.aborted) return fieldError('file', `cannot be imported: ${STOPPED}`)
    }
    theirs.exec('COMMIT')
    theirs.pragma('wal_checkpoint(TRUNCATE)')
    return { ok: true, value: prepared }
  } finally {
    ours.close()
    theirs.close()
  }
}

function canBeReplayed({ cooks }: Kitchen, id: string): void {
  const cook = cooks.find(id)!
  const events = cooks.events(id)
  replay(runningCookOf(cook, events), events, events.at(-1)?.atMs ?? cook.startedMs)
}
