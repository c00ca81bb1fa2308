import { type KitchenUnits, waterIn } from '#core/units/system'
import type { Plan } from '#core/plan/result'
import type { RoomForError } from '../workers/simulator'

/** Water that keeps the grain between firm and soft, until a simulation knows better. */
export interface RoomForErrorWords {
  says: string
  sure: boolean
}

const span = (by: KitchenUnits, less: number, more: number): string =>
  `${waterIn(by, Math.max(0, -less))} less, ${waterIn(by, Math.max(0, more))} more`

/**
 * "room for error: 60 g less to 75 g more": how far the pour may be off before someone notices. First from
 * the plan's own firm and soft pours; then from pots cooked.
 */
export function roomForErrorWords(
  { pour_g, firm_pour_g, soft_pour_g }: Plan['water'],
  roomForError: RoomForError | undefined,
  by: KitchenUnits,
): RoomForErrorWords {
  if (!roomForError) {
    const [less, more] = [firm_pour_g - pour_g, soft_pour_g - pour_g]
    if (less > 0 || more < 0) return { says: 'this is outside firm and soft', sure: false }
    return { says: `room for error: ${span(by, less, more)}`, sure: false }
  }
  const often = `${Math.round(100 * roomForError.chances.good)} of 100 kitchens`
  if (!roomForError.water) return { says: `no room for error: good in ${often}`, sure: true }
  return {
    says: `room for error: ${span(by, roomForError.water.fromG - pour_g, roomForError.water.toG - pour_g)}, in ${often}`,
    sure: true,
  }
}
