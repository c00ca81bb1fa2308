import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { VARIETY_IDS } from '#core/grain/varieties'
import { beliefsFrom } from '#core/learn/beliefs'
import { OUTCOME_FILTERS } from '#core/learn/rating'
import { dropPhoto, savePhoto, MAX_PHOTO, photoFolder, parsePhoto } from '#server/photos/photos'
import { beginHousehold, FIRST_KITCHEN } from './begin-household'
import { copyCooks } from './import-batches'
import { rate } from './rate'
import { openKitchen, settingsOf, type Kitchen } from '#server/store/open-household'
import { MOVED_M, priorSd } from '#core/learn/figures'
import { saveHeat } from './equipment'
import {
  measureCook,
  narrowFigures,
  pinFigure,
  removeCook,
  removeFigureOverride,
  resetFigure,
} from './notebook'
import { saveSettings } from './settings'
import { currentBeliefs } from '#server/queries/beliefs'
import { note, rebuildMissingEntries } from './rebuild-entry'
import { adoptCup, makeTasteTest, taste } from './taste-tests'

const NOW = Date.UTC(2026, 2, 5, 20, 0)
let folder: string
let kitchen: Kitchen
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-notebook-'))
  process.env.OMSEL_DATABASE = join(folder, 'omsel.sqlite')
  kitchen = openKitchen(process.env.OMSEL_DATABASE)
  beginHousehold(kitchen, FIRST_KITCHEN)
})
afterEach(() => {
  kitchen.db.close()
  delete process.env.OMSEL_DATABASE
  rmSync(folder, { recursive: true })
})

const copy = (...rows: string[]) =>
  copyCooks(
    kitchen,
    rows.map((row) => row.split(';')),
    NOW,
  )
const season = () =>
  copy(
    '2026-01-03;Quinoa;220;310;heavy pot;wet;rinsed well',
    '2026-01-20;Long-grain white;260;430;thin pot;dry;',
    '2026-02-02;Long-grain white;300;470;heavy pot;right;for the choir',
    '2026-02-09;Long-grain white;300;520;heavy pot;far too wet;',
  )
const ids = () => kitchen.notebook.lines({}, 50, 0).map((line) => line.cook_id)
const errorOf = (read: { ok: boolean; errors?: { path: string; message: string }[] }) => read.errors?.[0]

describe('an old notebook', () => {
  test('is copied whole, each row a cook like any other, on its day', () => {
    expect(season()).toEqual({ ok: true, value: { copied: 4, already: 0 } })
    const lines = kitchen.notebook.lines({}, 10, 0)
    expect(lines.map((l) => [l.grain_key, l.pour_g, l.wet_dry])).toEqual([
      ['long-white', 520, 2],
      ['long-white', 470, 0],
      ['long-white', 430, -1],
      ['quinoa', 310, 1],
    ])
    expect(new Date(lines[3]!.ended_ms).toISOString()).toContain('2026-01-03')
    expect(kitchen.cooks.running()).toEqual([])
  })
  test('one wrong row, and nothing of it is taken', () => {
    const got = copy('2026-01-03;Quinoa;220;310;heavy pot', '2026-01-04;gravel;220;310;heavy pot')
    expect(got).toMatchObject({ ok: false, errors: [{ row: 2, column: 'grain' }] })
    expect(ids()).toEqual([])
  })
  test('it teaches: a pot with too much water that was far too wet says little against the grain', () => {
    season()
    const { known } = currentBeliefs(kitchen)
    expect(known['grain long-white']!.cooks).toBe(3)
    expect(known['grain quinoa']!.mean).toBeLessThan(0.05)
  })
})

