import { markInUse } from './backup/copy'
import { beginHousehold, FIRST_KITCHEN } from './commands/begin-household'
import { rebuildMissingEntries } from './commands/rebuild-entry'
import { databaseFile, openKitchen, type Kitchen } from './store/open-household'

declare global {
  var omselKitchen: Kitchen | undefined
}

/**
 * The household this server serves, opened once; on the global object because the development server reloads
 * modules.
 */
export function kitchen(): Kitchen {
  if (!globalThis.omselKitchen) {
    const opened = openKitchen(databaseFile())
    if (!opened.household.settings()) {
      beginHousehold(opened, FIRST_KITCHEN)
      opened.household.isNew()
    }
    rebuildMissingEntries(opened)
    globalThis.omselKitchen = opened
    markInUse(databaseFile())
    process.once('exit', () => opened.db.close())
  }
  return globalThis.omselKitchen
}
