import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { kitchen } from '#server/kitchen'
import { planOf } from '../../tests/helpers/render'
import * as bench from './plan/plan'
import * as card from './recipe-card/recipe-card'
import * as leftovers from './leftovers/leftovers'
import * as labels from './leftovers/labels'
import * as week from './leftovers/week'
import * as putAway from './leftovers/put-away'
import * as learned from './learned/learned'
import * as copy from './notebook/import'
import * as notebook from './notebook/notebook'
import * as page from './notebook/entry'
import * as photo from './photos/photo'
import * as foodSafety from './settings/food-safety'
import * as people from './settings/people'
import * as settings from './settings/settings'
import * as meal from './meal/meal'
import * as meals from './meal/meals'
import * as tasteTest from './taste-tests/taste-test'
import * as tasteTests from './taste-tests/taste-tests'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-after-'))
  process.env.OMSEL_DATABASE = join(folder, 'omsel.sqlite')
  globalThis.omselKitchen = undefined
  kitchen().household.welcome()
})
afterEach(() => {
  globalThis.omselKitchen?.db.close()
  globalThis.omselKitchen = undefined
  delete process.env.OMSEL_DATABASE
  rmSync(folder, { recursive: true })
})

interface Answer {
  status: number
  to: string | null
  value: Record<string, unknown>
}
type Handler = (args: never) => unknown
/** Calls a loader or an action the way the router does. */
async function call(
  handler: Handler,
  {
    body,
    params = {},
    url = 'http://omsel.test/',
  }: { body?: Record<string, string> | FormData; params?: Record<string, string>; url?: string } = {},
): Promise<Answer> {
  const request =
    body === undefined
      ? new Request(url)
      : new Request(url, {
          method: 'POST',
          body: body instanceof FormData ? body : new URLSearchParams(body),
        })
  try {
    const given = await handler({ request, params, context: {} } as never)
    if (given instanceof Response)
      return { status: given.status, to: given.headers.get('Location'), value: {} }
    const wrapped = given as {
      type?: string
      data?: Record<string, unknown>
      init?: { status?: number } | null
    }
    return wrapped.type === 'DataWithResponseInit'
      ? { status: wrapped.init?.status ?? 200, to: null, value: wrapped.data ?? {} }
      : { status: 200, to: null, value: given as Record<string, unknown> }
  } catch (thrown) {
    if (thrown instanceof Response)
      return { status: thrown.status, to: thrown.headers.get('Location'), value: {} }
    throw thrown
  }
}
const path = (answer: Answer) => (answer.value.errors as { path?: string; column?: string }[])[0]!.path
const words = (answer: Answer) => (answer.value.errors as { message: string }[]).map((e) => e.message).join()

/** A finished cook, copied from an old notebook.  @returns its id */
async function cooked(): Promise<string> {
  const table = [['2026-01-03', 'Quinoa', '220', '310', 'heavy pot', 'wet', 'a note']]
  expect((await call(copy.action, { body: { intent: 'copy', table: JSON.stringify(table) } })).value).toEqual(
    { copied: 1, already: 0 },
  )
  return kitchen().notebook.lines({}, 1, 0)[0]!.cook_id
}

describe('every place refuses an intent it does not know, in words', () => {
  test.each<[string, Handler, Record<string, string>]>([
    ['leftovers', leftovers.action, {}],
    ['put away', putAway.action, {}],
    ['learned', learned.action, {}],
    ['copy', copy.action, {}],
    ['meals', meals.action, {}],
    ['meal', meal.action, { meal: 'x' }],
    ['tasteTests', tasteTests.action, {}],
    ['tasteTest', tasteTest.action, { tasteTest: 'x' }],
    ['page', page.action, { cook: 'x' }],
    ['settings', settings.action, {}],
    ['people', people.action, {}],
    ['keeping food', foodSafety.action, {}],
  ])('%s', async (_, action, params) => {
    for (const intent of ['toString', '', 'constructor', 'drop-everything']) {
      const answer = await call(action, { body: { intent }, params })
      expect(answer.status).toBe(400)
      expect(words(answer)).toContain('intent must be')
    }
  })
})

