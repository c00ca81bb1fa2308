import { HEAT_LEVELS } from '#core/heat/sources'
import type { StageSetting } from './result'

/** How pressure is let out, as it is set. */
const RELEASES = { natural: 'natural release', timed: 'timed release', quick: 'quick release' } as const

/** What to set, in words: "Heat: lowest", "Set: pressure cook, high pressure, 12 min, natural release". */
export function settingWords({ setting, minutes, pressure, release }: StageSetting): string {
  // A burner's minutes are counted by the stove's own clock.
  if ((HEAT_LEVELS as readonly string[]).includes(setting)) return `Heat: ${setting}`
  return `Set: ${[
    setting,
    ...(pressure ? [`${pressure} pressure`] : []),
    ...(minutes === undefined ? [] : [`${minutes} min`]),
    ...(release ? [RELEASES[release]] : []),
  ].join(', ')}`
}
