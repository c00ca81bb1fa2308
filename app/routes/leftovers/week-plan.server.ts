import { planFrom } from '#core/contract/plan'
import type { VarietyId } from '#core/grain/varieties'
import type { Plan } from '#core/plan/result'
import type { Guidance } from '#core/leftovers/guidance'
import { containerOf } from '#core/leftovers/portions'
import { containersFor, planWeek, type WeekBatch, type WeekWish } from '#core/leftovers/week'
import { forecast, type Need } from '#core/stock/forecast'
import type { ContainerRow } from '#server/store/leftovers'
import { mealDishOf } from '../../planning/meal-dish'
import { firstPlan, requestOf, type PlanningData, type PlanState } from '../../planning/plan-state'

/** A batch of so many portions of a grain, for the week, in a pot of the household. */
const stateFor = (
  household: PlanningData,
  variety: VarietyId,
  portions: number,
  vesselId: string | null,
): PlanState => ({
  ...firstPlan(household),
  ...(vesselId === null ? {} : { vesselId }),
  grain: variety,
  purpose: 'batch',
  serving: 'main',
  amount: { basis: 'servings', value: portions },
})

/** Cautions of a pot that holds too much at once. */
const TOO_MUCH: ReadonlySet<string> = new Set([
  'swells-too-high',
  'pressure-over-full',
  'bed-too-deep',
  'boils-over',
  'slow-to-boil',
])
const MOST_ROUNDS = 4

/** In how many rounds a batch is cooked: as few as its pot holds without trouble, or what is best of a few. */
function roundsFor(
  household: PlanningData,
  { variety, portions }: WeekBatch,
  vesselId: string | null,
  nowMs: number,
): { rounds: number; state: PlanState; plan: Plan | null } {
  const at = (rounds: number) => {
    const state = stateFor(household, variety, portions / rounds, vesselId)
    const read = planFrom(requestOf(state, household, nowMs))
    const plan = read.ok ? read.value : null
    const tooMuch = plan?.cautions.filter((c) => TOO_MUCH.has(c.code)).length ?? Infinity
    return { rounds, state, plan, tooMuch }
  }
  const tried = Array.from({ length: MOST_ROUNDS }, (_, n) => at(n + 1))
  return tried.reduce((best, next) => (next.tooMuch < best.tooMuch ? next : best))
}

export interface WeekAsked {
  wishes: readonly WeekWish[]
  vesselId: string | null
  /** When it is all cooked, UTC ms, and hours from then to the meal of that day. */
  cookedMs: number
  hours: number
}

/** Everything a week asks of this kitchen: batches with their days, containers, and what to buy. */
export function weekOf(
  { wishes, vesselId, cookedMs, hours }: WeekAsked,
  household: PlanningData,
  { containers, guidance }: { containers: readonly ContainerRow[]; guidance: Guidance },
  nowMs: number,
) {
  const free = new Map(containers.map(({ id, many }) => [id, many]))
  const owned = containers.map(containerOf)
  const needs: Need[] = []
  const batches = planWeek(wishes, guidance, hours)
    .filter(({ portions }) => portions > 0)
    .map((batch) => {
      const { rounds, plan } = roundsFor(household, batch, vesselId, nowMs)
      if (!plan) return { ...batch, plan: null, use: [], withoutPortions: 0 }
      const { grain, yield: made, total_minutes, cautions } = plan
      const densityGMl = made.cooked_mass_g / made.cooked_volume_ml
      const portionG = (rounds * made.cooked_mass_g) / batch.portions
      needs.push({ title: 'the week', atMs: cookedMs, variety: batch.variety, grams: rounds * grain.mass_g })
      const { use, withoutPortions } = containersFor(batch.meals, { portionG, densityGMl }, owned, free)
      return {
        ...batch,
        plan: {
          rounds,
          dryG: rounds * grain.mass_g,
          dryMl: rounds * grain.volume_ml,
          minutes: Math.round(total_minutes.expected),
          caution: cautions.find((c) => c.severity !== 'note')?.text ?? null,
        },
        use: use.map(({ container, times }) => ({ name: container.name, times })),
        withoutPortions,
      }
    })
  const { buy } = forecast(
    household.bags.map((bag) => ({ variety: bag.variety, leftG: bag.left_g })),
    needs,
  )
  return { batches, buy }
}

/** The week's batches as dishes of a meal, all in one pot: it is cooked in in turn. */
export const weekDishes = (
  { wishes, vesselId, hours }: WeekAsked,
  household: PlanningData,
  guidance: Guidance,
  nowMs: number,
): Record<string, string>[] =>
  planWeek(wishes, guidance, hours)
    .filter(({ portions }) => portions > 0)
    .flatMap((batch) => {
      const { rounds, state } = roundsFor(household, batch, vesselId, nowMs)
      const dish = mealDishOf(state, household, firstPlan(household), requestOf(state, household, nowMs))
      return Array.from({ length: rounds }, (_, n) =>
        rounds === 1 ? dish : { ...dish, title: `${dish.title}, round ${n + 1}` },
      )
    })
