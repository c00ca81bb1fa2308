/** Address, word, and whether it comes under “More” on a phone; the others are used with a pot on. */
export const PLACES: readonly [to: string, word: string, more?: boolean][] = [
  ['/', 'Plan'],
  ['/stove', 'Stove'],
  ['/meal', 'Meal'],
  ['/grains', 'Grains', true],
  ['/pots', 'Pots', true],
  ['/leftovers', 'Leftovers'],
  ['/notebook', 'Notebook', true],
]
