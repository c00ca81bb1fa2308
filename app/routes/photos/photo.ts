import { kitchen } from '#server/kitchen'
import { parsePhoto } from '#server/photos/photos'
import type { Route } from './+types/photo'

/** A picture out of the data folder. */
export function loader({ params }: Route.LoaderArgs) {
  const bytes = parsePhoto(kitchen(), params.photo)
  if (!bytes) throw new Response('There is no such picture.', { status: 404 })
  return new Response(new Uint8Array(bytes), {
    headers: {
      'Content-Type': 'image/jpeg',
      'Cache-Control': 'private, max-age=86400',
      'Content-Disposition': 'inline',
    },
  })
}
