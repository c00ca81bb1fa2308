import { dryVolumeOf } from '#core/learn/dry-volume'
import { HARDNESS_WORDS, WET_DRY_WORDS, wordOf, type Rating } from '#core/learn/rating'
import type { NotebookLine } from '#server/store/notebook'

/** A line of the notebook. */
export interface NotebookSummary {
  id: string
  title: string
  vesselName: string
  endedMs: number
  end: 'finish' | 'stop'
  grainG: number
  /** Dry, as it is scooped. */
  grainMl: number
  pourG: number
  /** Minutes, as it went and as planned. */
  minutes: number
  planned: number
  note: string
  rating: Rating | null
}

export const summaryOf = (line: NotebookLine): NotebookSummary => ({
  id: line.cook_id,
  title: line.title,
  vesselName: line.vessel_name,
  endedMs: line.ended_ms,
  end: line.end,
  grainG: line.grain_g,
  grainMl: dryVolumeOf(line.grain_key, line.grain_g),
  pourG: line.pour_g,
  minutes: line.minutes,
  planned: line.planned_minutes,
  note: line.note,
  rating:
    line.wet_dry === null
      ? null
      : { wetDry: line.wet_dry, hardness: line.hardness ?? 0, bottom: line.bottom ?? 'clean' },
})

/** How it came out, in as few words as say it. */
export function outcomeWords({ end, rating }: Pick<NotebookSummary, 'end' | 'rating'>): string {
  if (end === 'stop') return 'stopped'
  if (!rating) return 'not rated yet'
  const words = [
    rating.wetDry !== 0 && wordOf(WET_DRY_WORDS, rating.wetDry),
    rating.hardness !== 0 && wordOf(HARDNESS_WORDS, rating.hardness),
    rating.bottom !== 'clean' && rating.bottom,
  ].filter((word) => word !== false)
  return words.length === 0 ? 'right' : words.join(', ')
}
