import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import ICAL from 'ical.js'
import Papa from 'papaparse'
import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { METHOD_IDS, methodOf } from '#core/methods/index'
import { beginHousehold, FIRST_KITCHEN } from '#server/commands/begin-household'
import { copyCooks } from '#server/commands/import-batches'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { notebookCsv } from './notebook-csv'
import { recipeCalendar, recipeLd, recipeMarkdown, type Named } from './recipe'

const planned = (json: Partial<PlanRequestJson> = {}) => {
  const read = planFrom({
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...json,
  } as PlanRequestJson)
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value
}
const named: Named = {
  title: 'Short-grain white, 300 g dry',
  where: 'In the heavy blue on the big gas, at 1120 m',
  grains: [{ name: 'Short-grain white', amount: '300 g' }],
  units: { units: 'grams', cup: 'metric', system: 'metric' },
  household: 'our kitchen',
  day: '2026-03-05',
  tools: ['heavy blue', 'big gas'],
  picture: 'data:image/png;base64,AA==',
}

describe('a plan in other formats', () => {
  test('as a recipe: times are durations that add up, steps are the plan’s own in the order they begin', () => {
    for (const method of METHOD_IDS) {
      const plan = planned({
        method,
        vessel: methodOf(method).defaults.vessel,
        heat: methodOf(method).defaults.heat,
      })
      const recipe = recipeLd(plan, named) as {
        prepTime: string
        cookTime: string
        totalTime: string
        recipeInstructions: { name: string }[]
        recipeIngredient: string[]
      }
      const minutes = (text: string) => Number(/^PT(\d+)M$/.exec(text)![1])
      expect([
        method,
        Math.abs(minutes(recipe.prepTime) + minutes(recipe.cookTime) - minutes(recipe.totalTime)) <= 1,
      ]).toEqual([method, true])
      expect(recipe.recipeInstructions.map((s) => s.name).sort()).toEqual(
        plan.stages.map((s) => s.title).sort(),
      )
      expect(recipe.recipeIngredient[0]).toBe('300 g short-grain white, dry')
      expect(recipe.recipeIngredient[1]).toContain(`${Math.round(plan.water.pour_g)} g water`)
    }
  })

  test('as a recipe it says whose it is, since when, with what, and shows a picture', () => {
    const of = (more: object) => recipeLd(planned(more), named) as Record<string, unknown>
    expect(of({})).toMatchObject({
      image: ['data:image/png;base64,AA=='],
      author: { name: 'our kitchen' },
      datePublished: '2026-03-05',
    })
    const tools = (more: object) => (of(more).tool as { name: string }[]).map(({ name }) => name)
    expect(tools({ method: 'boil-and-drain' })).toEqual(['heavy blue', 'big gas', 'sieve'])
    expect(tools({ method: 'covered-simmer', soak: null, rinse: { washes: 0 } })).toEqual([
      'heavy blue',
      'big gas',
    ])
  })

  test('in the measure of the batch: cups of water, spoons of salt, leaves by the piece', () => {
    const plan = planned({
      amount: { basis: 'measure', value: 2, measure: 'us-cup' },
      salt_percent: 0.5,
      add_ins: [
        { name: 'bay leaf', grams_per_100g_dry: 0.1, when: 'with-water', out: 'after-rest' },
        { name: 'peas', grams_per_100g_dry: 20, when: 'at-boil' },
      ],
    })
    const { recipeIngredient } = recipeLd(plan, named) as { recipeIngredient: string[] }
    expect(recipeIngredient[1]).toMatch(/^\d*[½⅓¼⅔¾]? ?cups? .*water|^\d+ cups? (\+|and)? ?.*water/)
    expect(recipeIngredient[1]).not.toMatch(/\d g water/)
    expect(recipeIngredient.join('; ')).toMatch(/[½¼¾\d]+ tsp salt/)
    expect(recipeIngredient.join('; ')).toContain('2 bay leaves')
  })

  test('as text: names that hold signs stay names', () => {
    const text = recipeMarkdown(planned(), { ...named, title: '# [rice](http://x) *now* <b>' })
    expect(text.split('\n')[0]).toBe('# \\# \\[rice\\](http://x) \\*now\\* \\<b\\>')
    expect(text).toMatch(/^- 300 g short-grain white, dry$/m)
    expect(text).toMatch(/^1\. Measure the grain/m)
    expect(text).toContain('Makers’ manuals come first.')
  })

  test('as a calendar: a line break in a stored name begins no line of its own', () => {
    const text = recipeCalendar(planned(), { ...named, title: 'x\r\nATTENDEE:mailto:a@example.com' }, 0, 'p')
    expect(text.split(/\r?\n/).filter((line) => line.startsWith('ATTENDEE'))).toEqual([])
    expect(text).toContain('x ATTENDEE')
  })

  test('as a calendar: another parser reads the same steps at the same minutes, serving last', () => {
    const plan = planned({ soak: { minutes: 30 } })
    const start = Date.UTC(2026, 2, 29, 0, 30)
    const events = new ICAL.Component(ICAL.parse(recipeCalendar(plan, named, start, 'plan-1')) as unknown[])
      .getAllSubcomponents('vevent')
      .map((c) => new ICAL.Event(c))
    expect(events).toHaveLength(plan.stages.length + 1)
    expect(new Set(events.map((e) => e.uid)).size).toBe(events.length)
    expect(Math.min(...events.map((e) => e.startDate.toJSDate().getTime()))).toBe(start)
    const table = events.find((e) => e.uid === 'plan-1-table')!
    expect(
      Math.abs(table.startDate.toJSDate().getTime() - start - plan.total_minutes.expected * 60_000),
    ).toBeLessThan(1000)
  })
})

