import type { VarietyRow } from '#core/grain/variety'
import { cookMinutes } from '#core/grain/blend'
import { VARIETIES, type Variety, type VarietyId, varietyOf } from '#core/grain/varieties'

/**
 * Foods someone may avoid, as far as grains hold them. A caution, no medical advice: traces are the mill's
 * matter, and its label's.
 */
interface Avoided {
  word: string
  /** Other words it may be called by. */
  said: readonly string[]
  holds: (variety: VarietyRow) => boolean
}

const named =
  (...ids: string[]) =>
  (variety: VarietyRow) =>
    ids.includes(variety.id)

export const AVOIDABLE = {
  // Oats are milled beside wheat unless the label says otherwise: the variety table counts them in.
  gluten: { word: 'gluten', said: ['gluten-free'], holds: (v) => v.gluten },
  wheat: {
    word: 'wheat',
    said: [],
    holds: named('bulgur-medium', 'couscous', 'freekeh-cracked', 'farro-pearled', 'wheat-berries'),
  },
  oats: { word: 'oats', said: ['oat'], holds: named('oat-groats', 'oats-steel-cut') },
  buckwheat: { word: 'buckwheat', said: [], holds: named('buckwheat-groats') },
  quinoa: { word: 'quinoa', said: [], holds: named('quinoa') },
  pulses: { word: 'pulses', said: ['lentils', 'lentil', 'pulse'], holds: (v) => v.family === 'pulse' },
  rice: { word: 'rice', said: [], holds: (v) => v.family.endsWith('rice') && v.id !== 'wild' },
} as const satisfies Record<string, Avoided>

export type AvoidedId = keyof typeof AVOIDABLE
export const AVOIDED_IDS = Object.keys(AVOIDABLE) as AvoidedId[]

/** Which of these foods a grain holds. */
export const heldBy = (id: VarietyId, avoids: readonly AvoidedId[]): AvoidedId[] =>
  avoids.filter((food) => AVOIDABLE[food].holds(varietyOf(id)))

/**
 * The grain itself where it holds none of it, or the one most like it that does not: of its own family where
 * there is one, then the nearest in minutes.
 */
export function insteadOf(id: VarietyId, avoids: readonly AvoidedId[]): VarietyId | undefined {
  if (heldBy(id, avoids).length === 0) return id
  const own = varietyOf(id)
  const far = (v: Variety) =>
    (v.family === own.family ? 0 : 100) +
    Math.abs(cookMinutes(v) - cookMinutes(own)) +
    20 * Math.abs(v.uptake.standard - own.uptake.standard)
  return VARIETIES.filter((v) => heldBy(v.id as VarietyId, avoids).length === 0).sort(
    (a, b) => far(a) - far(b),
  )[0]?.id as VarietyId | undefined
}

export const avoidedFrom = (word: string): AvoidedId | undefined =>
  AVOIDED_IDS.find((id) => id === word || (AVOIDABLE[id].said as readonly string[]).includes(word))
