import * as v from 'valibot'
import { LID_POSITIONS, type LidPosition } from '#core/heat/lid'
import { HEAT_LEVELS, type HeatLevel } from '#core/heat/sources'
import { between, fieldErrors, oneOf, quoted, record, wholeBetween } from './fields'
import type { Result } from './plan-request'

/** All that was done to a pot, in minutes from the pour. It is all the outcome comes from. */
export interface PlayerActions {
  washes: number
  soakMinutes: number
  pourG: number
  heats: readonly { atMin: number; level: HeatLevel }[]
  lids: readonly { atMin: number; lid: LidPosition }[]
  /** When the grain that was kept aside went in; null: never. */
  putInMin: number | null
  /** When the pressure was let out by hand; null: never. */
  ventMin: number | null
  /** When it was served. */
  serveMin: number
}

/** Limits of a player's actions. */
export const PRACTICE_LIMITS = Object.freeze({
  washes: [0, 12],
  soak_minutes: [0, 2880],
  pour_g: [0, 60_000],
  minutes: [0, 1440],
  turns: 200,
} as const)

const minute = between(...PRACTICE_LIMITS.minutes, 'minutes')
const turns = <const T extends v.GenericSchema>(item: T) =>
  v.pipe(
    v.array(item, (issue) => `must be a list, got ${quoted(issue.input)}`),
    v.maxLength(
      PRACTICE_LIMITS.turns,
      (issue) => `holds at most ${PRACTICE_LIMITS.turns}, got ${issue.input.length}`,
    ),
  )

export const PlayerActionsSchema = record({
  washes: wholeBetween(...PRACTICE_LIMITS.washes),
  soakMinutes: between(...PRACTICE_LIMITS.soak_minutes, 'minutes'),
  pourG: between(...PRACTICE_LIMITS.pour_g, 'g'),
  heats: turns(record({ atMin: minute, level: oneOf(HEAT_LEVELS) })),
  lids: turns(record({ atMin: minute, lid: oneOf(LID_POSITIONS) })),
  putInMin: v.nullable(minute),
  ventMin: v.nullable(minute),
  serveMin: minute,
})

/** A player's actions, as the page sends them. */
export function parsePlayerActions(input: unknown): Result<PlayerActions> {
  const parsed = v.safeParse(PlayerActionsSchema, input)
  return parsed.success
    ? { ok: true, value: parsed.output }
    : { ok: false, errors: fieldErrors(parsed.issues) }
}
