import { SAVED_WAY_LIMITS } from '#core/contract/bundle-names'
import { bundleText } from '#server/transfer/export-bundle'
import { openKitchen } from '#server/store/open-household'
import { deleteWay, saveWay } from './saved-ways'

const way = {
  name: 'Sunday rice',
  search: 'grain=basmati&servings=4',
  steps: 'high heat lid on until it boils',
}

test('a way is saved under its name; the same name, whatever its case, replaces it', () => {
  const open = openKitchen(':memory:')
  const saved = saveWay(open, way, 1000)
  expect(saved).toMatchObject({ ok: true, value: { replaced: false } })
  const again = saveWay(open, { ...way, name: ' sunday RICE ', steps: undefined }, 2000)
  expect(again).toMatchObject({ ok: true, value: { replaced: true } })
  expect(open.savedWays.all()).toEqual([
    { id: expect.any(String), name: 'sunday RICE', search: way.search, steps: null, saved_ms: 2000 },
  ])
  const { id } = open.savedWays.all()[0]!
  expect(deleteWay(open, id)).toBe(true)
  expect(deleteWay(open, id)).toBe(false)
})

test.each([
  ['no name', { ...way, name: '  ' }, 'name'],
  ['a name of two lines', { ...way, name: 'a\nb' }, 'name'],
  ['a name a letter too long', { ...way, name: 'x'.repeat(SAVED_WAY_LIMITS.name + 1) }, 'name'],
  ['steps a letter too long', { ...way, steps: 'x'.repeat(SAVED_WAY_LIMITS.steps + 1) }, 'steps'],
  ['no plan', { name: 'x' }, 'search'],
])('%s is refused', (_why, input, path) => {
  const read = saveWay(openKitchen(':memory:'), input, 0)
  expect(read.ok ? [] : read.errors.map((e) => e.path)).toEqual([path])
})

test('as many as there may be are saved, and one more is refused with the limit', () => {
  const open = openKitchen(':memory:')
  for (let i = 0; i < SAVED_WAY_LIMITS.most; i++) saveWay(open, { ...way, name: `way ${i}` }, i)
  const more = saveWay(open, { ...way, name: 'one more' }, 0)
  expect(more.ok ? '' : more.errors[0]!.message).toContain(String(SAVED_WAY_LIMITS.most))
  expect(saveWay(open, { ...way, name: 'way 3' }, 0).ok).toBe(true)
})

test('a saved way is in the household as it is exported', () => {
  const open = openKitchen(':memory:')
  saveWay(open, way, 1000)
  const { tables } = JSON.parse(bundleText(open.db, { holds: 'household', nowMs: 0 })) as {
    tables: { saved_way: unknown[] }
  }
  expect(tables.saved_way).toMatchObject([way])
})
