import { answer } from '#server/api/cached'
import { QUESTIONS } from '#core/contract/questions'
import { refusedFor, type Answer } from '#server/api/handlers'
import { look } from '#server/api/read-endpoints'
import { answerPress } from '#server/commands/answer-press'
import { press } from '#server/commands/press'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import type { Route } from './+types/api'

/** The one address where something is written. */
const PRESSED = /^cooks\/([\w-]{1,64})\/events$/

const respond = ({ status, body }: Answer, headers: Record<string, string> = {}): Response =>
  Response.json(body, { status, headers: { 'Cache-Control': 'no-store', ...headers } })

/** Reads: the notebook, what is kept, and the description of it all. */
export function loader({ params, request }: Route.LoaderArgs) {
  const what = params['*']
  if (QUESTIONS.has(what))
    return respond(refusedFor(405, 'not-allowed', `${what} needs POST`), { Allow: 'POST' })
  return respond(look(kitchen(), what, new URL(request.url).searchParams, nowMs()))
}

/** Questions: plan, simulate, schedule; and presses at the stove. */
export async function action({ params, request }: Route.ActionArgs) {
  if (request.method !== 'POST')
    return respond(refusedFor(405, 'not-allowed', `${request.method} is not known here`), {
      Allow: 'GET, POST',
    })
  const cook = PRESSED.exec(params['*'])?.[1]
  if (cook !== undefined)
    return respond(
      await answerPress(request, 'cook', (said, receivedMs) => press(kitchen(), cook, said, receivedMs)),
    )
  const { status, json } = await answer(params['*'], await request.text(), request.signal)
  return new Response(json, {
    status,
    headers: { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' },
  })
}
