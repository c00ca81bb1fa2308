import { SPREADS, UPTAKE_SPREAD_G_G } from '#core/spreads'

/**
 * The figures a household learns, by kind: what they correct, how far they lie apart before anything was
 * seen, how fast they are forgotten. Names are made here and read nowhere else.
 */
export const FIGURE_KINDS = {
  /** Water the eaters here want in this grain over the published, g/g. */
  grain: { sd: UPTAKE_SPREAD_G_G, forgets: 0.012, word: 'water in the grain', unit: 'g/g' },
  /** The same of one bag, on top of its grain's, g/g. */
  bag: { sd: 0.07, forgets: 0.012, word: 'water of this bag', unit: 'g/g' },
  /** Natural log of what this pot lets out as steam, over what is computed. */
  steam: { sd: SPREADS.steam, forgets: 0.02, word: 'steam of this pot', unit: 'times' },
  /** Natural log of what this burner gives, over what its plate says. */
  power: { sd: SPREADS.burner, forgets: 0.02, word: 'power of this burner', unit: 'times' },
  /** Natural log of how long it takes in this pot, over what is computed. */
  time: { sd: SPREADS.minutes, forgets: 0.015, word: 'time in this pot', unit: 'times' },
} as const satisfies Record<string, { sd: number; forgets: number; word: string; unit: 'g/g' | 'times' }>
export type FigureKind = keyof typeof FIGURE_KINDS

export const figureName = (kind: FigureKind, id: string): string => `${kind} ${id}`
export const kindOf = (name: string): FigureKind => name.slice(0, name.indexOf(' ')) as FigureKind
export const idOf = (name: string): string => name.slice(name.indexOf(' ') + 1)
export const priorSd = (name: string): number => FIGURE_KINDS[kindOf(name)].sd

/** Whether a text is the name of a figure at all. */
export const isFigureName = (name: string): boolean => {
  const space = name.indexOf(' ')
  return space > 0 && Object.hasOwn(FIGURE_KINDS, name.slice(0, space)) && space < name.length - 1
}
