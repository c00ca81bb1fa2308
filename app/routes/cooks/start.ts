import { data } from 'react-router'
import { startCook } from '#server/commands/start-cook'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import type { Route } from './+types/start'

/** A batch that was started on a device without a connection. Sent again, it is not started again. */
export async function action({ request }: Route.ActionArgs) {
  let start: unknown
  try {
    start = await request.json()
  } catch {
    return data(
      { errors: [{ path: '', message: 'the start must be JSON', code: 'not-json' }] },
      { status: 400 },
    )
  }
  const started = startCook(kitchen(), start, nowMs())
  return started.ok ? { id: started.value } : data({ errors: started.errors }, { status: 422 })
}
