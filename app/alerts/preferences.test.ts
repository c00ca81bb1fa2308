import { FIRST_SENSES, SIGNAL_WORDS, SOUND_WORDS, SOUNDS, sensesIn } from './preferences'

test('preferences are read back as stored', () => {
  const mine = {
    sounds: { due: 'none', ended: 'rise', attention: 'bell' },
    speak: true,
    vibrate: false,
    notify: true,
    awake: false,
    listen: true,
  }
  expect(sensesIn(JSON.stringify(mine))).toEqual(mine)
})

test.each([
  [null],
  [''],
  ['no JSON'],
  ['[]'],
  ['null'],
  ['5'],
  ['{"sounds":7}'],
  ['{"sounds":{"due":"trumpet"},"speak":"yes"}'],
])('what makes no sense is the first senses: %s', (text) => {
  expect(sensesIn(text)).toEqual(FIRST_SENSES)
})

test('storing one preference leaves the others at their defaults', () => {
  expect(sensesIn('{"speak":true}')).toEqual({ ...FIRST_SENSES, speak: true })
  expect(sensesIn('{"sounds":{"ended":"none"}}').sounds).toEqual({ ...FIRST_SENSES.sounds, ended: 'none' })
})

test('signals of different kinds sound different at first, and every sound and signal has its words', () => {
  expect(new Set(Object.values(FIRST_SENSES.sounds)).size).toBe(Object.keys(SIGNAL_WORDS).length)
  for (const sound of SOUNDS) expect(SOUND_WORDS[sound].length).toBeGreaterThan(3)
})
