import { data } from 'react-router'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen/kitchen'
import { press } from '#server/kitchen/press'
import type { Route } from './+types/events'

/** Takes one press from a device. Sent again, it changes nothing, so a device may send until it hears back. */
export async function action({ request, params }: Route.ActionArgs) {
  const receivedMs = nowMs()
  let body: unknown
  try {
    body = await request.json()
  } catch {
    return data({ errors: [{ path: '', message: 'the press must be JSON' }] }, { status: 400 })
  }
  const pressed = press(kitchen(), params.cook, body, receivedMs)
  if (!pressed.ok) return data({ errors: pressed.errors }, { status: pressed.errors[0]!.path === 'cook' ? 404 : 422 })
  return data({ isNew: pressed.value.isNew })
}
