import { coveredSimmer } from './covered-simmer'
import type { Method } from './method'
import { pressureElectric } from './pressure-electric'
import { switchCooker } from './switch-cooker'

/** Every school of the interface contract; the ones without a file yet are known by name only. */
export const METHOD_IDS = [
  'covered-simmer', 'boiling-start', 'off-heat', 'boil-and-drain', 'steam', 'steam-passes', 'switch-cooker',
  'pressure-electric', 'pressure-stovetop', 'ladled', 'oven',
] as const
export type MethodId = (typeof METHOD_IDS)[number]

const METHODS = { 'covered-simmer': coveredSimmer, 'switch-cooker': switchCooker, 'pressure-electric': pressureElectric } as const

export type PlannableMethodId = keyof typeof METHODS
export const PLANNABLE_METHOD_IDS = Object.keys(METHODS) as PlannableMethodId[]

export const methodOf = (id: PlannableMethodId): Method => METHODS[id]