describe('what is not there is not found', () => {
  test.each<[string, Handler, Record<string, string>]>([
    ['page', page.loader, { cook: 'nobody' }],
    ['meal', meal.loader, { meal: 'nobody' }],
    ['tasteTest', tasteTest.loader, { tasteTest: 'nobody' }],
    ['photo', photo.loader, { photo: '../../etc/passwd' }],
  ])('%s', async (_, loader, params) => {
    expect((await call(loader, { params })).status).toBe(404)
  })
  test('putting away from no cook', async () => {
    expect(
      (await call(putAway.loader, { url: 'http://omsel.test/leftovers/put-away?cook=nobody' })).status,
    ).toBe(404)
  })
})

describe('leftovers', () => {
  const tin = { intent: 'save-container', name: 'tin', ml: '500', depth_mm: '45', many: '3' }
  const container = (containers: string[], more = {}) =>
    JSON.stringify({
      title: 'quinoa',
      variety: 'quinoa',
      grams: 300,
      portions: 2,
      water_share: 0.6,
      density_g_ml: 0.78,
      place: 'fridge',
      open: true,
      stacked: 1,
      minutes_ago: 10,
      containers,
      ...more,
    })
  test('a container is added, filled, eaten from and labelled', async () => {
    expect((await call(leftovers.action, { body: tin })).value).toMatchObject({ done: 'save-container' })
    const { id } = kitchen().leftovers.containers()[0]!
    expect(
      await call(putAway.action, { body: { intent: 'put-away', leftover: container([id]) } }),
    ).toMatchObject({
      status: 302,
      to: '/leftovers',
    })
    const { value } = await call(leftovers.loader)
    const [row] = value.leftovers as { id: string; portions: number }[]
    expect(row!.portions).toBe(2)
    expect((await call(labels.loader)).value.leftovers).toHaveLength(1)
    expect(
      (
        await call(leftovers.action, {
          body: { intent: 'tell', id: 'e1', leftover_id: row!.id, kind: 'eaten', portions: '1' },
        })
      ).status,
    ).toBe(200)
    // It counts in on the plan.
    expect(
      ((await call(bench.loader)).value as { household: { leftovers: unknown[] } }).household.leftovers,
    ).toMatchObject([{ variety: 'quinoa', portions: 1 }])
    expect(
      (
        await call(leftovers.action, {
          body: { intent: 'tell', id: 'e2', leftover_id: row!.id, kind: 'thrown' },
        })
      ).status,
    ).toBe(200)
    expect((await call(leftovers.loader)).value.leftovers).toEqual([])
  })
  test('what is refused comes back with what was typed', async () => {
    const answer = await call(leftovers.action, { body: { ...tin, ml: 'big' } })
    expect([answer.status, path(answer), answer.value.typed]).toEqual([422, 'ml', { ...tin, ml: 'big' }])
    for (const body of ['{', 'null', '[]', '"x"', container(['nobody'])]) {
      const refused = await call(putAway.action, { body: { intent: 'put-away', leftover: body } })
      expect([400, 422]).toContain(refused.status)
      expect(words(refused).length).toBeGreaterThan(5)
    }
  })
  test('putting away from a cook begins with what was cooked, and remembers what stuck', async () => {
    const cook = await cooked()
    await call(leftovers.action, { body: tin })
    const { value } = await call(putAway.loader, { url: `http://omsel.test/leftovers/put-away?cook=${cook}` })
    expect(value.cook).toMatchObject({ id: cook, variety: 'quinoa', already: 0 })
    const { id } = kitchen().leftovers.containers()[0]!
    expect(
      (
        await call(putAway.action, {
          body: {
            intent: 'put-away',
            leftover: container([id], { cook_id: cook }),
            stuck: '50',
            vessel_id: 'heavy-pot',
          },
        })
      ).status,
    ).toBe(302)
    expect(
      kitchen()
        .equipment.vessels()
        .find((v) => v.id === 'heavy-pot')!.sticks_g,
    ).toBe(50)
    expect(kitchen().leftovers.manyOf(cook)).toBe(1)
    // And a cook that is taken out leaves what is in the fridge.
    expect((await call(page.action, { body: { intent: 'remove' }, params: { cook } })).to).toBe('/notebook')
    expect((await call(leftovers.loader)).value.leftovers).toMatchObject([{ cook_id: null }])
  })
  test('dressing made ahead', async () => {
    expect(
      (await call(leftovers.action, { body: { intent: 'make-bottle', style: 'milder', made_g: '200' } }))
        .status,
    ).toBe(200)
    const { id } = kitchen().leftovers.bottles()[0]!
    expect(
      path(await call(leftovers.action, { body: { intent: 'take-from-bottle', id, grams: '900' } })),
    ).toBe('grams')
  })
})

