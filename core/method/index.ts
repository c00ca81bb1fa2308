import { boilAndDrain } from './boil-and-drain'
import { boilingStart } from './boiling-start'
import { coveredSimmer } from './covered-simmer'
import { ladled } from './ladled'
import type { Method } from './method'
import { offHeat } from './off-heat'
import { oven } from './oven'
import { pressureElectric } from './pressure-electric'
import { pressureStovetop } from './pressure-stovetop'
import { steam } from './steam'
import { steamPasses } from './steam-passes'
import { switchCooker } from './switch-cooker'

/** Every school of the interface contract. Another one is a file of its own and a line here. */
const METHODS = {
  'covered-simmer': coveredSimmer,
  'boiling-start': boilingStart,
  'off-heat': offHeat,
  'boil-and-drain': boilAndDrain,
  steam,
  'steam-passes': steamPasses,
  'switch-cooker': switchCooker,
  'pressure-electric': pressureElectric,
  'pressure-stovetop': pressureStovetop,
  ladled,
  oven,
} as const satisfies Record<string, Method>

export type MethodId = keyof typeof METHODS
export const METHOD_IDS = Object.keys(METHODS) as MethodId[]

export const methodOf = (id: MethodId): Method => METHODS[id]
