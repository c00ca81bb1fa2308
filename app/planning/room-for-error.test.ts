import { planFrom } from '#core/contract/plan'
import { parseSimulateRequest } from '#core/contract/simulate'
import { outcomeMap, waterRoomForError } from '#core/simulate/outcome-map'
import { chancesOf } from '#core/simulate/sweep'
import { roomForErrorWords } from './room-for-error'

const GRAMS = { units: 'grams', system: 'metric', cup: 'metric' } as const

const request = {
  grains: [{ variety: 'long-white' as const }],
  amount: { basis: 'dry-mass' as const, value: 300 },
}
const planned = (more: object = {}) => {
  const read = planFrom({ ...request, ...more })
  if (!read.ok) throw new Error('unread')
  return read.value
}
const pot = (more: object = {}) => {
  const read = parseSimulateRequest({ ...request, ...more })
  if (!read.ok) throw new Error('unread')
  return read.value
}

test('before any pot is cooked, slack is the way to firm and to soft, and said to be an estimate', () => {
  const { water } = planned()
  const { says, sure } = roomForErrorWords(water, undefined, GRAMS)
  expect(sure).toBe(false)
  expect(says).toBe(
    `room for error: ${Math.round(water.pour_g - water.firm_pour_g)} g less, ${Math.round(water.soft_pour_g - water.pour_g)} g more`,
  )
})

test('afterwards it is what cooked pots say, with how often they end well', () => {
  const { seed, ...simulation } = pot()
  const roomForError = {
    water: waterRoomForError(simulation),
    chances: chancesOf(simulation, { seed, runs: 40 }),
  }
  const { says, sure } = roomForErrorWords(planned().water, roomForError, GRAMS)
  expect(sure).toBe(true)
  expect(says).toMatch(/^room for error: \d+ g less, \d+ g more, in \d+ of 100 kitchens$/)
})

test('a pour outside firm and soft has none', () => {
  expect(roomForErrorWords(planned({ pour_override_g: 1200 }).water, undefined, GRAMS).says).toMatch(
    /^(no room|this is outside)/,
  )
  expect(waterRoomForError(pot({ pour_override_g: 1200 }))).toBeUndefined()
})

test('the slack of a pot lies inside the field of waters and minutes around it', () => {
  const simulation = pot()
  const roomForError = waterRoomForError(simulation)!
  const running = outcomeMap(simulation)
  let next = running.next()
  while (!next.done) next = running.next()
  const map = next.value!
  const row = map.minutes.reduce(
    (best, m, i) => (Math.abs(m - map.at.minutes) < Math.abs(map.minutes[best]! - map.at.minutes) ? i : best),
    0,
  )
  map.pours.forEach((g, i) => {
    if (g >= roomForError.fromG && g <= roomForError.toG)
      expect(['good', 'soft', 'firm']).toContain(map.cells[row]![i])
  })
  // A third of the water is dry or raw, half as much again swims or is mush, at every length of the simmer.
  for (const cells of map.cells) {
    expect(['dry', 'hard', 'scorched', 'firm', 'uneven']).toContain(cells[0])
    expect(['wet', 'mush', 'soft', 'hard']).toContain(cells.at(-1))
  }
})
