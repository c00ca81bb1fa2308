import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { planFrom } from '#core/contract/plan'
import { cautionPlace, PLACED_CAUTIONS } from './caution-place'

test('every placed caution is one the planner can say, by its own name', () => {
  const folder = join(__dirname, '../../../core/plan')
  const sources = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.endsWith('.ts') && !name.includes('.test.'),
  )
  const said = new Set(
    sources.flatMap((name) =>
      [...readFileSync(join(folder, name), 'utf8').matchAll(/code: '([\w-]+)'/g)].map((m) => m[1]!),
    ),
  )
  expect(PLACED_CAUTIONS.filter((code) => !said.has(code))).toEqual([])
})

test('a pot that is too small is marked at its rim, a pot that never boils at its base', () => {
  const read = planFrom({
    grains: [{ variety: 'black' }],
    amount: { basis: 'dry-mass', value: 900 },
    vessel: 'steel-1.6',
    heat: 'gas-large',
  })
  if (!read.ok) throw new Error('not a request')
  const stop = read.value.cautions.find((c) => c.severity === 'stop')!
  expect(cautionPlace(stop)).toBe('rim')
  expect(cautionPlace({ code: 'never-boils' })).toBe('base')
  // What is true of all hot grain happens nowhere in particular.
  expect(cautionPlace({ code: 'hot-or-cold' })).toBeUndefined()
})
