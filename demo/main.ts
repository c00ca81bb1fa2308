import { existsSync, rmSync } from 'node:fs'
import { lockHousehold } from '#server/backup/household-lock'
import { nowMs } from '#server/clock'
import { databaseFile, openKitchen } from '#server/store/open-household'
import { seedDemo } from './seed'

/** Makes the demo database where there is none; --fresh makes it again. */
const file = databaseFile()
const fresh = process.argv.includes('--fresh')
// What is made again is nobody's meanwhile.
if (fresh || !existsSync(file))
  try {
    lockHousehold(file)
  } catch (error) {
    console.error((error as Error).message)
    process.exit(2)
  }
if (fresh) for (const end of ['', '-wal', '-shm']) rmSync(file + end, { force: true })
if (existsSync(file)) {
  console.log(`The demo household is in ${file}; --fresh makes it again.`)
} else {
  const kitchen = openKitchen(file)
  // One transaction, so that a household half written never stays.
  kitchen.db.transaction(() => seedDemo(kitchen, nowMs()))()
  kitchen.db.close()
  console.log(`Wrote the demo household to ${file}.`)
}
