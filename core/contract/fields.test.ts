import * as v from 'valibot'
import { ERROR_CODES } from './error-codes'
import { between, fieldErrors, oneOf, record, wholeBetween } from './fields'
import { parsePlanRequest } from './plan-request'
import { scheduleFrom } from './schedule'

/** Error codes are for programs: each kind of mistake has its own, whatever the words say. */

const Example = record({
  grams: between(5, 100, 'g'),
  count: v.optional(wholeBetween(1, 4)),
  how: v.optional(oneOf(['on', 'off'])),
  name: v.optional(v.pipe(v.string(), v.nonEmpty('is required'), v.maxLength(3, 'is too long'))),
  list: v.optional(v.pipe(v.array(v.number()), v.minLength(1, 'is empty'), v.maxLength(2, 'is too long'))),
  id: v.optional(v.pipe(v.string(), v.regex(/^\w+$/, 'must be letters'))),
})
const codesOf = (input: unknown) => {
  const parsed = v.safeParse(Example, input)
  return parsed.success ? [] : fieldErrors(parsed.issues).map(({ path, code }) => [path, code])
}

test.each([
  [{ grams: 5 }, []],
  [{ grams: 100 }, []],
  [{ grams: 4.9 }, [['grams', 'out-of-range']]],
  [{ grams: 100.1 }, [['grams', 'out-of-range']]],
  [{ grams: '50' }, [['grams', 'wrong-type']]],
  [{}, [['grams', 'required']]],
  [null, [['', 'wrong-type']]],
  [{ grams: 50, count: 1.5 }, [['count', 'not-whole']]],
  [{ grams: 50, how: 'maybe' }, [['how', 'not-an-option']]],
  [{ grams: 50, name: '' }, [['name', 'required']]],
  [{ grams: 50, name: 'abcd' }, [['name', 'too-long']]],
  [{ grams: 50, list: [] }, [['list', 'too-few']]],
  [{ grams: 50, list: [1, 2, 3] }, [['list', 'too-many']]],
  [{ grams: 50, id: 'a b' }, [['id', 'wrong-format']]],
])('%j has the codes %j', (input, expected) => expect(codesOf(input)).toEqual(expected))

const firstOf = (read: { ok: boolean; errors?: readonly { path: string; code: string }[] }) =>
  read.ok ? undefined : { path: read.errors![0]!.path, code: read.errors![0]!.code }

test('requests carry the codes of their fields', () => {
  expect(firstOf(parsePlanRequest({ grains: [{ variety: 'moon-rice' }] }))).toEqual({
    path: 'grains.0.variety',
    code: 'not-an-option',
  })
  expect(
    firstOf(
      parsePlanRequest({
        grains: [{ variety: 'long-white' }],
        amount: { basis: 'dry-mass', value: 300 },
        elevation_m: 9000,
      }),
    ),
  ).toEqual({ path: 'elevation_m', code: 'out-of-range' })
  const dish = {
    id: 'a',
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
  }
  const meal = { serve_at: '2026-03-05T19:00:00+01:00', burners: [{ id: 'b', heat: 'gas-medium' }] }
  expect(firstOf(scheduleFrom({ ...meal, dishes: [dish, dish] }))).toEqual({
    path: 'dishes.1.id',
    code: 'duplicate',
  })
  expect(firstOf(scheduleFrom({ ...meal, dishes: [{ ...dish, burner: 'x' }] }))).toEqual({
    path: 'dishes.0.burner',
    code: 'not-found',
  })
})

test('every code says what it means', () =>
  expect(Object.values(ERROR_CODES).every((meaning) => meaning.length > 10)).toBe(true))
