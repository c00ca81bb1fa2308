import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'

const MANTINE = join(import.meta.dirname, '../../../node_modules/@mantine')
const COMPONENTS = join(MANTINE, 'core/esm/components')

const text = (file: string) => readFileSync(file, 'utf8')

const filesIn = (folder: string, of: RegExp): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => of.test(file))
    .map((file) => join(folder, file))

/** Names that files take from the library, types left out. */
function namesTaken(files: string[]): string[] {
  const names = files.flatMap((file) =>
    [...text(file).matchAll(/import \{([^}]+)\} from ['"]@mantine\/core['"]/g)].flatMap((m) =>
      m[1]!.split(','),
    ),
  )
  return [...new Set(names.map((name) => name.trim()).filter((name) => /^[A-Z]/.test(name)))]
}

/** Components a component is made of, itself included, that have styles of their own. */
function styled(start: string): Set<string> {
  const [waiting, seen, found] = [[start], new Set<string>(), new Set<string>()]
  while (waiting.length > 0) {
    const file = waiting.pop()!
    if (seen.has(file) || !existsSync(file)) continue
    seen.add(file)
    const sheet = /(?:components|utils)\/(\w+)\/.*\.module\.mjs$/.exec(file)?.[1]
    if (sheet) found.add(sheet)
    waiting.push(...[...text(file).matchAll(/from "(\.[^"]+)"/g)].map((m) => resolve(dirname(file), m[1]!)))
  }
  return found
}

const sheets = [...text(join(import.meta.dirname, 'components.css')).matchAll(/styles\/(\w+)\.css/g)].map(
  (m) => m[1]!,
)

test('every component of the library that is used has its styles, and no other', () => {
  const app = filesIn(join(import.meta.dirname, '../..'), /(?<!\.test)\.tsx?$/)
  const spotlight = filesIn(join(MANTINE, 'spotlight/esm'), /\.mjs$/)
  const used = new Set(
    namesTaken([...app, ...spotlight]).flatMap((name) => [
      ...styled(join(COMPONENTS, name, `${name}.mjs`)),
      ...styled(join(COMPONENTS, name, name, `${name}.mjs`)),
    ]),
  )
  expect(used.size).toBeGreaterThan(20)
  expect(sheets.filter((name) => /^[A-Z]/.test(name)).toSorted()).toEqual([...used].toSorted())
})

test('they stand in the library’s own order, which decides between two', () => {
  const whole = text(join(MANTINE, 'core/styles.css'))
  const places = sheets.map((name) =>
    whole.indexOf(text(join(MANTINE, `core/styles/${name}.css`)).slice(0, 200)),
  )
  expect(places.every((place) => place >= 0)).toBe(true)
  expect(places).toEqual(places.toSorted((a, b) => a - b))
})
