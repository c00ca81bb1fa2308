import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import Ajv from 'ajv'
import sharp from 'sharp'
import { ZipFile } from 'yazl'
import { TABLE_IDS, tableSpec, type Bundle, type Row, type TableId } from '#core/contract/bundle'
import { BUNDLE_LIMITS, PACKS, type PackId } from '#core/contract/bundle-names'
import { checkHousehold } from '#server/backup/copy'
import { bringUp, migrationCount, openDatabase } from '#server/store/open'
import { beginHousehold, FIRST_KITCHEN } from '#server/commands/begin-household'
import {
  importBundle,
  importWritten,
  importsDone,
  previewImport,
  type ImportChoices,
  type ImportMode,
} from '#server/commands/transfer'
import { writeImport } from '#server/commands/write-import'
import { prepareImport } from '#server/commands/prepare-import'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { currentBeliefs } from '#server/queries/beliefs'
import { startCook } from '#server/commands/start-cook'
import { depthOf, stage, stagedDatabase } from '#server/transfer/staging'
import {
  archiveOf,
  bundlePieces,
  bundleSchema,
  bundleText,
  closeAfterExport,
  openForExport,
  rowsOf,
  tablesOf,
} from '#server/transfer/export-bundle'
import { seedDemo } from './seed'

const NOW = Date.UTC(2026, 2, 5, 16, 40)
const folders: string[] = []
afterAll(() => folders.forEach((folder) => rmSync(folder, { recursive: true })))
interface Home extends Kitchen {
  file: string
  pictures: string
}
function home(begin: (kitchen: Kitchen) => void): Home {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-carry-'))
  folders.push(folder)
  const file = join(folder, 'omsel.sqlite')
  const kitchen = openKitchen(file)
  begin(kitchen)
  return { ...kitchen, file, pictures: join(folder, 'photos') }
}
const empty = () => home((kitchen) => beginHousehold(kitchen, FIRST_KITCHEN))
const bytesOf = (value: unknown): Buffer =>
  Buffer.from(typeof value === 'string' ? value : JSON.stringify(value))
const out = (from: Home, holds: 'household' | PackId = 'household'): Bundle =>
  JSON.parse(bundleText(from.db, { holds, pictures: from.pictures, nowMs: NOW })) as Bundle
const into = (to: Home, bundle: unknown, how: ImportMode = 'as-new', choices: ImportChoices = {}) =>
  importBundle(to, to.file, bytesOf(bundle), how, choices, NOW)
const must = <T>(read: { ok: true; value: T } | { ok: false; errors: { message: string }[] }): T => {
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
  return read.value
}
const putOnStove = (to: Kitchen) =>
  must(
    startCook(
      to,
      {
        request: {
          grains: [{ variety: 'short-white' }],
          amount: { basis: 'dry-mass', value: 300 },
          vessel: 'heavy-2.5',
          heat: 'gas-medium',
        },
        vessel_id: 'heavy-pot',
        heat_id: FIRST_KITCHEN.heats[0]!.id,
      },
      NOW,
    ),
  )
const changeOf = async (home: Home, bundle: Bundle, group: string) =>
  must(await previewImport(home.file, bytesOf(bundle))).changes.find((change) => change.group === group)!

let demo: Home
let whole: Bundle
beforeAll(async () => {
  demo = home((kitchen) => kitchen.db.transaction(() => seedDemo(kitchen, NOW))())
  const cook = rowsOf(demo.db, 'cook')[0]!
  const jpeg = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#c9a' } })
    .jpeg()
    .toBuffer()
  // Through the door it came by, a bundle brings its picture to where pictures lie.
  const withPicture = out(demo)
  withPicture.tables.photo = [
    {
      id: 'first-holes',
      cook_id: cook.id,
      vessel_id: cook.vessel_id,
      cue: 'bubbles-break',
      made_ms: NOW,
      bytes: jpeg.length,
      width: 40,
      height: 30,
    },
  ]
  withPicture.pictures = { 'first-holes': jpeg.toString('base64') }
  must(await into(demo, withPicture, 'merge'))
  demo.practice.complete('first-bubbles', NOW, {
    washes: 2,
    soakMinutes: 0,
    pourG: 300,
    heats: [{ atMin: 0, level: 'high' }],
    lids: [],
    putInMin: null,
    ventMin: null,
    serveMin: 30,
  })
  demo.devices.put({
    kind: 'scale',
    on_since_ms: NOW,
    trusted: 1,
    drift_per_hour: 0,
    lag_s: 0,
    drop_out: 0,
    lie: 0,
  })
  demo.notebook.setOverride({ figure: 'steam heavy-blue', kind: 'pin', value: 0.05, atMs: NOW })
  whole = out(demo)
})

