import fc from 'fast-check'
import { pressedAt } from './outbox'

const byServer = (press: { pressed_ms: number; ahead_ms: number }) => press.pressed_ms + press.ahead_ms

describe('when a press was made', () => {
  test('is the device’s clock and how far the server’s is ahead of it', () => {
    expect(pressedAt(1_000_000, 250.4, undefined)).toEqual({ pressed_ms: 1_000_000, ahead_ms: 250 })
    expect(pressedAt(1_000_000, -90_000, undefined, 800_000)).toEqual({
      pressed_ms: 1_000_000,
      ahead_ms: -90_000,
    })
  })

  test('comes after what the screen had shown, though the last answer was slow and the server’s clock is thought to be earlier now', () => {
    // It boils, heard back as 40 ms past; the answer took half a second, and the lid is lifted 300 ms after.
    const lid = pressedAt(1_000_300, -460, undefined, 1_000_040)
    expect(byServer(lid)).toBe(1_000_041)
  })

  test('keeps the order of presses, whatever the device comes to think of the server’s clock between them', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            pause: fc.integer({ min: 0, max: 4000 }),
            ahead: fc.double({ min: -5000, max: 5000, noNaN: true }),
          }),
          { minLength: 2, maxLength: 12 },
        ),
        (steps) => {
          let clock = 1_700_000_000_000
          let before: { pressed_ms: number; ahead_ms: number } | undefined
          for (const { pause, ahead } of steps) {
            clock += pause
            const press = pressedAt(clock, ahead, before)
            expect(Number.isInteger(byServer(press))).toBe(true)
            expect(press.pressed_ms).toBeGreaterThanOrEqual(clock)
            if (before) expect(byServer(press)).toBeGreaterThan(byServer(before))
            before = press
          }
        },
      ),
    )
  })
})
