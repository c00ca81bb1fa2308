import { windowWord } from './window-word'

test.each([
  [{ low: 10, expected: 10, high: 10 }, 'clock', '10 min'],
  [{ low: 5.4, expected: 6.2, high: 7.6 }, 'cue', '5–8 min'],
  [{ low: 0.5, expected: 0.8, high: 1.4 }, 'cue', '1 min'],
  [{ low: 0.1, expected: 0.2, high: 0.3 }, 'clock', '1 min'],
  [{ low: 89, expected: 89.9, high: 89.9 }, 'clock', '90 min'],
  [{ low: 90, expected: 90, high: 90 }, 'clock', '1.5 h'],
  [{ low: 600, expected: 600, high: 600 }, 'clock', '10 h'],
] as const)('%j ending by %s', (minutes, endsOn, words) => expect(windowWord(minutes, endsOn)).toBe(words))

test('a range read aloud has a word between its ends', () =>
  expect(windowWord({ low: 6, expected: 7, high: 8 }, 'cue', ' to ')).toBe('6 to 8 min'))