describe('the exported tables', () => {
  test('are all of the household, column for column; the rest is rebuilt after an import', () => {
    // Who is let in is this machine's, and is not carried.
    const made = new Set([
      'notebook_entry',
      'passphrase',
      'session',
      'calendar_key',
      'sign_in_attempt',
      'program_token',
      'running_cook',
      'answered_form',
      'cook_event.seq',
      'leftover_event.seq',
    ])
    const tables = (
      demo.db
        .prepare(
          "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE 'notebook_text%'",
        )
        .pluck()
        .all() as string[]
    ).filter((name) => !made.has(name))
    expect(tables.sort()).toEqual([...TABLE_IDS].sort())
    for (const table of TABLE_IDS) {
      const columns = (
        demo.db.prepare('SELECT name FROM pragma_table_info(?)').pluck().all(table) as string[]
      ).filter((name) => !made.has(`${table}.${name}`))
      expect([table, Object.keys(tableSpec(table).row.entries).sort()]).toEqual([table, columns.sort()])
    }
  })

  test('an export fits its published schema in another validator, and a wrong one does not', () => {
    const fits = new Ajv({ strict: false }).compile(bundleSchema())
    expect(fits(whole)).toBe(true)
    expect(
      fits({
        ...whole,
        tables: { ...whole.tables, vessel: [{ ...whole.tables.vessel![0], capacity_ml: 5 }] },
      }),
    ).toBe(false)
    expect(fits({ ...whole, more: 1 })).toBe(false)
  })
})

describe('a whole household', () => {
  test('comes out of another kitchen as it went in, with pictures, notebook and beliefs; the replaced one is set aside', async () => {
    const other = empty()
    const before = bundleText(other.db, { holds: 'household', nowMs: NOW })
    const { aside } = must(await into(other, whole))
    expect(out(other)).toEqual(whole)
    expect(bundleText(other.db, { holds: 'household', pictures: other.pictures, nowMs: NOW })).toBe(
      bundleText(demo.db, { holds: 'household', pictures: demo.pictures, nowMs: NOW }),
    )
    expect(other.notebook.count({})).toBe(demo.notebook.count({}))
    expect(currentBeliefs(other).known).toEqual(currentBeliefs(demo).known)
    expect(readdirSync(other.pictures)).toEqual(['first-holes.jpg'])
    expect(checkHousehold(other.file)).toEqual([])
    const saved = openKitchen(join(aside!, 'omsel.sqlite'))
    expect(bundleText(saved.db, { holds: 'household', nowMs: NOW })).toBe(before)
    saved.db.close()
  })

  test('does not replace one with a running batch, and a pack replaces none', async () => {
    const other = empty()
    expect(await into(other, out(demo, 'pots'))).toMatchObject({
      ok: false,
      errors: [{ path: 'how', message: expect.stringContaining('only part of a household') as string }],
    })
    putOnStove(other)
    expect(await into(other, whole)).toMatchObject({
      ok: false,
      errors: [{ message: expect.stringContaining('a pot is on the stove') as string }],
    })
    expect(other.cooks.running()).toHaveLength(1)
  })
})

