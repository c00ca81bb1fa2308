import type { Settings } from '#core/contract/settings'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { widenFigures } from './notebook'

/** An altitude this far from the one before is another kitchen, m; less is a figure put right. */
export const MOVED_M = 150

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
