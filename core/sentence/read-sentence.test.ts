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
  ['black rice, soak till I am up', { grains: [{ variety: 'black' }], soakTillMorning: true }],
  ['two cups', { grains: [], amount: { value: 2, unit: 'cup' } }],
  [
    '1 cup brown rice with 2 cups water, 45 min',
    {
      grains: [{ variety: 'brown-long', quantity: { value: 1, unit: 'cup' } }],
      water: { value: 2, unit: 'cup' },
      minutes: 45,
    },
  ],
  [
    '3 cups of water for 2 cups jasmine',
    {
      grains: [{ variety: 'jasmine', quantity: { value: 2, unit: 'cup' } }],
      water: { value: 3, unit: 'cup' },
    },
  ],
  [
    'half a cup each of basmati and wild rice',
    {
      grains: [
        { variety: 'basmati', quantity: { value: 0.5, unit: 'cup' } },
        { variety: 'wild', quantity: { value: 0.5, unit: 'cup' } },
      ],
    },
  ],
  [
    '300 g brown rice, pressure cooker, 12 min high, natural release',
    {
      grains: [{ variety: 'brown-long', quantity: { value: 300, unit: 'g' } }],
      vesselKind: 'pressure',
      minutes: 12,
      pressure: 'high',
      release: 'natural',
    },
  ],
  [
    'jasmine, 10 min natural then quick release, pressure cooker',
    { grains: [{ variety: 'jasmine' }], release: 'timed', releaseMinutes: 10, vesselKind: 'pressure' },
  ],
  [
    '2 scoops short grain, soft',
    { grains: [{ variety: 'short-white', quantity: { value: 2, unit: 'rice-cooker-cup' } }], texture: 1 },
  ],
  [
    'basmati for the three of us at quarter past seven',
    { grains: [{ variety: 'basmati' }], servings: 3, at: '19:15' },
  ],
  [
    'parboiled rice 200 grams soft for two in the clay at half past six',
    {
      grains: [{ variety: 'parboiled-long', quantity: { value: 200, unit: 'g' } }],
      texture: 1,
      servings: 2,
      vesselId: 'clay',
      at: '18:30',
    },
  ],
  ['wild rice in plenty of water, drained', { grains: [{ variety: 'wild' }], method: 'boil-and-drain' }],
  ['quinoa for lunch at noon', { grains: [{ variety: 'quinoa' }], at: '12:00' }],
  ['fried rice for 2', { grains: [{ variety: 'long-white' }], purpose: 'frying', servings: 2 }],
  [
    '1 cup rice 15 min rest 10 min',
    {
      grains: [{ variety: 'long-white', quantity: { value: 1, unit: 'cup' } }],
      minutes: 15,
      restMinutes: 10,
    },
  ],
  [
    '1 cup rice, simmer 15 minutes, rest 10',
    {
      grains: [{ variety: 'long-white', quantity: { value: 1, unit: 'cup' } }],
      minutes: 15,
      restMinutes: 10,
    },
  ],
  [
    'rice for 4 with a handful of raisins and 2 cinnamon sticks',
    {
      grains: [{ variety: 'long-white' }],
      servings: 4,
      addIns: ['a handful of raisins', '2 cinnamon sticks'],
    },
  ],
  [
    '2 cups white rice and 80 g peas',
    { grains: [{ variety: 'long-white', quantity: { value: 2, unit: 'cup' } }], addIns: ['80 g peas'] },
  ],
  [
    '1 cup rice with 1 tsp salt',
    {
      grains: [{ variety: 'long-white', quantity: { value: 1, unit: 'cup' } }],
      salt: { value: 1, unit: 'tsp' },
    },
  ],
  ['basmati unsalted', { grains: [{ variety: 'basmati' }], salt: null }],
  [
    'a cup of rice and a cup and a half of water',
    {
      grains: [{ variety: 'long-white', quantity: { value: 1, unit: 'cup' } }],
      water: { value: 1.5, unit: 'cup' },
    },
  ],
  [
    'a bowl and a half of jasmine',
    { grains: [{ variety: 'jasmine', quantity: { value: 1.5, unit: 'own', own: 'blue bowl' } }] },
  ],
])('%s', (text, expected) => expect(read(text)).toEqual({ unread: [], notes: [], ...expected }))

test.each([
  ['2 cups basmati with dragonfruit', ['dragonfruit']],
  ['1-2 cups basmati', ['1-2 cups']],
  ['basmati at 25:00', ['at', '25:00']],
  ['a jar and a half of basmati', ['jar']],
  ['2 cups basmati pilaf', ['pilaf']],
  ['two cups of basmati with peas', ['peas']],
])('%s: what cannot be read is named', (text, unread) => {
  const got = read(text)
  expect(got.unread.filter((w) => w !== 'at')).toEqual(unread.filter((w) => w !== 'at'))
  expect(got.grains[0]?.variety ?? 'basmati').toBe('basmati')
})

test('minute rice is not planned, and says why', () =>
  expect(read('2 cups minute rice').notes).toEqual(['minute rice is precooked: follow its package']))

test.each(['red lentils for four', 'black beans', 'boil-in-bag rice', 'noodles for 2'])(
  '%s: what is no grain of ours is not taken for one',
  (text) => {
    expect(read(text).grains).toEqual([])
    expect(read(text).notes).toHaveLength(1)
  },
)

