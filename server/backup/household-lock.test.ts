import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync, existsSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { startFault } from '#server/start-fault'
import { openDatabase } from '#server/store/open'
import { restoreCopy, takeCopy } from './copy'
import { HouseholdInUse, inUseBy, lockHousehold, releaseHousehold } from './household-lock'

let folder: string
let file: string
let others: ChildProcess[] = []
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-lock-'))
  file = join(folder, 'omsel.sqlite')
})
afterEach(() => {
  releaseHousehold(file)
  for (const other of others) other.kill('SIGKILL')
  others = []
  rmSync(folder, { recursive: true, force: true })
})

/** Another process that takes the lock as a server does, and keeps it until it is killed. */
function another(): Promise<ChildProcess> {
  const script = `
    import { lockHousehold } from '#server/backup/household-lock'
    lockHousehold(process.argv[1])
    console.log('taken')
    setInterval(() => {}, 1000)`
  const child = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script, file], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  others.push(child)
  return new Promise((resolve, reject) => {
    child.stdout!.once('data', () => resolve(child))
    child.once('exit', (code) => reject(new Error(`ended with ${code}`)))
  })
}
const killed = (child: ChildProcess) =>
  new Promise((resolve) => {
    child.once('exit', resolve)
    child.kill('SIGKILL')
  })

test('a household that another process has is refused in words, and its mark stays', async () => {
  const other = await another()
  expect(() => lockHousehold(file)).toThrow(HouseholdInUse)
  expect(() => lockHousehold(file)).toThrow(`process ${other.pid}`)
  expect(inUseBy(file)).toBe(other.pid)
  expect(readFileSync(`${file}.in-use`, 'utf8')).toBe(String(other.pid))
})

test('a killed owner leaves nothing in the way, whatever its mark says', async () => {
  await killed(await another())
  // Its number may belong to somebody else by now.
  writeFileSync(`${file}.in-use`, String(process.ppid))
  expect(lockHousehold(file)).toBe(true)
  expect(inUseBy(file)).toBe(process.pid)
  releaseHousehold(file)
  expect(existsSync(`${file}.in-use`)).toBe(false)
})

test('taken twice by one process, it is one lock, and given back once', () => {
  expect(lockHousehold(file)).toBe(true)
  expect(lockHousehold(file)).toBe(false)
  releaseHousehold(file)
  releaseHousehold(file)
  expect(lockHousehold(file)).toBe(true)
  expect(lockHousehold(':memory:')).toBe(false)
})

test('nothing is restored over a household that another process has, also where its mark is gone', async () => {
  openDatabase(file).close()
  const copy = await takeCopy(file, join(folder, 'out'), Date.UTC(2026, 2, 5))
  await another()
  rmSync(`${file}.in-use`, { force: true })
  expect(() => restoreCopy(copy, file, Date.UTC(2026, 2, 6))).toThrow(HouseholdInUse)
  expect(existsSync(file)).toBe(true)
})

describe('why a household cannot be opened, in words', () => {
  const why = (): string => {
    try {
      openDatabase(file).close()
      return ''
    } catch (error) {
      return startFault(error, file)
    }
  }
  test('no database', () => {
    writeFileSync(file, 'this is a letter to the household, and no database of anything at all'.repeat(40))
    expect(why()).toContain('is not an Omsel household')
  })
  test('a newer version', () => {
    const newer = new Database(file)
    newer.pragma('user_version = 999')
    newer.close()
    expect(why()).toContain('written by a newer Omsel')
  })
  test('a folder that is a file', () => {
    writeFileSync(join(folder, 'house'), '')
    file = join(folder, 'house', 'omsel.sqlite')
    expect(why()).toMatch(/cannot be (written|opened)/)
  })
})