describe('filters', () => {
  test('by each column and by words agree with filtering the full list', () => {
    season()
    const all = kitchen.notebook.lines({}, 50, 0)
    const { notebook } = kitchen
    expect(notebook.count({ grain: 'long-white' })).toBe(
      all.filter((l) => l.grain_key === 'long-white').length,
    )
    expect(notebook.count({ vessel: 'heavy-pot', outcome: 'wet' })).toBe(
      all.filter((l) => l.vessel_id === 'heavy-pot' && (l.wet_dry ?? 0) > 0).length,
    )
    expect(notebook.lines({ text: 'choir' }, 9, 0).map((l) => l.note)).toEqual(['for the choir'])
    expect(notebook.lines({ text: 'long thin' }, 9, 0)).toHaveLength(1)
    expect(notebook.count({ text: '"; DROP TABLE notebook_entry; --' })).toBe(0)
    expect(notebook.count({ text: 'rinsed* OR NEAR(' })).toBe(0)
    expect(notebook.count({ outcome: 'toString' })).toBe(4)
    expect(notebook.lines({}, 2, 2)).toEqual(all.slice(2, 4))
  })
  test('no query walks a whole table', () => {
    season()
    const { notebook } = kitchen
    for (const filter of [
      {},
      { grain: 'x' },
      { vessel: 'x' },
      { method: 'x' },
      { bag: 'x' },
      { text: 'x' },
      { grain: 'x', vessel: 'y', text: 'z' },
      ...OUTCOME_FILTERS.map((outcome) => ({ outcome })),
    ]) {
      notebook.lines(filter, 1, 0)
      notebook.count(filter)
      notebook.strip(filter, 1)
    }
    const prepared = notebook.prepared()
    expect(prepared.length).toBeGreaterThan(30)
    for (const sql of prepared) {
      const names = [...new Set([...sql.matchAll(/@(\w+)/g)].map((m) => m[1]!))]
      const statement = kitchen.db.prepare(`EXPLAIN QUERY PLAN ${sql}`)
      const steps = (
        names.length > 0
          ? statement.all(Object.fromEntries(names.map((n) => [n, 1])))
          : statement.all(...(sql.includes('?') ? [1] : []))
      ) as { detail: string }[]
      for (const { detail } of steps)
        if (/^SCAN (n|notebook_entry)\b/.test(detail))
          expect([sql, detail]).toEqual([sql, expect.stringMatching(/USING (COVERING )?INDEX/)])
    }
  })
})

