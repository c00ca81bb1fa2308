import fc from 'fast-check'
import { guidanceOf } from './guidance'
import { canTell, containerState, type LeftoverEvent, type StoredContainer } from './container-state'
import { shareOut, suggestContainers, type Container } from './portions'
import { reheating } from './reheat'

const HOUR = 3_600_000
const COOKED = Date.UTC(2026, 2, 28, 19, 0) // the evening before European clocks go forward
const packed: StoredContainer = {
  cookedMs: COOKED,
  packedMs: COOKED + HOUR / 2,
  place: 'fridge',
  portions: 3,
  grams: 450,
}
const uk = guidanceOf('stricter')
const event = (
  kind: LeftoverEvent['kind'],
  hours: number,
  more: Partial<LeftoverEvent> = {},
): LeftoverEvent => ({
  id: `${kind}-${hours}`,
  kind,
  atMs: COOKED + hours * HOUR,
  ...more,
})

describe('a container', () => {
  test('counts from the pot, in hours that no clock change moves', () => {
    expect(containerState(packed, [], uk, COOKED).useByMs).toBe(COOKED + 24 * HOUR)
    expect(containerState(packed, [], uk, COOKED + 24 * HOUR).pastMs).toBe(0)
    expect(containerState(packed, [], uk, COOKED + 25 * HOUR).pastMs).toBe(HOUR)
    expect(containerState(packed, [], guidanceOf('us'), COOKED + 25 * HOUR).pastMs).toBe(0)
  })

  test('freezing stops the clock; thawing starts it where it stood, and never for longer than a thawed portion may', () => {
    const frozen = [event('to-freezer', 6)]
    const month = containerState(packed, frozen, uk, COOKED + 700 * HOUR)
    expect([month.place, month.useByMs, month.leftH]).toEqual(['freezer', null, 18])
    const thawed = containerState(packed, [...frozen, event('thawed', 700)], uk, COOKED + 700 * HOUR)
    expect(thawed.useByMs).toBe(COOKED + 718 * HOUR)
    const early = containerState(
      { ...packed, place: 'freezer' },
      [event('thawed', 700)],
      guidanceOf('us'),
      COOKED + 700 * HOUR,
    )
    expect(early.useByMs).toBe(COOKED + (700 + 71.5) * HOUR)
  })

  test('portions are eaten one by one; the last one ends it', () => {
    const one = containerState(packed, [event('eaten', 2, { portions: 1 })], uk, COOKED + 3 * HOUR)
    expect([one.portions, one.grams, one.gone]).toEqual([2, 300, null])
    expect(containerState(packed, [event('eaten', 2)], uk, COOKED).gone).toBe('eaten')
    expect(containerState(packed, [event('thrown', 2)], uk, COOKED).place).toBe('gone')
  })

  test('what is pressed can be taken back', () => {
    const thrown = event('thrown', 2)
    const back = containerState(
      packed,
      [thrown, event('take-back', 2.01, { target: thrown.id })],
      uk,
      COOKED + 3 * HOUR,
    )
    expect([back.gone, back.portions]).toEqual([null, 3])
  })

  test('refuses what makes no sense, in words', () => {
    const at = (hours: number, ...events: LeftoverEvent[]) =>
      containerState(packed, events, uk, COOKED + hours * HOUR)
    expect(canTell(at(1), 'reheated', uk)).toBeUndefined()
    expect(canTell(at(3, event('reheated', 2)), 'reheated', uk)).toContain('once already')
    expect(canTell(at(3, event('reheated', 2)), 'to-freezer', uk)).toContain('not frozen')
    expect(canTell(at(30), 'eaten', uk)).toContain('throw it away')
    expect(canTell(at(30), 'thrown', uk)).toBeUndefined()
    expect(canTell(at(3, event('thrown', 2)), 'eaten', uk)).toContain('already thrown out')
    expect(canTell(at(1), 'thawed', uk)).toContain('not frozen')
  })

  test('time in the fridge never sums to more than the guidance allows, whatever is pressed', () => {
    const kinds = fc.constantFrom(
      'to-freezer' as const,
      'thawed' as const,
      'to-fridge' as const,
      'reheated' as const,
    )
    fc.assert(
      fc.property(
        fc.array(fc.tuple(kinds, fc.double({ min: 0.1, max: 200, noNaN: true })), { maxLength: 8 }),
        (drawn) => {
          const events = drawn
            .sort((a, b) => a[1] - b[1])
            .map(([kind, hours], i) => ({ ...event(kind, hours), id: String(i) }))
          const view = containerState(packed, events, uk, COOKED + 201 * HOUR)
          if (view.useByMs === null) return
          // Add up the hours out of the freezer by another path: walk the events.
          let [warm, since, frozen] = [0, COOKED, false]
          for (const e of events) {
            if (e.kind === 'to-freezer' && !frozen) [warm, frozen] = [warm + e.atMs - since, true]
            else if ((e.kind === 'thawed' || e.kind === 'reheated') && frozen)
              [since, frozen] = [e.atMs, false]
          }
          expect(warm + view.useByMs - since).toBeLessThanOrEqual(24 * HOUR + 1)
        },
      ),
    )
  })
})

