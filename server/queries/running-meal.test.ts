import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beginHousehold, FIRST_KITCHEN } from '#server/commands/begin-household'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { boardOfCook, boardOf } from './meal-board'
import { pressMeal } from '#server/commands/meal-events'
import { addDish, dropDish, fixDish, saveMeal } from '#server/commands/meals'
import { scheduleIn } from './meal-schedule'
import { acknowledgeAll, acknowledgeDish } from '#server/commands/acknowledge-changes'

const SERVE = Date.UTC(2026, 2, 5, 18, 0)
const MINUTE = 60_000
let folder: string
let kitchen: Kitchen
let id: string
let presses = 0

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-meal-'))
  kitchen = openKitchen(join(folder, 'omsel.sqlite'))
  beginHousehold(kitchen, FIRST_KITCHEN)
  const saved = saveMeal(
    kitchen,
    { title: 'e.g. Sunday dinner', serve_ms: String(SERVE), cooks: '2', oven: '1', names: 'Maren, Teo' },
    SERVE - 90 * MINUTE,
  )
  if (!saved.ok) throw new Error('no meal')
  id = saved.value
  const request = JSON.stringify({
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    vessel: 'heavy-3.5',
    heat: { rated_w: 1750, efficiency: 0.4 },
  })
  expect(
    addDish(kitchen, id, {
      kind: 'plan',
      title: 'rice',
      search: 'grain=short-white',
      vessel_id: 'heavy-pot',
      heat_id: 'middle-burner',
      request,
    }).ok,
  ).toBe(true)
  expect(
    addDish(kitchen, id, {
      kind: 'companion',
      title: 'roots',
      tasks: 'Cut; 10; hands\nRoast; 40; oven; look every 20',
    }).ok,
  ).toBe(true)
})
afterEach(() => {
  kitchen.db.close()
  rmSync(folder, { recursive: true })
})

const meal = () => kitchen.meals.find(id)!
const dish = (title: string) => meal().dishes.find((d) => d.title === title)!.id
const say = (kind: string, title: string | undefined, stage: string, atMs: number, more: object = {}) =>
  pressMeal(
    kitchen,
    id,
    {
      id: `press-${presses++}`,
      kind,
      stage,
      ...(title === undefined ? {} : { dish: dish(title) }),
      pressed_ms: atMs,
      sent_ms: atMs,
      ahead_ms: 0,
      ...more,
    },
    atMs,
  )
const schedule = (nowMs: number) => scheduleIn(kitchen, meal(), nowMs)!
const board = (nowMs: number) => boardOf(kitchen, meal(), schedule(nowMs), nowMs)
const minutes = (text: string) => Math.round((Date.parse(text) - SERVE) / MINUTE)

