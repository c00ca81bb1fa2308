import { readFileSync } from 'node:fs'
import { licences } from './make-licences'

test('the list of licences is of the packages there are, and each is known: a notice is enough, but for the picture library, which is used as it comes', () => {
  const written = readFileSync('docs/LICENCES.md', 'utf8')
  expect(written).toBe(licences())
  const stated = [...written.matchAll(/^\| \S+ \| \S+ \| (.+) \|$/gm)]
    .map((m) => m[1]!)
    .filter((word) => word !== 'Licence')
  expect(stated.length).toBeGreaterThan(50)
  for (const licence of new Set(stated))
    expect(licence).toMatch(/MIT|ISC|BSD|Apache|0BSD|OFL|CC0|Unlicense|BlueOak|WTFPL|LGPL/)
})
