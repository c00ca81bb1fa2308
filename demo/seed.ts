import { mealDishOf } from '../app/planning/meal-dish'
import { firstPlan, requestOf, type PlanState, type PlanningData } from '../app/planning/plan-state'
import { loadPlanningData } from '../app/planning/planning-data.server'
import { nextAt } from '../app/ui/time/clock-hour'
import { beginHousehold } from '#server/commands/begin-household'
import { rate } from '#server/commands/rate'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { press } from '#server/commands/press'
import { addDish, saveMeal } from '#server/commands/meals'
import { startCook } from '#server/commands/start-cook'
import { putAway } from '#server/commands/leftovers'
import {
  CHOIR_COMPANIONS,
  TARN_HEAD,
  TARN_HEAD_BAGS,
  TARN_HEAD_CONTAINERS,
  TARN_HEAD_PEOPLE,
  TARN_HEAD_LEFTOVER,
  VALLEY_M,
} from './household'
import { SEASON, type SeasonCook } from './cooks'

const DAY = 86_400_000
const MINUTE = 60_000
const HOUR = 60 * MINUTE
/** By hand they take about as long as a plan says; this much of it, by stage, over and over. */
const HANDS = [1.1, 0.9, 1.2, 1]

const must = <T>(read: { ok: true; value: T } | { ok: false; errors: { message: string }[] }): T => {
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
  return read.value
}

/** Writes the household and its season through the same doors a cook uses: plan, start, press, judge. */
export function seedDemo(kitchen: Kitchen, nowMs: number): void {
  beginHousehold(kitchen, TARN_HEAD)
  TARN_HEAD_BAGS.forEach(kitchen.grainBags.saveBag)
  for (const cook of SEASON) cookOnce(kitchen, cook, nowMs)
  TARN_HEAD_PEOPLE.forEach(kitchen.people.save)
  TARN_HEAD_CONTAINERS.forEach(kitchen.leftovers.saveContainer)
  for (const { hoursAgo, container } of TARN_HEAD_LEFTOVER)
    must(putAway(kitchen, { ...container, minutes_ago: 15 }, nowMs - hoursAgo * HOUR))
  layTheTable(kitchen, nowMs)
  kitchen.leftovers.saveBottle({
    id: 'choir-bottle',
    made_ms: nowMs - 9 * DAY,
    style: 'usual',
    made_g: 420,
    left_g: 260,
    name: 'choir evenings',
    vinegar: null,
    sugar: null,
    salt: null,
    steeps: '',
    ready_ms: null,
  })
}

function cookOnce(kitchen: Kitchen, cook: SeasonCook, nowMs: number): void {
  const { zone } = settingsOf(kitchen)
  const minutes = Math.round((cook.hour % 1) * 60)
  const hour = `${String(Math.floor(cook.hour)).padStart(2, '0')}:${String(minutes).padStart(2, '0')}`
  const startMs = nextAt(hour, zone, nowMs - (cook.daysAgo + 1) * DAY)
  const { household: today } = loadPlanningData(kitchen)
  const household: PlanningData = { ...today, elevation_m: cook.valley ? VALLEY_M : today.elevation_m }
  const request = requestOf(
    {
      ...firstPlan(household),
      grain: cook.grain,
      amount: { basis: 'dry-mass', value: cook.grams },
      vesselId: cook.vesselId,
      heatId: cook.heatId,
      soak: cook.soak ?? null,
    },
    household,
    startMs,
  )
  const id = must(startCook(kitchen, { request, vessel_id: cook.vesselId, heat_id: cook.heatId }, startMs))
  const { plan } = kitchen.cooks.find(id)!
  let presses = 0
  const say = (kind: string, stage: string, atMs: number, more = {}) =>
    must(
      press(
        kitchen,
        id,
        { id: `${id}-${++presses}`, kind, stage, pressed_ms: atMs, sent_ms: atMs, ...more },
        Math.round(atMs),
      ),
    )
  let atMs = startMs
  for (const [i, stage] of plan.stages.entries()) {
    if (stage.kind === 'simmer')
      for (let n = 0; n < (cook.lidLifts ?? 0); n++)
        say('lid-lifted', stage.id, atMs + (n + 1) * 2 * MINUTE, { seconds: 20 })
    if (stage.ends_on === 'clock') {
      atMs += (stage.minutes.expected + (stage.kind === 'simmer' ? (cook.lidLifts ?? 0) : 0)) * MINUTE
      continue
    }
    if (cook.stopped && stage.power_w > 0) return void say('stop', stage.id, atMs + 6 * MINUTE)
    atMs += stage.minutes.expected * (stage.power_w > 0 ? cook.slow : HANDS[i % HANDS.length]!) * MINUTE
    say('cue', stage.id, atMs)
  }
  atMs += MINUTE / 2
  say('finish', plan.stages[plan.stages.length - 1]!.id, atMs)
  if (cook.judged) {
    const { wetDry, hardness, bottom, note } = cook.judged
    must(
      rate(
        kitchen,
        id,
        { wet_dry: String(wetDry), hardness: String(hardness), bottom, note },
        Math.round(atMs + 30 * MINUTE),
      ),
    )
  }
}

/** The lake choir's meal: fourteen, three pots of grain, roots, soup and trout, tomorrow evening at seven. */
function layTheTable(kitchen: Kitchen, nowMs: number): void {
  const { zone } = settingsOf(kitchen)
  const { household } = loadPlanningData(kitchen)
  const serveMs = nextAt('19:00', zone, nowMs + DAY / 2)
  const id = must(
    saveMeal(
      kitchen,
      { title: 'the lake choir', serve_ms: String(serveMs), cooks: '2', oven: '1', names: 'Maren, Teo' },
      nowMs,
    ),
  )
  const first = firstPlan(household)
  const grains: Partial<PlanState>[] = [
    {
      grain: 'short-white',
      amount: { basis: 'servings', value: 6 },
      vesselId: 'heavy-blue',
      heatId: 'big-gas',
    },
    {
      grain: 'long-white',
      amount: { basis: 'servings', value: 5 },
      vesselId: 'scoop-cooker',
      heatId: 'big-gas',
    },
    {
      grain: 'barley-hulled',
      amount: { basis: 'servings', value: 3 },
      vesselId: 'pressure-pot',
      heatId: 'big-gas',
    },
  ]
  for (const more of grains) {
    const state: PlanState = { ...first, ...more }
    must(addDish(kitchen, id, mealDishOf(state, household, first, requestOf(state, household, nowMs))))
  }
  for (const companion of CHOIR_COMPANIONS) must(addDish(kitchen, id, { kind: 'companion', ...companion }))
}
