import { createReadableStreamFromReadable } from '@react-router/node'
import { PassThrough } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { householdFile } from '#server/transfer/send-household'
import type { Route } from './+types/household'

/** The household, or a pack of it, to take along. The built server sends it itself, see sendHousehold. */
export function loader({ request }: Route.LoaderArgs) {
  const file = householdFile(new URL(request.url))
  if (typeof file === 'string') throw new Response(file, { status: 422 })
  const headers = {
    'Content-Type': file.type,
    'Content-Disposition': `attachment; filename="${file.name}"`,
    'Cache-Control': 'no-store',
  }
  if (request.method === 'HEAD') return new Response(null, { headers })
  const { content, close } = file.open()
  const body = new PassThrough()
  request.signal.addEventListener('abort', () => void body.destroy())
  void pipeline(content, body)
    .catch(() => undefined)
    .finally(close)
  return new Response(createReadableStreamFromReadable(body), { headers })
}
