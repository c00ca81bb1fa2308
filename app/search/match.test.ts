import fc from 'fast-check'
import { matching, type SearchEntry } from './match'
import { PLACES } from './places'

const entry = (label: string, more = '', kind = 'Grains'): SearchEntry => ({
  kind,
  label,
  more,
  to: `/${label}`,
})
const THINGS = [
  entry('Brown short-grain', 'whole rice'),
  entry('Short-grain white', 'white rice'),
  entry('Crème pot', 'plan in it', 'Pots'),
  entry('Grains', 'grains, bags', 'Places'),
]
const labels = (asked: string) => matching(THINGS, asked, 10).map((t) => t.label)

test('every word asked for begins a word of what is found; names that begin so come first', () => {
  expect(labels('short')).toEqual(['Short-grain white', 'Brown short-grain'])
  expect(labels('gr sho')).toEqual(['Brown short-grain', 'Short-grain white'])
  expect(labels('rice bro')).toEqual(['Brown short-grain'])
  // Accents and capitals are nobody's business.
  expect(labels('CREME')).toEqual(['Crème pot'])
  expect(labels('bags')).toEqual(['Grains'])
  expect(labels('grains')).toContain('Grains')
  expect(labels('ort')).toEqual([])
  expect(labels('  ')).toEqual([])
})

test('whatever is typed, what is found is of the list, once, and no more than asked for', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 12 }), fc.integer({ min: 0, max: 5 }), (asked, most) => {
      const found = matching(THINGS, asked, most)
      expect(found.length).toBeLessThanOrEqual(most)
      expect(new Set(found).size).toBe(found.length)
      for (const one of found) expect(THINGS).toContain(one)
    }),
  )
})

test('every place is found by its own name, first', () => {
  for (const place of PLACES) expect(matching(PLACES, place.label, 3)[0]).toBe(place)
})
