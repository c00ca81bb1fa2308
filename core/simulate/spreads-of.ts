import type { Blend } from '#core/grain/blend'
import type { Variety } from '#core/grain/varieties'
import { SPREADS, type Spreads } from '#core/spreads'

const IN_SKIN: ReadonlySet<Variety['family']> = new Set(['whole rice', 'wheat and barley', 'pulse'])

/** The spreads of a pot of this blend.  @param known what a household has learned, narrower than the table */
export const spreadsOf = (blend: Pick<Blend, 'parts'>, known: Partial<Spreads> = {}): Spreads => ({
  burner: SPREADS.burner,
  steam: SPREADS.steam,
  measuring: SPREADS.measuring,
  minutes: blend.parts.some(({ variety }) => IN_SKIN.has(variety.family))
    ? SPREADS.minutesInSkin
    : SPREADS.minutes,
  water: SPREADS.water,
  ...known,
})
