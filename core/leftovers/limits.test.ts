import { canTell, containerState, type LeftoverEvent, type StoredContainer } from './container-state'
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

const stricter = guidanceOf('stricter')
const stateAt = (events: LeftoverEvent[], hours: number, of: Partial<StoredContainer> = {}) =>
  containerState({ ...stored, ...of }, events, stricter, COOKED + hours * HOUR)

describe('what can be done with a container, just before and just after', () => {
  test('its use-by time: on the hour it is eaten, a second later it is thrown away', () => {
    const last = stricter.eat_h.value
    expect(canTell(stateAt([], last), 'eaten', stricter)).toBeUndefined()
    expect(canTell(stateAt([], last + 1 / 3600), 'eaten', stricter)).toMatch(/throw it away/)
    expect(canTell(stateAt([], last + 1 / 3600), 'thrown', stricter)).toBeUndefined()
  })
  test('it is reheated as often as the guidance says, and then no more', () => {
    const most = stricter.reheats.value
    const times = (n: number) => Array.from({ length: n }, (_, i) => at('reheated', 2 + i / 10))
    expect(canTell(stateAt(times(most - 1), 4), 'reheated', stricter)).toBeUndefined()
    expect(canTell(stateAt(times(most), 4), 'reheated', stricter)).toMatch(/already/)
  })
  test('reheated grain is not frozen; what is frozen is neither frozen again nor put into the fridge', () => {
    expect(canTell(stateAt([], 3), 'to-freezer', stricter)).toBeUndefined()
    expect(canTell(stateAt([at('reheated', 2)], 3), 'to-freezer', stricter)).toMatch(/not frozen/)
    const frozen = stateAt([at('to-freezer', 2)], 3)
    expect(canTell(frozen, 'to-freezer', stricter)).toBe('it is in the freezer')
    expect(canTell(frozen, 'to-fridge', stricter)).toBe('it is in the freezer')
    expect(canTell(frozen, 'thawed', stricter)).toBeUndefined()
    expect(canTell(stateAt([], 3), 'thawed', stricter)).toBe('it is not frozen')
  })
  test('from the counter it goes into the fridge once', () => {
    const cooling = stateAt([], 1, { place: 'counter' })
    expect(cooling.place).toBe('cooling')
    expect(canTell(cooling, 'to-fridge', stricter)).toBeUndefined()
    expect(stateAt([at('to-fridge', 1.2)], 2, { place: 'counter' }).place).toBe('fridge')
    expect(canTell(stateAt([], 1), 'to-fridge', stricter)).toBe('it is in the fridge')
  })
  test('nothing is undone where nothing was done', () => {
    expect(canTell(stateAt([], 1), 'take-back', stricter)).toMatch(/nothing to undo/)
    expect(canTell(stateAt([at('reheated', 2)], 3), 'take-back', stricter)).toBeUndefined()
  })
})

test('frozen at once the clock stands where it was packed; reheated from frozen it runs on', () => {
  const frozen = stateAt([], 500, { place: 'freezer' })
  expect(frozen).toMatchObject({ place: 'freezer', useByMs: null, pastMs: 0 })
  // One hour went by before it was packed.
  expect(frozen.leftH).toBe(Math.min(stricter.thawed_h.value, stricter.eat_h.value - 1))
  const reheated = stateAt([at('reheated', 500)], 501, { place: 'freezer' })
  expect(reheated.place).toBe('fridge')
  expect((reheated.useByMs! - COOKED) / HOUR).toBe(500 + stricter.eat_h.value - 1)
})

test('more than there is cannot be eaten, and what comes after the end changes nothing', () => {
  const eaten = (portions: number, hours: number): LeftoverEvent => ({ ...at('eaten', hours), portions })
  const left = stateAt([eaten(0.5, 2)], 3)
  expect(left).toMatchObject({ portions: 1.5, grams: 225 })
  expect(stateAt([eaten(5, 2)], 3)).toMatchObject({ place: 'gone', gone: 'eaten', portions: 0, grams: 0 })
  expect(stateAt([at('eaten', 2)], 3).gone).toBe('eaten')
  expect(stateAt([at('thrown', 2), at('eaten', 3)], 4).gone).toBe('thrown')
  expect(canTell(stateAt([at('thrown', 2)], 3), 'eaten', stricter)).toBe('already thrown out')
})
