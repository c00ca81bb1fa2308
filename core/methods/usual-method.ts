import type { Blend } from '#core/grain/blend'
import type { Variety } from '#core/grain/varieties'
import type { VesselKind } from '#core/vessel/vessel'
import { METHOD_IDS, methodOf, type MethodId } from './index'
import type { Purpose, UsualSoak } from './definition'

/** Grain that custom boils in plenty of water and drains. */
const DRAINED: ReadonlySet<string> = new Set([
  'lentils-green',
  'farro-pearled',
  'wheat-berries',
  'rye-berries',
  'barley-hulled',
  'wild',
  'sorghum',
])

/** A purpose that has a way of its own, where the vessel allows it. */
const METHOD_OF_PURPOSE: Partial<Record<Purpose, MethodId>> = {
  salad: 'boil-and-drain',
  'part-cooked': 'boil-and-drain',
  porridge: 'porridge',
}

/** Methods a kind of vessel can do, its own first. */
export const methodsOf = (kind: VesselKind): readonly MethodId[] =>
  METHOD_IDS.filter((id) => methodOf(id).vesselKinds.includes(kind)).toSorted(
    (a, b) => Number(methodOf(b).vesselKinds[0] === kind) - Number(methodOf(a).vesselKinds[0] === kind),
  )

/**
 * Whether a cook would think of this method for this grain. The planner plans any pair; this is for what is
 * offered unasked.
 */
export const isSensible = (variety: Variety, method: MethodId): boolean => methodOf(method).suits(variety)

/** The way one grain is usually cooked in an open pot. */
function usualInPot(variety: Variety, basket: boolean): MethodId {
  if (DRAINED.has(variety.id)) return 'boil-and-drain'
  if (isSensible(variety, 'poured-over')) return 'poured-over'
  if (variety.family === 'sticky rice' && basket) return 'steam'
  if (variety.id === 'risotto-white') return 'ladled'
  return isSensible(variety, 'porridge') ? 'porridge' : 'covered-simmer'
}

/**
 * The method where none was asked for: by what it is for, by the vessel, and by custom for this grain. A
 * blend whose members are usually cooked apart is simmered covered.
 * @param basket whether the vessel has a steamer's basket
 */
export function usualMethod({
  blend,
  kind,
  purpose,
  basket,
}: {
  blend: Pick<Blend, 'parts'>
  kind: VesselKind
  purpose: Purpose
  basket: boolean
}): MethodId {
  const can = methodsOf(kind)
  const meant = METHOD_OF_PURPOSE[purpose]
  const fits = (id: MethodId) =>
    can.includes(id) && blend.parts.every(({ variety }) => id === 'porridge' || isSensible(variety, id))
  if (meant && fits(meant)) return meant
  if (kind !== 'pot') return can[0]!
  const usual = new Set(blend.parts.map(({ variety }) => usualInPot(variety, basket)))
  return usual.size === 1 ? [...usual][0]! : 'covered-simmer'
}

/**
 * The soak a method cannot do without for this grain, or that custom gives it; null for none. One rule for
 * the planner, the pages and the API.
 * @param variety the slowest of a blend
 */
export const usualSoak = (method: MethodId, variety: Variety): UsualSoak | null =>
  methodOf(method).usualSoak?.(variety) ?? null
