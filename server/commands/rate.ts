import { parseRating } from '#core/contract/settings'
import type { Result } from '#core/contract/plan-request'
import type { Kitchen } from '#server/store/open-household'
import { note } from './rebuild-entry'
import { inOneWrite } from '../store/write'

/** Saves how a finished batch came out; rating again replaces it. What is not given again stays as it was. */
export function rate(kitchen: Kitchen, cookId: string, input: unknown, nowMs: number): Result<null> {
  const read = parseRating(input)
  if (!read.ok) return read
  const cook = kitchen.cooks.findFinished(cookId)
  if (!cook)
    return {
      ok: false,
      errors: [{ path: 'cook', message: `cook "${cookId}" is not finished, or not here`, code: 'invalid' }],
    }
  const given = input as Record<string, unknown>
  const before = cook.rating
  const orBefore = <T>(field: string, value: T, was: T | undefined): T =>
    field in given || was === undefined ? value : was
  const { wet_dry, hardness, bottom, note: words, separate, even, ate } = read.value
  inOneWrite(kitchen.db, () => {
    kitchen.cooks.judge(cookId, {
      ratedMs: nowMs,
      wetDry: wet_dry,
      hardness,
      bottom: orBefore('bottom', bottom, before?.bottom),
      note: orBefore('note', words, before?.note),
      separate: orBefore('separate', separate ?? null, before?.separate),
      even: orBefore('even', even, before?.even),
      ate: orBefore('ate', ate, before?.ate),
    })
    note(kitchen, cookId)
  })
  return { ok: true, value: null }
}
