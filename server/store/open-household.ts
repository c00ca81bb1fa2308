import { join } from 'node:path'
import { accessIn } from './access'
import { markInUse } from '#server/backup/copy'
import { cooksIn } from './cooks'
import { devicesIn } from './devices'
import { equipmentIn } from './equipment'
import { householdIn } from './household'
import { keptIn } from './leftovers'
import { notebookIn } from './notebook'
import { openDatabase, type Db } from './open'
import { photosIn } from './photos'
import { practiceIn } from './practice'
import { shelfIn } from './grain-bags'
import { noteMissing } from '#server/commands/rebuild-entry'
import { eatersIn } from './people'
import { suppersIn } from './meals'
import { trialsIn } from './taste-tests'
import { beginHousehold, FIRST_KITCHEN } from '#server/commands/begin-household'

/** A household's data, opened. */
export interface Kitchen {
  db: Db
  household: ReturnType<typeof householdIn>
  equipment: ReturnType<typeof equipmentIn>
  cooks: ReturnType<typeof cooksIn>
  shelf: ReturnType<typeof shelfIn>
  devices: ReturnType<typeof devicesIn>
  kept: ReturnType<typeof keptIn>
  notebook: ReturnType<typeof notebookIn>
  photos: ReturnType<typeof photosIn>
  trials: ReturnType<typeof trialsIn>
  suppers: ReturnType<typeof suppersIn>
  eaters: ReturnType<typeof eatersIn>
  practice: ReturnType<typeof practiceIn>
  access: ReturnType<typeof accessIn>
}

export const openKitchen = (file: string): Kitchen => kitchenIn(openDatabase(file))

/** A database as a household's data. */
export function kitchenIn(db: Db): Kitchen {
  return {
    db,
    household: householdIn(db),
    equipment: equipmentIn(db),
    cooks: cooksIn(db),
    shelf: shelfIn(db),
    devices: devicesIn(db),
    kept: keptIn(db),
    notebook: notebookIn(db),
    photos: photosIn(db),
    trials: trialsIn(db),
    suppers: suppersIn(db),
    eaters: eatersIn(db),
    practice: practiceIn(db),
    access: accessIn(db),
  }
}

export const databaseFile = (): string =>
  process.env.OMSEL_DATABASE ??
  join(process.env.OMSEL_DATA ?? join(process.env.OMSEL_ROOT ?? process.cwd(), 'data'), 'omsel.sqlite')

declare global {
  var omselKitchen: Kitchen | undefined
}

/** The kitchen this server serves, opened once; kept on the global object because the development server reloads modules. */
export function kitchen(): Kitchen {
  if (!globalThis.omselKitchen) {
    const opened = openKitchen(databaseFile())
    if (!opened.household.settings()) {
      beginHousehold(opened, FIRST_KITCHEN)
      opened.household.isNew()
    }
    noteMissing(opened)
    globalThis.omselKitchen = opened
    markInUse(databaseFile())
    process.once('exit', () => opened.db.close())
  }
  return globalThis.omselKitchen
}

/** The household's settings; a kitchen without them was never begun. */
export function settingsOf({ household }: Kitchen) {
  const settings = household.settings()
  if (!settings) throw new Error('settingsOf: this household was never begun')
  return settings
}
