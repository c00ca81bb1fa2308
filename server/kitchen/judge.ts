import { readJudgement } from '#core/contract/kitchen'
import type { Read } from '#core/contract/plan-request'
import type { Kitchen } from './kitchen'

/** Writes down how a finished cook came out; judging again replaces it. */
export function judge({ cooks }: Kitchen, cookId: string, input: unknown, nowMs: number): Read<null> {
  const read = readJudgement(input)
  if (!read.ok) return read
  const cook = cooks.findNoted(cookId)
  if (!cook) return { ok: false, errors: [{ path: 'cook', message: `cook "${cookId}" is not finished, or not here` }] }
  const { wet_dry, hardness, bottom, note } = read.value
  cooks.judge(cookId, { judgedMs: nowMs, wetDry: wet_dry, hardness, bottom, note })
  return { ok: true, value: null }
}
