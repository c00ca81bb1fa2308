import type { LidPosition } from '#core/heat/lid'
import { saturationTemperature } from '#core/heat/boiling-point'
import { pascals } from '#core/units/units'
import type { Phase } from '#core/pot/run'

/** A step of a cook's own script: so much heat under such a lid, for a time or until something happens. */
export interface ScriptStep {
  powerW: number
  lid: LidPosition
  /** Over ambient; the vessel is sealed. */
  pressureKPa: number | null
  until: { minutes: number } | { event: 'boil' | 'pressure' | 'switch' | 'dry' }
}

/** What a script waits for that never comes is given up after this, minutes. */
const MAX_WAIT = 240
/** Steam past a held valve, g/min, and how long letting it out takes at most, minutes. */
const VALVE_LEAK = 0.3 / 60
const VENT_AT_MOST = 5

/** A script as phases of the pot. A step after a sealed one lets the pressure out first. */
export function phasesOf(script: readonly ScriptStep[], ambientPa: number): Phase[] {
  const phases: Phase[] = []
  let sealed = false
  script.forEach((step, i) => {
    const id = `step-${i + 1}`
    if (step.pressureKPa === null && sealed)
      phases.push({
        id: `${id}-vent`,
        powerW: 0,
        lid: 'on',
        mode: 'venting',
        until: { event: 'unsealed', atMostMinutes: VENT_AT_MOST },
      })
    sealed = step.pressureKPa !== null
    const until = 'minutes' in step.until ? step.until : { event: step.until.event, atMostMinutes: MAX_WAIT }
    const closed =
      step.pressureKPa === null
        ? { mode: 'open' as const }
        : {
            mode: 'event' in until && until.event === 'pressure' ? ('sealing' as const) : ('sealed' as const),
            sealedC: saturationTemperature(pascals(ambientPa + step.pressureKPa * 1000)),
            sealedLeak: VALVE_LEAK,
          }
    phases.push({ id, powerW: step.powerW, lid: step.lid, ...closed, until })
  })
  return phases
}
