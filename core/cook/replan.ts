import { plan } from '#core/plan/plan'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { activeEvents } from '#core/event-log'
import type { CookEvent } from './events'

/** What the cook saw before the water went in, that the plan could only guess. */
export interface PreCookReadings {
  /** Clarity of the last wash, 0..1. */
  clarity: number | null
  /** Weighed after draining, g. */
  wetMassG: number | null
  /** How long the grain really soaked, minutes. */
  soakedMinutes: number | null
}

/** Reads what was seen from the events; what came after the water was poured changes no water any more. */
export function preCookReadings(events: readonly CookEvent[]): PreCookReadings {
  const happened = activeEvents(events)
  const pouredMs = happened.find((e) => e.kind === 'cue' && e.stage === 'pour')?.atMs ?? Infinity
  const last = (kind: CookEvent['kind']) => happened.findLast((e) => e.kind === kind && e.atMs <= pouredMs)
  return {
    clarity: last('washed')?.clarity ?? null,
    wetMassG: last('weighed')?.amount ?? null,
    soakedMinutes: last('soaked')?.amount ?? null,
  }
}

const isNothingSeen = ({ clarity, wetMassG, soakedMinutes }: PreCookReadings): boolean =>
  clarity === null && wetMassG === null && soakedMinutes === null

/** The request as it turned out. */
export function requestSeen(request: PlanRequest, seen: PreCookReadings): PlanRequest {
  const soak = request.soak ?? {
    minutes: 0,
    celsius: request.kitchenC,
    water: 'drain' as const,
    wetMassG: null,
  }
  return {
    ...request,
    rinse: { ...request.rinse, clarity: seen.clarity ?? request.rinse.clarity },
    soak:
      seen.wetMassG === null && seen.soakedMinutes === null
        ? request.soak
        : {
            ...soak,
            minutes: request.soak ? (seen.soakedMinutes ?? soak.minutes) : 0,
            wetMassG: seen.wetMassG ?? soak.wetMassG,
          },
  }
}

const COLD = new Set(['measure', 'rinse', 'soak', 'drain'])

/**
 * The plan solved again with what was seen. The stages stay the same ones; those already under way keep their
 * minutes, so that no clock that has run out runs again.
 */
export function replanned(request: PlanRequest, frozen: Plan, seen: PreCookReadings): Plan {
  if (isNothingSeen(seen)) return frozen
  const again = plan(requestSeen(request, seen))
  const old = new Map(frozen.stages.map((stage) => [stage.id, stage]))
  const same =
    again.stages.length === frozen.stages.length && again.stages.every((stage) => old.has(stage.id))
  if (!same) return frozen
  return {
    ...again,
    stages: again.stages.map((stage) =>
      COLD.has(stage.kind) && stage.id !== 'pour' ? old.get(stage.id)! : stage,
    ),
  }
}
