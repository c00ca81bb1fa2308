/**
 * Food-safety figures for cooked grain as authorities publish them. Spores of Bacillus cereus survive
 * boiling; warm, cooked grain lets them grow. None of it can be switched off: a household follows the
 * strictest figure of each kind, or one authority's, or figures of its own that are stricter still.
 */
export const FIGURES = {
  hold_hot_c: {
    stricter: 'higher',
    uk: { value: 63, source: 'UK Food Standards Agency, hot holding' },
    us: { value: 57, source: 'FDA Food Code 2022, 3-501.16; to households, 60 °C' },
  },
  cool_min: {
    stricter: 'lower',
    uk: { value: 60, source: 'UK Food Standards Agency: cooked rice, ideally within an hour' },
    us: { value: 120, source: 'FDA Food Code 2022, 3-501.14: 57 to 21 °C' },
  },
  chill_min: {
    stricter: 'lower',
    uk: undefined,
    us: { value: 240, source: 'FDA Food Code 2022, 3-501.14: 21 to 5 °C' },
  },
  fridge_c: {
    stricter: 'lower',
    uk: { value: 5, source: 'UK Food Standards Agency, chilling' },
    us: { value: 4, source: 'USDA Food Safety and Inspection Service, 40 °F' },
  },
  eat_h: {
    stricter: 'lower',
    uk: { value: 24, source: 'UK Food Standards Agency: cooked rice, 24 hours' },
    us: {
      value: 72,
      source: 'USDA Food Safety and Inspection Service: leftovers, 3 to 4 days; the shorter is taken',
    },
  },
  thawed_h: {
    stricter: 'lower',
    uk: { value: 24, source: 'UK Food Standards Agency, defrosted food' },
    us: {
      value: 72,
      source:
        'USDA Food Safety and Inspection Service: thawed in the fridge, 3 to 4 days; the shorter is taken',
    },
  },
  room_min: {
    stricter: 'lower',
    uk: { value: 120, source: 'UK Food Standards Agency: hot food off hot holding, once, 2 hours' },
    us: { value: 120, source: 'USDA Food Safety and Inspection Service: 2 hours; one above 32 °C' },
  },
  reheat_c: {
    stricter: 'higher',
    uk: { value: 75, source: 'UK Food Standards Agency: steaming hot all through' },
    us: { value: 74, source: 'USDA Food Safety and Inspection Service, 165 °F' },
  },
  reheats: {
    stricter: 'lower',
    uk: { value: 1, source: 'UK Food Standards Agency: once' },
    us: undefined,
  },
} as const satisfies Record<string, Figure>

interface Published {
  value: number
  source: string
}
interface Figure {
  /** Which way is stricter. */
  stricter: 'higher' | 'lower'
  uk: Published | undefined
  us: Published | undefined
}

export type FigureId = keyof typeof FIGURES
export const FIGURE_IDS = Object.keys(FIGURES) as FigureId[]

export const AUTHORITIES = ['stricter', 'uk', 'us'] as const
export type Authority = (typeof AUTHORITIES)[number]

/** One figure as this household follows it. */
export interface InForce {
  value: number
  source: string
  /** Whether the household set it stricter than any authority asks. */
  own: boolean
}
export type Guidance = Readonly<Record<FigureId, InForce>>

const stricterOf = (figure: Figure, a: number, b: number): boolean =>
  figure.stricter === 'higher' ? a > b : a < b

/**
 * The figures in force. Where an authority gives none, the other's stands in.
 * @param own figures of the household, which only count where they are stricter
 */
export function guidanceOf(authority: Authority, own: Partial<Record<FigureId, number>> = {}): Guidance {
  return Object.fromEntries(
    FIGURE_IDS.map((id) => {
      const figure: Figure = FIGURES[id]
      const both = [figure.uk, figure.us].filter((p) => p !== undefined)
      const strictest = both.reduce((best, p) => (stricterOf(figure, p.value, best.value) ? p : best))
      const published = (authority === 'stricter' ? undefined : figure[authority]) ?? strictest
      const mine = own[id]
      return [
        id,
        mine !== undefined && stricterOf(figure, mine, published.value)
          ? { value: mine, source: 'your own (stricter)', own: true }
          : { ...published, own: false },
      ]
    }),
  ) as unknown as Guidance
}

/** Cooked grain in containers no deeper than this cools in time, mm. */
export const SHALLOW_MM = 50

/** Said wherever a figure of it is shown. */
export const FOLLOW_LOCAL = 'Usual guidance; follow your local food authority.'
export const WHY_STRICT =
  'Bacterial spores survive boiling and grow in warm rice. Reheating does not remove their toxin.'
