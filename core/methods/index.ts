import { boilAndDrain } from './boil-and-drain'
import { boilingStart } from './boiling-start'
import { coverAndDrainPressure } from './cover-and-drain-pressure'
import { coveredSimmer } from './covered-simmer'
import { ladled } from './ladled'
import type { Method } from './definition'
import { offHeat } from './off-heat'
import { oven } from './oven'
import { porridge } from './porridge'
import { pouredOver } from './poured-over'
import { pressureElectric } from './pressure-electric'
import { pressureStovetop } from './pressure-stovetop'
import { steam } from './steam'
import { steamPasses } from './steam-passes'
import { switchCooker } from './switch-cooker'
import { uncovered } from './uncovered'

/** Every way of cooking, in the order in which they are offered. Another one is a file of its own and a line here. */
const METHODS = {
  'covered-simmer': coveredSimmer,
  'boiling-start': boilingStart,
  'off-heat': offHeat,
  'poured-over': pouredOver,
  uncovered,
  'boil-and-drain': boilAndDrain,
  porridge,
  steam,
  'steam-passes': steamPasses,
  'switch-cooker': switchCooker,
  'pressure-electric': pressureElectric,
  'pressure-stovetop': pressureStovetop,
  'cover-and-drain-pressure': coverAndDrainPressure,
  ladled,
  oven,
} as const satisfies Record<string, Method>

export type MethodId = keyof typeof METHODS
export const METHOD_IDS = Object.keys(METHODS) as MethodId[]

export const methodOf = (id: MethodId): Method => METHODS[id]
