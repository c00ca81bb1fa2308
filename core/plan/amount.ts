import type { Blend } from '#core/grain/blend'
import type { PlanRequest } from './request'

/** Dry grain for one eater, g: the middle of the usual 60–75 beside a dish and 90–110 as the dish. */
export const SERVING_G = { side: 65, main: 100 } as const

/** Dry grain for an amount stated in any of its ways, g.  @param uptake water in the grain as eaten, g/g */
export function dryMassOf(
  { basis, value, serving }: PlanRequest['amount'],
  blend: Blend,
  uptake: number,
): number {
  switch (basis) {
    case 'dry-mass':
      return value
    case 'dry-volume':
      return value * blend.bulkDensity
    case 'cooked-mass':
      return value / (1 + uptake)
    case 'cooked-volume':
      return (value * blend.cookedDensity) / (1 + uptake)
    case 'servings':
      return value * SERVING_G[serving]
  }
}
