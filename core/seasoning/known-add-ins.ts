import { OIL_DENSITY } from './oil-density'

/**
 * How something cooked along is counted: by the piece, by the spoon at any scale, or by weight and, where cups
 * are used, by the cup.
 */
export type CountedBy = { piece: number } | { spoon: number } | { bulk: number }

/** Something that is often cooked along with grain, and how it is counted. */
export interface KnownAddIn {
  one: string
  many: string
  /** g of a piece; g/mL of what is spooned or poured. */
  by: CountedBy
}

/**
 * "one|many" and g of a piece.
 * @see USDA FoodData Central, household weights, rounded
 */
const PIECES = {
  'bay leaf|bay leaves': 0.2,
  'garlic clove|garlic cloves': 3,
  'cinnamon stick|cinnamon sticks': 2.6,
  'cardamom pod|cardamom pods': 0.15,
  'star anise': 1,
  'clove|cloves': 0.1,
  'onion|onions': 110,
  'shallot|shallots': 20,
  'carrot|carrots': 61,
}
/** g/mL of what goes in by the spoon. */
const SPOONED = {
  butter: 0.95,
  ghee: 0.91,
  oil: OIL_DENSITY,
  'soy sauce': 1.08,
  miso: 1.15,
  'tomato paste': 1.1,
  'lemon juice': 1.02,
  vinegar: 1.01,
  'grated ginger': 0.4,
  turmeric: 0.63,
  'cumin seeds': 0.4,
  pepper: 0.45,
  paprika: 0.46,
  'curry powder': 0.42,
  'sesame seeds': 0.6,
  saffron: 0.14,
  'chopped parsley': 0.25,
  'chopped coriander': 0.1,
  sugar: 0.85,
  honey: 1.42,
  'grated cheese': 0.42,
}
/** g/mL of what is weighed, or poured by the cup. */
const BULK = {
  peas: 0.57,
  sweetcorn: 0.7,
  raisins: 0.65,
  'dried apricots': 0.55,
  'flaked almonds': 0.39,
  cashews: 0.58,
  pistachios: 0.52,
  'cooked lentils': 0.84,
  'cooked chickpeas': 0.69,
  'cooked beans': 0.75,
  spinach: 0.13,
  'sliced mushrooms': 0.3,
  'diced tomatoes': 0.76,
  'chopped onion': 0.68,
  'diced carrot': 0.54,
  'coconut milk': 0.96,
  'coconut flakes': 0.35,
}

const listOf = (table: Readonly<Record<string, number>>, by: (n: number) => CountedBy): KnownAddIn[] =>
  Object.entries(table).map(([names, n]) => {
    const [one = '', many = one] = names.split('|')
    return { one, many, by: by(n) }
  })

export const KNOWN_ADD_INS: readonly KnownAddIn[] = [
  ...listOf(PIECES, (piece) => ({ piece })),
  ...listOf(SPOONED, (spoon) => ({ spoon })),
  ...listOf(BULK, (bulk) => ({ bulk })),
]

/** How something is counted, by its name in one or many; undefined where that is not known. */
export function knownAddIn(name: string): KnownAddIn | undefined {
  const asked = name.trim().toLowerCase().replace(/\s+/g, ' ')
  return KNOWN_ADD_INS.find(({ one, many }) => one === asked || many === asked)
}
