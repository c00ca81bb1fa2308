import { mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { dropUpload, receiveForm, uploadedFile } from './upload'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-upload-'))
})
afterEach(() => rmSync(folder, { recursive: true }))

const post = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request('http://omsel.test/transfer', { method: 'POST', body, headers })
const formWith = (fields: Record<string, string | Blob>): FormData => {
  const form = new FormData()
  for (const [name, value] of Object.entries(fields)) form.set(name, value)
  return form
}
const refusal = async (request: Request): Promise<[number, string]> => {
  const thrown = (await receiveForm(request, folder).catch((error: unknown) => error)) as Response
  return [thrown.status, await thrown.text()]
}

test('a file lies on the disk under a number, and fields are as they were sent', async () => {
  const bytes = new Uint8Array(300_000).map((_, i) => i % 251)
  const read = await receiveForm(post(formWith({ intent: 'look', file: new Blob([bytes]) })), folder)
  expect(read.fields).toEqual({ intent: 'look' })
  expect(readFileSync(uploadedFile(folder, read.upload!)!)).toEqual(Buffer.from(bytes))
  dropUpload(folder, read.upload!)
  expect(uploadedFile(folder, read.upload!)).toBeUndefined()
})

test('no file, or an empty one, is none, and leaves none', async () => {
  expect(await receiveForm(post(formWith({ intent: 'look' })), folder)).toEqual({
    fields: { intent: 'look' },
    upload: undefined,
  })
  const empty = await receiveForm(post(formWith({ intent: 'look', file: new Blob([]) })), folder)
  expect(empty.upload).toBeUndefined()
  expect(readdirSync(folder)).toEqual([])
  const plain = await receiveForm(post(new URLSearchParams({ intent: 'bring', upload: 'x' })), folder)
  expect(plain).toEqual({ fields: { intent: 'bring', upload: 'x' }, upload: undefined })
})

test.each(['../omsel.sqlite', '..', '', 'a'.repeat(36).replace('a', '/')])(
  'the number "%s" is none',
  (upload) => {
    expect(uploadedFile(folder, upload)).toBeUndefined()
    dropUpload(folder, upload)
    expect(readdirSync(join(folder, '..'))).toContain(folder.split('/').at(-1))
  },
)

test('what is no form, or ends early, or the disk has no room for is refused in words', async () => {
  expect(await refusal(post('{}', { 'content-type': 'application/json' }))).toEqual([
    415,
    'Expected form data, got application/json.',
  ])
  const torn = '--x\r\nContent-Disposition: form-data; name="file"; filename="a"\r\n\r\nhalf'
  for (let i = 0; i < 20; i++) {
    await refusal(post(torn, { 'content-type': 'multipart/form-data; boundary=x' }))
    expect(readdirSync(folder)).toEqual([])
  }
  const [status, words] = await refusal(post(torn, { 'content-type': 'multipart/form-data; boundary=x' }))
  expect([status, words]).toEqual([400, 'The form could not be read: it ended early or is damaged.'])
  expect(await refusal(post('x', { 'content-type': 'multipart/form-data' }))).toEqual([400, words])
  const [full, says] = await refusal(
    post(torn, { 'content-type': 'multipart/form-data; boundary=x', 'content-length': '1e15' }),
  )
  expect([full, says]).toEqual([
    413,
    expect.stringMatching(/^The disk has room for a file of \d+ MB; this one/),
  ])
  expect(readdirSync(folder)).toEqual([])
})

test('a file that nobody came back for goes with the next', async () => {
  const path = join(folder, '00000000-0000-4000-8000-000000000000')
  writeFileSync(path, 'x')
  const old = Date.now() / 1000 - 3700
  utimesSync(path, old, old)
  const { upload } = await receiveForm(post(formWith({ file: new Blob(['y']) })), folder)
  expect(readdirSync(folder)).toEqual([upload])
})