describe('sharing out', () => {
  const container: Container = { id: 'tub', name: 'the small tub', ml: 350, depthMm: 50 }
  const tray: Container = { id: 'tray', name: 'the flat tray', ml: 1800, depthMm: 40 }
  test('level, all of it, in proportion to the room', () => {
    const filled = shareOut(1000, 0.8, 4, [container, container, tray])
    expect(filled.reduce((sum, f) => sum + f.massG, 0)).toBeCloseTo(1000, 9)
    expect(filled.reduce((sum, f) => sum + f.portions, 0)).toBeCloseTo(4, 9)
    expect(filled[0]!.depthMm).toBeCloseTo((50 * (1000 / 0.8)) / 2500, 6)
    expect(filled.some((f) => f.over)).toBe(false)
    expect(shareOut(1000, 0.8, 4, [container])[0]!.over).toBe(true)
    expect(shareOut(0, 0.8, 0, [container])).toEqual([])
  })
  // 350 mL of 0.8 g/mL are 280 g.
  test.each([
    [280.2, false],
    [280.4, true],
  ])('%d g in a tub of 350 mL: over its rim %s', (grams, over) =>
    expect(shareOut(grams, 0.8, 1, [container])[0]!.over).toBe(over),
  )
  test('without grain or containers there is nothing to share, and negative amounts are refused', () => {
    expect(shareOut(500, 0.8, 2, [])).toEqual([])
    expect(() => shareOut(-1, 0.8, 1, [container])).toThrow(/massG must be 0 or more, got -1/)
    expect(() => shareOut(NaN, 0.8, 1, [container])).toThrow(/massG/)
  })
  test.each([
    // A portion of just 280 g fills the tub to its rim; a little more takes the tray.
    [560, 2, ['tub', 'tub']],
    [560.1, 2, ['tray', 'tray']],
    // Half a portion still wants a tub, and grain without portions counts as one.
    [100, 0.4, ['tub']],
    [200, 0, ['tub']],
    [0, 2, []],
  ])('%d g as %d portions go into %j', (grams, portions, ids) =>
    expect(suggestContainers(grams, 0.8, portions, [tray, container]).map((c) => c.id)).toEqual(ids),
  )
  test('one portion a tub where one fits; as few large ones as take it all where none does', () => {
    expect(suggestContainers(600, 0.8, 3, [tray, container]).map((c) => c.id)).toEqual(['tub', 'tub', 'tub'])
    expect(suggestContainers(3200, 0.8, 2, [container, tray]).map((c) => c.id)).toEqual([
      'tray',
      'tray',
      'tray',
    ])
    expect(suggestContainers(600, 0.8, 3, [])).toEqual([])
  })
})

describe('making it hot again', () => {
  const base = { grams: 180, waterShare: 0.62, toC: 75, panW: 700 }
  test('the water is the steam that heats it: about a tablespoon a portion', () => {
    const { waterG } = reheating(base)
    // 180 g × 3.2 J/gK × 71 K over 2257 J/g, a fifth more for what escapes.
    const byHand = ((180 * (0.62 * 4.18 + 0.38 * 1.6) * 71) / 2257) * 1.2
    expect(Math.abs(waterG - byHand)).toBeLessThanOrEqual(2.5)
  })
  test('water is whole grams, also where a fifth of the grain is the limit', () => {
    for (let grams = 20; grams < 400; grams += 0.7)
      expect(reheating({ ...base, grams, frozen: true }).waterG % 1).toBe(0)
  })
  // By hand, from 5 °C: 983.1 J/K, 68.8 kJ, 36.6 g of steam; frozen 156.6 kJ, 83 g and so a fifth of 300 g.
  test.each([
    [false, 35, 4, 4],
    [true, 60, 6, 8],
  ])(
    '300 g to 75 °C, frozen %s: %d g of water, %d min in the pan, %d in the microwave',
    (frozen, waterG, pan, microwave) =>
      expect(reheating({ grams: 300, waterShare: 0.65, toC: 75, frozen, panW: 600 })).toEqual({
        waterG,
        panMinutes: pan,
        microwaveMinutes: microwave,
      }),
  )
  test('a spoonful still gets the least there is to pour', () =>
    expect(reheating({ ...base, grams: 10 }).waterG).toBe(5))
  test('frozen takes longer, more power less, and it always steams a minute', () => {
    expect(reheating({ ...base, frozen: true }).panMinutes).toBeGreaterThan(reheating(base).panMinutes)
    expect(reheating({ ...base, panW: 2000 }).panMinutes).toBeLessThanOrEqual(reheating(base).panMinutes)
    expect(reheating({ ...base, grams: 1, panW: 5000 }).panMinutes).toBeGreaterThanOrEqual(2)
  })
})
