import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { VARIETIES } from '#core/grain/varieties'
import { METHOD_IDS, methodOf } from '#core/methods/index'
import { PLACES } from '../app/search/places'

/** The checklists of CONTRIBUTING.md: each test says what is missing and where it belongs. */

const read = (file: string): string => readFileSync(file, 'utf8')
const missing = (
  of: Iterable<string>,
  file: string,
  contains = (text: string, name: string) => text.includes(name),
) => [...of].filter((name) => !contains(read(file), name)).map((name) => `${name}: add it to ${file}`)

test('a variety has observations and a start for the calibration', () => {
  const ids = VARIETIES.map((v) => v.id)
  expect(missing(ids, 'tools/calibration/observations.csv')).toEqual([])
  expect(missing(ids, 'tools/calibration/starts.ts')).toEqual([])
})

test('a method has one file with a label, vessels it is cooked in and what it suits', () => {
  for (const id of METHOD_IDS) {
    const method = methodOf(id)
    expect({ id, words: method.words.length > 3, vessels: method.vesselKinds.length > 0 }).toEqual({
      id,
      words: true,
      vessels: true,
    })
  }
  const files = readdirSync('core/methods').filter((name) => /^[a-z-]+\.ts$/.test(name))
  const index = read('core/methods/index.ts')
  const shared = new Set([
    'definition.ts',
    'index.ts',
    'sign-words.ts',
    'signs.ts',
    'stages.ts',
    'suitability.ts',
    'usual-method.ts',
  ])
  const unlisted = files.filter((name) => !shared.has(name) && !index.includes(`./${name.slice(0, -3)}'`))
  expect(unlisted.map((name) => `${name}: add it to core/methods/index.ts`)).toEqual([])
})

test('a caution is named by a test', () => {
  const folder = 'core/plan/cautions'
  const sources = readdirSync(folder).filter((name) => !name.includes('.test.'))
  const codes = new Set(
    sources.flatMap((name) =>
      [...read(`${folder}/${name}`).matchAll(/code: '([a-z-]+)'/g)].map((m) => m[1]!),
    ),
  )
  expect(codes.size).toBeGreaterThan(20)
  const tests = readdirSync('core', { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => read(`core/${name}`))
    .join('\n')
  const untested = [...codes].filter((code) => !tests.includes(`'${code}'`))
  expect(untested.map((code) => `${code}: test it just under and just over its limit`)).toEqual([])
})

test('a place has a folder, a route, a line in the search and one in the fuzzing', () => {
  const routes = [...read('app/routes.ts').matchAll(/route\('([^']+)', '(routes\/[^']+)'/g)]
  expect(routes.length).toBeGreaterThan(30)
  for (const [, path, file] of routes) {
    expect(existsSync(`app/${file!}`)).toBe(true)
    expect(missing([path!.split('*')[0]!.replace(/\/$/, '')], 'tests/chaos/requests.ts')).toEqual([])
  }
  for (const place of PLACES) {
    const path = place.to.slice(1).split(/[?#]/)[0]!
    expect([path, path === '' || routes.some(([, route]) => route === path)]).toEqual([path, true])
  }
})

test('a column of a table is in the export, or is named as derived or private', () => {
  const bundle = read('core/contract/bundle.ts')
  const latest = readdirSync('server/store/migrations').sort().at(-1)!
  expect(latest).toMatch(/^\d{4}-[a-z-]+\.sql$/)
  const added = readdirSync('server/store/migrations')
    .flatMap((name) => [...read(`server/store/migrations/${name}`).matchAll(/ADD COLUMN (\w+)/gi)])
    .map((m) => m[1]!)
  const derivedOrPrivate = new Set(
    read('core/contract/bundle.ts')
      .match(/NOT_CARRIED[^\n]*/g)
      ?.join(' ')
      .match(/\w+/g) ?? [],
  )
  const absent = added.filter((column) => !bundle.includes(column) && !derivedOrPrivate.has(column))
  expect(absent.map((column) => `${column}: add it to core/contract/bundle.ts`)).toEqual([])
})
