import { OFFER_EVERY_MS, offerOf } from './offer'

const NOW = 1e12
const weigh = (nowG: number, thenG: number) => [
  { id: 'judge' as const, says: '', nowG, thenG: 0 },
  { id: 'weigh' as const, says: '', nowG, thenG },
]
test.each([
  [40, 30, 'weigh'],
  [40, 30.1, null],
  [10, 5, 'weigh'],
  [10, 5.1, null],
])('from %d g of doubt to %d g: %s', (nowG, thenG, offer) => {
  expect(offerOf(weigh(nowG, thenG), null, NOW)).toBe(offer)
})
test('once a week at the most', () => {
  expect(offerOf(weigh(40, 10), NOW - OFFER_EVERY_MS + 1, NOW)).toBeNull()
  expect(offerOf(weigh(40, 10), NOW - OFFER_EVERY_MS, NOW)).toBe('weigh')
})
test('rating is asked for anyway and never offered', () => {
  expect(offerOf([{ id: 'judge', says: '', nowG: 40, thenG: 1 }], null, NOW)).toBeNull()
})
