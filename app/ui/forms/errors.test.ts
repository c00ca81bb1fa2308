import { errorAt, otherErrors, typedOf, type Refused } from './errors'

const refused: Refused = {
  typed: { name: 'x' },
  errors: [
    { path: 'ml', message: 'ml must be a number from 5 to 5000 mL, got 2', code: 'out-of-range' },
    { path: 'marks.1.level_mm', message: 'marks.1.level_mm must be higher', code: 'invalid' },
    { path: 'id', message: 'id must be a measure of this kitchen, got "q"', code: 'not-found' },
  ],
}

test('an error is shown at its field, without the field’s name', () => {
  expect(errorAt(refused, 'ml')).toBe('must be a number from 5 to 5000 mL, got 2')
  expect(errorAt(refused, 'marks')).toBe('must be higher')
  expect(errorAt(refused, 'name')).toBeUndefined()
  expect(errorAt(undefined, 'ml')).toBeUndefined()
})

test('what belongs to no field that can be seen is said all the same', () => {
  expect(otherErrors(refused, ['ml', 'marks', 'name'])).toBe('id must be a measure of this kitchen, got "q"')
  expect(otherErrors(refused, ['ml', 'marks', 'id'])).toBeUndefined()
})

test('a form is its text; files are left out', () => {
  const form = new FormData()
  form.set('name', 'mug')
  form.set('photo', new Blob(['x']), 'x.png')
  expect(typedOf(form)).toEqual({ name: 'mug' })
})
