/**
 * Seasoned vinegar for grain that is rolled or served in bowls, g per 100 g of dry grain. Salt last is
 * sprinkled over the folded grain.
 */
export const DRESSINGS = {
  usual: { name: 'usual', vinegar: 15, sugar: 6, salt: 1.6, saltLast: false },
  milder: { name: 'milder', vinegar: 12, sugar: 5, salt: 1.2, saltLast: false },
  sharper: { name: 'sharper', vinegar: 18, sugar: 4, salt: 1.6, saltLast: false },
  sweeter: { name: 'sweeter', vinegar: 15, sugar: 9, salt: 1.6, saltLast: false },
  'salt-last': { name: 'salt last', vinegar: 15, sugar: 6, salt: 1.2, saltLast: true },
} as const satisfies Record<
  string,
  { name: string; vinegar: number; sugar: number; salt: number; saltLast: boolean }
>

export type DressingId = keyof typeof DRESSINGS
export const DRESSING_IDS = Object.keys(DRESSINGS) as DressingId[]

/** Proportions per 100 g of dry grain. */
export interface Proportions {
  vinegar: number
  sugar: number
  salt: number
  saltLast: boolean
}

export interface Dressing {
  vinegarG: number
  vinegarMl: number
  sugarG: number
  /** In the liquid. */
  saltG: number
  /** Sprinkled over at the end. */
  saltLastG: number
  /** The whole liquid, with what dissolves in it. */
  liquidG: number
  liquidMl: number
}

/** Rice vinegar of 4 to 5 % acid, g/mL. */
const VINEGAR_DENSITY = 1.01
/**
 * Room that dissolved sugar and salt take, mL/g: 0.62 for sucrose and 0.3 for salt in a strong solution (CRC
 * Handbook, density tables).
 */
const SUGAR_ML = 0.62
const SALT_ML = 0.3

/** Seasoned vinegar for a batch, by mass and by volume. */
export function dressingFor(dryG: number, of: Proportions): Dressing {
  const per = dryG / 100
  const [vinegarG, sugarG, salt] = [of.vinegar * per, of.sugar * per, of.salt * per]
  const saltG = of.saltLast ? 0 : salt
  return {
    vinegarG,
    sugarG,
    saltG,
    saltLastG: of.saltLast ? salt : 0,
    vinegarMl: vinegarG / VINEGAR_DENSITY,
    liquidG: vinegarG + sugarG + saltG,
    liquidMl: vinegarG / VINEGAR_DENSITY + sugarG * SUGAR_ML + saltG * SALT_ML,
  }
}

/** The same as so much liquid to a measure of dry grain, mL per mL.  @param bulkDensity of the dry grain, g/mL */
export const liquidPerVolume = (of: Proportions, bulkDensity: number): number =>
  (dressingFor(100, of).liquidMl / 100) * bulkDensity

/** The other way: proportions in the ratio of `of` whose liquid is so much to a measure of dry grain. */
export function fromLiquidPerVolume(mlPerMl: number, of: Proportions, bulkDensity: number): Proportions {
  const scale = mlPerMl / liquidPerVolume(of, bulkDensity)
  return {
    vinegar: of.vinegar * scale,
    sugar: of.sugar * scale,
    salt: of.salt * scale,
    saltLast: of.saltLast,
  }
}
