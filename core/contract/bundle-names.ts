/** Words and limits of a household's document, for who shows them; the document itself is read in bundle.ts. */
export const BUNDLE_LIMITS = Object.freeze({ bytes: 100_000_000, rows: 400_000, depth: 32 } as const)

/** Limits of a way that is saved under a name: characters, and how many there may be. */
export const SAVED_WAY_LIMITS = Object.freeze({ name: 60, search: 4000, steps: 600, most: 200 } as const)

/** What tables hold, in the words of the interface. */
export const GROUPS = {
  settings: 'Settings',
  pots: 'Pots, heat and measures',
  shelf: 'Grains',
  ways: 'Burner and pot settings',
  cooks: 'Batches',
  learned: 'What was learned',
  leftovers: 'Leftovers',
  meals: 'Meals',
  'taste-tests': 'Taste tests',
  practice: 'Practice',
  'saved-ways': 'Saved ways',
} as const
export type GroupId = keyof typeof GROUPS

/** What can be taken along by itself, and the tables it is. */
export const PACKS = {
  pots: { name: 'Pots, burners and measures', tables: ['vessel', 'heat', 'measure', 'belief_override'] },
  grains: { name: 'Grain bags', tables: ['bag', 'belief_override'] },
  methods: { name: 'Programmes and marks, with their pots', tables: ['vessel', 'programme', 'pour_mark'] },
} as const
export type PackId = keyof typeof PACKS
