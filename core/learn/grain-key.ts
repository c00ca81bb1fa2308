import { VARIETIES, varietyOf } from '#core/grain/varieties'
import type { PlanRequest } from '#core/plan/request'

/**
 * A grain or a blend by name, whatever order and scale its shares were told in.
 * @example "basmati 0.75 + wild 0.25"
 */
export function grainKeyOf(grains: PlanRequest['grains']): string {
  if (grains.length === 1) return grains[0]!.variety
  const total = grains.reduce((sum, grain) => sum + grain.share, 0)
  return [...grains]
    .sort((a, b) => a.variety.localeCompare(b.variety, 'en'))
    .map(({ variety, share }) => `${variety} ${(share / total).toFixed(2)}`)
    .join(' + ')
}

/**
 * Dry volume of so much of a grain or blend.
 * @param key of {@link grainKeyOf}; a variety nobody knows counts as white rice
 * @param grams dry
 * @returns mL as it is scooped
 */
export function dryVolumeOf(key: string, grams: number): number {
  return key.split(' + ').reduce((ml, part) => {
    const [id = '', share = '1'] = part.split(' ')
    const variety = VARIETIES.find((v) => v.id === id) ?? varietyOf('long-white')
    return ml + (grams * Number(share)) / variety.bulkDensity
  }, 0)
}