describe('merging', () => {
  test('merged with itself nothing changes; into an empty one all is new but its own settings', async () => {
    for (const change of must(await previewImport(demo.file, bytesOf(whole))).changes)
      expect([change.group, change.added, change.differing, change.left]).toEqual([change.group, 0, [], []])
    expect(must(await into(demo, whole, 'merge')).rows).toBe(0)
    const other = empty()
    must(await into(other, whole, 'merge'))
    expect(out(other).tables.cook).toEqual(whole.tables.cook)
    expect(other.household.settings()!.name).toBe(FIRST_KITCHEN.settings.name)
    expect((await changeOf(other, whole, 'settings')).differing).toMatchObject([
      { table: 'household', settled: false },
    ])
    // A second time there is nothing left to bring.
    expect(must(await into(other, whole, 'merge')).rows).toBe(0)
  })

  test('where both have a thing and it differs, ours stays, theirs comes, or both stand side by side, as was said', async () => {
    const changed = structuredClone(whole)
    const [pot] = changed.tables.vessel!
    Object.assign(pot!, { name: 'their pot', sticks_g: 20 })
    for (const choice of ['ours', 'theirs', 'both'] as const) {
      const other = empty()
      must(await into(other, whole))
      expect((await changeOf(other, changed, 'pots')).differing).toEqual([
        {
          table: 'vessel',
          name: whole.tables.vessel![0]!.name,
          fields: ['name', 'sticks_g'],
          settled: false,
        },
      ])
      must(await into(other, changed, 'merge', { pots: choice }))
      const pots = out(other).tables.vessel!
      const names = pots.map((row) => row.name)
      expect(names.includes('their pot')).toBe(choice === 'theirs')
      expect(names.includes('their pot (theirs)')).toBe(choice === 'both')
      expect(names.includes(whole.tables.vessel![0]!.name)).toBe(choice !== 'theirs')
      expect(pots).toHaveLength(whole.tables.vessel!.length + (choice === 'both' ? 1 : 0))
      // What belongs to the other pot came with it, beside what belongs to ours.
      const programmes = (id: unknown) =>
        rowsOf(other.db, 'programme').filter((row) => row.vessel_id === id).length
      for (const row of pots)
        expect([choice, row.name, programmes(row.id)]).toEqual([
          choice,
          row.name,
          programmes(row.name === 'their pot (theirs)' ? pot!.id : row.id),
        ])
    }
  })

  test('a cook both know goes on where it stopped; one that went two ways stays as it is here', async () => {
    const other = empty()
    const cook = whole.tables.cook![3]!
    const events = whole.tables.cook_event!.filter((e) => e.cook_id === cook.id)
    const some: Bundle = {
      ...whole,
      tables: {
        ...whole.tables,
        rating: whole.tables.rating!.filter((j) => j.cook_id !== cook.id),
        cook_event: whole.tables.cook_event!.filter((e) => e.cook_id !== cook.id || e === events[0]),
      },
    }
    must(await into(other, some))
    expect(other.cooks.running().map((c) => c.id)).toEqual([cook.id])
    must(await into(other, whole, 'merge'))
    expect(other.cooks.events(String(cook.id))).toEqual(demo.cooks.events(String(cook.id)))
    expect(other.cooks.running()).toEqual([])
    const elsewhere = structuredClone(whole)
    for (const e of elsewhere.tables.cook_event!)
      if (e.cook_id === cook.id) e.id = `x${String(e.id).slice(1)}`
    const before = out(other)
    expect((await changeOf(other, elsewhere, 'cooks')).differing).toEqual([
      {
        table: 'cook_event',
        name: `cook ${String(cook.id)}`,
        fields: ['what happened in it'],
        settled: true,
      },
    ])
    must(await into(other, elsewhere, 'merge'))
    expect(out(other)).toEqual(before)
  })

  test('a pot still on over there stays on its stove, and what hangs on it does not come without it', async () => {
    const running = structuredClone(whole)
    const id = running.tables.cook![0]!.id
    running.tables.cook_event = running.tables.cook_event!.filter(
      (e) => e.cook_id !== id || (e.kind !== 'finish' && e.kind !== 'stop'),
    )
    const other = empty()
    expect((await changeOf(other, running, 'cooks')).left).toEqual([
      { many: 1, why: 'still cooking in that file' },
    ])
    must(await into(other, running, 'merge'))
    expect(out(other).tables.cook!.map((c) => c.id)).toEqual(whole.tables.cook!.slice(1).map((c) => c.id))
    expect(other.cooks.running()).toEqual([])
    expect(checkHousehold(other.file)).toEqual([])
  })
})

test('a pack is a part of the household and merges equal into another', async () => {
  for (const pack of Object.keys(PACKS) as PackId[]) {
    const bundle = out(demo, pack)
    expect(Object.keys(bundle.tables).sort()).toEqual([...PACKS[pack].tables].sort())
    const other = empty()
    must(await into(other, bundle, 'merge', { pots: 'theirs', shelf: 'theirs' }))
    for (const [table, rows] of Object.entries(bundle.tables))
      expect([pack, table, rowsOf(other.db, table as TableId)]).toEqual([
        pack,
        table,
        expect.arrayContaining(rows) as Row[],
      ])
    expect(other.notebook.count({})).toBe(0)
  }
})

