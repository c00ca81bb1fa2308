import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beginHousehold, FIRST_KITCHEN } from '../server/commands/begin-household'
import { openKitchen } from '../server/store/open-household'

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

test('each command has help, and says which version it is of; an option of another command is refused', () => {
  const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string }
  expect(omsel(['--help']).stdout).toContain('omsel restore COPY')
  expect(omsel(['plan', '--help']).stdout).toContain('omsel restore COPY')
  expect(omsel(['check', '-v']).stdout.trim()).toBe(version)
  for (const line of [
    ['plan', '--merge'],
    ['import', 'x', '--merge', '--as-new'],
    ['check', '--deep'],
  ])
    expect([line, omsel(line).status]).toEqual([line, 2])
})

test('simulates a pot, and names what a script gets wrong', () => {
  const run = omsel(
    ['simulate'],
    JSON.stringify({ ...request, events: [{ at_min: 8, kind: 'lid-lift', seconds: 20 }] }),
  )
  expect(run.status).toBe(0)
  const { verdict, series, events } = JSON.parse(run.stdout)
  expect(verdict.cooked_through).toBe('yes')
  expect(series.t_min).toHaveLength(series.bulk_c.length)
  expect(events.map((e: { kind: string }) => e.kind)).toContain('lid-lift')
  const bad = omsel(['simulate'], JSON.stringify({ ...request, script: [{ heat: 'high' }] }))
  expect(bad.status).toBe(2)
  expect(JSON.parse(bad.stderr).errors[0].message).toContain('needs either minutes or until')
})

test('a household goes out into a file and into another household, looked at first; what is wrong is named', () => {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-carry-'))
  const at = (home: string, args: string[]) =>
    spawnSync('bin/omsel', args, {
      encoding: 'utf8',
      env: { ...process.env, OMSEL_DATABASE: join(folder, home, 'omsel.sqlite') },
    })
  const begin = (home: string) => {
    const kitchen = openKitchen(join(folder, home, 'omsel.sqlite'))
    beginHousehold(kitchen, { ...FIRST_KITCHEN, settings: { ...FIRST_KITCHEN.settings, name: home } })
    kitchen.db.close()
  }
  begin('here')
  begin('there')
  const file = join(folder, 'house.json')
  expect(at('nowhere', ['export', file]).status).toBe(2)
  expect(at('here', ['export', file]).status).toBe(0)
  // What is there is not written over.
  expect(JSON.parse(at('here', ['export', file]).stderr).errors[0].message).toContain('exists')
  const preview = at('there', ['import', file])
  expect(
    JSON.parse(preview.stdout).changes.find((c: { group: string }) => c.group === 'settings').differing,
  ).toMatchObject([{ name: 'there', fields: expect.arrayContaining(['name']) as string[] }])
  expect(at('there', ['import', file, '--sideways']).stderr).toMatch(/--sideways.*omsel --help/)
  expect(at('there', ['export']).stdout).toContain('"name":"there"')
  expect(JSON.parse(at('there', ['import', file, '--as-new']).stdout)).toHaveProperty('aside')
  const moment = (text: string) => text.replace(/"exported_at": "[^"]*"/, '')
  expect(moment(at('there', ['export']).stdout)).toBe(moment(readFileSync(file, 'utf8')))
  writeFileSync(file, '{"format":')
  expect(JSON.parse(at('there', ['import', file, '--merge']).stderr).errors[0].message).toContain('no JSON')
})
