import fc from 'fast-check'
import { readTasks, taskLine } from './read-tasks'

const one = (line: string, dishes = [{ id: 'd1', title: 'Basmati' }]) => {
  const read = readTasks(line, dishes)
  if (!read.ok) throw new Error(read.message)
  return read.tasks[0]!
}
const roast = { title: 'Roast', minutes: 45, hands_on: false, needs: 'oven' }

test.each([
  ['Roast; 45; oven', {}],
  ['Roast;45 min;in the oven', {}],
  ['Roast, 45, oven', {}],
  ['Roast | 45 min | oven', {}],
  ['Roast\t45\toven', {}],
  ['Roast; 45; oven; look every 20', { look_in_every_min: 20 }],
  ['Roast, 45 minutes, oven, look in every 20 min', { look_in_every_min: 20 }],
  ['Roast; 0,75 h; oven', {}],
  ['Roast; 45; hands, oven', { hands_on: true }],
  ['Roast; 45; oven and hands', { hands_on: true }],
  ['Peel, cut and roast, 1 h 20 min, oven', { title: 'Peel, cut and roast', minutes: 80 }],
  ['Roast; 45; oven; after the basmati', { after: ['d1'] }],
])('%s', (line, more) => expect(one(line)).toEqual({ id: 't1', ...roast, ...more }))

test('a step may wait for an earlier step and for another dish', () => {
  const read = readTasks(
    'Fry onions; 6; hands, burner\nFold together; 3; hands; after fry onions; after Basmati',
    [{ id: 'd1', title: 'Basmati' }],
  )
  expect(read).toMatchObject({ ok: true, tasks: [{ id: 't1' }, { id: 't2', after: ['t1', 'd1'] }] })
})

test.each([
  ['', 'needs at least one line'],
  ['; 45', 'line 1 must begin with what is done'],
  ['Roast', 'line 1 must have minutes from 1 to 1440'],
  ['Roast; soon', 'line 1 must have minutes'],
  ['Roast; 0', 'line 1 must have minutes'],
  ['Roast; 1441', 'line 1 must have minutes'],
  ['Cut; 5\nRoast; 45; juggle', 'line 2 may say hands'],
  ['Roast; 45; toString', 'line 1 may say hands'],
  ['Roast; 45; look every 1', '2 to 240'],
  ['Roast; 45; after the stew', 'only “Basmati”'],
])('%j is refused by its line, in words', (text, message) => {
  const read = readTasks(text, [{ id: 'd1', title: 'Basmati' }])
  expect(read).toMatchObject({ ok: false, message: expect.stringContaining(message) as string })
})

test('a step written as a line is read as it was', () => {
  fc.assert(
    fc.property(
      fc.record({
        title: fc.stringMatching(/^[A-Za-z][A-Za-z ]{0,30}[a-z]$/),
        minutes: fc.integer({ min: 1, max: 1440 }),
        hands_on: fc.boolean(),
        needs: fc.constantFrom('burner' as const, 'oven' as const, 'none' as const),
        look_in_every_min: fc.option(fc.integer({ min: 2, max: 240 }), { nil: undefined }),
      }),
      fc.boolean(),
      ({ look_in_every_min, ...rest }, waits) => {
        const task = look_in_every_min === undefined ? rest : { ...rest, look_in_every_min }
        expect(one(taskLine(task, waits ? ['Basmati'] : []))).toEqual({
          id: 't1',
          ...task,
          ...(waits ? { after: ['d1'] } : {}),
        })
      },
    ),
  )
})

test('whatever is typed is read or refused, never lost', () => {
  fc.assert(
    fc.property(fc.string(), (text) => {
      const read = readTasks(text)
      if (read.ok) expect(read.tasks.length).toBeGreaterThan(0)
      else expect(read.message.length).toBeGreaterThan(10)
    }),
  )
})

test.each([
  ['x'.repeat(80), 'x'.repeat(81)],
  ['Cut; 1', 'Cut; 0.9'],
])('just inside a limit it is read, just outside it is not', (inside, outside) => {
  const line = (text: string) => (text.includes(';') ? text : `${text}; 5`)
  expect(readTasks(line(inside)).ok).toBe(true)
  expect(readTasks(line(outside)).ok).toBe(false)
})

test('a look comes every 2 to 240 minutes', () => {
  const look = (every: number) => readTasks(`Roast; 300; oven; look every ${every}`).ok
  expect([1, 2, 240, 241].map(look)).toEqual([false, true, true, false])
})

test('a dish has twenty steps at most, and says how many were typed', () => {
  const steps = (many: number) => readTasks(Array.from({ length: many }, (_, i) => `Step ${i}; 1`).join('\n'))
  expect(steps(20).ok).toBe(true)
  expect(steps(21)).toEqual({ ok: false, message: 'holds at most 20, got 21', tooMany: true })
})

test('hours and minutes, alone and together', () => {
  const minutes = (text: string) => one(`Roast; ${text}`).minutes
  expect(['2 h', '1 hour', '1.5 hours', '90 minutes', '1 h 5 min', '1h 5'].map(minutes)).toEqual([
    120, 60, 90, 90, 65, 65,
  ])
})

test('empty lines and cells are passed over; a line is counted as it stands among the others', () => {
  expect(readTasks('\n\nCut; 5;; hands;\n\n  Fry; 6; burner\n')).toMatchObject({
    ok: true,
    tasks: [
      { id: 't1', title: 'Cut', hands_on: true },
      { id: 't2', title: 'Fry', needs: 'burner' },
    ],
  })
})

test('without anything before it, “after” says so; a long word is cut in what is said', () => {
  const refused = (text: string) => {
    const read = readTasks(text)
    if (read.ok) throw new Error('read')
    return read.message
  }
  expect(refused('Roast; 45; after the stew')).toContain('there is no step or dish before it')
  expect(refused(`Roast; 45; ${'y'.repeat(60)}`)).toContain(`“${'y'.repeat(60)}”`)
  expect(refused(`Roast; 45; ${'y'.repeat(61)}`)).toContain(`“${'y'.repeat(60)}…”`)
})

test('a comma is part of a number, of what is done, or parts the cells', () => {
  expect(one('Roast, gently, 7,5, burner')).toMatchObject({
    title: 'Roast, gently',
    minutes: 7.5,
    needs: 'burner',
  })
})
