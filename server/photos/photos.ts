import { randomUUID } from 'node:crypto'
import { mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { isCue } from '#core/methods/signs'
import { databaseFile, type Kitchen } from '#server/store/open-household'
import { fieldError } from '#core/contract/field-error'

/** Largest upload, bytes; it is stored much smaller. */
export const MAX_PHOTO = 12_000_000
/** The longer side of a stored picture, px. */
const LONGER_SIDE = 1280
/** A picture of more pixels than this is no photo of a pot. */
const MAX_PIXELS = 80_000_000
const MAX_OF_A_COOK = 12
const QUALITY = 80
const ACCEPTED = new Set(['jpeg', 'png', 'webp', 'heif', 'avif', 'gif', 'tiff'])

export const photoFolder = (): string => join(dirname(databaseFile()), 'photos')
const fileOf = (id: string): string => join(photoFolder(), `${id}.jpg`)

/**
 * Stores a picture of a batch: decoded, turned upright, made smaller and re-encoded, so that nothing of where
 * and when it was taken stays in it.
 * @param cue when it shows what a sign looks like in this pot
 */
export async function savePhoto(
  { cooks, photos }: Kitchen,
  cookId: string,
  given: unknown,
  cue: unknown,
  nowMs: number,
) {
  const cook = cooks.find(cookId)
  if (!cook) return fieldError('cook', `must be a batch of this kitchen, got "${cookId}"`, 'not-found')
  if (!(given instanceof File) || given.size === 0)
    return fieldError('photo', 'is missing: choose a picture', 'required')
  if (given.size > MAX_PHOTO)
    return fieldError(
      'photo',
      `may be ${MAX_PHOTO / 1_000_000} MB at most; yours has ${(given.size / 1_000_000).toFixed(1)} MB`,
      'too-many',
    )
  const of = typeof cue === 'string' && cue !== '' ? cue : null
  if (of !== null && !isCue(of)) return fieldError('cue', `must be a sign, got "${of.slice(0, 40)}"`)
  if (photos.ofCook(cookId).length >= MAX_OF_A_COOK)
    return fieldError('photo', `the limit is ${MAX_OF_A_COOK} photos per batch`)
  const made = await shrunk(Buffer.from(await given.arrayBuffer()))
  if (!made)
    return fieldError(
      'photo',
      `is no picture that can be read${given.name ? `: "${given.name.slice(0, 60)}"` : ''}`,
    )
  const id = randomUUID()
  mkdirSync(photoFolder(), { recursive: true })
  // The file first, under another name: a row never points at half a picture.
  writeFileSync(`${fileOf(id)}.part`, made.data, { flush: true })
  renameSync(`${fileOf(id)}.part`, fileOf(id))
  photos.add({
    id,
    cook_id: cookId,
    vessel_id: cook.vesselId,
    cue: of,
    made_ms: Math.round(nowMs),
    bytes: made.data.length,
    width: made.width,
    height: made.height,
  })
  return { ok: true as const, value: id }
}

async function shrunk(bytes: Buffer): Promise<{ data: Buffer; width: number; height: number } | undefined> {
  // Loaded where a picture comes in: it takes a dozen megabytes.
  const { default: sharp } = await import('sharp')
  try {
    const image = sharp(bytes, { limitInputPixels: MAX_PIXELS, failOn: 'error' })
    const { format } = await image.metadata()
    if (!format || !ACCEPTED.has(format)) return undefined
    const { data, info } = await image
      .rotate()
      .resize(LONGER_SIDE, LONGER_SIDE, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#fff' })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true })
    return { data, width: info.width, height: info.height }
  } catch {
    return undefined
  }
}

export function parsePhoto({ photos }: Kitchen, id: string): Buffer | undefined {
  if (!photos.find(id)) return undefined
  try {
    return readFileSync(fileOf(id))
  } catch {
    return undefined
  }
}

export function dropPhoto({ photos }: Kitchen, id: string): boolean {
  const gone = photos.drop(id)
  if (gone) rmSync(fileOf(id), { force: true })
  return gone
}
