import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { spawn, spawnSync } from 'node:child_process'
import Database from 'better-sqlite3'
import { beginHousehold, FIRST_KITCHEN } from '#server/commands/begin-household'
import { openKitchen } from '#server/store/open-household'
import { checkHousehold, copiesFolder, restoreCopy, takeCopy } from './copy'
import { inUseBy } from './household-lock'
import { dailyCopy } from './daily'

const DAY = 86_400_000
const NOW = Date.UTC(2026, 2, 5, 18, 30, 12)
let folder: string
let file: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-copy-'))
  file = join(folder, 'omsel.sqlite')
  const kitchen = openKitchen(file)
  beginHousehold(kitchen, FIRST_KITCHEN)
  kitchen.db.close()
})
afterEach(() => rmSync(folder, { recursive: true }))

const nameOf = (at: string): string => {
  const db = new Database(at, { readonly: true })
  const name = db.prepare('SELECT name FROM household').pluck().get() as string
  db.close()
  return name
}
const rename = (name: string) => {
  const db = new Database(file)
  db.prepare('UPDATE household SET name = ?').run(name)
  db.close()
}

test('a copy is sound, equal, and restored in place with the replaced household set aside', async () => {
  rename('before')
  const copy = await takeCopy(file, join(folder, 'out'), NOW)
  expect(copy).toMatch(/2026-03-05T18-30-12Z$/)
  rename('after')
  expect(nameOf(join(copy, 'omsel.sqlite'))).toBe('before')
  const aside = restoreCopy(copy, file, NOW + 1000)
  expect(nameOf(file)).toBe('before')
  expect(nameOf(join(aside!, 'omsel.sqlite'))).toBe('after')
  expect(checkHousehold(file)).toEqual([])
  // Into an empty place as well.
  const other = join(folder, 'elsewhere', 'omsel.sqlite')
  expect(restoreCopy(copy, other, NOW)).toBeUndefined()
  expect(nameOf(other)).toBe('before')
})

test('copied while somebody writes, it is whole: every pair of rows that belong together is in it or is not', async () => {
  const db = new Database(file)
  db.exec('CREATE TABLE pair (a INTEGER, b INTEGER)')
  const writer = spawn('node', [
    '-e',
    `const db=new (require(${JSON.stringify(require.resolve('better-sqlite3'))}))(${JSON.stringify(file)});db.pragma('busy_timeout=5000');const put=db.transaction((n)=>{for(let i=0;i<50;i++){db.prepare('INSERT INTO pair VALUES (?,?)').run(n,n);}});for(let n=0;;n++){put(n)}`,
  ])
  // On a busy machine the writer takes its time to begin.
  const written = db.prepare('SELECT count(*) FROM pair').pluck()
  while ((written.get() as number) === 0) await new Promise((resolve) => setTimeout(resolve, 50))
  const copy = await takeCopy(file, join(folder, 'out'), NOW)
  writer.kill('SIGKILL')
  db.close()
  const saved = new Database(join(copy, 'omsel.sqlite'), { readonly: true })
  const counts = saved.prepare('SELECT count(*) FROM pair GROUP BY a').pluck().all() as number[]
  saved.close()
  expect(counts.length).toBeGreaterThan(0)
  expect(new Set(counts)).toEqual(new Set([50]))
})

test('pictures go along, and a copy without one of them is not sound', async () => {
  const db = new Database(file)
  db.pragma('foreign_keys = OFF')
  db.exec(
    "INSERT INTO cook (id, started_ms, title, grain_key, vessel_id, vessel_name, heat_name, request, plan) VALUES ('c', 0, 't', 'g', 'v', 'v', 'h', '{}', '{}')",
  )
  db.exec(
    "INSERT INTO photo (id, cook_id, vessel_id, cue, made_ms, bytes, width, height) VALUES ('p1', 'c', 'v', NULL, 1, 3, 1, 1)",
  )
  db.close()
  mkdirSync(join(folder, 'photos'))
  writeFileSync(join(folder, 'photos', 'p1.jpg'), 'jpg')
  const copy = await takeCopy(file, join(folder, 'out'), NOW)
  expect(readFileSync(join(copy, 'photos', 'p1.jpg'), 'utf8')).toBe('jpg')
  rmSync(join(copy, 'photos', 'p1.jpg'))
  expect(checkHousehold(copy)).toEqual(['1 pictures are missing, the first is p1'])
  expect(() => restoreCopy(copy, file, NOW)).toThrow('the backup is damaged')
})

test('what is torn, foreign, newer or missing is said in words', async () => {
  const copy = await takeCopy(file, join(folder, 'out'), NOW)
  const inside = join(copy, 'omsel.sqlite')
  const bytes = readFileSync(inside)
  bytes.fill(0x5a, 4096, 12_000)
  writeFileSync(inside, bytes)
  expect(checkHousehold(copy).length).toBeGreaterThan(0)
  writeFileSync(join(folder, 'note.txt'), 'this is no database at all, only a note of some length')
  expect(checkHousehold(join(folder, 'note.txt'))[0]).toMatch(/cannot be (read|opened)/)
  expect(checkHousehold(join(folder, 'nowhere'))).toEqual([
    `there is no household at ${join(folder, 'nowhere')}`,
  ])
  const newer = new Database(file)
  newer.pragma('user_version = 999')
  newer.close()
  expect(checkHousehold(file)[0]).toMatch(/version 999, newer than/)
  await expect(takeCopy(join(folder, 'nowhere.sqlite'), folder, NOW)).rejects.toThrow(
    'there is no household at',
  )
})

test('a household in use is not restored over; a mark that a killed process left does not count', async () => {
  const copy = await takeCopy(file, join(folder, 'out'), NOW)
  writeFileSync(`${file}.in-use`, String(process.pid))
  expect(inUseBy(file)).toBe(process.pid)
  expect(() => restoreCopy(copy, file, NOW)).toThrow(`running (process ${process.pid})`)
  const gone = spawnSync('node', ['-e', 'console.log(process.pid)'], { encoding: 'utf8' }).stdout.trim()
  writeFileSync(`${file}.in-use`, gone)
  expect(inUseBy(file)).toBeUndefined()
  writeFileSync(`${file}.in-use`, 'nonsense')
  expect(inUseBy(file)).toBeUndefined()
})

test('a copy a day, and no more of them than wanted', async () => {
  const made: (string | undefined)[] = []
  for (let day = 0; day < 6; day++)
    for (const hour of [0, 9]) made.push(await dailyCopy(file, NOW + day * DAY + hour * 3_600_000, 3))
  expect(made.map((m) => m !== undefined)).toEqual([
    true,
    false,
    true,
    false,
    true,
    false,
    true,
    false,
    true,
    false,
    true,
    false,
  ])
  expect(readdirSync(copiesFolder(file)).sort()).toEqual([
    '2026-03-08T18-30-12Z',
    '2026-03-09T18-30-12Z',
    '2026-03-10T18-30-12Z',
  ])
  expect(await dailyCopy(file, NOW + 30 * DAY, 0)).toBeUndefined()
  expect(existsSync(join(copiesFolder(file), '2026-04-04T18-30-12Z'))).toBe(false)
})
