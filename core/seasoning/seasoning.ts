/** When something goes into the pot; first: fried before the grain and the water. */
export const ADD_IN_TIMES = ['first', 'with-water', 'on-top', 'at-boil', 'fold-in', 'at-table'] as const
export type AddInTime = (typeof ADD_IN_TIMES)[number]
/** When it comes out again. */
export const ADD_IN_OUTS = ['stays', 'at-boil', 'after-rest'] as const
export type AddInOut = (typeof ADD_IN_OUTS)[number]

export interface AddIn {
  name: string
  gramsPer100gDry: number
  waterShare: number
  saltShare: number
  when: AddInTime
  out: AddInOut
}

export interface SeasoningInput {
  dryG: number
  /** Grain and the water in it, g. */
  cookedG: number
  /** Salt wanted as a percentage of the cooked mass; null for as it comes. */
  saltPercent: number | null
  pourG: number
  /** Share of the pour that is stock, and the salt in that stock. */
  stockShare: number
  stockSaltPercent: number
  addIns: readonly AddIn[]
}

export interface Seasoning {
  stockG: number
  waterG: number
  /** Salt wanted, what comes by itself, and what is left to add, g. */
  saltWantedG: number
  saltInStockG: number
  saltInAddInsG: number
  saltToAddG: number
  /** Salt that comes by itself beyond what is wanted, g. */
  saltOverG: number
  addIns: { name: string; grams: number; waterG: number; saltG: number; when: AddInTime; out: AddInOut }[]
}

/** Things cooked in the pot give their water to the grain; what is folded in or comes at the table does not. */
const COOKED_IN: ReadonlySet<AddInTime> = new Set(['first', 'with-water', 'on-top', 'at-boil'])
/**
 * What frying leaves of the water of an onion: of 89 g in 100 g raw, 37 g.
 * @see USDA FoodData Central, onions raw and sautéed (89 and 77 % water)
 */
const FRIED_WATER = 0.42
const waterOf = ({ waterShare, when }: Pick<AddIn, 'waterShare' | 'when'>): number =>
  waterShare * (when === 'first' ? FRIED_WATER : 1)

/** Water that add-ins bring into the pot, g. */
export const addInWater = (addIns: readonly AddIn[], dryG: number): number =>
  addIns
    .filter((a) => COOKED_IN.has(a.when))
    .reduce((sum, a) => sum + ((a.gramsPer100gDry * dryG) / 100) * waterOf(a), 0)

/** Salt, stock and add-ins for one pot, by mass. Salt in stock and add-ins counts toward what is wanted. */
export function seasoningOf(given: SeasoningInput): Seasoning {
  const addIns = given.addIns.map(({ name, gramsPer100gDry, waterShare, saltShare, when, out }) => {
    const grams = (gramsPer100gDry * given.dryG) / 100
    return { name, grams, waterG: grams * waterOf({ waterShare, when }), saltG: grams * saltShare, when, out }
  })
  const stockG = given.pourG * given.stockShare
  const saltInStockG = (stockG * given.stockSaltPercent) / 100
  const saltInAddInsG = addIns.reduce((sum, a) => sum + a.saltG, 0)
  const saltWantedG = given.saltPercent === null ? 0 : (given.cookedG * given.saltPercent) / 100
  const alreadyG = saltInStockG + saltInAddInsG
  return {
    stockG,
    waterG: given.pourG - stockG,
    saltWantedG,
    saltInStockG,
    saltInAddInsG,
    saltToAddG: Math.max(0, saltWantedG - alreadyG),
    saltOverG: given.saltPercent === null ? 0 : Math.max(0, alreadyG - saltWantedG),
    addIns,
  }
}
