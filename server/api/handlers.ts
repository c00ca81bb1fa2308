import type { ErrorCode, FieldError } from '#core/contract/fields'
import { QUESTIONS } from '#core/contract/questions'

/** An answer as it goes over the wire; what is wrong is always {"errors":[{"path","message","code"}]}. */
export interface Answer {
  status: number
  body: unknown
}

export const refused = (status: number, errors: readonly FieldError[]): Answer => ({
  status,
  body: { errors },
})
export const refusedFor = (status: number, code: ErrorCode, message: string): Answer =>
  refused(status, [{ path: '', message, code }])

/** Answers a question of the HTTP API.  @param text the body as it came */
export function ask(question: string, text: string): Answer {
  const from = QUESTIONS.get(question)
  if (!from)
    return refusedFor(
      404,
      'not-found',
      `there is no "${question.slice(0, 40)}"; one of ${[...QUESTIONS.keys()].join(', ')}`,
    )
  let input: unknown
  try {
    input = JSON.parse(text)
  } catch (error) {
    return refusedFor(400, 'not-json', `request is not JSON: ${(error as Error).message.slice(0, 120)}`)
  }
  const read = from(input)
  return read.ok ? { status: 200, body: read.value } : refused(422, read.errors)
}
