import { LRUCache } from 'lru-cache'
import type { FieldError } from '#core/contract/fields'
import { planFrom } from '#core/contract/plan'
import type { Read } from '#core/contract/plan-request'
import { scheduleFrom } from '#core/contract/schedule'
import { simulateFrom } from '#core/contract/simulate'

/** An answer as it goes over the wire; what is wrong is always {"errors":[{"path","message"}]}. */
export interface Answer {
  status: number
  body: unknown
}

/** What can be asked, and who answers. The same doors as on the command line. */
export const QUESTIONS: ReadonlyMap<string, (input: unknown) => Read<unknown>> = new Map<string, (input: unknown) => Read<unknown>>([['plan', planFrom], ['simulate', simulateFrom], ['schedule', scheduleFrom]])

export const refused = (status: number, errors: readonly FieldError[]): Answer => ({ status, body: { errors } })
export const refusedFor = (status: number, message: string): Answer => refused(status, [{ path: '', message }])

/** Answers a question of the HTTP API.  @param text the body as it came */
export function ask(question: string, text: string): Answer {
  const from = QUESTIONS.get(question)
  if (!from) return refusedFor(404, `there is no "${question.slice(0, 40)}"; one of ${[...QUESTIONS.keys()].join(', ')}`)
  let input: unknown
  try {
    input = JSON.parse(text)
  } catch (error) {
    return refusedFor(400, `request is not JSON: ${(error as Error).message.slice(0, 120)}`)
  }
  const read = from(input)
  return read.ok ? { status: 200, body: read.value } : refused(422, read.errors)
}

/** The same question has the same answer: none of them knows the hour, the house or chance without a seed. Sizes in characters. */
const kept = new LRUCache<string, string>({ maxSize: 16_000_000, maxEntrySize: 400_000, sizeCalculation: (json, asked) => json.length + asked.length })

/** Answers as {@link ask} does, as it goes over the wire; what was asked before is not reckoned again. */
export function askJson(question: string, text: string): { status: number; json: string } {
  const asked = `${question} ${text}`
  const known = kept.get(asked)
  if (known !== undefined) return { status: 200, json: known }
  const { status, body } = ask(question, text)
  const json = JSON.stringify(body)
  if (status === 200) kept.set(asked, json)
  return { status, json }
}
