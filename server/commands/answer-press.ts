import type { FieldError } from '#core/contract/fields'
import type { Result } from '#core/contract/plan-request'
import { nowMs } from '#server/clock'

/** The answer to a press: whether it was new, or what was wrong with it. */
export interface PressAnswer {
  body: { isNew: boolean } | { errors: FieldError[] }
  status: number
}

/**
 * Takes one press from a device. A repeat changes nothing, so a device may send until it gets an answer.
 * @param of what the press belongs to: a fault there means that it does not exist
 */
export async function answerPress(
  request: Request,
  of: string,
  press: (body: unknown, receivedMs: number) => Result<{ isNew: boolean }>,
): Promise<PressAnswer> {
  const receivedMs = nowMs()
  let body: unknown
  try {
    body = await request.json()
  } catch {
    return {
      body: { errors: [{ path: '', message: 'the press must be JSON', code: 'not-json' }] },
      status: 400,
    }
  }
  const pressed = press(body, receivedMs)
  return pressed.ok
    ? { body: { isNew: pressed.value.isNew }, status: 200 }
    : { body: { errors: pressed.errors }, status: pressed.errors[0]!.path === of ? 404 : 422 }
}
