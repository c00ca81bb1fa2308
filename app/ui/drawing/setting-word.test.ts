import { knobWord } from './setting-word'

const burner = {
  rated_w: 2700,
  efficiency: 0.4,
  power_factor: 1,
  knob: [
    { name: 'candle', share: 0.15 },
    { name: 'half', share: 0.5 },
    { name: 'full', share: 1 },
  ],
}

test.each([
  [1080, 'full'],
  [600, 'half'],
  [190, 'candle'],
  [120, 'candle'],
])('%i W at the pot is the place called %s', (power_w, word) => {
  expect(knobWord({ power_w }, burner)).toBe(word)
})

test('no setting is made up: off, far from all of them, or none entered', () => {
  expect(knobWord({ power_w: 0 }, burner)).toBeUndefined()
  expect(knobWord({ power_w: 40 }, burner)).toBeUndefined()
  expect(knobWord({ power_w: 500 }, { ...burner, knob: [] })).toBeUndefined()
  expect(knobWord({ power_w: 500 }, null)).toBeUndefined()
})
