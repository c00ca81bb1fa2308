import { dirname, join } from 'node:path'
import { HouseholdGone } from './backup/before-opening'
import { HouseholdInUse } from './backup/household-lock'

/** What SQLite and the system say of a file that cannot be written. */
const NOT_WRITABLE =
  /^(?:SQLITE_(?:CANTOPEN|READONLY|FULL|IOERR|PERM|AUTH)|EACCES|EPERM|EROFS|ENOSPC|ENOTDIR)/

/** Why a household cannot be opened, and what to do, in words. */
export function startFault(error: unknown, file: string): string {
  const { code = '', message } = error as Error & { code?: string }
  if (error instanceof HouseholdInUse || error instanceof HouseholdGone) return message
  if (message.includes('newer than'))
    return `${file} was written by a newer Omsel. Update this one, or name another household with OMSEL_DATA.`
  if (code.startsWith('SQLITE_NOTADB'))
    return `${file} is not an Omsel household. Move it away, or name another with OMSEL_DATABASE.`
  if (code.startsWith('SQLITE_CORRUPT'))
    return `${file} is damaged. Put a copy in its place: bin/omsel restore ${join(dirname(file), 'copies')}/…`
  if (NOT_WRITABLE.test(code))
    return `${file} cannot be written (${code}). Check who owns the folder, and the room on the disk.`
  return `${file} cannot be opened: ${message}`
}
