import { eatenAtOnce } from './portions'

test.each([
  ['side', 6, 0, 6],
  ['side', 6, 3, 3],
  ['side', 3, 6, 0],
  // Cooked for the week: all of it is put away.
  ['batch', 6, 0, 0],
  ['batch', 6, 2, 0],
] as const)('%s for %d, %d for later: %d eaten at once', (purpose, servings, toKeep, eaten) =>
  expect(eatenAtOnce({ purpose, servings, toKeep })).toBe(eaten),
)
