import type { AddInOut, AddInTime } from './seasoning'

/**
 * How something cooked along is counted: by the piece, by the spoon at any scale, or by weight and, where cups
 * are used, by the cup.
 */
type CountedBy = { piece: number } | { spoon: number } | { bulk: number }

/** Something that is often cooked along with grain. */
export interface KnownAddIn {
  one: string
  many: string
  /** Other names it is read by. */
  names: readonly string[]
  /** g of a piece; g/mL of what is spooned or poured. */
  by: CountedBy
  waterShare: number
  saltShare: number
  when: AddInTime
  out: AddInOut
}

type Line = readonly [
  names: string,
  by: CountedBy,
  waterShare: number,
  saltShare?: number,
  when?: AddInTime,
  out?: AddInOut,
]

/**
 * "one|many|other names", how it is counted, its water and its salt.
 * @see USDA FoodData Central, household weights, water and sodium (as salt) of each food, rounded
 */
const LINES: readonly Line[] = [
  ['bay leaf|bay leaves', { piece: 0.2 }, 0.05, 0, 'with-water', 'after-rest'],
  ['curry leaf|curry leaves', { piece: 0.1 }, 0.6],
  ['lime leaf|lime leaves', { piece: 0.5 }, 0.6, 0, 'with-water', 'after-rest'],
  [
    'garlic clove|garlic cloves|clove of garlic|cloves of garlic|clove garlic|cloves garlic',
    { piece: 3 },
    0.59,
  ],
  ['cinnamon stick|cinnamon sticks|stick of cinnamon', { piece: 2.6 }, 0.1, 0, 'with-water', 'after-rest'],
  ['cardamom pod|cardamom pods|cardamom', { piece: 0.15 }, 0.08, 0, 'with-water', 'after-rest'],
  ['star anise|star anise', { piece: 1 }, 0.1, 0, 'with-water', 'after-rest'],
  ['clove|cloves|whole clove|whole cloves', { piece: 0.1 }, 0.1, 0, 'with-water', 'after-rest'],
  [
    'thyme sprig|thyme sprigs|sprig of thyme|sprigs of thyme',
    { piece: 0.5 },
    0.65,
    0,
    'with-water',
    'after-rest',
  ],
  [
    'lemon slice|lemon slices|slice of lemon|slices of lemon',
    { piece: 8 },
    0.89,
    0,
    'with-water',
    'after-rest',
  ],
  ['onion|onions', { piece: 110 }, 0.89],
  ['shallot|shallots', { piece: 20 }, 0.8],
  ['carrot|carrots', { piece: 61 }, 0.88],
  ['peas|peas|frozen peas|green peas', { bulk: 0.57 }, 0.79, 0, 'on-top'],
  ['sweetcorn|sweetcorn|corn', { bulk: 0.7 }, 0.76, 0, 'on-top'],
  ['raisins|raisins|sultanas', { bulk: 0.65 }, 0.15],
  ['currants|currants', { bulk: 0.6 }, 0.19],
  ['dried apricots|dried apricots|apricots', { bulk: 0.55 }, 0.31],
  ['flaked almonds|flaked almonds|almonds|sliced almonds', { bulk: 0.39 }, 0.04, 0, 'fold-in'],
  ['cashews|cashews', { bulk: 0.58 }, 0.05, 0, 'fold-in'],
  ['pistachios|pistachios', { bulk: 0.52 }, 0.04, 0, 'fold-in'],
  ['cooked lentils|cooked lentils', { bulk: 0.84 }, 0.7, 0, 'fold-in'],
  ['cooked chickpeas|cooked chickpeas|chickpeas', { bulk: 0.69 }, 0.6, 0, 'fold-in'],
  ['cooked beans|cooked beans|beans|black beans|kidney beans', { bulk: 0.75 }, 0.66, 0, 'fold-in'],
  ['spinach|spinach', { bulk: 0.13 }, 0.91, 0, 'fold-in'],
  ['sliced mushrooms|sliced mushrooms|mushrooms', { bulk: 0.3 }, 0.92],
  ['diced tomatoes|diced tomatoes|tomatoes|chopped tomatoes', { bulk: 0.76 }, 0.95],
  ['chopped onion|chopped onion|chopped onions|diced onion', { bulk: 0.68 }, 0.89],
  ['diced carrot|diced carrot|diced carrots|grated carrot', { bulk: 0.54 }, 0.88],
  ['diced pepper|diced pepper|diced peppers|peppers', { bulk: 0.63 }, 0.92],
  ['coconut milk|coconut milk', { bulk: 0.96 }, 0.73],
  ['coconut flakes|coconut flakes|coconut', { bulk: 0.35 }, 0.03],
  ['butter|butter', { spoon: 0.95 }, 0.16],
  ['ghee|ghee', { spoon: 0.91 }, 0],
  ['oil|oil|olive oil|sunflower oil|rapeseed oil|sesame oil', { spoon: 0.92 }, 0],
  ['soy sauce|soy sauce', { spoon: 1.08 }, 0.71, 0.14],
  ['miso|miso', { spoon: 1.15 }, 0.43, 0.095],
  ['tomato paste|tomato paste|tomato puree', { spoon: 1.1 }, 0.74],
  ['lemon juice|lemon juice', { spoon: 1.02 }, 0.92, 0, 'fold-in'],
  ['vinegar|vinegar|rice vinegar', { spoon: 1.01 }, 0.94, 0, 'fold-in'],
  ['grated ginger|grated ginger|ginger', { spoon: 0.4 }, 0.79],
  ['turmeric|turmeric', { spoon: 0.63 }, 0.13],
  ['cumin seeds|cumin seeds|cumin', { spoon: 0.4 }, 0.08],
  ['pepper|pepper|black pepper', { spoon: 0.45 }, 0.12],
  ['paprika|paprika', { spoon: 0.46 }, 0.11],
  ['curry powder|curry powder', { spoon: 0.42 }, 0.09],
  ['sesame seeds|sesame seeds|sesame', { spoon: 0.6 }, 0.05, 0, 'fold-in'],
  ['saffron|saffron', { spoon: 0.14 }, 0.12],
  ['chopped parsley|chopped parsley|parsley', { spoon: 0.25 }, 0.88, 0, 'fold-in'],
  ['chopped coriander|chopped coriander|coriander|cilantro', { spoon: 0.1 }, 0.92, 0, 'fold-in'],
  ['chopped dill|chopped dill|dill', { spoon: 0.06 }, 0.86, 0, 'fold-in'],
  ['chopped chives|chopped chives|chives', { spoon: 0.2 }, 0.91, 0, 'fold-in'],
  ['sugar|sugar', { spoon: 0.85 }, 0],
  ['honey|honey', { spoon: 1.42 }, 0.17, 0, 'fold-in'],
  ['grated cheese|grated cheese|cheese', { spoon: 0.42 }, 0.3, 0.03, 'fold-in'],
]

export const KNOWN_ADD_INS: readonly KnownAddIn[] = LINES.map(
  ([names, by, waterShare, saltShare = 0, when = 'with-water', out = 'stays']) => {
    const [one, many, ...others] = names.split('|') as [string, string, ...string[]]
    return { one, many, names: others, by, waterShare, saltShare, when, out }
  },
)

/** What is known of something by its name, whatever its case; undefined where nothing is. */
export function knownAddIn(name: string): KnownAddIn | undefined {
  const asked = name.trim().toLowerCase().replace(/\s+/g, ' ')
  return KNOWN_ADD_INS.find(
    ({ one, many, names }) => one === asked || many === asked || names.includes(asked),
  )
}