test('a pack of pots and one of bags bring what was learned of them, less sure, and nothing of the eaters', async () => {
  const { known } = currentBeliefs(demo)
  const packed = (pack: PackId) =>
    JSON.parse(bundleText(demo.db, { holds: pack, known, nowMs: NOW })) as Bundle
  for (const pack of ['pots', 'grains'] as const) {
    const bundle = packed(pack)
    const rows = bundle.tables.belief_override as { figure: string; kind: string; sd: number }[]
    if (pack === 'pots') expect(rows.length).toBeGreaterThan(5)
    for (const row of rows) {
      expect(row.kind).toBe('prior')
      expect(row.figure).toMatch(pack === 'pots' ? /^(steam|time|power) / : /^bag /)
      expect(row.sd).toBeGreaterThanOrEqual(known[row.figure]!.sd)
    }
    const other = empty()
    must(await into(other, bundle, 'merge', { pots: 'theirs', shelf: 'theirs' }))
    const there = currentBeliefs(other).known
    for (const { figure, sd } of rows)
      expect(there[figure]).toMatchObject({ mean: known[figure]!.mean, sd, cooks: 0 })
  }
})

test('a pot that comes under another id takes its figures along', async () => {
  const { known } = currentBeliefs(demo)
  const bundle = JSON.parse(bundleText(demo.db, { holds: 'pots', known, nowMs: NOW })) as Bundle
  const figure = Object.keys(known).find((name) => name.startsWith('steam '))!
  const id = figure.slice('steam '.length)
  const other = empty()
  must(await into(other, bundle, 'merge', { pots: 'theirs' }))
  other.equipment.save.vessel({ ...other.equipment.vessels().find((v) => v.id === id)!, capacity_ml: 4321 })
  other.db.prepare("DELETE FROM belief_override WHERE figure = ? AND kind = 'prior'").run(figure)
  other.notebook.changed()
  must(await into(other, bundle, 'merge', { pots: 'both' }))
  const renamed = other.equipment.vessels().find((v) => v.name.endsWith('(theirs)'))!
  const there = currentBeliefs(other).known
  expect(there[`steam ${renamed.id}`]).toMatchObject({ mean: known[figure]!.mean })
  expect(there[figure]).toBeUndefined()
})

/** Names that tables and columns had before version 15. */
const FORMER: Record<string, string> = {
  rating: 'judgement',
  belief_override: 'belief_word',
  leftover: 'kept',
  leftover_event: 'kept_event',
  meal: 'supper',
  meal_event: 'supper_event',
  taste_test: 'trial',
  practice_result: 'understood',
  rated_ms: 'judged_ms',
  leftover_id: 'kept_id',
  meal_id: 'supper_id',
  taste_test_id: 'trial_id',
  player_actions: 'doing',
}

test('an export of every older version is migrated like a database', async () => {
  for (let version = 1; version <= migrationCount(); version++) {
    const former = (name: string) => (version < 15 ? (FORMER[name] ?? name) : name)
    const old = openDatabase(':memory:', version)
    const columns = (table: string) =>
      old.prepare('SELECT name FROM pragma_table_info(?)').pluck().all(table) as string[]
    const kinds = /kind IN \(([^)]*'cue'[^)]*)\)/.exec(
      (old.prepare("SELECT sql FROM sqlite_master WHERE name = 'cook_event'").pluck().get() as string) ?? '',
    )?.[1]
    const tables = Object.fromEntries(
      TABLE_IDS.filter((table) => columns(former(table)).length > 0).map((table) => {
        const there = columns(former(table))
        const rows = whole.tables[table]!.filter(
          (row) => table !== 'cook_event' || kinds === undefined || kinds.includes(`'${String(row.kind)}'`),
        )
        return [
          former(table),
          rows.map((row) =>
            Object.fromEntries(
              Object.entries(row)
                .map(([column, cell]): [string, unknown] => [former(column), cell])
                .filter(([column]) => there.includes(column)),
            ),
          ),
        ]
      }),
    )
    const staging = mkdtempSync(join(tmpdir(), 'omsel-staged-'))
    folders.push(staging)
    must(await stage(bytesOf({ ...whole, version, tables }), staging))
    const staged = openDatabase(stagedDatabase(staging))
    const read = {
      tables: tablesOf(
        staged,
        TABLE_IDS.filter((table) => tables[former(table)] !== undefined),
      ),
    }
    staged.close()
    // The same rows, written by hand into a house of that version which is then opened by this program.
    old.pragma('foreign_keys = OFF')
    for (const table of TABLE_IDS)
      for (const row of tables[former(table)] ?? [])
        old
          .prepare(
            `INSERT INTO ${former(table)} (${Object.keys(row).join(', ')}) VALUES (${Object.keys(row)
              .map(() => '?')
              .join(', ')})`,
          )
          .run(
            Object.values(row).map((cell) =>
              cell !== null && typeof cell === 'object' ? JSON.stringify(cell) : cell,
            ),
          )
    bringUp(old)
    const stayed = tablesOf(
      old,
      TABLE_IDS.filter((table) => tables[former(table)] !== undefined),
    )
    expect([version, read.tables]).toEqual([version, stayed])
    old.close()
  }
})

