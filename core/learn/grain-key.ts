import type { PlanRequest } from '#core/plan/request'

/**
 * A grain or a blend by name, whatever order and scale its shares were stated in.
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
