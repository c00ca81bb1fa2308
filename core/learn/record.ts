import { activeEvents } from '#core/event-log'
import type { CookEvent, EventKind } from '#core/cook/events'
import type { CookView } from '#core/cook/replay'
import { methodOf } from '#core/methods/index'
import { OWN_STAGE_KINDS, type PlanRequest } from '#core/plan/request'
import { plan } from '#core/plan/plan'
import type { Plan, Stage } from '#core/plan/result'
import type { Applied, Evidence } from './evidence'
import { grainKeyOf } from './grain-key'
import type { Rating } from './rating'

/** A finished cook with everything that was written down of it. */
export interface CookRecord {
  cookId: string
  endedMs: number
  request: PlanRequest
  /** As it was cooked, with what was seen on the way. */
  plan: Plan
  view: CookView
  events: readonly CookEvent[]
  vesselId: string
  heatId: string
  bagId: string | null
  /** What was known of the bag without any cook: its label, a new crop; g/g. */
  bagDelta: number
  applied: Applied
  rating: Pick<Rating, 'wetDry' | 'hardness'> | null
  /** Full pot with its lid on a scale, before the heat and when it was done, g. */
  potBeforeG: number | null
  potAfterG: number | null
}

const HEAT_TOLD: ReadonlySet<EventKind> = new Set([
  'heat-high',
  'heat-low',
  'heat-out',
  'skip',
  'go-on',
  'minute-more',
  'minute-less',
  'late',
])
/** A boil this much off was another thing: a cold start that was none, a walk to the shop. */
const BOIL_LIMITS = [0.45, 2.2] as const
const STEAM_LIMITS = [0.2, 5] as const
const within = (value: number, [low, high]: readonly [number, number]): number | null =>
  value >= low && value <= high ? value : null

/** A record as evidence. What it cannot speak of is null; nothing is made up. */
export function evidenceOf(record: CookRecord): Evidence {
  const { request, plan: cooked, view, events, rating, bagDelta, applied } = record
  const dryG = cooked.grain.mass_g
  const active = activeEvents(events)
  const addedG = active.reduce(
    (sum, e) =>
      sum +
      (e.kind === 'water-added'
        ? (e.amount ?? 0)
        : e.kind === 'boiled-over'
          ? -(e.amount ?? 0)
          : e.kind === 'remedy'
            ? (e.remedy?.addG ?? 0)
            : 0),
    0,
  )
  const published = cooked.water.uptake_target - request.uptakeDelta
  const way = methodOf(request.method).water
  return {
    cookId: record.cookId,
    endedMs: record.endedMs,
    grainKey: grainKeyOf(request.grains),
    bagId: record.bagId,
    vesselId: record.vesselId,
    heatId: record.heatId,
    // Where water is poured off, or only steams, minutes set the texture and the tongue says nothing of the pour.
    extraUptake:
      way === 'pot' || way === 'stock'
        ? (cooked.water.absorbed_g + cooked.water.left_in_pot_g + addedG - view.lostSteamG) / dryG -
          published -
          bagDelta
        : null,
    steamPerDry: cooked.water.evaporated_g / dryG,
    applied,
    judged: rating && { wetDry: rating.wetDry, hardness: rating.hardness },
    heated: heatedOf(record),
    boilFactor: boilFactorOf(record, active),
    steamFactor:
      way === 'pot' &&
      record.potBeforeG !== null &&
      record.potAfterG !== null &&
      record.potBeforeG > record.potAfterG &&
      cooked.water.evaporated_g > 0
        ? within(
            (record.potBeforeG + Math.max(0, addedG) - record.potAfterG) /
              (cooked.water.evaporated_g + view.lostSteamG),
            STEAM_LIMITS,
          )
        : null,
  }
}

const COOKING: ReadonlySet<Stage['kind']> = new Set(OWN_STAGE_KINDS)
/** A share of the minutes that is well short, or well over. */
const SHORT = 0.85
const LONG = 1.25

/** Minutes that were cooked and rested beside those this grain takes here. */
function heatedOf({ plan: cooked, view, request }: CookRecord): Evidence['heated'] {
  const wanted = Object.keys(request.ownMinutes).length > 0 ? plan({ ...request, ownMinutes: {} }) : cooked
  const minutes = (of: readonly Stage[]) =>
    of.reduce((sum, s) => sum + (COOKING.has(s.kind) ? s.minutes.expected : 0), 0)
  const took = cooked.stages.reduce((sum, stage) => {
    const seen = COOKING.has(stage.kind) ? view.stages.find((s) => s.id === stage.id) : undefined
    return sum + (seen ? Math.max(0, seen.endMs - seen.startMs) / 60_000 : 0)
  }, 0)
  const share = took / Math.max(1, minutes(wanted.stages))
  return share < SHORT ? 'short' : share > LONG ? 'long' : null
}

/** What its time to the boil says of the burner: the same heat in other minutes. */
function boilFactorOf({ plan, view, request }: CookRecord, active: readonly CookEvent[]): number | null {
  const stage = plan.stages.find((s) => s.id === 'heat-up' && s.ends_on === 'cue' && s.power_w > 0)
  const seen = stage && view.stages.find((s) => s.id === stage.id)
  const called = stage && active.some((e) => e.kind === 'cue' && e.stage === stage.id)
  if (
    !stage ||
    !seen ||
    !called ||
    active.some(
      (e) =>
        e.stage === stage.id &&
        (HEAT_TOLD.has(e.kind) || e.kind === 'lid-lifted' || e.kind === 'water-added'),
    )
  )
    return null
  const took = (seen.endMs - seen.startMs) / 60_000
  if (!(took > 0)) return null
  const loss = (request.vessel.loss * (plan.boil_c - request.kitchenC)) / 2
  return within(
    ((stage.power_w - loss) * (stage.minutes.expected / took) + loss) / stage.power_w,
    BOIL_LIMITS,
  )
}
