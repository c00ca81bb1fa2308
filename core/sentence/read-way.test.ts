import fc from 'fast-check'
import { readWay } from './read-way'

const KITCHEN = {
  vessels: [{ id: 'wide', name: 'Wide pot' }],
  measures: ['mug'],
  bags: [],
}
const cups = (value: number) => ({ value, unit: 'cup' })

test('a packet: grain, water and steps in one text', () => {
  const read = readWay(
    '1 cup long-grain rice, 2 cups cold water. Bring to the boil, then lid on, low 15 min, off 10 min',
    KITCHEN,
  )
  expect(read.sentence.grains).toMatchObject([{ quantity: cups(1) }])
  expect(read.water).toMatchObject(cups(2))
  expect(read.unread).toEqual([])
  expect(read.steps).toEqual([
    { heat: 'high', lid: 'on', until: 'boil' },
    { heat: 'low', lid: 'on', minutes: 15 },
    { heat: 'off', lid: 'on', minutes: 10 },
  ])
})

test.each([
  ['300 g basmati to 450 g water, boil, low 12', { value: 300, unit: 'g' }, { value: 450, unit: 'g' }],
  ['2 mugs basmati and 3 mugs of water, boil, low 12', { value: 2, unit: 'own' }, { value: 3, unit: 'own' }],
  ['1½ cups brown rice; water: 3 cups; boil; low 45 min', cups(1.5), cups(3)],
  ['1 cup basmati with 1 1/2 cups boiling water, low 12 min', cups(1), cups(1.5)],
])('“%s”', (text, grain, water) => {
  const read = readWay(text, KITCHEN)
  expect(read.sentence.grains[0]!.quantity).toMatchObject(grain)
  expect(read.water).toMatchObject(water)
  expect(read.unread).toEqual([])
})

test('a pot of the kitchen is understood among the steps; what no reader knows is handed back', () => {
  const read = readWay('wide pot, soak 20 min, drain, 1 cup basmati, fry the onions, boil, low 10', KITCHEN)
  expect(read.sentence.vesselId).toBe('wide')
  expect(read.soakMinutes).toBe(20)
  expect(read.unread).toEqual(['fry the onions'])
  expect(readWay('boil until the water is gone', KITCHEN).water).toBeUndefined()
})

describe('nothing typed is lost', () => {
  test.each([
    [
      'Boil 2 litres water, add 250 g rice, boil 11 minutes, drain',
      { value: 250, unit: 'g' },
      { value: 2000, unit: 'ml' },
      [{ until: 'boil' }, { heat: 'medium', minutes: 11 }],
    ],
    ['cook 1 cup rice in 2 cups water 20 minutes', cups(1), cups(2), [{ heat: 'low', minutes: 20 }]],
    [
      '1 cup jasmine 1.25 cups water full heat till boiling then lowest 12 min then rest 10 min',
      cups(1),
      cups(1.25),
      [{ until: 'boil' }, { heat: 'lowest', minutes: 12 }, { heat: 'off', minutes: 10 }],
    ],
    [
      'quinoa 1 c. water 2 c. simmer 15 min covered',
      cups(1),
      cups(2),
      [{ heat: 'low', lid: 'on', minutes: 15 }],
    ],
    ['1 cup basmati 2 cups water 18 min', cups(1), cups(2), [{ heat: 'low', minutes: 18 }]],
    ['1 c. basmati, 2 c. water. Boil. Low 12 min.', cups(1), cups(2), [{ until: 'boil' }, { minutes: 12 }]],
    [
      'Put rice and water in the pan. 300 g basmati, 450 g water. Bring to boil, cover, lowest heat, cook 12 minutes. Remove from heat, let stand 5 minutes. Fluff and serve.',
      { value: 300, unit: 'g' },
      { value: 450, unit: 'g' },
      [{ until: 'boil' }, { heat: 'lowest', minutes: 12 }, { heat: 'off', minutes: 5 }],
    ],
  ])('“%s”', (text, grain, water, steps) => {
    const read = readWay(text, KITCHEN)
    expect(read.sentence.grains[0]!.quantity).toMatchObject(grain)
    expect(read.water).toMatchObject(water)
    expect(read.steps).toMatchObject(steps)
    expect(read.steps).toHaveLength(steps.length)
    expect(read.unread).toEqual([])
  })
  test('brown rice is a grain, and no browning', () => {
    const read = readWay('brown rice, simmer the brown rice covered 40 min, brown the onions', KITCHEN)
    expect(read.steps).toEqual([{ heat: 'low', lid: 'on', minutes: 40 }])
    expect(read.unread).toEqual(['brown the onions'])
  })
  test('a soak overnight; and what browns is not understood', () => {
    const read = readWay(
      '200 g wheat berries, soak overnight, 1 l water, toast 2 min, simmer 45 min',
      KITCHEN,
    )
    expect(read.soakMinutes).toBe(480)
    expect(read.unread).toEqual(['toast 2 min'])
    expect(read.steps).toEqual([{ heat: 'low', lid: 'on', minutes: 45 }])
  })
})

test('any text is read without an error', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 160 }), (text) => {
      expect(Array.isArray(readWay(text, KITCHEN).steps)).toBe(true)
    }),
  )
})