describe('the records and what is made of them', () => {
  test('lines that were lost are made again, the same', () => {
    season()
    const before = kitchen.notebook.lines({}, 50, 0)
    const evidence = kitchen.notebook.evidence()
    kitchen.db.exec('DELETE FROM notebook_entry')
    rebuildMissingEntries(kitchen)
    expect(kitchen.notebook.lines({}, 50, 0)).toEqual(before)
    expect(kitchen.notebook.evidence()).toEqual(evidence)
  })
  test('beliefs made again from the records are equal to the last bit', () => {
    season()
    const before = currentBeliefs(kitchen).beliefs.state
    for (const id of ids()) note(kitchen, id)
    const again = beliefsFrom(kitchen.notebook.evidence(), kitchen.notebook.overrides()).state
    expect(again.mean).toEqual(before.mean)
    expect(again.covariance).toEqual(before.covariance)
  })
  test('learning further equals learning from all, whatever was changed in between', () => {
    const day = (n: number) => new Date(Date.UTC(2025, 0, 1) + n * 86_400_000).toISOString().slice(0, 10)
    const rowOf = (n: number) =>
      `${day(n)};${n % 3 === 0 ? 'Quinoa' : 'Long-grain white'};${200 + n};${400 + (n % 7) * 20};${n % 2 === 0 ? 'heavy pot' : 'thin pot'};${['wet', 'right', 'dry', 'far too wet'][n % 4]}`
    const same = () => {
      const { beliefs } = currentBeliefs(kitchen)
      const all = beliefsFrom(kitchen.notebook.evidence(), kitchen.notebook.overrides())
      expect(beliefs.state).toEqual(all.state)
      expect(beliefs.steps).toEqual(all.steps)
      expect(beliefs.compared).toEqual(all.compared)
      expect(beliefs.observed).toEqual(all.observed)
    }
    const rows = (from: number, to: number) => Array.from({ length: to - from }, (_, i) => rowOf(from + i))
    copy(...rows(100, 250))
    same()
    for (let n = 250; n < 258; n++) {
      copy(rowOf(n))
      same()
    }
    // The newest is rated again, a figure is fixed, batches of the middle and the start are deleted.
    const [newest, , third] = ids()
    expect(rate(kitchen, newest!, { wet_dry: '-2', hardness: '1' }, NOW).ok).toBe(true)
    same()
    pinFigure(kitchen, { figure: 'grain quinoa', value: '0.1' }, Date.UTC(2025, 5, 1))
    same()
    copy(...rows(260, 300))
    same()
    removeFigureOverride(kitchen, { figure: 'grain quinoa' })
    same()
    expect(removeCook(kitchen, third!).ok).toBe(true)
    const oldest = kitchen.notebook.lines({}, 1, kitchen.notebook.count({}) - 1)[0]!.cook_id
    expect(removeCook(kitchen, oldest).ok).toBe(true)
    same()
    copy(rowOf(3))
    same()
  })
  test('after an old batch of a long notebook changed, what was believed stands until all is learned again', async () => {
    const rows = Array.from({ length: 700 }, (_, n) => {
      const day = new Date(Date.UTC(2019, 0, 1) + n * 86_400_000).toISOString().slice(0, 10)
      return `${day};Quinoa;${200 + (n % 300)};${400 + (n % 7) * 20};heavy pot;${['wet', 'right', 'dry'][n % 3]}`
    })
    for (let from = 0; from < rows.length; from += 350) copy(...rows.slice(from, from + 350))
    expect(kitchen.notebook.count({})).toBe(700)
    const before = currentBeliefs(kitchen)
    const oldest = kitchen.notebook.lines({}, 1, kitchen.notebook.count({}) - 1)[0]!.cook_id
    expect(removeCook(kitchen, oldest).ok).toBe(true)
    expect(currentBeliefs(kitchen)).toBe(before)
    // A batch that is rated meanwhile belongs to it.
    expect(rate(kitchen, ids()[0]!, { wet_dry: '-2', hardness: '1' }, NOW).ok).toBe(true)
    while (currentBeliefs(kitchen) === before) await new Promise((resolve) => setImmediate(resolve))
    const all = beliefsFrom(kitchen.notebook.evidence(), kitchen.notebook.overrides())
    expect(currentBeliefs(kitchen).beliefs.state).toEqual(all.state)
  })
  test('a kitchen that moved is less sure of its pots and burners, not of its grains; and back', () => {
    season()
    for (const figure of ['steam red-pot', 'power big-gas'])
      kitchen.notebook.setOverride({ figure, kind: 'prior', value: 0.1, sd: 0.03, atMs: 1 })
    const before = currentBeliefs(kitchen).known
    const settings = settingsOf(kitchen)
    const to = (elevation_m: number) => saveSettings(kitchen, { ...settings, elevation_m }, NOW)
    expect(to(settings.elevation_m + MOVED_M - 1)).toEqual([])
    const widened = to(settings.elevation_m + 2 * MOVED_M - 1)
    expect(widened.sort()).toEqual(['power big-gas', 'steam red-pot'])
    const moved = currentBeliefs(kitchen).known
    for (const [figure, { mean, sd }] of Object.entries(before)) {
      expect(moved[figure]!.mean).toBe(mean)
      if (widened.includes(figure)) expect(moved[figure]!.sd).toBeGreaterThan(sd)
      else expect(moved[figure]!.sd).toBe(sd)
      if (/^(grain|bag|time) /.test(figure)) expect(widened).not.toContain(figure)
    }
    narrowFigures(kitchen, widened)
    expect(currentBeliefs(kitchen).known).toEqual(before)
  })
  test('a burner of another power is as unknown as a new one; one renamed is not', () => {
    const [heat] = kitchen.equipment.heats()
    kitchen.notebook.setOverride({
      figure: `power ${heat!.id}`,
      kind: 'prior',
      value: 0.1,
      sd: 0.02,
      atMs: 1,
    })
    const sd = () => currentBeliefs(kitchen).known[`power ${heat!.id}`]!.sd
    const form = { id: heat!.id, name: 'the left one', kind: 'gas', knob: '' }
    expect(saveHeat(kitchen, { ...form, rated_w: String(heat!.rated_w) }, NOW)).toMatchObject({ ok: true })
    expect(sd()).toBeCloseTo(0.02, 12)
    expect(saveHeat(kitchen, { ...form, rated_w: String(heat!.rated_w + 500) }, NOW).ok).toBe(true)
    expect(sd()).toBeCloseTo(priorSd(`power ${heat!.id}`), 12)
  })
  test('a cook taken out equals one never cooked', () => {
    copy('2026-01-03;Quinoa;220;310;heavy pot;wet', '2026-01-20;Long-grain white;260;430;thin pot;dry')
    const before = currentBeliefs(kitchen).beliefs.state
    copy('2026-02-02;Long-grain white;300;670;heavy pot;far too wet')
    expect(currentBeliefs(kitchen).beliefs.state).not.toEqual(before)
    expect(removeCook(kitchen, ids()[0]!).ok).toBe(true)
    expect(currentBeliefs(kitchen).beliefs.state).toEqual(before)
    expect(errorOf(removeCook(kitchen, 'nobody'))!.path).toBe('cook')
  })
  test('rating by two taps leaves the rest of the rating', () => {
    season()
    const [id] = ids()
    rate(
      kitchen,
      id!,
      {
        wet_dry: '0',
        hardness: '1',
        bottom: 'stuck',
        note: 'kept',
        separate: '2',
        even: 'top-hard',
        ate: 'Pim',
      },
      NOW,
    )
    rate(kitchen, id!, { wet_dry: '-1', hardness: '0' }, NOW)
    expect(kitchen.cooks.findFinished(id!)!.rating).toMatchObject({
      wetDry: -1,
      hardness: 0,
      bottom: 'stuck',
      note: 'kept',
      separate: 2,
      even: 'top-hard',
      ate: 'Pim',
    })
  })
})

