import { isInduction, type HeatSource } from '#core/heat/sources'
import { heatsOnInduction } from './materials'
import { isJacketed, type Vessel } from './vessel'

/** Whether a burner heats a pot at all: induction only one that a magnet holds to; what has its own heat needs none. */
export const burnerHeats = (
  source: Pick<HeatSource, 'kind' | 'efficiency'>,
  { kind, material }: Pick<Vessel, 'kind' | 'material'>,
): boolean => isJacketed(kind) || !isInduction(source) || heatsOnInduction(material)
