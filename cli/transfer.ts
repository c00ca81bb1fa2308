import { createWriteStream, existsSync, readFileSync } from 'node:fs'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { dirname, join } from 'node:path'
import type { FieldError } from '#core/contract/fields'
import { inUseBy, lockHousehold, releaseHousehold } from '#server/backup/household-lock'
import { importBundle, previewImport, type ImportMode } from '#server/commands/transfer'
import { databaseFile, openKitchen } from '#server/store/open-household'
import { archiveOf, bundlePieces, closeAfterExport, openForExport } from '#server/transfer/export-bundle'

/**
 * export and import, on the household named by OMSEL_DATABASE or OMSEL_DATA.
 * @param way how an import is brought in; without it, it is only looked at
 * @param fail ends the program with the words
 */
export async function transfer(
  command: string,
  [path = '-', ...more]: readonly string[],
  way: ImportMode | undefined,
  fail: (errors: FieldError[]) => never,
): Promise<void> {
  const say = (message: string) => fail([{ path: '', message, code: 'invalid' }])
  const file = databaseFile()
  if (more.length > 0) return say(`${command} takes one file, got ${more.length + 1}`)
  if (!existsSync(file)) return say(`there is no household at ${file}`)
  // Merging writes; what a server has in its hands is changed through the server.
  const user = command === 'import' && way ? inUseBy(file) : undefined
  if (user !== undefined)
    return say(
      `the household is in use by process ${user}: stop the server first, or bring it in on its page`,
    )
  let taken = false
  try {
    // What is imported is written by nobody else meanwhile.
    if (command === 'import' && way) taken = lockHousehold(file)
  } catch (error) {
    return say((error as Error).message)
  }
  const kitchen = openKitchen(file)
  try {
    if (command === 'export') {
      return await exportTo(file, path)
    }
    const source = path === '-' ? readFileSync(0) : path
    if (!way) {
      const preview = await previewImport(file, source)
      return preview.ok
        ? void process.stdout.write(`${JSON.stringify(preview.value, null, 2)}\n`)
        : fail(preview.errors)
    }
    const done = await importBundle(kitchen, file, source, way, {}, Date.now())
    if (!done.ok) return fail(done.errors)
    process.stdout.write(`${JSON.stringify(done.value, null, 2)}\n`)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code) return say((error as Error).message)
    throw error
  } finally {
    kitchen.db.close()
    if (taken) releaseHousehold(file)
  }
}

/** Writes the household to a new file, or to standard output. */
async function exportTo(file: string, path: string): Promise<void> {
  const wanted = { holds: 'household', pictures: join(dirname(file), 'photos'), nowMs: Date.now() } as const
  const db = openForExport(file)
  try {
    const bundle = path.endsWith('.zip')
      ? archiveOf(db, wanted)
      : Readable.from(bundlePieces(db, wanted), { objectMode: false })
    await pipeline(bundle, path === '-' ? process.stdout : createWriteStream(path, { flags: 'wx' }))
  } finally {
    await closeAfterExport(db)
  }
}
