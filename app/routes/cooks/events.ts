import { data } from 'react-router'
import { answerPress } from '#server/commands/answer-press'
import { kitchen } from '#server/kitchen'
import { press } from '#server/commands/press'
import type { Route } from './+types/events'

/** One press at the stove. */
export async function action({ request, params }: Route.ActionArgs) {
  const { body, status } = await answerPress(request, 'cook', (said, receivedMs) =>
    press(kitchen(), params.cook, said, receivedMs),
  )
  return data(body, { status })
}
