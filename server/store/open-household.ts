import { join } from 'node:path'
import { accessIn } from './access'
import { createCookStore } from './cooks'
import { devicesIn } from './devices'
import { equipmentIn } from './equipment'
import { householdIn } from './household'
import { leftoversIn } from './leftovers'
import { notebookIn } from './notebook'
import { openDatabase, type Db } from './open'
import { refusingInWords } from './write'
import { photosIn } from './photos'
import { practiceIn } from './practice'
import { grainBagsIn } from './grain-bags'
import { peopleIn } from './people'
import { mealsIn } from './meals'
import { companionsIn } from './companions'
import { savedWaysIn } from './saved-ways'
import { tasteTestsIn } from './taste-tests'

/** A household's data, opened. */
export interface Kitchen {
  db: Db
  household: ReturnType<typeof householdIn>
  equipment: ReturnType<typeof equipmentIn>
  cooks: ReturnType<typeof createCookStore>
  grainBags: ReturnType<typeof grainBagsIn>
  devices: ReturnType<typeof devicesIn>
  leftovers: ReturnType<typeof leftoversIn>
  notebook: ReturnType<typeof notebookIn>
  photos: ReturnType<typeof photosIn>
  tasteTests: ReturnType<typeof tasteTestsIn>
  meals: ReturnType<typeof mealsIn>
  people: ReturnType<typeof peopleIn>
  practice: ReturnType<typeof practiceIn>
  companions: ReturnType<typeof companionsIn>
  savedWays: ReturnType<typeof savedWaysIn>
  access: ReturnType<typeof accessIn>
}

export const openKitchen = (file: string): Kitchen => kitchenIn(refusingInWords(openDatabase(file)))

/** A database as a household's data. */
export function kitchenIn(db: Db): Kitchen {
  return {
    db,
    household: householdIn(db),
    equipment: equipmentIn(db),
    cooks: createCookStore(db),
    grainBags: grainBagsIn(db),
    devices: devicesIn(db),
    leftovers: leftoversIn(db),
    notebook: notebookIn(db),
    photos: photosIn(db),
    tasteTests: tasteTestsIn(db),
    meals: mealsIn(db),
    people: peopleIn(db),
    practice: practiceIn(db),
    companions: companionsIn(db),
    savedWays: savedWaysIn(db),
    access: accessIn(db),
  }
}

export const databaseFile = (): string =>
  process.env.OMSEL_DATABASE ??
  join(process.env.OMSEL_DATA ?? join(process.env.OMSEL_ROOT ?? process.cwd(), 'data'), 'omsel.sqlite')

/** The household's settings; a kitchen without them was never begun. */
export function settingsOf({ household }: Kitchen) {
  const settings = household.settings()
  if (!settings) throw new Error('settingsOf: this household was never begun')
  return settings
}