describe('a meal under way', () => {
  test('a task begun and done lies where it lay, and the rest goes on from it', () => {
    const before = schedule(SERVE - 60 * MINUTE)
    expect(before.feasible).toBe(true)
    expect(say('begin', 'roots', 't1', SERVE - 55 * MINUTE)).toEqual({ ok: true, value: { isNew: true } })
    // Cut in eight minutes, not ten: the oven may have it two minutes sooner, or as it was published.
    expect(say('done', 'roots', 't1', SERVE - 47 * MINUTE)).toEqual({ ok: true, value: { isNew: true } })
    const roots = schedule(SERVE - 47 * MINUTE).dishes.find((d) => d.title === 'roots')!
    expect([minutes(roots.tasks[0]!.starts_at), minutes(roots.tasks[0]!.ends_at)]).toEqual([-55, -47])
    expect(minutes(roots.tasks[1]!.starts_at)).toBeGreaterThanOrEqual(-47)
    expect(minutes(schedule(SERVE - 47 * MINUTE).table_at)).toBe(0)
  })

  test('a press sent twice, or from two devices, is one event', () => {
    const twice = {
      id: 'same',
      kind: 'begin',
      stage: 't1',
      dish: dish('roots'),
      pressed_ms: SERVE - 55 * MINUTE,
      sent_ms: SERVE - 55 * MINUTE,
    }
    expect(pressMeal(kitchen, id, twice, SERVE - 55 * MINUTE)).toMatchObject({ value: { isNew: true } })
    expect(pressMeal(kitchen, id, twice, SERVE - 54 * MINUTE)).toMatchObject({ value: { isNew: false } })
    expect(say('begin', 'roots', 't1', SERVE - 54 * MINUTE)).toMatchObject({ value: { isNew: false } })
    expect(kitchen.meals.events(id)).toHaveLength(1)
    // Taken back, it may be begun again.
    expect(say('take-back', undefined, '', SERVE - 53 * MINUTE, { target: 'same' })).toMatchObject({
      value: { isNew: true },
    })
    expect(board(SERVE - 53 * MINUTE).begun).toBe(false)
    expect(say('begin', 'roots', 't1', SERVE - 52 * MINUTE)).toMatchObject({ value: { isNew: true } })
  })

  test('a pot begun is a cook on the stove, at the burner the board has for it; its cues come through; a second is refused in words', () => {
    const at = SERVE - 50 * MINUTE
    const where = schedule(at).dishes[0]!.tasks.find((t) => t.resource)!.resource
    expect(say('begin', 'rice', 'measure', at)).toMatchObject({ value: { isNew: true } })
    const [cook] = kitchen.cooks.running()
    expect([cook!.heatId, cook!.vesselId, cook!.startedMs]).toEqual([where, 'heavy-pot', at])
    expect(boardOfCook(kitchen, cook!.id, at)).toMatchObject({
      title: 'e.g. Sunday dinner',
      hands: expect.anything(),
    })
    expect(say('cue', 'rice', 'measure', at + 2 * MINUTE)).toMatchObject({ value: { isNew: true } })
    expect(board(at + 2 * MINUTE).dishes[0]!.tasks.find((t) => t.id === 'measure')!.state).toBe('done')
    const again = JSON.stringify({
      grains: [{ variety: 'quinoa' }],
      amount: { basis: 'dry-mass', value: 200 },
      vessel: 'heavy-3.5',
    })
    addDish(kitchen, id, {
      kind: 'plan',
      title: 'quinoa',
      search: '',
      vessel_id: 'heavy-pot',
      request: again,
    })
    expect(say('begin', 'quinoa', 'measure', at + 3 * MINUTE)).toMatchObject({
      ok: false,
      errors: [{ path: 'dish', message: expect.stringMatching(/is in use/) }],
    })
    // Set aside at the stove, it has not been begun, and may be.
    expect(
      say('take-back', undefined, '', at + 3 * MINUTE, { target: kitchen.meals.events(id)[0]!.id }),
    ).toMatchObject({ ok: false })
  })

  test('is planned with what was learned of the burner the board has for it, and says so to the notebook; its bag gives the grain', () => {
    kitchen.grainBags.saveBag({
      id: 'sack',
      variety: 'short-white',
      name: 'the sack',
      label: '',
      label_ratio: null,
      adopted_delta: null,
      bought_on: null,
      opened_on: null,
      new_crop: 0,
      enriched: 0,
      left_g: 1000,
    })
    const request = {
      grains: [{ variety: 'short-white' }],
      amount: { basis: 'dry-mass', value: 300 },
      vessel: 'heavy-3.5',
      uptake_delta_g_g: 0.05,
    }
    const applied = { uptake: 0.05, steam: 0, power: 0.3, time: 0 }
    const refused = addDish(kitchen, id, {
      kind: 'plan',
      title: 'x',
      search: '',
      vessel_id: 'heavy-pot',
      request: JSON.stringify(request),
      applied: '{"uptake":9}',
    })
    expect(refused.ok).toBe(false)
    for (const d of meal().dishes) if (d.title === 'rice') dropDish(kitchen, id, d.id)
    expect(
      addDish(kitchen, id, {
        kind: 'plan',
        title: 'rice',
        search: '',
        vessel_id: 'heavy-pot',
        heat_id: 'middle-burner',
        bag_id: 'sack',
        request: JSON.stringify(request),
        applied: JSON.stringify(applied),
      }).ok,
    ).toBe(true)
    // A burner pinned at a fifth over its plate.
    const at = SERVE - 50 * MINUTE
    const [burner] = kitchen.equipment.heats()
    fixDish(kitchen, id, { dish: dish('rice'), burner: burner!.id })
    kitchen.notebook.setOverride({
      figure: `power ${burner!.id}`,
      kind: 'pin',
      value: Math.log(1.2),
      atMs: at - MINUTE,
    })
    say('begin', 'rice', 'measure', at)
    const [cook] = kitchen.cooks.running()
    expect(cook!.applied).toEqual({ ...applied, power: expect.closeTo(Math.log(1.2), 9) })
    expect((cook!.request.heat as { rated_w: number }).rated_w).toBeCloseTo(
      burner!.rated_w * burner!.power_factor * 1.2,
      6,
    )
    expect([cook!.heatId, cook!.bagId]).toEqual([burner!.id, 'sack'])
    expect(kitchen.grainBags.bags()[0]!.left_g).toBeCloseTo(700, 6)
  })

  test('the published timetable is the one before the first step, whatever was pressed on earlier days', () => {
    say('hand', 'roots', '', SERVE - 80 * MINUTE, { amount: 1 })
    expect(meal().published).toBeNull()
    addDish(kitchen, id, { kind: 'companion', title: 'soup', tasks: 'Simmer; 30; burner' })
    say('begin', 'roots', 't1', SERVE - 55 * MINUTE)
    expect(meal().published!.map((t) => t.dish)).toContain(dish('soup'))
    expect(board(SERVE - 55 * MINUTE).changes).toEqual([])
  })

  test('a boil that comes late moves what has not begun, and only that is said; seen, it is not said again', () => {
    const at = SERVE - 50 * MINUTE
    say('begin', 'rice', 'measure', at)
    const [cook] = kitchen.cooks.running()
    let clock = at
    for (const stage of ['measure', 'rinse', 'drain', 'pour'])
      say('cue', 'rice', stage, (clock += 2 * MINUTE))
    // Nothing boils for half an hour: the table slides, and the roots with it.
    const late = clock + 30 * MINUTE
    const then = board(late)
    expect(minutes(schedule(late).table_at)).toBeGreaterThan(5)
    expect(then.changes.map((c) => c.dish)).not.toContain(dish('rice'))
    for (const c of then.changes) expect(Math.abs(c.toMs - c.fromMs)).toBeGreaterThanOrEqual(2 * MINUTE)
    expect(kitchen.cooks.events(cook!.id).map((e) => e.kind)).toEqual(['cue', 'cue', 'cue', 'cue'])
  })

  describe('what follows the pot moves with it', () => {
    /** A dish of short-grain rice in place of the plain one; its tasks, minutes from serving. */
    const withRice = (more: object) => {
      for (const d of meal().dishes) if (d.title === 'rice') dropDish(kitchen, id, d.id)
      addDish(kitchen, id, {
        kind: 'plan',
        title: 'rice',
        search: '',
        vessel_id: 'heavy-pot',
        heat_id: 'middle-burner',
        request: JSON.stringify({
          grains: [{ variety: 'short-white' }],
          amount: { basis: 'dry-mass', value: 300 },
          vessel: 'heavy-3.5',
          heat: { rated_w: 1750, efficiency: 0.4 },
          ...more,
        }),
      })
    }
    const tasksAt = (nowMs: number) =>
      new Map(
        schedule(nowMs)
          .dishes.find((d) => d.title === 'rice')!
          .tasks.map((t) => [t.id, { start: minutes(t.starts_at), end: minutes(t.ends_at), at: t.resource }]),
      )

    test('grain to be fried that is cooked too early waits on its tray, not in its pot, and is fried last', () => {
      withRice({ purpose: 'frying', fry_at_end: true })
      expect(tasksAt(SERVE - 110 * MINUTE).get('fry')!.end).toBe(0)
      const at = SERVE - 90 * MINUTE
      say('begin', 'rice', 'measure', at)
      const early = tasksAt(at)
      expect(early.get('rest')!.end).toBeLessThan(-40)
      expect(early.get('fluff')!.start - early.get('rest')!.end).toBeLessThanOrEqual(8)
      expect(early.get('spread')!.start - early.get('fluff')!.end).toBeLessThanOrEqual(1)
      expect(early.get('fry')).toMatchObject({ end: 0, at: expect.any(String) })
    })

    test('dressing is mixed while the pot works and folded in while the grain is hot', () => {
      withRice({ purpose: 'dressed' })
      const tasks = tasksAt(SERVE - 110 * MINUTE)
      expect(tasks.get('mix-dressing')!.end).toBeLessThanOrEqual(tasks.get('fluff')!.start + 1)
      expect(tasks.get('dress')!.start - tasks.get('fluff')!.end).toBeLessThanOrEqual(1)
      expect(tasks.get('cool')!.end).toBe(0)
      const at = SERVE - 75 * MINUTE
      say('begin', 'rice', 'measure', at)
      const begun = tasksAt(at)
      expect(begun.get('mix-dressing')!.end).toBeLessThanOrEqual(begun.get('fluff')!.start + 1)
      expect(begun.get('fluff')!.start - begun.get('rest')!.end).toBeLessThanOrEqual(8)
      expect(begun.get('dress')!.start - begun.get('fluff')!.end).toBeLessThanOrEqual(1)
    })
  })

  test('guests who are late: one press, every pot waits where it costs least, and one press takes all of it back', () => {
    const at = SERVE - 50 * MINUTE
    say('begin', 'rice', 'measure', at)
    const [cook] = kitchen.cooks.running()
    const late = say('late', undefined, '', at + MINUTE, { amount: 15 })
    expect(late).toMatchObject({ value: { isNew: true } })
    expect(minutes(schedule(at + MINUTE).table_at)).toBe(15)
    expect(
      kitchen.cooks
        .events(cook!.id)
        .filter((e) => e.kind === 'late')
        .map((e) => e.amount),
    ).toEqual([15])
    const { last } = board(at + MINUTE)
    expect(last).toMatchObject({ kind: 'late' })
    say('take-back', undefined, '', at + 2 * MINUTE, { target: last!.id })
    // Two minutes have gone by at the measuring, no more.
    expect(minutes(schedule(at + 2 * MINUTE).table_at)).toBeLessThanOrEqual(2)
    expect(kitchen.cooks.events(cook!.id).map((e) => e.kind)).toEqual(['late', 'take-back'])
  })

  test('a ribbon moved while it is cooked goes where it was put, and is no news to who moved it', () => {
    addDish(kitchen, id, {
      kind: 'companion',
      title: 'soup',
      tasks: 'Simmer; 20; burner',
      hold_max_minutes: '45',
    })
    const at = SERVE - 58 * MINUTE
    say('begin', 'roots', 't1', at)
    fixDish(kitchen, id, { dish: dish('soup'), burner: '', ready_before_minutes: '15' })
    acknowledgeDish(kitchen, id, dish('soup'), at)
    const soup = schedule(at).dishes.find((d) => d.title === 'soup')!
    expect(soup.held_minutes).toBe(15)
    expect(board(at).changes.map((c) => c.dish)).not.toContain(dish('soup'))
    // Seen is seen: whatever it pushed is announced no more.
    acknowledgeAll(kitchen, id, at)
    expect(board(at).changes).toEqual([])
  })

  test('a dish given to another pair of hands is theirs', () => {
    const [before] = Object.entries(board(SERVE - 60 * MINUTE).hands).filter(([key]) =>
      key.startsWith(dish('roots')),
    )
    say('hand', 'roots', '', SERVE - 60 * MINUTE, { amount: 1 - before![1] })
    expect(board(SERVE - 59 * MINUTE).hands[before![0]]).toBe(1 - before![1])
  })

  test('what makes no sense is refused in words, and nothing is written', () => {
    const at = SERVE - 50 * MINUTE
    const refused = (...args: Parameters<typeof say>) => {
      const got = say(...args)
      return got.ok ? 'taken' : got.errors[0]!.path
    }
    expect(refused('begin', undefined, 't1', at)).toBe('dish')
    expect(refused('begin', 'roots', 't9', at)).toBe('stage')
    expect(refused('late', undefined, '', at)).toBe('amount')
    expect(refused('late', undefined, '', at, { amount: 500 })).toBe('amount')
    expect(refused('hand', 'roots', '', at, { amount: 2 })).toBe('amount')
    expect(refused('take-back', undefined, '', at, { target: 'nothing' })).toBe('target')
    expect(refused('cue', 'rice', 'measure', at)).toBe('dish')
    expect(refused('done', 'rice', 'measure', at)).toBe('dish')
    expect(pressMeal(kitchen, id, { kind: 'dance' }, at)).toMatchObject({ ok: false })
    expect(pressMeal(kitchen, 'none', {}, at)).toMatchObject({ ok: false, errors: [{ path: 'meal' }] })
    expect(kitchen.meals.events(id)).toEqual([])
  })
})