describe('cooking for the week', () => {
  const search = 'day=2026-12-06&cooked=18:00&eaten=18:00&w=long-white:2:0,1,3&w=quinoa:1:2'
  const url = `http://omsel.test/leftovers/week?${search}`
  interface Batches {
    batches: {
      variety: string
      meals: { day: number; from: string }[]
      plan: { dryG: number; rounds: number }
      use: { name: string; times: number }[]
      withoutPortions: number
    }[]
    buy: { variety: string; grams: number }[]
  }
  const at = async (address: string) =>
    (await call(week.loader, { url: address })).value as unknown as Batches

  test('says where each portion goes, which containers are filled, and what to buy', async () => {
    kitchen().leftovers.saveContainer({ id: 'tub', name: 'the tub', ml: 900, depth_mm: 60, many: 2 })
    kitchen().grainBags.saveBag({
      id: 'sack',
      variety: 'long-white',
      name: 'the sack',
      label: '',
      label_ratio: null,
      adopted_delta: null,
      bought_on: null,
      opened_on: null,
      new_crop: 0,
      enriched: 0,
      left_g: 100,
    })
    const { batches, buy } = await at(url)
    expect(batches.map((b) => b.variety)).toEqual(['long-white', 'quinoa'])
    expect(batches[0]!.meals.map((m) => m.from)).toEqual(['pot', 'fridge', 'freezer'])
    // Two tubs for the rice of Monday and Wednesday, none for the quinoa of Tuesday.
    expect(batches[0]!.use).toEqual([{ name: 'the tub', times: 2 }])
    expect(batches[1]!.withoutPortions).toBe(1)
    const short = buy.find((b) => b.variety === 'long-white')!
    expect(short.grams).toBeGreaterThanOrEqual(batches[0]!.plan.dryG - 100)
    expect(short.grams).toBeLessThan(batches[0]!.plan.dryG)
  })

  test('what its pot does not hold at once is cooked in rounds, and all of it is one meal in one pot in turn', async () => {
    const [pot] = kitchen().equipment.vessels()
    const many = `day=2026-12-06&cooked=18:00&eaten=18:00&pot=${pot!.id}&w=long-white:6:0,1,2,3&w=quinoa:1:2`
    const { batches } = await at(`http://omsel.test/leftovers/week?${many}`)
    const { rounds } = batches[0]!.plan
    expect(rounds).toBeGreaterThan(1)
    const made = await call(week.action, { body: { search: many } })
    const [laid] = kitchen().meals.all()
    expect(made.to).toBe(`/meal/${laid!.id}`)
    expect(laid!.dishes).toHaveLength(rounds + 1)
    expect(new Set(laid!.dishes.map((d) => d.kind === 'plan' && d.vessel_id))).toEqual(new Set([pot!.id]))
  })

  test('an empty week is refused in words and leaves nothing', async () => {
    const refused = await call(week.action, { body: { search: 'day=2026-12-06' } })
    expect(refused.status).toBe(422)
    expect(path(refused)).toBe('week')
    expect(kitchen().meals.all()).toEqual([])
  })

  test('a meal sends its cook to the plan for a pot of its own, whichever comes soonest', async () => {
    const lay = (title: string, day: string) =>
      call(meals.action, { body: { intent: 'begin', title, day, hour: '19:00', cooks: '1' } })
    await lay('tonight', '2030-01-01')
    const later = (await lay('later', '2030-01-02')).to!.replace('/meal/', '')
    const offered = async (query: string) =>
      (
        (await call(bench.loader, { url: `http://omsel.test/${query}` })).value.meals as { title: string }[]
      ).map(({ title }) => title)
    expect(await offered('')).toEqual(['tonight', 'later'])
    expect(await offered(`?meal=${later}`)).toEqual(['later'])
    expect(await offered('?meal=nobody')).toEqual(['tonight', 'later'])
  })

  test('an address that makes no sense is an empty week', async () => {
    const { batches } = await at(
      'http://omsel.test/leftovers/week?w=gravel:2:1&w=quinoa:900:1&w=quinoa:1:9&day=x',
    )
    expect(batches).toEqual([])
  })
})

