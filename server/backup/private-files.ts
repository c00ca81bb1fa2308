import { chmodSync, existsSync, readdirSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { isMainThread } from 'node:worker_threads'

const OWNER_FILE = 0o600
const OWNER_FOLDER = 0o700
const OTHERS = 0o077

/** Folders beside the database that hold nothing but the household's. */
const OWN_FOLDERS = ['photos', 'copies', 'tls']
const DATABASE_FILES = ['', '-wal', '-shm', '.lock', '.in-use', '.household']

/** Takes a file or a folder, and all in it, from everyone but its owner; what belongs to someone else stays. */
function makePrivate(path: string): void {
  if (!existsSync(path)) return
  const found = statSync(path)
  const isFolder = found.isDirectory()
  try {
    if ((found.mode & OTHERS) !== 0) chmodSync(path, isFolder ? OWNER_FOLDER : OWNER_FILE)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') throw error
  }
  if (isFolder) for (const name of readdirSync(path)) makePrivate(join(path, name))
}

/**
 * Keeps a household from other users of its machine: files with wider rights lose them, and what this process writes
 * from now on is its owner's alone. The folder around the database may be anyone's, and stays as it is.
 */
export function makeHouseholdPrivate(file: string): void {
  if (isMainThread) process.umask(OTHERS)
  for (const end of DATABASE_FILES) makePrivate(`${file}${end}`)
  for (const name of OWN_FOLDERS) makePrivate(join(dirname(file), name))
}
