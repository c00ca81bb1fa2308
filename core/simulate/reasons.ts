import type { Variety } from '#core/grain/varieties'
import type { Simulated } from './simulate'

/** A verdict in words with its reasons, gravest first. */
export function reasonsOf(
  { verdict, outcome, final, events }: Pick<Simulated, 'verdict' | 'outcome' | 'final' | 'events'>,
  uptake: Pick<Variety['uptake'], 'firm' | 'standard' | 'soft'>,
): string[] {
  const u = outcome.uptakeMean.toFixed(2)
  const said: string[] = []
  if (verdict.cookedThrough !== 'yes')
    said.push(
      `${verdict.cookedThrough === 'chalky' ? 'Chalky' : 'Firm in the middle'}: the slowest centres are ${Math.round(outcome.centreMin * 100)} % cooked (90 is done).`,
    )
  if (verdict.scorched)
    said.push(`Scorched: the bottom went over 125 °C and ended at ${Math.round(final.bottomC)} °C.`)
  if (verdict.soggy)
    said.push(
      outcome.freeShare > 0.06
        ? `Too wet: ${Math.round(final.freeG)} g of water not absorbed.`
        : `Waterlogged: ${u} times its weight (soft is ${uptake.soft.toFixed(2)}).`,
    )
  if (verdict.uneven)
    said.push(`Uneven: ${final.uptakeMin.toFixed(2)} to ${final.uptakeMax.toFixed(2)} times its weight.`)
  // What is still hard with water beside it has had no time to drink; it is not dry.
  if (verdict.texture === 'dry' && !verdict.soggy)
    said.push(`Dry: ${u} times its weight, firm is ${uptake.firm.toFixed(2)}.`)
  if (verdict.texture === 'mushy' && !verdict.soggy)
    said.push(`Overdone: ${u} times its weight, soft is ${uptake.soft.toFixed(2)}.`)
  const never = events.find((t) => t.kind.startsWith('never '))
  if (never) said.push('The expected sign did not come.')
  if (said.length === 0)
    said.push(
      `Cooked through, ${verdict.texture}, even (${u} times its weight; firm ${uptake.firm.toFixed(2)}, soft ${uptake.soft.toFixed(2)}).`,
    )
  return said
}
