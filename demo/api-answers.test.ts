import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import * as v from 'valibot'
import { BatchSchema, LeftoverSchema, RunningSchema, TimetableSchema } from '#core/contract/answers'
import { scheduleFrom } from '#core/contract/schedule'
import { startCook } from '#server/commands/start-cook'
import { look } from '#server/api/read-endpoints'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { seedDemo } from './seed'

const NOW = Date.UTC(2026, 2, 5, 16, 40)
let folder: string
let demo: Kitchen
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-answers-'))
  demo = openKitchen(join(folder, 'omsel.sqlite'))
  demo.db.transaction(() => seedDemo(demo, NOW))()
})
afterAll(() => {
  demo.db.close()
  rmSync(folder, { recursive: true })
})

/** What does not fit, in words; every one of the list must. */
const wrong = (schema: v.GenericSchema, list: readonly unknown[]) =>
  list.flatMap((one) => {
    const read = v.safeParse(schema, one)
    return read.success ? [] : read.issues.map((i) => `${v.getDotPath(i) ?? ''}: ${i.message}`)
  })
const listed = (sight: string, name: string) =>
  (look(demo, sight, new URLSearchParams(), NOW).body as Record<string, unknown[]>)[name]!

test('what a household has stored is answered as it is described', () => {
  const request = { grains: [{ variety: 'quinoa' }], amount: { basis: 'dry-mass', value: 200 } }
  const vessel = demo.equipment.vessels().find((row) => row.own_rated_w === null)!
  const started = startCook(
    demo,
    { request, vessel_id: vessel.id, heat_id: demo.equipment.heats()[0]!.id },
    NOW - 60_000,
  )
  expect(started.ok).toBe(true)
  for (const [schema, list] of [
    [BatchSchema, listed('notebook', 'cooks')],
    [LeftoverSchema, listed('leftovers', 'leftovers')],
    [RunningSchema, listed('cooks', 'cooks')],
  ] as const) {
    expect(list.length).toBeGreaterThan(0)
    expect(wrong(schema, list)).toEqual([])
  }
})

test('a meal that is not possible is answered as it is described, too', () => {
  const rice = { grains: [{ variety: 'brown-long' }], amount: { basis: 'dry-mass', value: 300 } }
  const read = scheduleFrom({
    serve_at: '2026-03-05T19:00:00+01:00',
    not_before: '2026-03-05T18:50:00+01:00',
    burners: [{ id: 'big', heat: 'gas-large' }],
    odds: true,
    dishes: [
      { id: 'one', ...rice },
      { id: 'two', ...rice },
    ],
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  expect(read.value.feasible).toBe(false)
  expect(wrong(TimetableSchema, [read.value])).toEqual([])
})
