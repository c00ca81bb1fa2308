import type { RequestHandler } from 'express'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { PACKS, type PackId } from '#core/contract/bundle-names'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { errorOf, log } from '#server/log'
import { photoFolder } from '#server/photos/photos'
import { currentBeliefs } from '#server/queries/beliefs'
import { databaseFile } from '#server/store/open-household'
import { archiveOf, bundlePieces, closeAfterExport, openForExport } from './export-bundle'

const PACK_IDS = Object.keys(PACKS) as PackId[]

/** A household, or a pack of it, as a file that is written while it is read. */
export interface HouseholdFile {
  name: string
  type: string
  /** Opens it: it is read from then on, so whoever asks only for its name and type does not. */
  open: () => {
    content: NodeJS.ReadableStream
    /** Ends it; called whether or not it was read to its end. */
    close: () => Promise<void>
  }
}

/**
 * The file an address asks for: `household.json` or `household.zip`, of all or of a pack.
 * @returns words for an address that names no pack
 */
export function householdFile({ pathname, searchParams }: URL): HouseholdFile | string {
  const asked = searchParams.get('holds') ?? 'household'
  const holds = (['household', ...PACK_IDS] as const).find((one) => one === asked)
  if (!holds) return `holds must be household, ${PACK_IDS.join(', ')}; got "${asked.slice(0, 40)}".`
  const now = nowMs()
  const wanted = {
    holds,
    known: currentBeliefs(kitchen()).known,
    pictures: searchParams.get('pictures') === 'no' ? undefined : photoFolder(),
    nowMs: now,
  }
  const zipped = /\.zip(\.data)?$/.test(pathname)
  return {
    name: `omsel-${holds}-${new Date(now).toISOString().slice(0, 10)}.${zipped ? 'zip' : 'json'}`,
    type: zipped ? 'application/zip' : 'application/json; charset=utf-8',
    open: () => {
      // A connection of its own: it shows one moment, and whoever presses meanwhile writes as ever.
      const db = openForExport(databaseFile())
      return {
        content: zipped
          ? archiveOf(db, wanted)
          : Readable.from(bundlePieces(db, wanted), { objectMode: false }),
        close: () => closeAfterExport(db),
      }
    },
  }
}

const ADDRESS = /^\/household\.(json|zip)$/

/** Sends it no faster than it is taken: a router's own answers are held in memory whole. */
export const sendHousehold: RequestHandler = (request, response, next) => {
  if (!ADDRESS.test(request.path) || !['GET', 'HEAD'].includes(request.method)) return next()
  const file = householdFile(new URL(request.url, 'http://omsel.test'))
  if (typeof file === 'string') return void response.status(422).type('text').send(file)
  response.set({
    'Content-Type': file.type,
    'Content-Disposition': `attachment; filename="${file.name}"`,
    'Cache-Control': 'no-store',
  })
  if (request.method === 'HEAD') return void response.end()
  const { content, close } = file.open()
  void pipeline(content, response)
    .catch((error: unknown) => {
      // Who stopped it has left; otherwise what was sent so far ends in the middle, so that it is no file.
      if (!request.destroyed) log.error({ place: request.path, error: errorOf(error) }, 'export failed')
    })
    .finally(close)
}
