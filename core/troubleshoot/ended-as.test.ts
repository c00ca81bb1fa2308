import { endedAs } from './ended-as'

test.each([
  [0, 0, 'clean', undefined],
  [1, 0, 'clean', 'wet'],
  [-2, 0, 'clean', 'dry'],
  // Hard goes before wet: more time may yet drink it.
  [2, -1, 'clean', 'hard'],
  [-1, -2, 'clean', 'hard'],
  [0, 2, 'clean', 'mush'],
  [0, 1, 'clean', 'mush'],
  [0, 0, 'scorched', 'scorched'],
] as const)('wetness %d, hardness %d, %s below: %s', (wetDry, hardness, bottom, ended) => {
  expect(endedAs({ wetDry, hardness, bottom })).toBe(ended)
})
