import fc from 'fast-check'
import { planFrom } from '#core/contract/plan'
import { VARIETY_IDS, varietyOf } from '#core/grain/varieties'
import { AVOIDED_IDS, heldBy, insteadOf } from './avoid'
import { countFrom, countWord } from './count-words'
import { parsePeople, type Person } from './party'

const HOUSEHOLD: Person[] = [
  { id: 'm', name: 'Maren', appetite: 1, firmness: null, avoids: [] },
  { id: 't', name: 'Teo', appetite: 1.25, firmness: 0.2, avoids: [] },
  { id: 'p', name: 'Pim', appetite: 0.5, firmness: 0.8, avoids: ['buckwheat'] },
]
const party = (text: string) => {
  const read = parsePeople(text, HOUSEHOLD)
  if (!read.ok) throw new Error(read.message)
  return read.value
}

describe('who eats, in a sentence', () => {
  test.each([
    [
      'fourteen, three small, one no gluten',
      { heads: 14, portions: 12.5, texture: null, avoids: ['gluten'] },
    ],
    ['five', { heads: 5, portions: 5, texture: null, avoids: [] }],
    ['4; 2 hungry', { heads: 4, portions: 5, texture: null, avoids: [] }],
    ['Maren, Teo, Pim and two guests', { heads: 5, portions: 4.75, texture: 0.5, avoids: ['buckwheat'] }],
    ['the house', { heads: 3, portions: 2.75, texture: 0.5, avoids: ['buckwheat'] }],
    ['teo and a guest', { heads: 2, portions: 2.25, texture: 0.2, avoids: [] }],
    [
      'six, two firm, one without lentils, one gluten-free',
      { heads: 6, portions: 6, texture: 0.25, avoids: ['pulses', 'gluten'] },
    ],
    ['ten, one small no oats', { heads: 10, portions: 9.5, texture: null, avoids: ['oats'] }],
  ])('“%s”', (text, expected) => expect(party(text)).toEqual(expected))

  test.each([
    ['', /Enter how many people/],
    ['three small', /Give the number first/],
    ['five, one purple', /“one purple” is not a name/],
    ['five, six', /appears twice/],
    ['two, five small', /More small portions/],
    ['900', /At most 200/],
    ['five, no sparrows', /“no sparrows”/],
    ['-3', /“-3”/],
  ])('“%s” is refused, with what is wrong', (text, message) => {
    const read = parsePeople(text, HOUSEHOLD)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.message).toMatch(message)
  })

  test('any text is read or refused in words, and portions are never none', () => {
    const word = fc.constantFrom(
      'three',
      'small',
      'no',
      'gluten',
      'Maren',
      'guests',
      'and',
      ',',
      '12',
      'hungry',
      'firm',
      '0',
      'of them',
      'constructor',
      '__proto__',
    )
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(word, { maxLength: 9 }).map((w) => w.join(' ')),
        ),
        (text) => {
          const read = parsePeople(text, HOUSEHOLD)
          if (read.ok) expect(read.value.portions).toBeGreaterThanOrEqual(0.5)
          else expect(read.message.length).toBeGreaterThan(10)
        },
      ),
    )
  })

  test('counts are words up to twenty and figures beyond, and come back', () => {
    for (let n = 1; n <= 60; n++) expect(countFrom(countWord(n))).toBe(n)
    expect([countFrom('0'), countFrom('nobody'), countFrom('4.5'), countFrom('')]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ])
  })
})

describe('what somebody avoids', () => {
  test('gluten is in wheat, barley, rye, oats and what is made of them, and in no rice', () => {
    const holds = VARIETY_IDS.filter((id) => heldBy(id, ['gluten']).length > 0)
    for (const id of [
      'couscous',
      'bulgur-medium',
      'barley-pearled',
      'barley-hulled',
      'rye-berries',
      'wheat-berries',
      'oat-groats',
      'freekeh-cracked',
      'farro-pearled',
    ] as const)
      expect(holds).toContain(id)
    for (const id of [
      'long-white',
      'glutinous',
      'quinoa',
      'millet',
      'buckwheat-groats',
      'wild',
      'lentils-green',
    ] as const)
      expect(holds).not.toContain(id)
  })

  test('there is another grain for every one, that holds none of it', () => {
    for (const id of VARIETY_IDS)
      for (const food of AVOIDED_IDS) {
        const instead = insteadOf(id, [food])!
        expect(heldBy(instead, [food])).toEqual([])
        if (heldBy(id, [food]).length === 0) expect(instead).toBe(id)
      }
    // Of the same kind where there is one.
    expect(varietyOf(insteadOf('couscous', ['oats'])!).id).toBe('couscous')
  })

  test('the plan stops a pot that holds it, names it, and its mend is clean', () => {
    const read = planFrom({
      grains: [
        { variety: 'long-white', share: 1 },
        { variety: 'barley-pearled', share: 1 },
      ],
      amount: { basis: 'servings', value: 4 },
      avoids: ['gluten'],
    })
    if (!read.ok) throw new Error('unreadable')
    const caution = read.value.cautions.find((c) => c.code === 'avoided')!
    expect([caution.severity, caution.text]).toEqual([
      'stop',
      expect.stringMatching(/^Barley, pearled contains gluten/),
    ])
    const mended = planFrom({
      grains: caution.mend!.grains!,
      amount: { basis: 'servings', value: 4 },
      avoids: ['gluten'],
    })
    expect(mended.ok && mended.value.cautions.some((c) => c.code === 'avoided')).toBe(false)
    expect(
      planFrom({
        grains: [{ variety: 'long-white' }],
        amount: { basis: 'servings', value: 4 },
        avoids: ['sparrows'] as never,
      }),
    ).toMatchObject({ ok: false })
  })
})