describe('the notebook', () => {
  test('is filtered by its address, and an invalid address is no error', async () => {
    await cooked()
    const at = async (query: string) =>
      (await call(notebook.loader, { url: `http://omsel.test/notebook?${query}` })).value as {
        total: number
        page: number
      }
    expect((await at('')).total).toBe(1)
    expect((await at('grain=quinoa&was=wet&q=note')).total).toBe(1)
    expect((await at('grain=rye')).total).toBe(0)
    for (const odd of [
      'page=-3',
      'page=NaN',
      'page=1e9',
      'page=2.5',
      'was=__proto__',
      `q=${'x'.repeat(5000)}`,
      'q=%00%22%27--',
      'grain=%F0%9F%8D%9A',
    ])
      expect((await at(odd)).page).toBeGreaterThanOrEqual(1)
  })
  test('a page tells everything of a cook, and takes weights, pictures and ratings', async () => {
    const cook = await cooked()
    const params = { cook }
    expect((await call(page.loader, { params })).value).toMatchObject({
      title: 'Quinoa',
      pourG: 310,
      rating: { wetDry: 1, note: 'a note' },
    })
    expect(
      (
        await call(page.action, {
          params,
          body: { intent: 'judge', wet_dry: '0', hardness: '0', separate: '2', even: 'patches', ate: 'Pim' },
        })
      ).value,
    ).toEqual({ saved: true })
    expect(
      (
        await call(page.action, {
          params,
          body: { intent: 'measure', 'pot-before': '2000', 'pot-after': '1950' },
        })
      ).value,
    ).toEqual({ measured: true })
    expect(
      path(
        await call(page.action, {
          params,
          body: { intent: 'measure', 'pot-before': '2000', 'pot-after': '2950' },
        }),
      ),
    ).toBe('pot-after')
    expect(
      path(await call(page.action, { params, body: { intent: 'judge', wet_dry: '9', hardness: '0' } })),
    ).toBe('wet_dry')
    const form = new FormData()
    form.set('intent', 'photo')
    form.set('cue', '')
    form.set(
      'photo',
      new File(
        [
          new Uint8Array(
            await sharp({ create: { width: 40, height: 30, channels: 3, background: 'red' } })
              .png()
              .toBuffer(),
          ),
        ],
        'a.png',
      ),
    )
    expect((await call(page.action, { params, body: form })).value).toEqual({ photo: true })
    const { id } = kitchen().photos.ofCook(cook)[0]!
    expect((await call(photo.loader, { params: { photo: id } })).status).toBe(200)
    expect(path(await call(page.action, { params, body: { intent: 'drop-photo', photo: 'another' } }))).toBe(
      'photo',
    )
    expect((await call(page.action, { params, body: { intent: 'drop-photo', photo: id } })).value).toEqual({
      photo: true,
    })
    expect(
      (
        await call(page.action, {
          params: { cook: 'nobody' },
          body: { intent: 'judge', wet_dry: '0', hardness: '0' },
        })
      ).status,
    ).toBe(404)
  })
  test('copying takes nothing of a table that is none', async () => {
    for (const table of [
      '{',
      '{}',
      '[1]',
      '[["a"],[2]]',
      JSON.stringify(Array.from({ length: 900 }, () => ['x'])),
    ]) {
      const answer = await call(copy.action, { body: { intent: 'copy', table } })
      expect(answer.status).toBe(400)
      expect(words(answer)).toMatch(/table must be/)
    }
    const wrong = await call(copy.action, {
      body: { intent: 'copy', table: JSON.stringify([['2026-01-03', 'gravel', '220', '310', 'heavy pot']]) },
    })
    expect([wrong.status, words(wrong)]).toEqual([422, expect.stringContaining('grain must be')])
    expect(kitchen().notebook.count({})).toBe(0)
  })
  test('learned values are fixed, restarted and released', async () => {
    await cooked()
    const figure = 'grain quinoa'
    const of = async () =>
      (
        (await call(learned.loader)).value as {
          figures: { figure: string; mean: number; pinned: boolean; cooks: number }[]
        }
      ).figures.find((f) => f.figure === figure)!
    expect((await of()).cooks).toBe(1)
    expect((await call(learned.action, { body: { intent: 'pin', figure, value: '0.25' } })).status).toBe(200)
    expect(await of()).toMatchObject({ mean: 0.25, pinned: true })
    expect(path(await call(learned.action, { body: { intent: 'pin', figure, value: '9' } }))).toBe('value')
    expect(
      path(await call(learned.action, { body: { intent: 'pin', figure: '__proto__ x', value: '0' } })),
    ).toBe('figure')
    expect((await call(learned.action, { body: { intent: 'undo', figure } })).status).toBe(200)
    expect((await of()).pinned).toBe(false)
  })
})

