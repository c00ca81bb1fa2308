import { accessIn } from '#server/store/access'
import { openDatabase } from '#server/store/open'
import { createProgramToken, mayProgram, PROGRAM_LIMITS, programScope } from './program-tokens'

const NOW = Date.UTC(2026, 2, 5, 16, 40)
const household = () => {
  const db = openDatabase(':memory:')
  return { db, access: accessIn(db) }
}
const made = (access: ReturnType<typeof accessIn>, name: string, scope: string) => {
  const read = createProgramToken(access, { name, scope }, NOW)
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value
}

test('a token opens what it was made for, until it is revoked; only its hash is stored', () => {
  const { db, access } = household()
  const display = made(access, 'kitchen display', 'read')
  const button = made(access, 'button at the stove', 'write')
  expect(display).not.toBe(button)
  expect(JSON.stringify(db.prepare('SELECT * FROM program_token').all())).not.toContain(display.slice(10))
  expect(programScope(access, `Bearer ${display}`, NOW)).toBe('read')
  expect(programScope(access, `bearer  ${button}`, NOW)).toBe('write')
  expect(access.programs().map(({ name, seen_ms }) => [name, seen_ms])).toEqual([
    ['button at the stove', NOW],
    ['kitchen display', NOW],
  ])
  for (const shown of [
    undefined,
    '',
    display,
    `Basic ${display}`,
    `Bearer ${display}x`,
    `Bearer ${display} ${button}`,
    `Bearer ${'x'.repeat(10_000)}`,
  ])
    expect([shown?.slice(0, 12), programScope(access, shown, NOW)]).toEqual([shown?.slice(0, 12), undefined])
  expect(access.dropProgram(access.programs().find((p) => p.name === 'kitchen display')!.token_hash)).toBe(
    true,
  )
  expect(programScope(access, `Bearer ${display}`, NOW)).toBeUndefined()
})

test('reading allows questions, which store nothing, and no press', () => {
  const post = (path: string) => ({ method: 'POST', path })
  expect(mayProgram('read', { method: 'GET', path: '/api/v1/notebook' })).toBe(true)
  expect(mayProgram('read', post('/api/v1/plan'))).toBe(true)
  expect(mayProgram('read', post('/api/v1/cooks/b-1/events'))).toBe(false)
  expect(mayProgram('read', post('/api/v1/plan/'))).toBe(false)
  expect(mayProgram('write', post('/api/v1/cooks/b-1/events'))).toBe(true)
})

test('a name is one line, used once, and programs are limited', () => {
  const { access } = household()
  expect(createProgramToken(access, { name: '  ', scope: 'read' }, NOW)).toMatchObject({ ok: false })
  expect(createProgramToken(access, { name: 'a\nb', scope: 'read' }, NOW)).toMatchObject({ ok: false })
  expect(createProgramToken(access, { name: 'x'.repeat(61), scope: 'read' }, NOW)).toMatchObject({
    ok: false,
  })
  expect(createProgramToken(access, { name: 'display', scope: 'admin' }, NOW)).toMatchObject({
    ok: false,
    errors: [{ path: 'scope', code: 'not-an-option' }],
  })
  for (let i = 0; i < PROGRAM_LIMITS.programs; i++) made(access, `program ${i}`, 'read')
  expect(createProgramToken(access, { name: 'program 3', scope: 'read' }, NOW)).toMatchObject({ ok: false })
  expect(createProgramToken(access, { name: 'one more', scope: 'read' }, NOW)).toMatchObject({
    ok: false,
    errors: [{ path: 'name', code: 'too-many' }],
  })
})
