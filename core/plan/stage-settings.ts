import type { PlanRequest } from './request'
import type { Stage, StageSetting } from './result'

type Heated = Pick<Stage, 'kind' | 'heat' | 'minutes' | 'ends_on'>

/**
 * What to set on the burner or the appliance as a stage begins; nothing where the heat is off or the appliance
 * goes on by itself.
 * @param ovenC the oven's temperature, for a stage in it
 * @param pressureMinutes of the stage under pressure that a pressure cooker's programme counts
 */
export function settingOf(
  stage: Heated,
  { vessel, pressure, release }: Pick<PlanRequest, 'vessel' | 'pressure' | 'release'>,
  { ovenC, pressureMinutes }: { ovenC: number | undefined; pressureMinutes: number | undefined },
): StageSetting | undefined {
  if (stage.heat === 'off') return undefined
  switch (vessel.kind) {
    case 'pressure-electric':
      if (stage.kind === 'hold') return { setting: 'keep warm' }
      if (stage.kind === 'toast') return { setting: 'sauté', minutes: Math.round(stage.minutes.expected) }
      return stage.kind === 'pressure-up' && pressureMinutes !== undefined
        ? { setting: 'pressure cook', minutes: Math.ceil(pressureMinutes - 1e-9), pressure, release }
        : undefined
    case 'cooker':
      return stage.kind === 'hold'
        ? { setting: 'keep warm' }
        : stage.kind === 'boil'
          ? undefined
          : { setting: 'cook' }
    case 'oven-dish':
      return ovenC === undefined
        ? undefined
        : { setting: `${Math.round(ovenC / 5) * 5} °C`, minutes: Math.round(stage.minutes.expected) }
    default:
      return {
        setting: stage.heat,
        ...(stage.ends_on === 'clock' ? { minutes: Math.round(stage.minutes.expected) } : {}),
        ...(stage.kind === 'pressure' ? { pressure, release } : {}),
      }
  }
}