describe('meals', () => {
  const begin = { intent: 'begin', title: 'e.g. Sunday dinner', day: '2030-03-05', hour: '19:00', cooks: '2' }
  test('a meal is created, dishes are added and removed, and it is deleted', async () => {
    const { to } = await call(meals.action, { body: begin })
    const params = { meal: to!.replace('/meal/', '') }
    expect((await call(meal.loader, { params })).value).toMatchObject({ schedule: null })
    const dish = { intent: 'add', kind: 'companion', title: 'soup', tasks: 'Simmer; 20; burner' }
    expect((await call(meal.action, { params, body: dish })).value).toMatchObject({ done: 'add' })
    const plan = {
      intent: 'add',
      kind: 'plan',
      title: 'rice',
      search: '',
      vessel_id: 'heavy-pot',
      request: JSON.stringify({
        grains: [{ variety: 'long-white' }],
        amount: { basis: 'dry-mass', value: planOf().grain.mass_g },
      }),
    }
    expect((await call(meal.action, { params, body: plan })).to).toBe(`/meal/${params.meal}`)
    const { schedule, meal: laid } = (await call(meal.loader, { params })).value as {
      schedule: { feasible: boolean; dishes: unknown[] }
      meal: { dishes: { id: string }[] }
    }
    expect([schedule.feasible, schedule.dishes.length]).toEqual([true, 2])
    expect(
      (
        await call(meal.action, {
          params,
          body: { intent: 'fix', dish: laid.dishes[0]!.id, burner: 'big-burner', ready_before_minutes: '10' },
        })
      ).status,
    ).toBe(200)
    expect(
      path(
        await call(meal.action, {
          params,
          body: { intent: 'fix', dish: laid.dishes[0]!.id, burner: 'the-sun' },
        }),
      ),
    ).toBe('burner')
    const fixed = (await call(meal.loader, { params })).value as {
      schedule: { dishes: { held_minutes: number; tasks: { resource?: string }[] }[] }
    }
    expect(fixed.schedule.dishes[0]).toMatchObject({ held_minutes: 10, tasks: [{ resource: 'big-burner' }] })
    expect(
      (
        await call(meal.action, {
          params,
          body: { intent: 'save', title: 'later', day: '2030-03-06', hour: '20:00', cooks: '1' },
        })
      ).value,
    ).toEqual({ done: 'save' })
    expect(
      (await call(meal.action, { params, body: { intent: 'drop', dish: laid.dishes[0]!.id } })).value,
    ).toEqual({ done: 'drop' })
    expect((await call(meals.loader)).value.meals).toMatchObject([{ title: 'later', dishes: ['rice'] }])
    expect((await call(meal.action, { params, body: { intent: 'remove' } })).to).toBe('/meal')
  })
  test.each([
    [{ day: 'tomorrow' }, 'hour'],
    [{ hour: '25:00' }, 'hour'],
    [{ day: '2030-02-31' }, 'hour'],
    [{ title: '' }, 'title'],
    [{ cooks: '12' }, 'cooks'],
  ])('%j is refused, and what was typed comes back', async (more, at) => {
    const answer = await call(meals.action, { body: { ...begin, ...more } })
    expect([answer.status, path(answer), answer.value.typed]).toEqual([422, at, { ...begin, ...more }])
  })
})

