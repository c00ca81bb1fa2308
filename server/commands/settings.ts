import type { Settings } from '#core/contract/settings'
import { MOVED_M } from '#core/learn/figures'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { widenFigures } from './notebook'

/**
 * Saves the settings. Where the kitchen moved, what was learned of its pots and burners is less sure.
 * @returns the names of the figures that are
 */
export function saveSettings(kitchen: Kitchen, settings: Settings, nowMs: number): string[] {
  const before = settingsOf(kitchen)
  kitchen.household.save(settings)
  return Math.abs(settings.elevation_m - before.elevation_m) >= MOVED_M
    ? widenFigures(kitchen, 'moved', nowMs)
    : []
}
