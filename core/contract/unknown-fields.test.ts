import * as v from 'valibot'
import { QUESTIONS } from './questions'
import { unknownFields } from './unknown-fields'

const request = { grains: [{ variety: 'short-white' }], amount: { basis: 'dry-mass', value: 300 } }
const ignored = (question: string, input: unknown): unknown => {
  const read = QUESTIONS.get(question)!(input)
  return read.ok ? (read.value as { ignored_fields?: string[] }).ignored_fields : read.errors
}

test('a misspelt field is named wherever it stands, and the rest is answered', () => {
  expect(ignored('plan', { ...request, textur: 0.5 })).toEqual(['textur'])
  expect(
    ignored('plan', {
      ...request,
      vessel: { capacity_ml: 3000, base_diameter_mm: 180, colour: 'blue' },
      rinse: { washes: 2, drain: 'sieve', wash: 1 },
    }),
  ).toEqual(['vessel.colour', 'rinse.wash'])
  expect(
    ignored('schedule', {
      serve_at: '2026-03-05T19:00:00+01:00',
      burners: [{ id: 'big', heat: 'gas-large', size: 9 }],
      dishes: [
        { id: 'rice', ...request, amont: 3 },
        { id: 'soup', tasks: [{ id: 'simmer', title: 'Simmer', minutes: 20, lid: 'on' }] },
      ],
    }),
  ).toEqual(['burners.0.size', 'dishes.0.amont', 'dishes.1.tasks.0.lid'])
})

test('a request of known fields is answered without the list', () => {
  expect(ignored('plan', { ...request, runs: 2, own: { minutes: { simmer: 14 } } })).toBeUndefined()
  expect(ignored('simulate', { ...request, runs: 2, script: [{ minutes: 5, heat: 'high' }] })).toBeUndefined()
})

test('the list is short whatever is sent', () => {
  const schema = v.object({ a: v.optional(v.number()) })
  const many = Object.fromEntries(Array.from({ length: 400 }, (_, i) => [`${i}${'x'.repeat(500)}`, 1]))
  const found = unknownFields([schema], many)
  expect(found).toHaveLength(20)
  expect(Math.max(...found.map((name) => name.length))).toBe(60)
  expect(unknownFields([schema], null)).toEqual([])
  expect(unknownFields([schema], { a: 1, __proto__: { b: 1 }, constructor: 1 })).toEqual(['constructor'])
})
