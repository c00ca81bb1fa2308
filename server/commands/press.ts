import { parsePress } from '#core/contract/settings'
import { runningCookOf } from '#core/contract/running-cook'
import type { Result } from '#core/contract/plan-request'
import { identityOf } from '#core/cook/events'
import type { StoredEvent } from '#server/store/cooks'
import { announce } from '#server/realtime/hub'
import type { Kitchen } from '#server/store/open-household'
import { note } from './rebuild-entry'
import { fieldError } from '#core/contract/field-error'
import { inOneWrite } from '../store/write'

/** A device may hold presses back while it has no connection, or put right what was forgotten, within this. */
const MAX_HELD_MS = 72 * 3_600_000

/** A device's idea of this clock is believed within this, ms. */
const TRUSTED_OFF_MS = 3000

/** When a press happened, by this clock: when it came, less how long the device held it. */
export function happenedAt(
  said: { pressed_ms: number; sent_ms: number; ahead_ms?: number | undefined },
  receivedMs: number,
): number {
  const held = Math.min(Math.max(0, said.sent_ms - said.pressed_ms), MAX_HELD_MS)
  // The device's estimate of this clock keeps its presses in order, whatever the network does; where it is
  // far off, its clock was set.
  const byHeld = receivedMs - held
  const byAhead = said.ahead_ms === undefined ? byHeld : said.pressed_ms + said.ahead_ms
  return Math.abs(byAhead - byHeld) <= TRUSTED_OFF_MS ? Math.min(byAhead, receivedMs) : byHeld
}

/**
 * Writes down what a device says happened. The time is the server's: when the message came, less how long the
 * device held it.
 * @returns whether it was new; a repeat is no error, so that a device may send until it gets an answer
 */
export function press(
  kitchen: Kitchen,
  cookId: string,
  input: unknown,
  receivedMs: number,
): Result<{ isNew: boolean }> {
  const { db, cooks } = kitchen
  const read = parsePress(input)
  if (!read.ok) return read
  const said = read.value
  const cook = cooks.find(cookId)
  if (!cook) return fieldError('cook', `there is no cook "${cookId}"`, 'not-found')
  // Stages of remedies are the cook's own as well.
  if (
    !cook.plan.stages.some((stage) => stage.id === said.stage) &&
    !runningCookOf(cook, cooks.events(cookId)).plan.stages.some((stage) => stage.id === said.stage)
  )
    return fieldError('stage', `must be a step of this batch, got "${said.stage}"`, 'not-found')
  if ((said.kind === 'take-back') !== (said.target !== undefined))
    return fieldError('target', 'goes with take-back, and only with it')
  // A number is used once: under that of another batch's event a press would be lost without a word.
  const known = cooks.cookOfEvent(said.id)
  if (known !== undefined && known !== cookId)
    return fieldError('id', `must be new: "${said.id}" is an event of another batch`, 'conflict')
  const happenedMs = happenedAt(said, receivedMs)
  const isNew = inOneWrite(db, () => {
    const events = cooks.events(cookId)
    if (said.target !== undefined && !events.some((e) => e.id === said.target)) return undefined
    const event: StoredEvent = {
      id: said.id,
      kind: said.kind,
      stage: said.stage,
      identity: identityOf(said, events),
      deviceMs: Math.round(said.pressed_ms),
      atMs: Math.round(Math.max(cook.startedMs, happenedMs)),
      receivedMs,
      ...(said.seconds === undefined ? {} : { seconds: said.seconds }),
      ...(said.clarity === undefined ? {} : { clarity: said.clarity }),
      ...(said.amount === undefined ? {} : { amount: said.amount }),
      ...(said.ahead_ms === undefined ? {} : { aheadMs: Math.round(said.ahead_ms) }),
      ...(said.remedy === undefined ? {} : { remedy: said.remedy }),
      ...(said.target === undefined ? {} : { target: said.target }),
    }
    const fresh = cooks.append(cookId, event)
    // An end, or an end taken back, and whatever comes to light after it, is the notebook's.
    if (fresh && (event.kind === 'finish' || event.kind === 'stop' || event.kind === 'take-back'))
      note(kitchen, cookId)
    return fresh
  })
  if (isNew === undefined)
    return fieldError('target', `names nothing that happened here, got "${said.target}"`, 'not-found')
  if (isNew) announce(cookId)
  return { ok: true, value: { isNew } }
}