describe('what is hostile or torn is refused in words, and nothing is touched', () => {
  const spoilt = (change: (bundle: Bundle) => void): Buffer => {
    const copy = structuredClone(whole)
    change(copy)
    return bytesOf(copy)
  }
  const rows = (table: TableId) => (bundle: Bundle) => bundle.tables[table]!
  const set = (table: TableId, fields: Record<string, unknown>) =>
    spoilt((bundle) => void Object.assign(rows(table)(bundle)[0]!, fields))
  const cases: [string, () => Buffer, RegExp][] = [
    ['nothing', () => Buffer.alloc(0), /no JSON/],
    ['a picture', () => Buffer.from([0xff, 0xd8, 0xff, 0xe0]), /no text in UTF-8/],
    ['half a file', () => bytesOf(whole).subarray(0, 5000), /no JSON/],
    [
      'bytes that are no text in the middle of one',
      () =>
        Buffer.concat([
          Buffer.from('{"format":"omsel.household","x":"'),
          Buffer.from([0xc3, 0x28]),
          Buffer.from('"}'),
        ]),
      /no text in UTF-8/,
    ],
    ['a hundred thousand brackets', () => Buffer.from('['.repeat(100_000)), /nested 100000 deep; 32/],
    [
      'brackets inside of a row',
      () => set('vessel', { marks: JSON.parse(`${'['.repeat(60)}${']'.repeat(60)}`) }),
      /nested \d+ deep/,
    ],
    ['too much', () => Buffer.alloc(BUNDLE_LIMITS.bytes + 1, 0x20), /100 MB at most/],
    [
      'too many rows',
      () => spoilt((b) => (b.tables.bag = Array.from({ length: BUNDLE_LIMITS.rows + 1 }, () => ({})))),
      /tables\.bag holds at most|rows/,
    ],
    ['a list', () => bytesOf([]), /must be an object|is missing/],
    [
      'another format',
      () => spoilt((b) => ((b as { format: string }).format = 'other')),
      /format must be "omsel.household"/,
    ],
    ['a newer version', () => spoilt((b) => (b.version = migrationCount() + 1)), /newer than/],
    [
      'a version that is no number',
      () => spoilt((b) => ((b as { version: unknown }).version = '1; DROP')),
      /version must be/,
    ],
    [
      'a table nobody knows',
      () => spoilt((b) => (b.tables.sqlite_master = [])),
      /sqlite_master is not known/,
    ],
    ['a column nobody knows', () => set('vessel', { 'name) VALUES (1); --': 1 }), /not known/],
    [
      'a number without end',
      () => bytesOf(JSON.stringify(whole).replace(/"capacity_ml":[\d.]+/, '"capacity_ml":1e999')),
      /capacity_ml must be a number from 100 to 60000/,
    ],
    [
      'a word for a number',
      () => set('heat', { rated_w: 'strong' }),
      /tables\.heat\.0\.rated_w must be a number/,
    ],
    [
      'a row twice',
      () => spoilt((b) => b.tables.bag!.push(b.tables.bag![0]!)),
      /tables\.bag\.\d+ cannot be stored: UNIQUE/,
    ],
    [
      'two houses in one',
      () => spoilt((b) => b.tables.household!.push({ ...b.tables.household![0]!, id: 2 })),
      /id must be 1/,
    ],
    [
      'an appliance with half a heat',
      () => set('vessel', { own_rated_w: 500, own_efficiency: null }),
      /tables\.vessel\.0 cannot be stored: CHECK/,
    ],
    [
      'a picture that would lie elsewhere',
      () => spoilt((b) => (b.pictures = { '../../passwd': 'AAAA' })),
      /letters, digits and dashes/,
    ],
    [
      'a picture that is none',
      () => spoilt((b) => (b.pictures = { 'first-holes': Buffer.from('<svg/>').toString('base64') })),
      /is not the picture/,
    ],
    [
      'a photo without its picture',
      () => spoilt((b) => (b.pictures = {})),
      /pictures has none for the photo first-holes/,
    ],
    [
      'stages that wait for each other',
      () =>
        spoilt((b) => {
          const { stages } = b.tables.cook![0]!.plan as { stages: { id: string; after: string[] }[] }
          stages[0]!.after = [stages.at(-1)!.id]
        }),
      /waits for one that does not come before it/,
    ],
    [
      'a stage that waits for itself',
      () =>
        spoilt((b) => {
          const { stages } = b.tables.cook![0]!.plan as { stages: { id: string; after: string[] }[] }
          stages[0]!.after = [stages[0]!.id]
        }),
      /waits for one/,
    ],
    ['a plan that is a number', () => set('cook', { plan: 7 }), /plan/],
    [
      'a request nobody can plan',
      () => set('cook', { request: { grains: 'rice' } }),
      /is no request that can be planned/,
    ],
    [
      'more stages than a pot has',
      () =>
        spoilt((b) => {
          const plan = b.tables.cook![0]!.plan as { stages: object[] }
          plan.stages = Array.from({ length: 5000 }, () => plan.stages[0]!)
        }),
      /holds at most 80/,
    ],
    [
      'an event of a cook that is nowhere',
      () => spoilt((b) => (b.tables.cook = b.tables.cook!.slice(1))),
      /FOREIGN KEY/,
    ],
    ['a wall of text', () => set('rating', { note: 'x'.repeat(3000) }), /2000 characters at most/],
  ]
  test.each(cases)('%s', async (_name, bytes, words) => {
    const other = empty()
    const before = out(other)
    const given = bytes()
    const refused = await importBundle(other, other.file, given, 'as-new', {}, NOW)
    expect(refused.ok ? 'taken' : refused.errors.map((e) => e.message).join('; ')).toMatch(words)
    expect(out(other)).toEqual(before)
    expect(existsSync(other.pictures) ? readdirSync(other.pictures) : []).toEqual([])
    other.db.close()
  })

  test('stopped before it is written, it leaves all as it was, and whoever asks can see so; let through, it counts', async () => {
    const other = empty()
    const before = out(other)
    const times = importsDone()
    const gone = new AbortController()
    const bringing = importBundle(other, other.file, bytesOf(whole), 'merge', {}, NOW, {
      signal: gone.signal,
    })
    gone.abort()
    const stopped = await bringing
    expect(stopped.ok ? 'taken' : stopped.errors[0]!.message).toContain('it was stopped; nothing was changed')
    expect(out(other)).toEqual(before)
    expect(existsSync(other.pictures) ? readdirSync(other.pictures) : []).toEqual([])
    expect(importsDone()).toBe(times)
    must(await into(other, whole))
    expect(importsDone()).toBe(times + 1)
    other.db.close()
  })

  test('events that take each other back are taken, and the cook is still a cook', async () => {
    const circle = structuredClone(whole)
    const [event] = circle.tables.cook_event!
    const take = (id: string, target: string) => ({
      ...event!,
      id,
      kind: 'take-back',
      identity: `take-back ${target}`,
      target,
    })
    circle.tables.cook_event!.push(
      take('round-a', 'round-b'),
      take('round-b', 'round-a'),
      take('round-c', 'round-c'),
    )
    const other = empty()
    must(await into(other, circle))
    expect(out(other)).toEqual(circle)
  })

  test('a table with the name of what every object has is no table, and hurts nothing', async () => {
    const other = empty()
    must(
      await importBundle(
        other,
        other.file,
        bytesOf(
          JSON.stringify(whole).replace(
            '"tables":{',
            '"tables":{"__proto__":[{"polluted":1}],"constructor":[{"polluted":1}],',
          ),
        ),
        'as-new',
        {},
        NOW,
      ),
    )
    expect(out(other)).toEqual(whole)
    expect(({} as { polluted?: number }).polluted).toBeUndefined()
  })

  test('the depth of a text is its brackets’, not those inside of its words', () => {
    expect(depthOf('{"a":[1,{"b":"[[[["}],"c":"\\"[[["}')).toBe(3)
    expect(depthOf('"[[[["')).toBe(0)
  })
})

