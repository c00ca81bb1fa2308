import { saturationTemperature } from '#core/heat/boiling-point'
import { fullPower } from '#core/heat/sources'
import { pascals } from '#core/quantity/units'
import type { Kitchen, Method, MethodStage } from './method'

/** Over ambient, kPa: typical of electric vessels; the maker's figure goes before it. */
const GAUGE_KPA = { low: 40, high: 75 } as const
/** Steam past the valve while held by the thermostat, g/min. */
const HELD_LEAK = 0.3
const LONGEST_COME_UP = 120
const LONGEST_RELEASE = 180
const VENT_MINUTES = 2

/** A sealed vessel held over the boiling point by its thermostat; the come-up and the release cook too. */
export const pressureElectric: Method = {
  id: 'pressure-electric',
  name: 'Electric pressure pot',
  vesselKind: 'pressure-electric',
  defaults: { vessel: 'pressure-electric-6', heat: 'pressure-6', restMinutes: 0 },
  beforeHeat: [
    'Gasket seated, vent clear, rim wiped: the maker\'s manual goes first',
    'Level the bed; wipe the outside of the inner pot dry',
  ],
  stages(kitchen: Kitchen): MethodStage[] {
    const powerW = fullPower(kitchen.source)
    const sealedC = saturationTemperature(pascals(kitchen.ambientPa + GAUGE_KPA[kitchen.pressure] * 1000))
    const sealed = { lid: 'on', mode: 'sealed', sealedC, thermostat: true } as const
    const natural = (until: MethodStage['until'], endsOn: 'clock' | 'cue'): MethodStage => ({
      ...sealed,
      id: 'release',
      kind: 'release',
      title: endsOn === 'cue' ? 'Heat off, let the pressure fall by itself' : 'Heat off, let it stand sealed',
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
      title: 'Let the steam out, clear of face, hands and cupboards',
      heat: 'off',
      powerW: 0,
      until: { minutes: VENT_MINUTES },
      endsOn: 'clock',
      handsOn: true,
      checks: ['Use a long spoon or a cloth; steam burns at once', 'Open the lid away from you'],
    }
    const releases =
      kitchen.release === 'natural'
        ? [natural({ event: 'unsealed', atMostMinutes: LONGEST_RELEASE }, 'cue')]
        : kitchen.release === 'timed'
          ? [natural({ minutes: kitchen.releaseMinutes }, 'clock'), vent]
          : [vent]
    const stages: MethodStage[] = [
      {
        ...sealed,
        id: 'pressure-up',
        kind: 'pressure-up',
        title: 'Lid locked, valve shut, start it',
        mode: 'sealing',
        heat: 'high',
        powerW,
        until: { event: 'pressure', atMostMinutes: LONGEST_COME_UP },
        endsOn: 'cue',
        cue: 'pin-up',
        handsOn: false,
        checks: [],
      },
      {
        ...sealed,
        id: 'pressure',
        kind: 'pressure',
        title: `At ${kitchen.pressure} pressure`,
        heat: 'high',
        powerW,
        sealedLeak: HELD_LEAK / 60,
        until: 'solved',
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
        checks: ['Do not tip the lid\'s water back in'],
      })
    return stages
  },
}
