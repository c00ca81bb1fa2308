import { varietyOf } from '#core/grain/varieties'
import { celsius } from '#core/units/units'
import { clingOf } from './cling'
import { imbalance } from './ledger'
import { soakVerdict, soakWindow } from './soak-window'

test('rinse water on the grain: none when dry, what a sieve leaves, 0.08 g/g more without one', () => {
  const blend = { cling: 0.12 }
  expect(clingOf(blend, false, 'sieve')).toBe(0)
  expect(clingOf(blend, true, 'sieve')).toBe(0.12)
  expect(clingOf(blend, true, 'tip')).toBeCloseTo(0.2, 9)
  expect(clingOf(blend, true, 'none')).toBeCloseTo(0.2, 9)
})

test('the ledger is balanced when what is added equals where it goes, less what was carried in', () => {
  const terms = { absorbed: 420, evaporated: 79, drainedOff: 10, leftInPot: 5, carriedIn: 36 }
  expect(imbalance({ ...terms, pour: 478 })).toBe(0)
  expect(imbalance({ ...terms, pour: 488 })).toBe(10)
  expect(imbalance({ ...terms, carriedIn: 30, pour: 478 })).toBe(-6)
})

test('grain with a skin holds together for a day once it is full, bare grain for two hours', () => {
  const [white, brown] = ['long-white', 'brown-short'].map((id) =>
    soakWindow(varietyOf(id as 'long-white'), celsius(20)),
  )
  expect(white!.fragileFrom).toBeGreaterThan(120)
  expect(white!.fragileFrom).toBeLessThan(600)
  expect(brown!.fragileFrom).toBeGreaterThan(1440)
})

test.each([
  [29, 'too-short'],
  [30, 'right'],
  [200, 'right'],
  [201, 'fragile'],
  [240, 'fragile'],
  [241, 'souring'],
] as const)('a soak of %d min in a window of 30, 200 and 240 is %s', (minutes, verdict) =>
  expect(soakVerdict({ from: 30, fragileFrom: 200, souringFrom: 240 }, minutes)).toBe(verdict),
)

test.each([
  [8, 1440],
  [8.1, 240],
  [24.9, 240],
  [25, 120],
])('at %d °C a bowl sours after %d min', (at, minutes) =>
  expect(soakWindow(varietyOf('basmati'), celsius(at)).souringFrom).toBe(minutes),
)
