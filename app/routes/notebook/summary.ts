import { HARDNESS_WORDS, WET_DRY_WORDS, wordOf, type Judgement } from '#core/learn/judgement'
import type { NotedCook } from '#server/database/cooks'

/** A line of the notebook. */
export interface NotedSummary {
  id: string
  title: string
  vesselName: string
  endedMs: number
  end: 'finish' | 'stop'
  grainG: number
  pourG: number
  /** Minutes, as it went and as planned. */
  minutes: number
  planned: number
  judgement: Judgement | null
}

export const summaryOf = (cook: NotedCook): NotedSummary => ({
  id: cook.id,
  title: cook.title,
  vesselName: cook.vesselName,
  endedMs: cook.endedMs,
  end: cook.end,
  grainG: cook.plan.grain.mass_g,
  pourG: cook.plan.water.pour_g,
  minutes: (cook.endedMs - cook.startedMs) / 60_000,
  planned: cook.plan.total_minutes.expected,
  judgement: cook.judgement,
})

/** How it came out, in as few words as say it. */
export function outcomeWords({ end, judgement }: Pick<NotedSummary, 'end' | 'judgement'>): string {
  if (end === 'stop') return 'set aside'
  if (!judgement) return 'not judged yet'
  const words = [
    judgement.wetDry !== 0 && wordOf(WET_DRY_WORDS, judgement.wetDry),
    judgement.hardness !== 0 && wordOf(HARDNESS_WORDS, judgement.hardness),
    judgement.bottom !== 'clean' && judgement.bottom,
  ].filter((word) => word !== false)
  return words.length === 0 ? 'right' : words.join(', ')
}
