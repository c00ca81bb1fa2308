import type { Stage } from '#core/plan/result'

/** A burner with the places of its knob that the cook has named, as shares of full. */
export interface Knob {
  rated_w: number
  efficiency: number
  power_factor: number
  knob: readonly { name: string; share: number }[]
}

/** Places further off than this, as a ratio, are not the one meant. */
const NEAR = 1.6

/**
 * The place of the cook's own knob that comes nearest to a stage's power; nothing where none is near, or with
 * the heat off.
 */
export function knobWord(stage: Pick<Stage, 'power_w'>, heat: Knob | null | undefined): string | undefined {
  if (!heat || !(stage.power_w > 0)) return undefined
  const share = stage.power_w / (heat.rated_w * heat.efficiency * heat.power_factor)
  const off = (place: { share: number }) => Math.max(place.share / share, share / place.share)
  const nearest = heat.knob.toSorted((a, b) => off(a) - off(b))[0]
  return nearest && off(nearest) <= NEAR ? nearest.name : undefined
}
