import { PACKS, type PackId } from '#core/contract/bundle-names'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { currentBeliefs } from '#server/queries/beliefs'
import { photoFolder } from '#server/photos/photos'
import { bundleText } from '#server/transfer/export-bundle'
import type { Route } from './+types/household'

const PACK_IDS = Object.keys(PACKS) as PackId[]

/** The household, or a pack of it, to take along. */
export function loader({ request }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url)
  const asked = searchParams.get('holds') ?? 'household'
  const holds = (['household', ...PACK_IDS] as const).find((one) => one === asked)
  if (!holds)
    throw new Response(`holds must be household, ${PACK_IDS.join(', ')}; got "${asked.slice(0, 40)}".`, {
      status: 422,
    })
  const now = nowMs()
  const text = bundleText(kitchen().db, {
    holds,
    known: currentBeliefs(kitchen()).known,
    pictures: searchParams.get('pictures') === 'no' ? undefined : photoFolder(),
    nowMs: now,
  })
  const name = `omsel-${holds}-${new Date(now).toISOString().slice(0, 10)}.json`
  return new Response(text, {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  })
}
