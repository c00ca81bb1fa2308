import fc from 'fast-check'
import { stepsText, STEP_HEATS, STEP_LIDS, type RecipeStep } from '#core/plan/recipe-steps'
import { readSteps } from './read-steps'

const high: RecipeStep = { heat: 'high', lid: 'on', until: 'boil' }

test.each<[string, RecipeStep[]]>([
  [
    'boil, lid on, low 10 min, off 10',
    [high, { heat: 'low', lid: 'on', minutes: 10 }, { heat: 'off', lid: 'on', minutes: 10 }],
  ],
  [
    'Bring to the boil, then simmer covered for 12 minutes; rest 10 minutes.',
    [high, { heat: 'low', lid: 'on', minutes: 12 }, { heat: 'off', lid: 'on', minutes: 10 }],
  ],
  [
    'bring it to the boil uncovered, cover, lowest heat 18 min, stand 5 min',
    [
      { heat: 'high', lid: 'off', until: 'boil' },
      { heat: 'lowest', lid: 'on', minutes: 18 },
      { heat: 'off', lid: 'on', minutes: 5 },
    ],
  ],
  [
    'boil hard for 1 minute, lid on, very low 13 min, off the heat 10',
    [
      { heat: 'high', lid: 'on', minutes: 1 },
      { heat: 'lowest', lid: 'on', minutes: 13 },
      { heat: 'off', lid: 'on', minutes: 10 },
    ],
  ],
  [
    'lid off, medium until the water is gone, lid on, turn off, rest half an hour',
    [
      { heat: 'medium', lid: 'off', until: 'dry' },
      { heat: 'off', lid: 'on', minutes: 30 },
    ],
  ],
  ['simmer 1,5 h with the lid ajar', [{ heat: 'low', lid: 'on', minutes: 90 }]],
])('“%s”', (text, steps) => {
  const read = readSteps(text)
  expect(read.unread).toEqual([])
  if (text.includes('ajar')) expect(read.steps[0]).toMatchObject({ minutes: 90, lid: 'ajar' })
  else expect(read.steps).toEqual(steps)
})

test('soaking is read separately, and what is not understood is returned as typed', () => {
  const read = readSteps('soak 30 min, boil, fry onions, low 12')
  expect(read.soakMinutes).toBe(30)
  expect(read.unread).toEqual(['fry onions'])
  expect(read.steps).toHaveLength(2)
})

test('any text is read without an error, and no step is endless or negative', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 200 }), (text) => {
      for (const { minutes, until } of readSteps(text).steps) {
        expect((minutes === undefined) !== (until === undefined)).toBe(true)
        expect(minutes ?? 1).toBeGreaterThan(0)
      }
    }),
  )
})

test('rinsing and draining are read separately from the heat', () => {
  expect(readSteps('rinse 3 times, soak 20 min, boil, medium 10 min, drain')).toMatchObject({
    washes: 3,
    soakMinutes: 20,
    drained: true,
    unread: [],
  })
  expect(readSteps('not rinsed, boil, low 12').washes).toBe(0)
  expect(readSteps('boil, low 12').washes).toBeUndefined()
})

test('steps written as text are read back as the same steps', () => {
  const step = fc.record({ heat: fc.constantFrom(...STEP_HEATS), lid: fc.constantFrom(...STEP_LIDS) })
  const anyStep = fc.oneof(
    fc.tuple(step, fc.integer({ min: 1, max: 120 })).map(([of, minutes]): RecipeStep => ({ ...of, minutes })),
    step.map((of): RecipeStep => ({ ...of, until: 'boil' })),
    step.map((of): RecipeStep => ({ ...of, until: 'dry' })),
  )
  fc.assert(
    fc.property(
      fc.array(anyStep, { minLength: 1, maxLength: 6 }),
      fc.option(fc.integer({ min: 1, max: 600 }), { nil: undefined }),
      fc.option(fc.integer({ min: 0, max: 9 }), { nil: undefined }),
      fc.boolean(),
      (steps, soakMinutes, washes, drained) => {
        const read = readSteps(stepsText(steps, { soakMinutes, washes, drained }))
        expect(read).toEqual({
          steps,
          drained,
          unread: [],
          ...(soakMinutes === undefined ? {} : { soakMinutes }),
          ...(washes === undefined ? {} : { washes }),
        })
      },
    ),
  )
})
