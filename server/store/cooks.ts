import type { Offer } from '#core/learn/offer'
import type { CookEvent } from '#core/cook/events'
import type { Applied } from '#core/learn/evidence'
import type { EVENNESS, Rating } from '#core/learn/rating'
import type { Plan } from '#core/plan/result'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { Db } from './open'
import type { StoredRow } from './rows'

export interface StoredCook {
  id: string
  startedMs: number
  title: string
  grainKey: string
  vesselId: string
  vesselName: string
  heatName: string
  serveAtMs: number | null
  request: PlanRequestJson
  plan: Plan
  bagId: string | null
  /** Null for an appliance with its own. */
  heatId: string | null
  /** What was known of the bag without any cook, g/g. */
  bagDelta: number
  /** What had been learned by then, and was planned with. */
  applied: Applied
  /** What was offered to measure with it. */
  offer?: Offer | null
}

export interface StoredEvent extends CookEvent {
  identity: string | undefined
  deviceMs: number
  receivedMs: number
  /** The server's clock before the device's, as the device knew it, ms. */
  aheadMs?: number
}

export interface StoredRating extends Rating {
  ratedMs: number
  note: string
  /** −2 sticks in one piece … 2 every grain apart; null when nobody said. */
  separate: number | null
  even: (typeof EVENNESS)[number]
  /** Who ate. */
  ate: string
}

/** A cook with how it ended and what was thought of it. */
export interface FinishedCook extends StoredCook {
  endedMs: number
  end: 'finish' | 'stop'
  rating: StoredRating | null
}

type CookRow = StoredRow<'cook'>
type EventRow = StoredRow<'cook_event'>
interface FinishedRow extends CookRow {
  ended_ms: number
  end_kind: 'finish' | 'stop'
  rated_ms: number | null
  wet_dry: number
  hardness: number
  bottom: Rating['bottom']
  note: string
  separate: number | null
  even: StoredRating['even']
  ate: string
}

const cookOf = (row: CookRow): StoredCook => ({
  id: row.id,
  startedMs: row.started_ms,
  title: row.title,
  grainKey: row.grain_key,
  vesselId: row.vessel_id,
  vesselName: row.vessel_name,
  heatName: row.heat_name,
  serveAtMs: row.serve_at_ms,
  request: JSON.parse(row.request) as PlanRequestJson,
  plan: JSON.parse(row.plan) as Plan,
  bagId: row.bag_id,
  heatId: row.heat_id,
  bagDelta: row.bag_delta,
  applied: JSON.parse(row.applied) as Applied,
  offer: row.offer,
})

const eventOf = (row: EventRow): StoredEvent => ({
  id: row.id,
  kind: row.kind,
  stage: row.stage,
  identity: row.identity ?? undefined,
  deviceMs: row.device_ms,
  atMs: row.at_ms,
  receivedMs: row.received_ms,
  ...(row.seconds === null ? {} : { seconds: row.seconds }),
  ...(row.clarity === null ? {} : { clarity: row.clarity }),
  ...(row.amount === null ? {} : { amount: row.amount }),
  ...(row.ahead_ms === null ? {} : { aheadMs: row.ahead_ms }),
  ...(row.remedy === null ? {} : { remedy: JSON.parse(row.remedy) as NonNullable<CookEvent['remedy']> }),
  ...(row.target === null ? {} : { target: row.target }),
})

const finishedOf = (row: FinishedRow): FinishedCook => ({
  ...cookOf(row),
  endedMs: row.ended_ms,
  end: row.end_kind,
  rating:
    row.rated_ms === null
      ? null
      : {
          ratedMs: row.rated_ms,
          wetDry: row.wet_dry,
          hardness: row.hardness,
          bottom: row.bottom,
          note: row.note,
          separate: row.separate,
          even: row.even,
          ate: row.ate,
        },
})

const COOK =
  'c.id, c.started_ms, c.title, c.grain_key, c.vessel_id, c.vessel_name, c.heat_name, c.serve_at_ms, c.request, c.plan, c.bag_id, c.heat_id, c.bag_delta, c.applied, c.offer'
const FINISHED = `SELECT ${COOK}, x.ended_ms, x.kind AS end_kind, r.rated_ms, r.wet_dry, r.hardness, r.bottom, r.note, r.separate, r.even, r.ate
  FROM cook c JOIN cook_end x ON x.cook_id = c.id LEFT JOIN rating r ON r.cook_id = c.id`

