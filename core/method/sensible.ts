import type { Variety, VarietyId } from '#core/grain/varieties'
import type { MethodId } from './index'

/** Grain that is stirred with stock: it sheds starch, or is pearled. */
const LADLED: ReadonlySet<VarietyId> = new Set(['risotto-white', 'barley-pearled', 'farro-pearled'])
/** Grain that takes up its water moistened and steamed. */
const IN_PASSES: ReadonlySet<VarietyId> = new Set(['couscous', 'bulgur-medium'])
/** Quicker than this a grain cooks off the heat, minutes at 100 °C. */
const OFF_HEAT_MINUTES = 16
/** Quicker than this it only wants hot water, minutes at 100 °C. */
const AT_ONCE_MINUTES = 6
/** Small grain falls through a sieve and is not drained. */
const TOO_SMALL_MM = 1.8

/** Whether a cook would think of this school for this grain. The planner plans any pair; this is for what is offered unasked. */
export function isSensible({ id, minutesAt100, kernel }: Pick<Variety, 'id' | 'minutesAt100' | 'kernel'>, method: MethodId): boolean {
  switch (method) {
    case 'ladled':
      return LADLED.has(id)
    case 'steam':
      return id === 'glutinous'
    case 'steam-passes':
      return IN_PASSES.has(id)
    case 'covered-simmer':
    case 'boiling-start':
    case 'switch-cooker':
    case 'oven':
      // What drinks at once is poured over, and sticky grain is steamed.
      return minutesAt100 > AT_ONCE_MINUTES && (id !== 'glutinous' || method !== 'oven')
    case 'off-heat':
      return minutesAt100 <= OFF_HEAT_MINUTES
    case 'boil-and-drain':
      return kernel.widthMm >= TOO_SMALL_MM || kernel.lengthMm > 4
    case 'pressure-electric':
    case 'pressure-stovetop':
      return minutesAt100 > 10
  }
}
