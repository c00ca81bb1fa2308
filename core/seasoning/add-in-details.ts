import { KNOWN_ADD_INS, knownAddIn, type KnownAddIn } from './known-add-ins'
import type { AddInOut, AddInTime } from './seasoning'

/** What something cooked along brings into the pot, and when it goes in and out. */
export interface AddInDetails {
  /** Other names it is read by. */
  names: readonly string[]
  waterShare: number
  saltShare: number
  when: AddInTime
  out: AddInOut
}

type Line = { water: number; salt?: number; when?: AddInTime; out?: AddInOut; names?: readonly string[] }

/**
 * Water and salt as shares; with the water and to the end, where nothing else is said.
 * @see USDA FoodData Central, water and sodium (as salt) of each food, rounded
 */
const LINES: Readonly<Record<string, Line>> = {
  'bay leaf': { water: 0.05, out: 'after-rest' },
  'garlic clove': {
    water: 0.59,
    names: ['clove of garlic', 'cloves of garlic', 'clove garlic', 'cloves garlic'],
  },
  'cinnamon stick': { water: 0.1, out: 'after-rest', names: ['stick of cinnamon'] },
  'cardamom pod': { water: 0.08, out: 'after-rest', names: ['cardamom'] },
  'star anise': { water: 0.1, out: 'after-rest' },
  clove: { water: 0.1, out: 'after-rest', names: ['whole clove', 'whole cloves'] },
  onion: { water: 0.89 },
  shallot: { water: 0.8 },
  carrot: { water: 0.88 },
  peas: { water: 0.79, when: 'on-top', names: ['frozen peas', 'green peas'] },
  sweetcorn: { water: 0.76, when: 'on-top', names: ['corn'] },
  raisins: { water: 0.15, names: ['sultanas'] },
  'dried apricots': { water: 0.31, names: ['apricots'] },
  'flaked almonds': { water: 0.04, when: 'fold-in', names: ['almonds', 'sliced almonds'] },
  cashews: { water: 0.05, when: 'fold-in' },
  pistachios: { water: 0.04, when: 'fold-in' },
  'cooked lentils': { water: 0.7, when: 'fold-in' },
  'cooked chickpeas': { water: 0.6, when: 'fold-in', names: ['chickpeas'] },
  'cooked beans': { water: 0.66, when: 'fold-in', names: ['beans', 'black beans', 'kidney beans'] },
  spinach: { water: 0.91, when: 'fold-in' },
  'sliced mushrooms': { water: 0.92, names: ['mushrooms'] },
  'diced tomatoes': { water: 0.95, names: ['tomatoes', 'chopped tomatoes'] },
  'chopped onion': { water: 0.89, names: ['chopped onions', 'diced onion'] },
  'diced carrot': { water: 0.88, names: ['diced carrots', 'grated carrot'] },
  'coconut milk': { water: 0.73 },
  'coconut flakes': { water: 0.03, names: ['coconut'] },
  butter: { water: 0.16 },
  ghee: { water: 0 },
  oil: { water: 0, names: ['olive oil', 'sunflower oil', 'rapeseed oil', 'sesame oil'] },
  'soy sauce': { water: 0.71, salt: 0.14 },
  miso: { water: 0.43, salt: 0.095 },
  'tomato paste': { water: 0.74, names: ['tomato puree'] },
  'lemon juice': { water: 0.92, when: 'fold-in' },
  vinegar: { water: 0.94, when: 'fold-in', names: ['rice vinegar'] },
  'grated ginger': { water: 0.79, names: ['ginger'] },
  turmeric: { water: 0.13 },
  'cumin seeds': { water: 0.08, names: ['cumin'] },
  pepper: { water: 0.12, names: ['black pepper'] },
  paprika: { water: 0.11 },
  'curry powder': { water: 0.09 },
  'sesame seeds': { water: 0.05, when: 'fold-in', names: ['sesame'] },
  saffron: { water: 0.12 },
  'chopped parsley': { water: 0.88, when: 'fold-in', names: ['parsley'] },
  'chopped coriander': { water: 0.92, when: 'fold-in', names: ['coriander', 'cilantro'] },
  sugar: { water: 0 },
  honey: { water: 0.17, when: 'fold-in' },
  'grated cheese': { water: 0.3, salt: 0.03, when: 'fold-in', names: ['cheese'] },
}

/** What is known of an add-in; each of KNOWN_ADD_INS has its line. */
export function detailsOf({ one }: Pick<KnownAddIn, 'one'>): AddInDetails {
  const { water = 0, salt = 0, when = 'with-water', out = 'stays', names = [] } = LINES[one] ?? {}
  return { names, waterShare: water, saltShare: salt, when, out }
}

export const ADD_INS_WITH_DETAILS: readonly string[] = Object.keys(LINES)

/** The add-in that is meant by any of its names. */
export function addInCalled(name: string): KnownAddIn | undefined {
  const asked = name.trim().toLowerCase().replace(/\s+/g, ' ')
  return knownAddIn(asked) ?? KNOWN_ADD_INS.find((known) => detailsOf(known).names.includes(asked))
}