describe('the notebook as a table', () => {
  let folders: string[] = []
  const household = (): Kitchen => {
    const folder = mkdtempSync(join(tmpdir(), 'omsel-transfer-'))
    folders.push(folder)
    const kitchen = openKitchen(join(folder, 'omsel.sqlite'))
    beginHousehold(kitchen, FIRST_KITCHEN)
    return kitchen
  }
  afterEach(() => {
    for (const folder of folders) rmSync(folder, { recursive: true })
    folders = []
  })
  const NOW = Date.UTC(2026, 2, 5, 17, 0)
  const pot = FIRST_KITCHEN.vessels[0]!.name

  test('comes back equal in another kitchen, formulas included', () => {
    const [one, other] = [household(), household()]
    const cooks = [
      ['date', 'grain', 'dry', 'water', 'pot', 'outcome', 'note'],
      ['2026-02-01', 'Quinoa', '220', '310', pot, '0', 'with "quotes", commas\nand a second line'],
      ['2026-02-03', 'Basmati', '300', '420', pot, '-1', '=HYPERLINK("http://x")'],
      ['2026-02-05', 'Short-grain white', '250', '300', pot, '', '@sum(1)'],
      ['2026-02-06', 'Short-grain white', '250', '300', pot, '-2', '-2+3 cmd|calc'],
      ['2026-02-07', 'Short-grain white', '250', '300', pot, '1', '+1 spoon next time'],
    ]
    expect(copyCooks(one, cooks, NOW)).toEqual({ ok: true, value: { copied: 5, already: 0 } })
    const csv = notebookCsv(one)
    // Nothing in it begins as a formula does.
    for (const row of Papa.parse<string[]>(csv).data)
      for (const cell of row) if (!/^[+-]?\d+$/.test(cell)) expect(cell).not.toMatch(/^\s*[=@+\-\t\r]/)
    expect(copyCooks(other, Papa.parse<string[]>(csv).data, NOW)).toEqual({
      ok: true,
      value: { copied: 5, already: 0 },
    })
    expect(notebookCsv(other)).toBe(csv)
    // Its own table again doubles nothing; one more batch of a day there is already is a batch of its own.
    expect(copyCooks(one, Papa.parse<string[]>(csv).data, NOW)).toEqual({
      ok: true,
      value: { copied: 0, already: 5 },
    })
    expect(notebookCsv(one)).toBe(csv)
    const twice = [cooks[0]!, cooks[1]!, cooks[1]!]
    expect(copyCooks(one, twice, NOW)).toEqual({ ok: true, value: { copied: 1, already: 1 } })
    expect(csv).toContain('2026-02-03,Basmati,300,420')
    for (const kitchen of [one, other]) kitchen.db.close()
  })

  test('a blend and tenths of a gram come back as they were, also with commas for decimals', () => {
    const [one, other] = [household(), household()]
    const cooks = [
      ['date', 'grain', 'dry', 'water', 'pot', 'outcome', 'note'],
      ['2026-02-01', 'Basmati 75 % + Wild rice 25 %', '220,5', '310.4', pot, '0', 'with lime'],
      ['2026-02-02', 'Basmati', '180', '270', pot, '', ''],
    ]
    expect(copyCooks(one, cooks, NOW)).toEqual({ ok: true, value: { copied: 2, already: 0 } })
    expect(notebookCsv(one)).toContain('2026-02-01,Basmati 75 % + Wild rice 25 %,220.5,310.4,')
    const local = notebookCsv(one, { comma: true, bom: true })
    expect(local.startsWith('\uFEFFdate;grain;dry;water;')).toBe(true)
    expect(local).toContain(';220,5;310,4;')
    const read = Papa.parse<string[]>(new TextDecoder().decode(new TextEncoder().encode(local))).data
    expect(copyCooks(other, read, NOW)).toEqual({ ok: true, value: { copied: 2, already: 0 } })
    expect(notebookCsv(other)).toBe(notebookCsv(one))
    expect(copyCooks(one, read, NOW)).toEqual({ ok: true, value: { copied: 0, already: 2 } })
    for (const kitchen of [one, other]) kitchen.db.close()
  })

  test('of an empty kitchen is its heading', () => {
    const kitchen = household()
    expect(notebookCsv(kitchen).trim()).toBe('date,grain,dry,water,pot,outcome,note')
    kitchen.db.close()
  })
})
