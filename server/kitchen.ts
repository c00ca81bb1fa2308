import { HouseholdGone, isMarked, lookBeforeOpening, markHousehold } from './backup/before-opening'
import { lockHousehold, wasLeftOpen } from './backup/household-lock'
import { beginHousehold, FIRST_KITCHEN } from './commands/begin-household'
import { rebuildMissingEntries } from './commands/rebuild-entry'
import { databaseFile, openKitchen, type Kitchen } from './store/open-household'
import { startFault } from './start-fault'

declare global {
  var omselKitchen: Kitchen | undefined
}

/**
 * The household this server serves, opened once, for this process alone; on the global object because the
 * development server reloads modules.
 */
export function kitchen(): Kitchen {
  if (!globalThis.omselKitchen) {
    const file = databaseFile()
    const leftOpen = wasLeftOpen(file)
    // Before anything of it is opened.
    lockHousehold(file)
    lookBeforeOpening(file, leftOpen, Date.now())
    const opened = openKitchen(file)
    if (!opened.household.settings()) {
      if (isMarked(file)) throw new HouseholdGone(file)
      beginHousehold(opened, FIRST_KITCHEN)
      opened.household.isNew()
    }
    rebuildMissingEntries(opened)
    // What was begun or brought up is in the file itself, whatever becomes of the log beside it.
    opened.db.pragma('wal_checkpoint(TRUNCATE)')
    markHousehold(file)
    globalThis.omselKitchen = opened
    process.once('exit', () => opened.db.close())
  }
  return globalThis.omselKitchen
}

/** Opens the household as a server starts.  @returns why it cannot be, and what to do, in words */
export function openHousehold(): { ok: true } | { ok: false; message: string } {
  try {
    kitchen()
    return { ok: true }
  } catch (error) {
    return { ok: false, message: startFault(error, databaseFile()) }
  }
}
