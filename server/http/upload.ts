import { randomUUID } from 'node:crypto'
import {
  createWriteStream,
  existsSync,
  mkdirSync,
  readdirSync,
  rmSync,
  statfsSync,
  statSync,
  type WriteStream,
} from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { finished, pipeline } from 'node:stream/promises'
import type { ReadableStream as WebStream } from 'node:stream/web'
import busboy from 'busboy'

/** A form with a file that was written to disk as it came, never held in memory. */
export interface Uploaded {
  fields: Record<string, string>
  /** Number under which the file is found again; undefined when none came. */
  upload: string | undefined
}

/** A file that nobody came back for goes after this, ms. */
const KEPT_MS = 3_600_000
/** Of a disk's free room a file may take so much; it is unpacked beside itself. */
const ROOM_SHARE = 0.4
const UPLOAD = /^[0-9a-f-]{36}$/

/** Path of a file that came before; undefined for a number that is none, or is gone. */
export function uploadedFile(folder: string, upload: string): string | undefined {
  const path = join(folder, upload)
  return UPLOAD.test(upload) && existsSync(path) ? path : undefined
}

export const dropUpload = (folder: string, upload: string): void => {
  if (UPLOAD.test(upload)) rmSync(join(folder, upload), { force: true })
}

/**
 * Reads a form, its file onto the disk.
 * @param folder where files wait for what is done with them
 * @throws {Response} in words: 415 for a body that is no form, 413 for one that the disk has no room for
 */
export async function receiveForm(request: Request, folder: string): Promise<Uploaded> {
  const type = request.headers.get('content-type') ?? ''
  if (!type.startsWith('multipart/form-data') || !request.body) {
    const form = await request.formData().catch(() => undefined)
    if (!form)
      throw new Response(`Expected form data, got ${type.split(';')[0]!.slice(0, 60) || 'nothing'}.`, {
        status: 415,
      })
    return { fields: textsOf(form), upload: undefined }
  }
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  dropOld(folder)
  const { bavail, bsize } = statfsSync(folder)
  const room = Math.floor(ROOM_SHARE * bavail * bsize)
  const length = Number(request.headers.get('content-length') ?? 0)
  if (length > room)
    throw new Response(
      `The disk has room for a file of ${Math.floor(room / 1e6)} MB; this one has ${Math.ceil(length / 1e6)}.`,
      { status: 413 },
    )
  const fields: Record<string, string> = {}
  const upload = randomUUID()
  const path = join(folder, upload)
  let written: Promise<void> | undefined
  let output: WriteStream | undefined
  let cut = false
  try {
    const form = busboy({
      headers: { 'content-type': type },
      limits: { files: 1, fields: 60, fieldSize: 100_000, fileSize: Math.max(1, room) },
    })
    form.on('field', (name, value) => {
      // A name of what every object has is no field.
      if (!(name in {})) fields[name] = value
    })
    form.on('file', (_name, stream) => {
      stream.on('limit', () => (cut = true))
      output = createWriteStream(path, { mode: 0o600 })
      written = pipeline(stream, output)
      // It is waited for below; until then nobody else hears of it.
      written.catch(() => undefined)
    })
    await pipeline(Readable.fromWeb(request.body as WebStream), form)
    await written
  } catch (error) {
    // A file that is still being opened would come after it was removed.
    if (output) await finished(output.destroy()).catch(() => undefined)
    rmSync(path, { force: true })
    if (request.signal.aborted) throw error
    throw new Response('The form could not be read: it ended early or is damaged.', { status: 400 })
  }
  if (cut || (written && statSync(path).size === 0)) {
    rmSync(path, { force: true })
    if (cut) throw new Response('The disk has no room for this file.', { status: 413 })
    return { fields, upload: undefined }
  }
  return { fields, upload: written ? upload : undefined }
}

const textsOf = (form: FormData): Record<string, string> =>
  Object.fromEntries(
    [...form].flatMap(([name, value]): [string, string][] =>
      typeof value === 'string' ? [[name, value]] : [],
    ),
  )

function dropOld(folder: string): void {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name)
    if (Date.now() - statSync(path).mtimeMs > KEPT_MS) rmSync(path, { force: true, recursive: true })
  }
}
