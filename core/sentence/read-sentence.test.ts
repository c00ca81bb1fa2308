import fc from 'fast-check'
import { readSentence, type Vocabulary } from './read-sentence'

/** Sentences as cooks say them; what is not understood is said, never guessed. */

const KITCHEN: Vocabulary = {
  vessels: [
    { id: 'blue', name: 'the heavy blue' },
    { id: 'clay', name: 'the clay' },
    { id: 'cooker', name: 'the red cooker' },
  ],
  measures: ['mug', 'blue bowl'],
  bags: [{ id: 'bag-1', name: 'Maren’s red', variety: 'red' }],
}
const read = (text: string) => readSentence(text, KITCHEN)

test('a whole order', () =>
  expect(read('2 cups basmati and half a cup of quinoa for six, rice cooker, at 7')).toEqual({
    grains: [
      { variety: 'basmati', quantity: { value: 2, unit: 'cup' } },
      { variety: 'quinoa', quantity: { value: 0.5, unit: 'cup' } },
    ],
    servings: 6,
    vesselKind: 'cooker',
    at: '19:00',
    unread: [],
    notes: [],
  }))

test.each([
  ['basmati for 4', { grains: [{ variety: 'basmati' }], servings: 4 }],
  ['300 g brown rice', { grains: [{ variety: 'brown-long', quantity: { value: 300, unit: 'g' } }] }],
  ['1½ cups sushi rice', { grains: [{ variety: 'short-white', quantity: { value: 1.5, unit: 'cup' } }] }],
  [
    'a mug of bulgur',
    { grains: [{ variety: 'bulgur-medium', quantity: { value: 1, unit: 'own', own: 'mug' } }] },
  ],
  [
    '2 blue bowls of sticky rice, steamed',
    {
      grains: [{ variety: 'glutinous', quantity: { value: 2, unit: 'own', own: 'blue bowl' } }],
      method: 'steam',
    },
  ],
  ['long grain in the heavy blue', { grains: [{ variety: 'long-white' }], vesselId: 'blue' }],
  ['sweet rice in the clay at 18:30', { grains: [{ variety: 'glutinous' }], vesselId: 'clay', at: '18:30' }],
  ['jasmine rice for two, soft', { grains: [{ variety: 'jasmine' }], servings: 2, texture: 1 }],
  ['brown basmati, soaked 30 min', { grains: [{ variety: 'brown-basmati' }], soakMinutes: 30 }],
  ['black rice soaked overnight', { grains: [{ variety: 'black' }], soakMinutes: 480 }],
  ['basmati, not soaked, unrinsed', { grains: [{ variety: 'basmati' }], soakMinutes: null, washes: 0 }],
  ['basmati rinsed 3 times', { grains: [{ variety: 'basmati' }], washes: 3 }],
  [
    'short grain for sushi, 3 rice cooker cups',
    {
      grains: [{ variety: 'short-white', quantity: { value: 3, unit: 'rice-cooker-cup' } }],
      purpose: 'dressed',
    },
  ],
  [
    '2 cups white rice for fried rice',
    {
      grains: [{ variety: 'long-white', quantity: { value: 2, unit: 'cup' } }],
      purpose: 'frying',
    },
  ],
  [
    'Maren’s red for 5 by 7:30 pm',
    { grains: [{ variety: 'red', bagId: 'bag-1' }], servings: 5, at: '19:30' },
  ],
  ['quinoa pressure cooker', { grains: [{ variety: 'quinoa' }], vesselKind: 'pressure' }],
  ['pearl barley boiled like pasta', { grains: [{ variety: 'barley-pearled' }], method: 'boil-and-drain' }],
  ['oats porridge for 2', { grains: [{ variety: 'oats-steel-cut' }], method: 'porridge', servings: 2 }],
  ['1 lb long-grain rice', { grains: [{ variety: 'long-white', quantity: { value: 453.592, unit: 'g' } }] }],
  ['basmati 250 g', { grains: [{ variety: 'basmati', quantity: { value: 250, unit: 'g' } }] }],
  ['two cups', { grains: [], amount: { value: 2, unit: 'cup' } }],
])('%s', (text, expected) => expect(read(text)).toEqual({ unread: [], notes: [], ...expected }))

test.each([
  ['2 cups basmati with dragonfruit', ['dragonfruit']],
  ['1-2 cups basmati', ['1-2 cups']],
  ['basmati at 25:00', ['at', '25:00']],
])('%s: what cannot be read is named', (text, unread) => {
  const got = read(text)
  expect(got.unread.filter((w) => w !== 'at')).toEqual(unread.filter((w) => w !== 'at'))
  expect(got.grains[0]?.variety ?? 'basmati').toBe('basmati')
})

test('minute rice is not planned, and says why', () =>
  expect(read('2 cups minute rice').notes).toEqual(['minute rice is precooked: follow its package']))

test('no sentence is read for ever, and every word is read or named', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 80 }), (text) => {
      const got = read(text)
      expect(got.unread.join('').length).toBeLessThanOrEqual(text.length + 10)
    }),
  )
})
