import type { Result } from '#core/contract/plan-request'
import { quoted } from '#core/contract/fields'
import { parsePlayerActions } from '#core/contract/practice'
import { FULL } from '#core/pot/pot'
import { runActions } from '#core/practice/run-actions'
import { endingOf } from '#core/practice/ending'
import { kitchenOf } from '#core/practice/situation'
import { situationOf } from '#core/practice/situations'
import type { Kitchen } from '#server/store/open-household'
import { fieldError } from '#core/contract/field-error'

/** Longest request body, characters. */
const LONGEST = 40_000

/**
 * Saves a practice exercise as solved if it came out well; the pot is simulated again here rather than
 * trusted.
 * @returns whether it came out well
 */
export function recordPractice(
  { practice }: Kitchen,
  id: string,
  actions: unknown,
  nowMs: number,
): Result<boolean> {
  const situation = situationOf(id)
  if (!situation) return fieldError('situation', `must be a practice exercise, got ${quoted(id)}`)
  const input = parsed(actions)
  if (input === undefined)
    return fieldError('doing', `must be the actions as JSON of at most ${LONGEST} characters`, 'too-many')
  const read = parsePlayerActions(input)
  if (!read.ok) return read
  const { real, heldMinutes } = kitchenOf(situation)
  const { good } = endingOf(runActions(real, read.value, heldMinutes, FULL))
  if (good) practice.complete(id, nowMs, read.value)
  return { ok: true, value: good }
}

function parsed(text: unknown): unknown {
  if (typeof text !== 'string' || text.length > LONGEST) return undefined
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
