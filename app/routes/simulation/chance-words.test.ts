import type { Chances } from '#core/simulate/sweep'
import { chanceWords } from './chance-words'

const chances = (over: Partial<Chances>): Chances => ({
  runs: 400,
  good: 1,
  soggy: 0,
  uneven: 0,
  scorched: 0,
  cookedThrough: { yes: 1, 'firm-centred': 0, chalky: 0 },
  texture: { dry: 0, firm: 0, standard: 1, soft: 0, mushy: 0 },
  ...over,
})

test('chances in words, the likeliest trouble first', () => {
  expect(chanceWords(chances({}))).toBe('Good in 100 % of 400 kitchens: always.')
  expect(chanceWords(chances({ good: 0.62, soggy: 0.3, scorched: 0.08 }))).toBe(
    'Good in 62 % of 400 kitchens: mostly. 30 % end too wet, 8 % scorch.',
  )
  expect(chanceWords(chances({ good: 0, cookedThrough: { yes: 0, 'firm-centred': 0.4, chalky: 0.6 } }))).toBe(
    'Good in 0 % of 400 kitchens: never. 60 % end chalky, 40 % end firm in the middle.',
  )
})
