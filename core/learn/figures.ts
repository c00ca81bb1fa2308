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

/**
 * What changes a figure other than batches do. pin: the cook says what it is. reset: what was learned is
 * forgotten. widen: it may have changed, so it is less sure. prior: another kitchen's figure to begin with.
 */
export const OVERRIDE_KINDS = ['pin', 'reset', 'widen', 'prior'] as const
export type OverrideKind = (typeof OVERRIDE_KINDS)[number]

/** An altitude this far from the one before is another kitchen, m; less is a corrected figure. */
export const MOVED_M = 150

/** What of a kitchen may have changed. */
export type KitchenChange = 'moved' | 'burner'

/** An appliance's own power: it goes along when the kitchen moves. */
const isOwnPower = (name: string): boolean => kindOf(name) === 'power' && idOf(name).startsWith('own ')

/**
 * How unsure a figure is at the least after a change, one standard deviation; undefined where it stays as it
 * was. Grain, bags and minutes go along; burners do not; a pot's steam depends on its lid and on the room.
 */
export function widenedTo(change: KitchenChange, name: string): number | undefined {
  const kind = kindOf(name)
  if (kind === 'power') return change === 'moved' && isOwnPower(name) ? undefined : priorSd(name)
  return kind === 'steam' && change === 'moved' ? priorSd(name) / 2 : undefined
}

/** A pack's figure is worth less in another kitchen: its doubt is half as much again, and no less than this share. */
const PACK_WIDER = 1.5
const PACK_LEAST = 0.4
/** How unsure a figure of a pack is in the kitchen that takes it, one standard deviation. */
export const priorSdOfPack = (name: string, sd: number): number =>
  Math.min(priorSd(name), Math.max(PACK_LEAST * priorSd(name), PACK_WIDER * sd))

export const figureName = (kind: FigureKind, id: string): string => `${kind} ${id}`
export const kindOf = (name: string): FigureKind => name.slice(0, name.indexOf(' ')) as FigureKind
export const idOf = (name: string): string => name.slice(name.indexOf(' ') + 1)
export const priorSd = (name: string): number => FIGURE_KINDS[kindOf(name)].sd

/** Whether a text is the name of a figure at all. */
export const isFigureName = (name: string): boolean => {
  const space = name.indexOf(' ')
  return space > 0 && Object.hasOwn(FIGURE_KINDS, name.slice(0, space)) && space < name.length - 1
}
