import type { Blend } from './blend'
import type { Variety } from './varieties'

/**
 * Grain with no published figures for steam: over what it soaks up cold it gains what condenses while it
 * heats, (1.6 + 4.18·u)·80 K over the latent heat, about 0.1 g/g, and as much again while its starch swells.
 * g/g over the cold-soak limit.
 */
const OVER_SOAK = { firm: 0.1, standard: 0.2, soft: 0.32 } as const
/** Live steam goes on wetting a grain a little past soft. */
const MAX_OVER_SOFT = 1.05

/**
 * Moistened between steamings, grain is eaten at about this share of what it holds when boiled: couscous is
 * published for both.
 */
const OF_BOILED = 0.63

/**
 * What a grain holds when it is steamed, g/g; in steam there is no more to be had.
 * @param moistened between steamings
 */
function steamedUptake(
  { steamedUptake: published, soakLimit, uptake }: Variety,
  moistened: boolean,
): Variety['uptake'] {
  const share = (n: number) => n * OF_BOILED
  const { firm, standard, soft } =
    published ??
    (moistened
      ? { firm: share(uptake.firm), standard: share(uptake.standard), soft: share(uptake.soft) }
      : {
          firm: soakLimit + OVER_SOAK.firm,
          standard: soakLimit + OVER_SOAK.standard,
          soft: soakLimit + OVER_SOAK.soft,
        })
  return { firm, standard, soft, most: soft * MAX_OVER_SOFT }
}

/** The same blend over steam instead of in water. */
export function steamedBlend(blend: Blend, moistened: boolean): Blend {
  const parts = blend.parts.map(({ variety, share }) => ({
    share,
    variety: { ...variety, uptake: steamedUptake(variety, moistened) },
  }))
  const mean = (of: (uptake: Variety['uptake']) => number) =>
    parts.reduce((sum, { share, variety }) => sum + share * of(variety.uptake), 0)
  return {
    ...blend,
    parts,
    slowest: parts.find(({ variety }) => variety.id === blend.slowest.id)!.variety,
    uptake: {
      firm: mean((u) => u.firm),
      standard: mean((u) => u.standard),
      soft: mean((u) => u.soft),
      most: mean((u) => u.most),
    },
  }
}
