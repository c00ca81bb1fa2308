import { moveWords, ribbonMove, ribbonName } from './ribbon-moves'

const TRACKS = [
  { id: 'small', name: 'small gas' },
  { id: 'big', name: 'big gas' },
]
const ribbon = { dish: 1, title: 'simmer', track: 'small' }
// A minute is 4 px wide, a track 40 px high.
const move = (x: number, y: number) =>
  ribbonMove(ribbon, { x, y }, { tracks: TRACKS, minutePx: 4, rowPx: 40 })

test.each([
  [0, 0, 0, 'small'],
  [-9, 0, 0, 'small'],
  [-11, 0, -5, 'small'],
  [20, 0, 5, 'small'],
  [0, 39, 0, 'big'],
  [0, 400, 0, 'big'],
  [0, -400, 0, 'small'],
])('drawn by %d, %d px: %d minutes, on %s', (x, y, minutes, track) => {
  expect(move(x, y)).toEqual({ minutes, track })
})
test('what is heard while it moves', () => {
  expect(ribbonName(ribbon, [{ title: 'soup' }, { title: 'long-grain white' }])).toBe(
    'long-grain white, simmer',
  )
  expect(moveWords(ribbon, move(0, 0), TRACKS)).toBe('at the same time')
  expect(moveWords(ribbon, move(-40, 0), TRACKS)).toBe('10 minutes earlier')
  expect(moveWords(ribbon, move(20, 40), TRACKS)).toBe('5 minutes later, on big gas')
})
