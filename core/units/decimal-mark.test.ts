import fc from 'fast-check'
import { decimalMarkOf, readNumber, withDecimalMark } from './decimal-mark'

test.each([
  ['en-GB', '.'],
  ['en-US,en;q=0.9,de;q=0.8', '.'],
  ['de', ','],
  ['de-DE,de;q=0.9,en;q=0.8', ','],
  ['en;q=0.4,fr-FR;q=0.9', ','],
  ['de-CH', '.'],
  ['es-MX', '.'],
  ['pt-BR', ','],
  // Other digits: the texts have none of them.
  ['fa-IR', '.'],
  ['*', '.'],
  ['', '.'],
  [null, '.'],
  ['no such language', '.'],
  ['x'.repeat(100_000), '.'],
  [','.repeat(100_000), '.'],
  ['de;q=0,en', '.'],
  ['de;q=much', '.'],
])('%.60s has %s', (languages, mark) => expect(decimalMarkOf(languages)).toBe(mark))

test.each([
  ['water 1.5 times its weight', 'water 1,5 times its weight'],
  ['0.25 to 0.5 g', '0,25 to 0,5 g'],
  ['up to 1,120 m', 'up to 1\u202F120 m'],
  ['1,234,567.5 g', '1\u202F234\u202F567,5 g'],
  ['It ends at 1.5. Then 2.', 'It ends at 1,5. Then 2.'],
  ['1.5, 2.5 and 3', '1,5, 2,5 and 3'],
  ['version 2.0.0 at 127.0.0.1:4000', 'version 2.0.0 at 127.0.0.1:4000'],
  ['1½ cups', '1½ cups'],
  ['17:40, 21.11.2026', '17:40, 21.11.2026'],
])('%s', (text, written) => {
  expect(withDecimalMark(text, ',')).toBe(written)
  expect(withDecimalMark(written, ',')).toBe(written)
  expect(withDecimalMark(text, '.')).toBe(text)
})

test('a number written either way is read as what it is', () =>
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1e8 }), fc.integer({ min: 0, max: 99 }), (whole, part) => {
      const text = `${whole.toLocaleString('en-US')}.${String(part).padStart(2, '0')}`
      const written = withDecimalMark(text, ',')
      expect(written).not.toContain('.')
      expect(withDecimalMark(written, ',')).toBe(written)
      expect(readNumber(text)).toBeCloseTo(whole + part / 100, 6)
      expect(readNumber(written)).toBeCloseTo(whole + part / 100, 6)
    }),
  ))