/** Cooks, the events that happened to them, and the ratings on them. */
export function createCookStore(db: Db) {
  const one = db.prepare(`SELECT ${COOK} FROM cook c WHERE c.id = ?`)
  // A cross join is done in the order it is written: the few that run first.
  const running = db.prepare(`
    SELECT ${COOK} FROM running_cook x CROSS JOIN cook c ON c.id = x.cook_id ORDER BY c.started_ms`)
  const finished = db.prepare(`${FINISHED} ORDER BY x.ended_ms DESC, c.id`)
  const finishedOne = db.prepare(`${FINISHED} WHERE c.id = ?`)
  const insert = db.prepare(`
    INSERT INTO cook (id, started_ms, title, grain_key, vessel_id, vessel_name, heat_name, serve_at_ms, request, plan, bag_id, heat_id, bag_delta, applied, offer)
    VALUES (@id, @startedMs, @title, @grainKey, @vesselId, @vesselName, @heatName, @serveAtMs, @request, @plan, @bagId, @heatId, @bagDelta, @applied, @offer)`)
  const events = db.prepare(`
    SELECT id, kind, stage, identity, device_ms, at_ms, received_ms, seconds, clarity, amount, remedy, ahead_ms, target
    FROM cook_event WHERE cook_id = ? ORDER BY at_ms, seq`)
  // A second press of the same thing, or a retry of one that arrived, is no error and no second row.
  const append = db.prepare(`
    INSERT INTO cook_event (id, cook_id, kind, stage, identity, device_ms, at_ms, received_ms, seconds, clarity, amount, remedy, ahead_ms, target)
    VALUES (@id, @cookId, @kind, @stage, @identity, @deviceMs, @atMs, @receivedMs, @seconds, @clarity, @amount, @remedy, @aheadMs, @target)
    ON CONFLICT DO NOTHING`)
  const cookOfEvent = db.prepare('SELECT cook_id FROM cook_event WHERE id = ?').pluck()
  const remove = db.prepare('DELETE FROM cook WHERE id = ?')
  const rate = db.prepare(`
    INSERT INTO rating (cook_id, rated_ms, wet_dry, hardness, bottom, note, separate, even, ate)
    VALUES (@cookId, @ratedMs, @wetDry, @hardness, @bottom, @note, @separate, @even, @ate)
    ON CONFLICT (cook_id) DO UPDATE SET rated_ms = @ratedMs, wet_dry = @wetDry, hardness = @hardness, bottom = @bottom, note = @note,
      separate = @separate, even = @even, ate = @ate`)
  const lastOffer = db.prepare('SELECT max(started_ms) FROM cook WHERE offer IS NOT NULL').pluck()
  return {
    /** When something was last offered to measure, ms. */
    lastOfferMs: () => lastOffer.get() as number | null,
    find: (id: string): StoredCook | undefined => {
      const row = one.get(id) as CookRow | undefined
      return row && cookOf(row)
    },
    running: (): StoredCook[] => (running.all() as CookRow[]).map(cookOf),
    finished: (): FinishedCook[] => (finished.all() as FinishedRow[]).map(finishedOf),
    findFinished: (id: string): FinishedCook | undefined => {
      const row = finishedOne.get(id) as FinishedRow | undefined
      return row && finishedOf(row)
    },
    add: (cook: StoredCook) =>
      void insert.run({
        ...cook,
        request: JSON.stringify(cook.request),
        plan: JSON.stringify(cook.plan),
        applied: JSON.stringify(cook.applied),
        offer: cook.offer ?? null,
      }),
    remove: (id: string) => remove.run(id).changes > 0,
    events: (cookId: string): StoredEvent[] => (events.all(cookId) as EventRow[]).map(eventOf),
    /** The batch an event was written down for. */
    cookOfEvent: (id: string) => cookOfEvent.get(id) as string | undefined,
    /** @returns whether the event was new */
    append: (cookId: string, event: StoredEvent): boolean =>
      append.run({
        ...event,
        cookId,
        identity: event.identity ?? null,
        seconds: event.seconds ?? null,
        clarity: event.clarity ?? null,
        amount: event.amount ?? null,
        aheadMs: event.aheadMs ?? null,
        remedy: event.remedy ? JSON.stringify(event.remedy) : null,
        target: event.target ?? null,
      }).changes > 0,
    judge: (cookId: string, rating: StoredRating) => void rate.run({ ...rating, cookId }),
  }
}
