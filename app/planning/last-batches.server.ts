import { waterIn } from '#core/units/system'
import { nowMs } from '#server/clock'
import type { Kitchen } from '#server/store/open-household'
import type { StoredCook } from '#server/store/cooks'
import { planAgain } from './again'
import { fromSearch, toSearch } from './plan-address'
import { firstPlan, requestOf, type PlanningData } from './plan-state'
import { amountWord, grainWord } from './plan-words'
import { rememberedPlan } from './remembered-plan'

/** A batch that can be cooked again at one press. */
export interface AgainBatch {
  id: string
  /** "2 cups, basmati". */
  words: string
  vesselName: string
  endedMs: number
  /** The address that plans it as it was asked for, with what was learned since. */
  search: string
  /** Its water, as it was and as it is planned today, in words; undefined where they agree. */
  water: { was: string; now: string } | undefined
}

/** Water that differs by less is the same, g. */
const SAME_WATER_G = 5
/** How many entries are looked through for different ones. */
const LOOKED_THROUGH = 12

/** The address that plans a batch again. */
export const againSearch = (cook: StoredCook, household: PlanningData): string => {
  const first = firstPlan(household)
  const batch = {
    request: cook.request,
    vesselId: cook.vesselId,
    heatId: cook.heatId,
    bagId: cook.bagId,
    grainG: cook.plan.grain.mass_g,
  }
  return toSearch(planAgain(batch, first, household), first).toString()
}

/** The last batches that differ from each other, the newest first; of pots that are still in this kitchen. */
export function lastBatches(open: Kitchen, household: PlanningData, most: number): AgainBatch[] {
  const first = firstPlan(household)
  const found = new Map<string, AgainBatch>()
  for (const line of open.notebook.lines({}, LOOKED_THROUGH, 0)) {
    if (found.size >= most) break
    const cook = open.cooks.find(line.cook_id)
    if (!cook || line.end !== 'finish' || !household.vessels.some((v) => v.id === cook.vesselId)) continue
    const search = againSearch(cook, household)
    if (found.has(search)) continue
    const state = fromSearch(new URLSearchParams(search), first, household)
    const today = rememberedPlan(requestOf(state, household, nowMs()))
    if (!today.ok) continue
    const [was, now] = [line.pour_g, today.value.water.pour_g].map(Math.round) as [number, number]
    found.set(search, {
      id: cook.id,
      words: `${amountWord(state, household)}, ${grainWord(state, household)}`,
      vesselName: line.vessel_name,
      endedMs: line.ended_ms,
      search,
      water:
        Math.abs(was - now) < SAME_WATER_G
          ? undefined
          : { was: waterIn(household, was), now: waterIn(household, now) },
    })
  }
  return [...found.values()]
}

/**
 * The address keys with which the next plan begins: how many or how much, in which measure, in which pot on
 * which burner, as they were chosen last. Empty for a kitchen that has not cooked.
 */
export function lastChoices(open: Kitchen, household: PlanningData): string {
  const [running] = open.cooks.running().toSorted((a, b) => b.startedMs - a.startedMs)
  const [line] = open.notebook.lines({}, 1, 0)
  const cook = running ?? (line && open.cooks.find(line.cook_id))
  if (!cook || !household.vessels.some((v) => v.id === cook.vesselId)) return ''
  const chosen = new URLSearchParams(againSearch(cook, household))
  const own = household.vessels.find((v) => v.id === cook.vesselId)!.own_rated_w !== null
  return new URLSearchParams(
    [...chosen].filter(
      ([key]) =>
        ['servings', 'measured', 'grams', 'serving', 'pot'].includes(key) || (key === 'burner' && !own),
    ),
  ).toString()
}
