/** How a pot came out, as the cook judged it. */
export interface Rating {
  /** −2 too dry … 0 right … 2 too wet. */
  wetDry: number
  /** −2 hard … 0 right … 2 overdone. */
  hardness: number
  bottom: (typeof BOTTOMS)[number]
}

/** How alike it was throughout. */
export const EVENNESS = ['even', 'top-hard', 'bottom-wet', 'patches'] as const
export const EVENNESS_WORDS: Record<(typeof EVENNESS)[number], string> = {
  even: 'even',
  'top-hard': 'hard on top',
  'bottom-wet': 'wet at the bottom',
  patches: 'in patches',
}
export const SEPARATE_WORDS = [
  'one piece',
  'clings',
  'as it should be',
  'loose',
  'every grain separate',
] as const
/** Ways a notebook is sifted by how cooks came out. */
export const OUTCOME_FILTERS = ['right', 'wet', 'dry', 'unrated', 'aside'] as const
export type OutcomeFilter = (typeof OUTCOME_FILTERS)[number]
export const BOTTOMS = ['clean', 'stuck', 'scorched'] as const
export const STEPS = [-2, -1, 0, 1, 2] as const

/** Words for the steps of the two scales. */
export const WET_DRY_WORDS = ['too dry', 'a little dry', 'right', 'a little wet', 'too wet'] as const
export const HARDNESS_WORDS = ['hard', 'a little firm', 'right', 'a little soft', 'overdone'] as const

export const wordOf = (words: readonly string[], step: number): string => words[step + 2] ?? 'right'