test('no sentence is read for ever, and every word is read or named', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 80 }), (text) => {
      const got = read(text)
      expect(got.unread.join('').length).toBeLessThanOrEqual(text.length + 10)
    }),
  )
})

describe('said in other words', () => {
  test.each([
    [
      '1 c. buckwheat, 1.5 c. water',
      {
        grains: [{ variety: 'buckwheat-groats', quantity: { value: 1, unit: 'cup' } }],
        water: { value: 1.5, unit: 'cup' },
      },
    ],
    ['black rice for 2, overnight soak', { grains: [{ variety: 'black' }], servings: 2, soakMinutes: 480 }],
    ['2 hour soak, red rice', { grains: [{ variety: 'red' }], soakMinutes: 120 }],
    [
      'quinoa, pressure 1 min, natural 10 minutes',
      {
        grains: [{ variety: 'quinoa' }],
        vesselKind: 'pressure',
        minutes: 1,
        release: 'timed',
        releaseMinutes: 10,
      },
    ],
    [
      'brown rice 22 min high, natural release for 10 min',
      {
        grains: [{ variety: 'brown-long' }],
        minutes: 22,
        pressure: 'high',
        release: 'timed',
        releaseMinutes: 10,
      },
    ],
    ['jasmine for a party of 20', { grains: [{ variety: 'jasmine' }], servings: 20 }],
    ['basmati for a person', { grains: [{ variety: 'basmati' }], servings: 1 }],
    ['sushi for 6', { grains: [{ variety: 'short-white' }], purpose: 'dressed', servings: 6 }],
    ['tabbouleh for 6', { grains: [{ variety: 'bulgur-medium' }], purpose: 'salad', servings: 6 }],
    ['bulgur for tabbouleh', { grains: [{ variety: 'bulgur-medium' }], purpose: 'salad' }],
    ['sticky rice steamed over a pot', { grains: [{ variety: 'glutinous' }], method: 'steam' }],
    [
      '2 cups basmati, 1 onion fried first, 2 bay leaves',
      {
        grains: [{ variety: 'basmati', quantity: { value: 2, unit: 'cup' } }],
        addIns: ['1 onion fried first', '2 bay leaves'],
      },
    ],
    [
      '3 go short grain',
      { grains: [{ variety: 'short-white', quantity: { value: 3, unit: 'rice-cooker-cup' } }] },
    ],
  ])('%s', (text, what) => expect(read(text)).toEqual({ unread: [], notes: [], ...what }))

  test.each([
    [
      'basmati 1 cup water 1.5 cups',
      {
        grains: [{ variety: 'basmati', quantity: { value: 1, unit: 'cup' } }],
        water: { value: 1.5, unit: 'cup' },
      },
    ],
    [
      'basmati, water 450 g, 300 g',
      {
        grains: [{ variety: 'basmati', quantity: { value: 300, unit: 'g' } }],
        water: { value: 450, unit: 'g' },
      },
    ],
    [
      'basmati 80 g per person for 4',
      { grains: [{ variety: 'basmati', quantity: { value: 320, unit: 'g' } }], servings: 4, perPerson: true },
    ],
    [
      '80g each for 4, basmati',
      { grains: [{ variety: 'basmati' }], amount: { value: 320, unit: 'g' }, servings: 4, perPerson: true },
    ],
    ['rice for 2 at seven o’clock', { grains: [{ variety: 'long-white' }], servings: 2, at: '19:00' }],
    [
      'oats for two at 7 in the morning',
      { grains: [{ variety: 'oats-steel-cut' }], servings: 2, at: '07:00' },
    ],
    ['oats for breakfast at 7:30', { grains: [{ variety: 'oats-steel-cut' }], at: '07:30' }],
    ['dinner at 8: basmati for 3', { grains: [{ variety: 'basmati' }], servings: 3, at: '20:00' }],
    [
      'rice cooker: 3 cups short grain',
      { grains: [{ variety: 'short-white', quantity: { value: 3, unit: 'cup' } }], vesselKind: 'cooker' },
    ],
    [
      'wild rice: 1 cup basmati, 1/4 cup wild',
      {
        grains: [
          { variety: 'wild', quantity: { value: 0.25, unit: 'cup' } },
          { variety: 'basmati', quantity: { value: 1, unit: 'cup' } },
        ],
      },
    ],
    [
      '2 c jasmine, 2.5 c water, bring to a boil, simmer 15 min, rest 10',
      {
        grains: [{ variety: 'jasmine', quantity: { value: 2, unit: 'cup' } }],
        water: { value: 2.5, unit: 'cup' },
        minutes: 15,
        restMinutes: 10,
      },
    ],
    ['I need extra firm basmati for 4', { grains: [{ variety: 'basmati' }], texture: 0, servings: 4 }],
  ])('%s', (text, what) => expect(read(text)).toEqual({ unread: [], notes: [], ...what }))

  test('so much each, without the people, is not understood', () =>
    expect(read('basmati 80 g each').unread).toEqual(['each']))

  test.each([
    ['jasmine for 4 in 30 minutes', ['in 30 minutes']],
    ['rice in half an hour', ['in half an hour']],
    ['rice for a picnic', ['picnic']],
  ])('%s: neither minutes nor people', (text, unread) => {
    const sentence = read(text)
    expect(sentence.minutes).toBeUndefined()
    expect(sentence.servings).toBe(text.includes('for 4') ? 4 : undefined)
    expect(sentence.unread).toEqual(unread)
  })
})