describe('weighed', () => {
  test('the full pot before and after is evidence of its steam', () => {
    season()
    const id = ids()[1]!
    const plan = kitchen.cooks.find(id)!.plan
    const tasted = currentBeliefs(kitchen).known['steam heavy-pot']!.mean
    expect(
      measureCook(kitchen, id, {
        'pot-before': '2500',
        'pot-after': String(2500 - Math.round(plan.water.evaporated_g * 1.4)),
      }).ok,
    ).toBe(true)
    expect(kitchen.notebook.evidence().find((e) => e.cookId === id)!.steamFactor).toBeCloseTo(1.4, 1)
    expect(currentBeliefs(kitchen).known['steam heavy-pot']!.mean).toBeGreaterThan(tasted + 0.05)
    measureCook(kitchen, id, { 'pot-before': '', 'pot-after': '' })
    expect(kitchen.notebook.evidence().find((e) => e.cookId === id)!.steamFactor).toBeNull()
  })
  test.each([
    [{ 'pot-before': '900', 'pot-after': '950' }, 'pot-after'],
    [{ 'pot-before': 'heavy' }, 'pot-before'],
    [{ cooked: '0' }, 'cooked'],
  ])('%j is refused', (input, path) => {
    season()
    expect(errorOf(measureCook(kitchen, ids()[0]!, input))!.path).toBe(path)
    expect(kitchen.notebook.measured(ids()[0]!)).toEqual([])
  })
})

describe('what the cook says of a figure', () => {
  test('is fixed, restarted and undone, each with its limits', () => {
    season()
    const tasted = currentBeliefs(kitchen).known['grain long-white']!.mean
    expect(pinFigure(kitchen, { figure: 'grain long-white', value: '0,12' }, NOW).ok).toBe(true)
    expect(currentBeliefs(kitchen).known['grain long-white']).toMatchObject({ mean: 0.12, pinned: true })
    expect(pinFigure(kitchen, { figure: 'steam heavy-pot', value: '1.3' }, NOW).ok).toBe(true)
    expect(currentBeliefs(kitchen).known['steam heavy-pot']!.mean).toBeCloseTo(Math.log(1.3), 9)
    expect(resetFigure(kitchen, { figure: 'grain long-white' }, NOW).ok).toBe(true)
    expect(currentBeliefs(kitchen).known['grain long-white']).toBeUndefined()
    expect(removeFigureOverride(kitchen, { figure: 'grain long-white' }).ok).toBe(true)
    expect(removeFigureOverride(kitchen, { figure: 'steam heavy-pot' }).ok).toBe(true)
    expect(currentBeliefs(kitchen).known['grain long-white']!.mean).toBe(tasted)
    expect(errorOf(pinFigure(kitchen, { figure: 'grain long-white', value: '3' }, NOW))!.message).toContain(
      '-0.8 to 0.8',
    )
    expect(errorOf(pinFigure(kitchen, { figure: 'toString x', value: '0' }, NOW))!.path).toBe('figure')
    expect(errorOf(removeFigureOverride(kitchen, { figure: 'grain quinoa' }))!.path).toBe('figure')
  })
})

