import { CARD_MM, storedScale, scaleFromCard } from './screen-scale'

describe('the scale of a screen', () => {
  test('is the card’s pixels over the card’s millimetres', () => {
    // A screen of 96 CSS pixels an inch, as the standard’s own reference pixel has it.
    expect(scaleFromCard((96 / 25.4) * 53.98)).toBeCloseTo(96 / 25.4, 12)
    expect(CARD_MM.long / CARD_MM.short).toBeCloseTo(1.586, 3)
  })

  test('is none where it makes no sense', () => {
    for (const px of [0, -5, NaN, 50, 5000, Infinity])
      expect(() => scaleFromCard(px)).toThrow(/pixels a millimetre/)
    for (const text of [null, '', '  ', 'null', '{}', '1', '99', 'NaN', '-6'])
      expect(storedScale(text)).toBeUndefined()
    expect(storedScale('5.46')).toBe(5.46)
  })
})