describe('tasteTests', () => {
  const cups = [
    { label: '400 g', search: 'grain=wild', delta: 0 },
    { label: '420 g', search: 'grain=wild', delta: 0.1 },
  ]
  const given = {
    title: 'wild',
    differs: 'water',
    grain_key: 'wild',
    vessel_id: 'heavy-pot',
    blind: true,
    cups,
  }
  test('made, tasted, taken back, adopted, dropped', async () => {
    const { to } = await call(tasteTests.action, {
      body: { intent: 'make', tasteTest: JSON.stringify(given) },
    })
    const params = { tasteTest: to!.replace('/taste-tests/', '') }
    expect(
      (
        await call(tasteTest.action, {
          params,
          body: { intent: 'taste', id: 'a', who: 'Teo', ranking: 'AB' },
        })
      ).value,
    ).toEqual({ tasted: true })
    expect(
      path(await call(tasteTest.action, { params, body: { intent: 'taste', id: 'b', ranking: 'AA' } })),
    ).toBe('ranking')
    expect((await call(tasteTest.loader, { params })).value.tastings).toHaveLength(1)
    expect((await call(tasteTest.action, { params, body: { intent: 'untaste', id: 'a' } })).value).toEqual({
      tasted: true,
    })
    expect(path(await call(tasteTest.action, { params, body: { intent: 'untaste', id: 'a' } }))).toBe('id')
    expect((await call(tasteTest.action, { params, body: { intent: 'adopt', letter: 'A' } })).value).toEqual({
      adopted: 'A',
    })
    expect((await call(tasteTests.loader)).value.tasteTests).toMatchObject([
      { title: 'wild', cups: 2, tastings: 0 },
    ])
    expect((await call(tasteTest.action, { params, body: { intent: 'drop' } })).to).toBe('/taste-tests')
  })
  test('what is no tasteTest is refused', async () => {
    for (const body of [
      '{',
      'null',
      JSON.stringify({ ...given, cups: [] }),
      JSON.stringify({ ...given, vessel_id: 'nobody' }),
    ]) {
      const answer = await call(tasteTests.action, { body: { intent: 'make', tasteTest: body } })
      expect([400, 422]).toContain(answer.status)
    }
    expect(kitchen().tasteTests.all()).toEqual([])
  })
})

test('guidance is set in Settings, stricter only', async () => {
  expect(
    (await call(foodSafety.action, { body: { intent: 'guidance', guidance: 'us', eat_h: '48' } })).value,
  ).toEqual({ saved: true })
  expect(
    path(await call(foodSafety.action, { body: { intent: 'guidance', guidance: 'us', eat_h: '480' } })),
  ).toBe('eat_h')
  expect((await call(card.loader)).value).toMatchObject({ household: { guidance: 'us' } })
})