describe('pictures', () => {
  const picture = async (width: number, height: number, name = 'pot.jpg') =>
    new File(
      [
        new Uint8Array(
          await sharp({ create: { width, height, channels: 3, background: '#a86' } })
            .withExif({ IFD0: { Copyright: 'someone' }, IFD3: { GPSLatitude: '46/1 1/1 0/1' } })
            .jpeg()
            .toBuffer(),
        ),
      ],
      name,
      { type: 'image/jpeg' },
    )
  test('are made smaller, lose where they were taken, and lie in the data folder', async () => {
    season()
    const [id] = ids()
    const saved = await savePhoto(kitchen, id!, await picture(3000, 2000), 'rolling-boil', NOW)
    if (!saved.ok) throw new Error(saved.errors[0]!.message)
    const bytes = parsePhoto(kitchen, saved.value)!
    const { width, height, exif, format } = await sharp(bytes).metadata()
    expect([width, height, exif, format]).toEqual([1280, 853, undefined, 'jpeg'])
    expect(bytes.includes('someone')).toBe(false)
    expect(kitchen.photos.ofCue(kitchen.cooks.find(id!)!.vesselId, 'rolling-boil')!.id).toBe(saved.value)
    expect(readdirSync(photoFolder())).toEqual([`${saved.value}.jpg`])
    expect(dropPhoto(kitchen, saved.value)).toBe(true)
    expect(readdirSync(photoFolder())).toEqual([])
    expect(parsePhoto(kitchen, saved.value)).toBeUndefined()
    expect(parsePhoto(kitchen, '../omsel')).toBeUndefined()
  })
  test('what is no picture, too large, or of no sign or batch is refused in words, and nothing is stored', async () => {
    season()
    const [id] = ids()
    const text = new File([readFileSync(join(process.cwd(), 'package.json'))], 'pot.jpg', {
      type: 'image/jpeg',
    })
    const cut = new File([(await (await picture(800, 600)).arrayBuffer()).slice(0, 900)], 'half.jpg')
    const large = new File([new Uint8Array(MAX_PHOTO + 1)], 'huge.jpg')
    const fieldError = async (file: unknown, cue: unknown = '', cook = id!) =>
      errorOf(await savePhoto(kitchen, cook, file, cue, NOW))!
    expect((await fieldError(text)).message).toContain('no picture that can be read: "pot.jpg"')
    expect((await fieldError(cut)).message).toContain('no picture')
    expect((await fieldError(large)).message).toContain('12 MB at most')
    expect((await fieldError('a string')).message).toContain('choose a picture')
    expect((await fieldError(await picture(10, 10), 'constructor')).path).toBe('cue')
    expect((await fieldError(await picture(10, 10), '', 'nobody')).path).toBe('cook')
    expect(kitchen.photos.ofCook(id!)).toEqual([])
  })
})

describe('tasteTests', () => {
  const tasteTest = (more = {}) => ({
    title: 'water',
    differs: 'water',
    grain_key: 'long-white',
    vessel_id: 'heavy-pot',
    blind: true,
    cups: [
      { label: '400 g', search: 'grain=long-white', delta: -0.08 },
      { label: '424 g', search: 'grain=long-white', delta: 0 },
    ],
    ...more,
  })
  const make = (more = {}) => {
    const read = makeTasteTest(kitchen, tasteTest(more), NOW)
    if (!read.ok) throw new Error(read.errors[0]!.message)
    return read.value
  }
  test('letters are drawn by lot, every cup has one, and what is tasted is counted', () => {
    const lots = Array.from({ length: 12 }, () => kitchen.tasteTests.find(make())!.cups)
    expect(new Set(lots.map((cups) => cups[0]!.label)).size).toBe(2)
    for (const cups of lots) expect(cups.map((c) => c.letter)).toEqual(['A', 'B'])
    const id = make()
    expect(taste(kitchen, id, { id: 't1', who: 'Pim', ranking: 'BA' }, NOW).ok).toBe(true)
    expect(taste(kitchen, id, { id: 't1', who: 'Pim', ranking: 'BA' }, NOW).ok).toBe(true)
    expect(kitchen.tasteTests.tastings(id)).toMatchObject([{ who: 'Pim', ranking: ['B', 'A'] }])
  })
  test("the best sample becomes the kitchen's water when the cook chooses it", () => {
    const id = make({ blind: false })
    expect(adoptCup(kitchen, id, 'A', NOW).ok).toBe(true)
    expect(currentBeliefs(kitchen).known['grain long-white']).toMatchObject({ mean: -0.08, pinned: true })
    expect(errorOf(adoptCup(kitchen, id, 'Z', NOW))!.path).toBe('letter')
    expect(errorOf(adoptCup(kitchen, make({ differs: 'soak' }), 'A', NOW))!.path).toBe('letter')
  })
  test.each([
    [{ cups: [] }, 'cups'],
    [{ cups: Array(5).fill(tasteTest().cups[0]) }, 'cups'],
    [{ vessel_id: 'nobody' }, 'vessel_id'],
    [{ differs: 'colour' }, 'differs'],
    [{ title: ' ' }, 'title'],
  ])('%j is refused', (more, path) => {
    expect(errorOf(makeTasteTest(kitchen, tasteTest(more), NOW))!.path).toMatch(new RegExp(`^${path}`))
  })
  test.each([
    ['A', 'ranking'],
    ['AAB', 'ranking'],
    ['AC', 'ranking'],
  ])('a ranking of %s is refused', (ranking, path) => {
    expect(errorOf(taste(kitchen, make(), { id: 'x', ranking }, NOW))!.path).toBe(path)
  })
})

test('every grain can be imported by its name', () => {
  expect(VARIETY_IDS.length).toBeGreaterThan(20)
  expect(copy('2026-01-03;wild;100;300;heavy pot')).toEqual({ ok: true, value: { copied: 1, already: 0 } })
})
