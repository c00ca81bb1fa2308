import { kitchen } from '#server/kitchen'
import { signedInCheck } from '#server/http/auth/auth'
import { ALL, changesOf } from '#server/realtime/hub'
import type { Route } from './+types/changes'

/** A stream that says when a cook changed, or any of them. */
export function loader({ params, request }: Route.LoaderArgs) {
  if (params.cook !== ALL && !kitchen().cooks.find(params.cook))
    throw new Response('Batch not found.', { status: 404 })
  return changesOf(params.cook, request.signal, signedInCheck(request.headers))
}
