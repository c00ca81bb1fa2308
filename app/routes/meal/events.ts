import { data } from 'react-router'
import { answerPress } from '#server/commands/answer-press'
import { kitchen } from '#server/kitchen'
import { pressMeal } from '#server/commands/meal-events'
import type { Route } from './+types/events'

/** One event of a meal. */
export async function action({ request, params }: Route.ActionArgs) {
  const { body, status } = await answerPress(request, 'meal', (said, receivedMs) =>
    pressMeal(kitchen(), params.meal, said, receivedMs),
  )
  return data(body, { status })
}
