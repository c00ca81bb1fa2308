import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const omsel = (args: string[], input = '') => spawnSync('bin/omsel', args, { input, encoding: 'utf8' })
const request = { grains: [{ variety: 'basmati' }], amount: { basis: 'servings', value: 4 } }

test('plans from standard input and from a file, the same', () => {
  const file = join(mkdtempSync(join(tmpdir(), 'omsel-')), 'pot.json')
  writeFileSync(file, JSON.stringify(request))
  const [piped, read] = [omsel(['plan', '-'], JSON.stringify(request)), omsel(['plan', file])]
  expect(piped.status).toBe(0)
  expect(read.stdout).toBe(piped.stdout)
  expect(JSON.parse(piped.stdout).grain.mass_g).toBe(260)
})

test.each([
  ['{"grains":', 'not JSON'],
  [JSON.stringify({ ...request, texture: 9 }), 'texture must be a number from 0 to 1, got 9'],
  ['', 'not JSON'],
])('%s ends with exit 2 and a named error', (input, words) => {
  const run = omsel(['plan'], input)
  expect(run.status).toBe(2)
  expect(run.stdout).toBe('')
  expect(JSON.parse(run.stderr).errors[0].message).toContain(words)
})

test('lists varieties and presets, and refuses what it does not know', () => {
  expect(JSON.parse(omsel(['varieties']).stdout).varieties[0].id).toBe('long-white')
  expect(JSON.parse(omsel(['presets']).stdout).vessels[0].id).toBe('steel-1.6')
  expect(omsel(['boil']).status).toBe(2)
  expect(omsel(['plan', '/nowhere/pot.json']).status).toBe(2)
  expect(omsel([]).stdout).toContain('omsel plan')
})

test('simulates a pot, and names what a script gets wrong', () => {
  const run = omsel(['simulate'], JSON.stringify({ ...request, events: [{ at_min: 8, kind: 'lid-lift', seconds: 20 }] }))
  expect(run.status).toBe(0)
  const { verdict, series, events } = JSON.parse(run.stdout)
  expect(verdict.cooked_through).toBe('yes')
  expect(series.t_min).toHaveLength(series.bulk_c.length)
  expect(events.map((e: { kind: string }) => e.kind)).toContain('lid-lift')
  const bad = omsel(['simulate'], JSON.stringify({ ...request, script: [{ heat: 'high' }] }))
  expect(bad.status).toBe(2)
  expect(JSON.parse(bad.stderr).errors[0].message).toContain('needs either minutes or until')
})