describe('as a ZIP', () => {
  const zipOf = (from: Home) =>
    buffer(archiveOf(from.db, { holds: 'household', pictures: from.pictures, nowMs: NOW }))
  /** A ZIP with other entries than an export has. */
  const packed = async (entries: Record<string, string>): Promise<Buffer> => {
    const zip = new ZipFile()
    for (const [name, text] of Object.entries(entries)) zip.addBuffer(Buffer.from(text), name)
    zip.end()
    return buffer(zip.outputStream)
  }
  const head = (more: object = {}) =>
    JSON.stringify({
      format: 'omsel.household',
      version: migrationCount(),
      exported_at: 'now',
      holds: 'household',
      tables: ['measure'],
      ...more,
    })
  const cup = { id: 'c', position: 1, name: 'cup', ml: 250, parts: [1], how: 'known' }

  test('it comes back as the document does, pictures too, and is a ZIP that another reader opens', async () => {
    const zip = await zipOf(demo)
    const other = empty()
    must(await importBundle(other, other.file, zip, 'as-new', {}, NOW))
    expect(out(other)).toEqual(whole)
    expect(readFileSync(join(other.pictures, 'first-holes.jpg'))).toEqual(
      readFileSync(join(demo.pictures, 'first-holes.jpg')),
    )
    const path = join(mkdtempSync(join(tmpdir(), 'omsel-zip-')), 'household.zip')
    folders.push(dirname(path))
    writeFileSync(path, zip)
    // Python's own reader checks every entry's sum.
    const read = spawnSync('python3', [
      '-c',
      'import sys,zipfile,json; z=zipfile.ZipFile(sys.argv[1]); assert z.testzip() is None; print(json.dumps({n: len(z.read(n).splitlines()) for n in z.namelist() if n.endswith("jsonl")}))',
      path,
    ])
    const lines = JSON.parse(read.stdout.toString()) as Record<string, number>
    for (const table of TABLE_IDS)
      expect([table, lines[`tables/${table}.jsonl`]]).toEqual([table, whole.tables[table]!.length])
    expect(must(await previewImport(other.file, path)).changes.every((change) => change.added === 0)).toBe(
      true,
    )
    expect(
      existsSync(join(dirname(other.file), 'incoming'))
        ? readdirSync(join(dirname(other.file), 'incoming'))
        : [],
    ).toEqual([])
  })

  test('a picture that is gone from the disk ends the export in the middle, and its reader hears of it', async () => {
    const other = empty()
    must(await into(other, whole))
    rmSync(join(other.pictures, 'first-holes.jpg'))
    await expect(zipOf(other)).rejects.toThrow(/first-holes/)
    other.db.close()
  })

  test.each(['ZIP', 'JSON'])(
    'a reader who leaves in the middle of a %s leaves nothing open',
    async (form) => {
      const db = openForExport(demo.file)
      const wanted = { holds: 'household', pictures: demo.pictures, nowMs: NOW } as const
      const file = form === 'ZIP' ? archiveOf(db, wanted) : Readable.from(bundlePieces(db, wanted))
      await new Promise((resolve) => file.once('data', resolve))
      ;(file as Readable).destroy()
      await closeAfterExport(db)
      expect(db.open).toBe(false)
    },
  )

  test('what was written while the file was prepared is merged with, not overwritten', async () => {
    const other = empty()
    const zip = await zipOf(demo)
    const title = 'written meanwhile'
    const id = String(whole.tables.meal![0]!.id)
    const read = await importBundle(other, other.file, zip, 'merge', { meals: 'ours' }, NOW, {
      prepare: async (preparation, ...more) => {
        const prepared = await prepareImport(preparation, ...more)
        other.meals.save({ ...demo.meals.find(id)!, title })
        return prepared
      },
    })
    must(read)
    expect(other.meals.find(id)!.title).toBe(title)
    expect(out(other).tables.cook).toEqual(whole.tables.cook)
    other.db.close()
  })

  test('while it is written others are told to wait, and a pot put on meanwhile stays on its stove', async () => {
    const other = empty()
    const before = out(other)
    const waiting: boolean[] = []
    const refused = await importBundle(other, other.file, await zipOf(demo), 'as-new', {}, NOW, {
      write: (wanted) => {
        waiting.push(importWritten() !== undefined)
        putOnStove(other)
        return writeImport(wanted)
      },
    })
    expect([waiting, importWritten()]).toEqual([[true], undefined])
    expect(refused.ok ? 'taken' : refused.errors[0]!.message).toMatch(/a pot was put on the stove meanwhile/)
    expect(out(other).tables.vessel).toEqual(before.tables.vessel)
    expect(other.cooks.running()).toHaveLength(1)
    other.db.close()
  })

  test.each<[string, () => Promise<Buffer> | Buffer, RegExp]>([
    ['torn', async () => (await zipOf(demo)).subarray(0, 2000), /no ZIP that can be read|damaged/],
    [
      'changed inside',
      async () => {
        const zip = await zipOf(demo)
        for (let i = 400; i < 900; i++) zip[i] = (zip[i]! + 1) % 256
        return zip
      },
      /damaged|invalid/,
    ],
    ['no export', () => packed({ 'notes.txt': 'x' }), /notes.txt is not part of an export/],
    ['without a head', () => packed({ 'tables/measure.jsonl': '' }), /household.json is missing/],
    ['with a head that is no JSON', () => packed({ 'household.json': '{' }), /household.json is no JSON/],
    [
      'of another program',
      () => packed({ 'household.json': head({ format: 'x' }) }),
      /must be "omsel.household"/,
    ],
    [
      'without a table it names',
      () => packed({ 'household.json': head() }),
      /tables\/measure.jsonl is missing/,
    ],
    [
      'newer than this program',
      () => packed({ 'household.json': head({ version: 999 }), 'tables/measure.jsonl': '' }),
      /of version 999, newer than/,
    ],
    [
      'with a row that is no JSON',
      () => packed({ 'household.json': head(), 'tables/measure.jsonl': `${JSON.stringify(cup)}\n{"id":` }),
      /tables.measure.1 is no JSON/,
    ],
    [
      'with a row that is wrong',
      () => packed({ 'household.json': head(), 'tables/measure.jsonl': JSON.stringify({ ...cup, ml: -1 }) }),
      /tables.measure.0.ml/,
    ],
    [
      'with a row without end',
      () => packed({ 'household.json': head(), 'tables/measure.jsonl': `{"id":"${'x'.repeat(4_100_000)}` }),
      /a row of more than 4 MB/,
    ],
    [
      'with a row nested without end',
      () => packed({ 'household.json': head(), 'tables/measure.jsonl': '['.repeat(40) }),
      /nested 40 deep/,
    ],
    [
      'with a table of another name',
      () =>
        packed({ 'household.json': head({ tables: ['sqlite_master'] }), 'tables/sqlite_master.jsonl': '' }),
      /sqlite_master is not known here/,
    ],
    [
      'with a way out of its folder',
      async () => {
        const zip = await packed({
          'household.json': head(),
          'tables/measure.jsonl': '',
          'pictures/x/aa/aa/y.jpg': 'x',
        })
        return Buffer.from(zip.toString('latin1').replaceAll('x/aa/aa/y', 'x/../../y'), 'latin1')
      },
      /invalid relative path|not part of an export/,
    ],
  ])('%s it is refused in words, and nothing is touched', async (_name, given, words) => {
    const other = empty()
    const before = out(other)
    const refused = await importBundle(other, other.file, await given(), 'merge', {}, NOW)
    expect(refused.ok ? 'taken' : refused.errors.map((e) => e.message).join('; ')).toMatch(words)
    expect(out(other)).toEqual(before)
    expect(readdirSync(join(dirname(other.file), 'incoming'))).toEqual([])
    other.db.close()
  })

  test('a picture that was here is here still when its household cannot be replaced', async () => {
    const other = empty()
    must(await into(other, whole))
    const picture = join(other.pictures, 'first-holes.jpg')
    const was = readFileSync(picture)
    const broken = structuredClone(whole)
    broken.tables.cook = broken.tables.cook!.slice(1)
    const refused = await importBundle(other, other.file, bytesOf(broken), 'as-new', {}, NOW + 60_000)
    expect(refused.ok).toBe(false)
    expect(readFileSync(picture)).toEqual(was)
    expect(readdirSync(other.pictures).filter((name) => name.endsWith('.before'))).toEqual([])
    other.db.close()
  })
})

test('a cell that a table program would take for a formula is a text like any other', async () => {
  const formula = structuredClone(whole)
  formula.tables.rating![0]!.note = '=HYPERLINK("http://x","y")'
  const other = empty()
  must(await into(other, formula))
  expect(out(other).tables.rating![0]!.note).toBe('=HYPERLINK("http://x","y")')
  expect(readFileSync(join(other.pictures, 'first-holes.jpg')).length).toBe(whole.tables.photo![0]!.bytes)
})
