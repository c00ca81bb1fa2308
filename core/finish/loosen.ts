import type { Blend } from '#core/grain/blend'
import type { Purpose } from '#core/methods/definition'

/** Ways of loosening a finished pot; each has its own drawing. */
export const LOOSEN_WAYS = {
  fork: { title: 'Loosen with a fork', how: 'Lift from the edge inward; do not press' },
  'cut-fold': {
    title: 'Cut and fold with a paddle',
    how: 'Cut down with the edge and turn over; never stir',
  },
  quarters: {
    title: 'Turn it over in quarters',
    how: 'Cut a cross, lift each quarter from below, turn it over',
  },
  'leave-stuck': {
    title: 'Lift off the loose grain',
    how: 'Leave the stuck layer where it is: scraped in, it makes lumps',
  },
  stir: { title: 'Stir once more', how: 'It thickens as it cools' },
} as const satisfies Record<string, { title: string; how: string }>
export type LoosenWay = keyof typeof LOOSEN_WAYS

/** A bed deeper than this is turned by quarters, so that its bottom sees the air, mm. */
const DEEP_MM = 60
/** Starch with less amylose than this clings: it is cut, not stirred. */
const STICKY_AMYLOSE = 0.2

/** A kernel shorter than this is short grain, mm. */
const SHORT_MM = 6.2
const isShortAndSticky = ({ amylose, parts }: Pick<Blend, 'amylose' | 'parts'>): boolean =>
  amylose < STICKY_AMYLOSE &&
  parts.every(({ variety }) => variety.family.includes('rice') && variety.kernel.lengthMm < SHORT_MM)

/** How this pot is loosened: by what it is for, how it clings, and how deep it lies. */
export function loosenWay({
  creamy,
  toasted,
  purpose,
  blend,
  swollenMm,
}: {
  creamy: boolean
  toasted: boolean
  purpose: Purpose
  blend: Pick<Blend, 'amylose' | 'parts'>
  swollenMm: number
}): LoosenWay {
  if (creamy || purpose === 'porridge') return 'stir'
  if (toasted) return 'leave-stuck'
  if (purpose === 'dressed') return 'cut-fold'
  if (swollenMm > DEEP_MM) return 'quarters'
  return isShortAndSticky(blend) ? 'cut-fold' : 'fork'
}
