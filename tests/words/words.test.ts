import { declaredNames, namesIn } from './declared-names'
import { visibleTexts, visibleTextsIn } from './visible-text'
import { writeFileSync, mkdtempSync } from 'node:fs'
import { join } from 'node:path'
import { tmpdir } from 'node:os'

/** Words of version 1 that no page, error or help text uses any more, and what is said instead. */
const RETIRED: readonly (readonly [RegExp, string])[] = [
  [/\breckon/i, 'expected, computed'],
  [/\b(afresh|anew)\b/i, 'again'],
  [/\bswitch cookers?\b/i, 'rice cooker'],
  [/\bpressure (pots?|vessels?)\b/i, 'pressure cooker'],
  [/\bscoops?\b/i, 'rice-cooker cup (180 mL)'],
  [/\bslack\b/i, 'room for error'],
  [/\bsuppers?\b/i, 'meal'],
  [/\bdry[ -]runs?\b/i, 'simulation'],
  [/\bdipstick\b/i, 'ruler'],
  [/\beaters?\b/i, 'people, portions'],
  [/\b(eats|eat) here\b/i, 'people'],
  [/\bjudg(e|ed|ement|ements|ing)\b/i, 'rate, rating'],
  [/\bparcels?\b/i, 'container'],
  [/\btubs?\b/i, 'container'],
  [/\b(the|this|a|your) house\b/i, 'kitchen'],
  [/\bof this house\b/i, 'of this kitchen'],
  [/\bhearts?\b/i, 'centre'],
  [/\bnames no\b/i, 'must be'],
  [/\bgive or take\b/i, '±'],
  [/\bg a gram\b/i, 'g per gram'],
  [/\bby hand\b/i, 'hands-on'],
  [/\b(sodden|soggy|mushy)\b/i, 'too wet, overdone'],
  [/\btoasted bottom\b/i, 'crisp bottom'],
  [/\bknob at\b/i, 'setting'],
  [/\b(sent|send) away\b/i, 'signed out'],
  [/\bit is gone\b/i, 'delete'],
  [/\bkeep it so\b/i, 'save'],
  [/\btake (it )?back\b/i, 'undo'],
  [/\bfalls? by itself\b/i, 'natural release'],
  [/\bsteam out at once\b/i, 'quick release'],
  [/\bset aside\b/i, 'stopped'],
  [/\bon the table\b/i, 'serve, ready'],
  [/\bfree water\b/i, 'water left'],
  [/\b(noted|told) (as|by)\b/i, 'saved, entered'],
]
/** Words of version 1 with many meanings, and the software terms in their place. No name in the code uses them. */
const RETIRED_NAMES: readonly (readonly [RegExp, string])[] = [
  [/^told|Told/, 'entered, published, events'],
  [/^(kept|noted)$|^(kept|noted)[A-Z]|(Kept|Noted)$/, 'stored, saved, finished'],
  [/^keep[A-Z]/, 'save'],
  [/^brought|^carry|Carry|Brought/, 'import, imported'],
  [
    /^(mind|door|house|lying|reckon.*|standing)$/,
    'caution, login, household, on the scale, estimate, active',
  ],
  [/^things?([A-Z]|$)|^Thing/, 'what it is'],
  [/^beside/, 'aside'],
  [/^mend(s|[A-Z])?/, 'fix, remedy'],
  [/^(parcel|tub|slack|heart|supper|eater)$/, 'leftovers, container, room for error, centre, meal, person'],
  [/^(Seen|seenIn|lookAt|LookedAt|settle)$/, 'observation, preview, with defaults'],
]
/** Keys of answers, exports and addresses, which stay as they are, and what is not ours to name. */
const NAMES_THAT_STAY: ReadonlySet<string> = new Set([
  'told',
  'kept',
  'mend',
  'mends',
  'carry',
  'supper',
  'eater',
  'keepServings',
])

/** Texts in which a retired word is the right one. */
const ALLOWED: readonly RegExp[] = [
  /let the pressure fall by itself/i, // the gloss of natural release
  /PRODID|prodId|\/\/omsel\/\//, // an identifier that calendars know
]

const texts = visibleTexts()
const names = declaredNames()

test('thousands of texts are read, of every part', () => {
  expect(texts.length).toBeGreaterThan(2500)
  for (const folder of ['app/', 'core/', 'server/', 'cli/'])
    expect(texts.filter((t) => t.file.startsWith(folder)).length).toBeGreaterThan(15)
})

test.each(RETIRED)('no text says %s: say "%s"', (word) => {
  const found = texts.filter((t) => word.test(t.text) && !ALLOWED.some((allowed) => allowed.test(t.text)))
  expect(found.map((t) => `${t.file}:${t.line} ${t.text}`)).toEqual([])
})

test('names of the code are read, each with its place', () => {
  const file = join(mkdtempSync(join(tmpdir(), 'names-')), 'names.ts')
  writeFileSync(file, "export const told = 1 // 'carry'\nexport interface Thing {\n  name: string\n}\n")
  expect(namesIn(file).map(({ name, line }) => `${line} ${name}`)).toEqual(['1 told', '2 Thing', '3 name'])
  expect(names.length).toBeGreaterThan(5000)
})

test.each(RETIRED_NAMES)('no name is %s: say %s', (word) => {
  const found = names.filter(({ name }) => word.test(name) && !NAMES_THAT_STAY.has(name))
  expect(found.map((n) => `${n.file}:${n.line} ${n.name}`)).toEqual([])
})

test('strings, templates and text between tags are read; imports, classes and SQL are not', () => {
  const file = join(mkdtempSync(join(tmpdir(), 'words-')), 'page.tsx')
  writeFileSync(
    file,
    "import x from 'the supper import'\nexport const a = <p className='the supper class'>One supper</p>\nexport const b = `two ${a} suppers`\nexport const c = 'SELECT supper FROM x'\n",
  )
  expect(visibleTextsIn(file).map((t) => t.text)).toEqual(['One supper', 'two {…} suppers'])
})
