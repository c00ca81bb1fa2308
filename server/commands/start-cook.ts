import { randomUUID } from 'node:crypto'
import { between, fieldErrors, record } from '#core/contract/fields'
import {
  PlanRequestSchema,
  parsePlanRequest,
  type PlanRequestJson,
  type Result,
} from '#core/contract/plan-request'
import { bagDelta } from '#core/grain/bag'
import { pourFromBottle } from './leftovers'
import { titleOf } from '#core/grain/varieties'
import { grainKeyOf } from '#core/learn/grain-key'
import { experimentsFor } from '#core/learn/beliefs'
import { NOTHING_APPLIED } from '#core/learn/evidence'
import { offerOf, type Offer } from '#core/learn/offer'
import { plan } from '#core/plan/plan'
import * as v from 'valibot'
import { announce } from '#server/realtime/hub'
import { currentBeliefs } from '#server/queries/beliefs'
import type { StoredCook } from '#server/store/cooks'
import type { Kitchen } from '#server/store/open-household'
import { inOneWrite } from '../store/write'

/** What had been learned and is planned with, as logarithms and g/g. */
export const AppliedSchema = record({
  uptake: between(-2, 2),
  steam: between(-2, 2),
  power: between(-2, 2),
  time: between(-2, 2),
})

/** The last time a date can say, ms. */
const MAX_TIME_MS = 8.64e15

const UUID = 'must be a UUID, such as "0b7d1c52-3f5e-4a60-8b1e-2f7a9d0c4e11"'

const StartSchema = record({
  request: PlanRequestSchema,
  vessel_id: v.string('is required'),
  heat_id: v.nullish(v.string()),
  bag_id: v.nullish(v.string()),
  applied: v.nullish(AppliedSchema),
  /** The device's own name for the batch: sent again, it is not started again. */
  id: v.optional(v.pipe(v.string(UUID), v.uuid(UUID))),
  /** Of a batch started without a connection: when it was started and sent, by the device's clock. */
  started_ms: v.optional(between(0, MAX_TIME_MS)),
  sent_ms: v.optional(between(0, MAX_TIME_MS)),
})

/** Heard of later than this, a batch counts as started so long ago, ms. */
const MAX_LATE_MS = 30 * 86_400_000

/**
 * Starts a cook: the request is planned here once more, and that plan is frozen. One that a device began without a
 * connection is started at the time it was begun.
 * @returns the new cook's id, or what was wrong with the request
 */
export function startCook(kitchen: Kitchen, input: unknown, nowMs: number): Result<string> {
  const { db, cooks, equipment, grainBags } = kitchen
  const parsed = v.safeParse(StartSchema, input)
  if (!parsed.success) return { ok: false, errors: fieldErrors(parsed.issues) }
  const given = input as { request: PlanRequestJson }
  const { vessel_id, heat_id, bag_id, sent_ms = 0, started_ms = sent_ms } = parsed.output
  if (parsed.output.id !== undefined && cooks.find(parsed.output.id))
    return { ok: true, value: parsed.output.id }
  const vessel = equipment.vessels().find((row) => row.id === vessel_id)
  if (!vessel)
    return {
      ok: false,
      errors: [
        {
          path: 'vessel_id',
          message: `vessel_id must be a pot of this kitchen, got "${vessel_id}"`,
          code: 'not-found',
        },
      ],
    }
  const heat = equipment.heats().find((row) => row.id === heat_id)
  if (!heat && vessel.own_rated_w === null)
    return {
      ok: false,
      errors: [
        {
          path: 'heat_id',
          message: `heat_id must be a burner of this kitchen, got "${heat_id ?? ''}"`,
          code: 'not-found',
        },
      ],
    }
  const read = parsePlanRequest(given.request)
  if (!read.ok) return read
  const request = read.value
  const id = parsed.output.id ?? randomUUID()
  const made = plan(request)
  const bag = grainBags
    .bags()
    .find((b) => b.id === bag_id && request.grains.some((g) => g.variety === b.variety))
  const cook = {
    id,
    startedMs: nowMs - Math.min(MAX_LATE_MS, Math.max(0, sent_ms - started_ms)),
    title: titleOf(request.grains),
    grainKey: grainKeyOf(request.grains),
    vesselId: vessel.id,
    vesselName: vessel.name,
    heatName: vessel.own_rated_w === null ? heat!.name : 'its own heat',
    serveAtMs: request.serveAtMs,
    request: given.request,
    plan: made,
    bagId: bag?.id ?? null,
    heatId: vessel.own_rated_w === null ? heat!.id : null,
    bagDelta: bagDelta(bag),
    applied: parsed.output.applied ?? NOTHING_APPLIED,
  }
  const bottle = request.dressing?.bottle
  const offer = nextOffer(kitchen, cook, nowMs)
  const used = made.grain.parts.find((part) => part.variety === bag?.variety)?.mass_g
  inOneWrite(db, () => {
    cooks.add({ ...cook, offer })
    if (bag && used !== undefined) grainBags.take(bag.id, used)
    if (bottle && made.dressing) pourFromBottle(kitchen, bottle.id, made.dressing.liquid_g)
  })
  announce(id)
  return { ok: true, value: id }
}

/** The most telling thing to measure with this batch, once a week at the most. */
function nextOffer(
  kitchen: Kitchen,
  { grainKey, bagId, vesselId, heatId, plan }: StoredCook,
  nowMs: number,
): Offer | null {
  const experiments = experimentsFor(
    currentBeliefs(kitchen).beliefs,
    { grainKey, bagId, vesselId, heatId: heatId ?? `own ${vesselId}` },
    { dryG: plan.grain.mass_g, steamG: plan.water.evaporated_g },
  )
  return offerOf(experiments, kitchen.cooks.lastOfferMs(), nowMs)
}
