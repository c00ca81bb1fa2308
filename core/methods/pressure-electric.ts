import { saturationTemperature } from '#core/heat/boiling-point'
import { fullPower, simmeringPower } from '#core/heat/sources'
import { pascals } from '#core/units/units'
import type { Variety } from '#core/grain/varieties'
import type { MethodContext, Method, MethodStage } from './definition'
import { wantsBoiling } from './suitability'

/** What tells one pressure vessel from another. */
export interface PressureKind {
  /** Over ambient, kPa: typical of its kind; the maker's figure goes before it. */
  gaugeKPa: { low: number; high: number }
  /** Steam past the valve while it is held, g/min. */
  leak: number
  /** What reaches it while it is held, W. */
  heldW: (sealedC: number) => number
  heldHeat: MethodStage['heat']
  /** It watches its own base. */
  thermostat: boolean
  upTitle: string
}

/** Held by its thermostat it hardly leaks. */
export const ELECTRIC = {
  gaugeKPa: { low: 40, high: 75 },
  leak: 0.3,
  heldHeat: 'high',
  thermostat: true,
  upTitle: 'Lock the lid, close the valve and start',
} as const
const MAX_COME_UP = 120
const MAX_RELEASE = 180
const VENT_MINUTES = 2
/** Shorter than this nobody can hold a pressure, minutes. */
const MIN_HELD = 2

/** A sealed vessel held over the boiling point by its thermostat; the come-up and the release cook too. */
export const pressureElectric: Method = {
  id: 'pressure-electric',
  name: 'Electric pressure cooker',
  words: 'pressure',
  vesselKinds: ['pressure-electric'],
  heatKind: 'pressure',
  water: 'pot',
  coldStart: true,
  timer: true,
  sealed: true,
  pourSetsTexture: true,
  defaults: { vessel: 'pressure-electric-6', heat: 'pressure-6', restMinutes: 0 },
  beforeHeat: [
    'Check gasket, vent and rim; follow the manual',
    'Level the grain; wipe the outside of the inner pot dry',
  ],
  stages: (kitchen) => sealedStages(kitchen),
  suits: (variety) => sealsBeforeItDrinks(variety),
}

/** What drinks its water before a vessel can seal is not cooked under pressure. */
export const sealsBeforeItDrinks = (variety: Variety): boolean =>
  wantsBoiling(variety) && !(variety.kernel.shape === 'shard' && variety.kernel.widthMm < SMALL_SHARD_MM)
const SMALL_SHARD_MM = 1.7

/** The stages of whichever pressure cooker the kitchen has. */
export const sealedStages = (kitchen: MethodContext): MethodStage[] =>
  kitchen.vessel.kind === 'pressure-stovetop'
    ? pressureStages(kitchen, {
        ...STOVETOP,
        heldW: (sealedC) =>
          Math.min(
            fullPower(kitchen.source),
            simmeringPower(kitchen.vessel.loss * (sealedC - kitchen.kitchenC)),
          ),
      })
    : pressureStages(kitchen, { ...ELECTRIC, heldW: () => fullPower(kitchen.source) })

/** A weight or a spring holds it: it must be turned down in time, and it leaks more than one that holds itself. */
const STOVETOP = {
  gaugeKPa: { low: 50, high: 80 },
  leak: 1.5,
  heldHeat: 'lowest',
  thermostat: false,
  upTitle: 'Lock the lid, high heat until the indicator rises',
} as const

/** Up, held, and down again: sealed vessels differ in their figures only. */
export function pressureStages(kitchen: MethodContext, of: PressureKind): MethodStage[] {
  const powerW = fullPower(kitchen.source)
  const sealedC = saturationTemperature(pascals(kitchen.ambientPa + of.gaugeKPa[kitchen.pressure] * 1000))
  const sealed = { lid: 'on', mode: 'sealed', sealedC, thermostat: of.thermostat } as const
  const natural = (until: MethodStage['until'], endsOn: 'clock' | 'cue'): MethodStage => ({
    ...sealed,
    id: 'release',
    kind: 'release',
    title: endsOn === 'cue' ? 'Heat off, natural release' : 'Heat off, keep it sealed',
    heat: 'off',
    powerW: 0,
    until,
    endsOn,
    ...(endsOn === 'cue' ? { cue: 'pin-down' as const } : {}),
    handsOn: false,
    checks: ['Never force the lid'],
  })
  const vent: MethodStage = {
    ...sealed,
    mode: 'venting',
    id: 'vent',
    kind: 'release',
    title: 'Quick release: keep face, hands and cupboards clear',
    heat: 'off',
    powerW: 0,
    until: { minutes: VENT_MINUTES },
    endsOn: 'clock',
    handsOn: true,
    checks: ['Use a long spoon or a cloth; steam burns at once', 'Open the lid away from you'],
  }
  const releases =
    kitchen.release === 'natural'
      ? [natural({ event: 'unsealed', atMostMinutes: MAX_RELEASE }, 'cue')]
      : kitchen.release === 'timed'
        ? [natural({ minutes: kitchen.releaseMinutes }, 'clock'), vent]
        : [vent]
  const stages: MethodStage[] = [
    {
      ...sealed,
      id: 'pressure-up',
      kind: 'pressure-up',
      title: of.upTitle,
      mode: 'sealing',
      heat: 'high',
      powerW,
      until: { event: 'pressure', atMostMinutes: MAX_COME_UP },
      endsOn: 'cue',
      cue: 'pin-up',
      handsOn: false,
      checks: [],
    },
    {
      ...sealed,
      id: 'pressure',
      kind: 'pressure',
      title: of.thermostat
        ? `At ${kitchen.pressure} pressure`
        : `Turn the heat down until it just holds ${kitchen.pressure} pressure`,
      heat: of.heldHeat,
      powerW: of.heldW(sealedC),
      sealedLeak: of.leak / 60,
      until: 'solved',
      atLeast: MIN_HELD,
      endsOn: 'clock',
      handsOn: false,
      checks: [],
    },
    ...releases,
  ]
  if (kitchen.restMinutes > 0)
    stages.push({
      id: 'rest',
      kind: 'rest',
      title: 'Pressure down, leave the lid',
      heat: 'off',
      powerW: 0,
      lid: 'on',
      mode: 'open',
      until: { minutes: kitchen.restMinutes },
      endsOn: 'clock',
      handsOn: false,
      checks: ["Do not tip the lid's water back in"],
    })
  return stages
}
