import { containerState, type LeftoverEvent, type StoredContainer } from './container-state'
import { guidanceOf } from './guidance'

const HOUR = 3_600_000
const COOKED = Date.UTC(2026, 2, 5, 19)
const stored: StoredContainer = {
  cookedMs: COOKED,
  packedMs: COOKED + HOUR,
  place: 'fridge',
  portions: 2,
  grams: 300,
}
const at = (kind: LeftoverEvent['kind'], hours: number): LeftoverEvent => ({
  id: `${kind}${hours}`,
  kind,
  atMs: COOKED + hours * HOUR,
})
const us = guidanceOf('us')
/** A household that eats within three days, but what was thawed within twelve hours. */
const stricterThawed = { ...us, thawed_h: { ...us.thawed_h, value: 12 } }

test('thawed, the shorter of what is left of the first clock and the clock of thawed food counts', () => {
  const events = [at('to-freezer', 2), at('thawed', 100)]
  const useBy = (guidance: typeof us) =>
    (containerState(stored, events, guidance, COOKED + 101 * HOUR).useByMs! - COOKED) / HOUR - 100
  expect(useBy(stricterThawed)).toBe(12)
  expect(useBy({ ...us, thawed_h: { ...us.thawed_h, value: 500 } })).toBe(us.eat_h.value - 2)
})

test.each([
  [24, 0],
  [24 + 1 / 3600, 1000],
])('after %d hours in the fridge it is %d ms past its use-by time', (hours, past) =>
  expect(containerState(stored, [], guidanceOf('stricter'), Math.round(COOKED + hours * HOUR)).pastMs).toBe(
    past,
  ),
)
