import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openDatabase, type Db } from '#server/store/open'
import { formIdOf, once } from './once'

let db: Db
beforeEach(() => {
  db = openDatabase(':memory:')
})
afterEach(() => db.close())
const ID = '7b1a4f9e-0000-4000-8000-000000000001'
const NOW = Date.UTC(2026, 2, 5, 17, 0)

/** Counts what is done, and answers as asked. */
function acting(status = 200, body: string | null = 'made', headers: Record<string, string> = {}) {
  const acts = { done: 0 }
  return {
    acts,
    act: () => {
      acts.done++
      return Promise.resolve(new Response(body, { status, headers }))
    },
  }
}

test('sent again it gets the first answer, and nothing is done twice', async () => {
  const { acts, act } = acting(202, '[{"_1":2},"redirect","/stove/a"]', { 'X-Remix-Response': 'yes' })
  const first = await once(db, ID, NOW, act)
  const second = await once(db, ID, NOW + 1000, act)
  expect(acts.done).toBe(1)
  for (const answer of [first, second]) {
    expect(answer.status).toBe(202)
    expect(answer.headers.get('x-remix-response')).toBe('yes')
    expect(await answer.text()).toBe('[{"_1":2},"redirect","/stove/a"]')
  }
})

test('two presses of one moment are one, and both are answered', async () => {
  const acts = { done: 0 }
  let let_go: () => void = () => undefined
  const act = async () => {
    acts.done++
    await new Promise<void>((resolve) => (let_go = resolve))
    return new Response('made')
  }
  const both = [once(db, ID, NOW, act), once(db, ID, NOW, act)]
  await new Promise((resolve) => setImmediate(resolve))
  let_go()
  expect(await Promise.all(both.map(async (answer) => (await answer).text()))).toEqual(['made', 'made'])
  expect(acts.done).toBe(1)
})

test.each([400, 409, 422, 500])('refused with %i it may be corrected and sent again', async (status) => {
  const refused = acting(status, 'wrong')
  expect((await once(db, ID, NOW, refused.act)).status).toBe(status)
  const made = acting()
  expect(await (await once(db, ID, NOW, made.act)).text()).toBe('made')
  expect([refused.acts.done, made.acts.done]).toEqual([1, 1])
})

test('a fault lets it be sent again', async () => {
  await expect(once(db, ID, NOW, () => Promise.reject(new Error('disk')))).rejects.toThrow('disk')
  const { act, acts } = acting()
  await once(db, ID, NOW, act)
  expect(acts.done).toBe(1)
})

test('where the server ended in the middle, it is not done again unasked', async () => {
  db.prepare('INSERT INTO answered_form (id, at_ms) VALUES (?, ?)').run(ID, NOW)
  const { act, acts } = acting()
  const answer = await once(db, ID, NOW, act)
  expect(answer.status).toBe(409)
  expect(await answer.text()).toMatch(/Look whether it is there/)
  expect(acts.done).toBe(0)
})

test('an answer without a body, and one that is too long to keep, are answers', async () => {
  const empty = acting(204, null)
  await once(db, ID, NOW, empty.act)
  expect((await once(db, ID, NOW, empty.act)).status).toBe(204)
  const long = acting(200, 'x'.repeat(400_001))
  const other = ID.replace(/1$/, '2')
  expect((await (await once(db, other, NOW, long.act)).text()).length).toBe(400_001)
  expect(await (await once(db, other, NOW, long.act)).text()).toMatch(/sent before and has been saved/)
  expect([empty.acts.done, long.acts.done]).toEqual([1, 1])
})

test('after two days a number is forgotten, not a moment before', async () => {
  const { act, acts } = acting()
  const DAY = 86_400_000
  await once(db, ID, NOW, act)
  await once(db, 'another-1', NOW + 2 * DAY, acting().act)
  await once(db, ID, NOW + 2 * DAY, act)
  expect(acts.done).toBe(1)
  await once(db, 'another-2', NOW + 2 * DAY + 1, acting().act)
  await once(db, ID, NOW + 2 * DAY + 1, act)
  expect(acts.done).toBe(2)
})

test('while another program writes, nothing is begun, and it is said in words; what is done is answered', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-once-'))
  const file = join(folder, 'omsel.sqlite')
  const own = openDatabase(file)
  const other = openDatabase(file)
  own.pragma('busy_timeout = 20')
  const { act, acts } = acting()
  other.exec('BEGIN IMMEDIATE')
  const refused = (await once(own, ID, NOW, act).catch((error: unknown) => error)) as Response
  expect([refused.status, acts.done]).toEqual([503, 0])
  other.exec('COMMIT')
  const made = await once(own, ID, NOW, () => {
    other.exec('BEGIN IMMEDIATE')
    return act()
  })
  expect([await made.text(), acts.done]).toEqual(['made', 1])
  other.exec('COMMIT')
  expect((await once(own, ID, NOW, act)).status).toBe(409)
  expect(acts.done).toBe(1)
  for (const db of [own, other]) db.close()
  rmSync(folder, { recursive: true })
})

test('the number is read from a form, and the form can still be read', async () => {
  const post = (body: BodyInit, headers = {}) =>
    new Request('http://omsel.test/', { method: 'POST', body, headers })
  const form = post(new URLSearchParams({ form_id: ID, intent: 'x' }))
  expect(await formIdOf(form)).toBe(ID)
  expect((await form.formData()).get('intent')).toBe('x')
  for (const none of [
    post(new URLSearchParams({ intent: 'x' })),
    post(new URLSearchParams({ form_id: 'short' })),
    post(new URLSearchParams({ form_id: "x'; DROP TABLE cook; --" })),
    post('{}', { 'content-type': 'application/json' }),
    new Request('http://omsel.test/'),
  ])
    expect(await formIdOf(none)).toBeUndefined()
})

test('refused by a disk that then takes nothing at all, it may be sent again to the same server', async () => {
  const other = '7b1a4f9e-0000-4000-8000-000000000002'
  const full = () => {
    db.pragma('query_only = ON')
    return Promise.reject(new Error('disk full'))
  }
  await expect(once(db, other, NOW, full)).rejects.toThrow('disk full')
  db.pragma('query_only = OFF')
  const made = acting()
  expect(await (await once(db, other, NOW + 1000, made.act)).text()).toBe('made')
  expect(await (await once(db, other, NOW + 2000, made.act)).text()).toBe('made')
  expect(made.acts.done).toBe(1)
})
