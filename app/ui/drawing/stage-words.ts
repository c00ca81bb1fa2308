import type { Stage } from '#core/plan/result'

/** One word for a stage where there is no room for its title. */
const WORDS: Record<Stage['kind'], string> = {
  measure: 'measure',
  rinse: 'rinse',
  soak: 'soak',
  drain: 'drain',
  toast: 'toast',
  'heat-up': 'to the boil',
  boil: 'boil',
  skim: 'skim',
  simmer: 'simmer',
  steam: 'steam',
  moisten: 'moisten',
  ladle: 'ladle',
  'pressure-up': 'to pressure',
  pressure: 'pressure',
  release: 'release',
  bake: 'bake',
  rest: 'rest',
  turn: 'turn',
  fluff: 'loosen',
  spread: 'spread',
  dress: 'dress',
  cool: 'cool',
  hold: 'keep warm',
}
/** Stages that are called otherwise than others of their kind. */
const OWN_WORDS = new Map([
  ['pour', 'pour'],
  ['fry-first', 'fry'],
  ['fry', 'fry'],
  ['mix-dressing', 'mix dressing'],
  ['infuse', 'steep'],
  ['set', 'set'],
])
export const stageWord = (stage: Pick<Stage, 'kind' | 'id'>): string =>
  OWN_WORDS.get(stage.id) ?? WORDS[stage.kind]

/** Height of a stage on the ribbon, 0..1: height is heat. A rest is as high as the pot is still hot. */
export const heatHeight = ({ heat, kind }: Pick<Stage, 'heat' | 'kind'>): number => {
  if (kind === 'rest' || kind === 'release') return 0.3
  return { off: 0.08, lowest: 0.3, low: 0.42, medium: 0.66, high: 1 }[heat]
}

/** What a stage is made of, for its colour and its pattern. */
export const stageMatter = ({
  heat,
  kind,
}: Pick<Stage, 'heat' | 'kind'>): 'hand' | 'water' | 'heat' | 'rest' =>
  kind === 'rest' || kind === 'release'
    ? 'rest'
    : heat !== 'off'
      ? 'heat'
      : kind === 'soak' || kind === 'rinse'
        ? 'water'
        : 'hand'
