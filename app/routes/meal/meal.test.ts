import ICAL from 'ical.js'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import * as calendar from './calendar'
import { wallMs } from '../../ui/time/wall-time'
import { beginHousehold, FIRST_KITCHEN } from '#server/commands/begin-household'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { addDish, dropDish, fixDish, parseTasks, saveMeal } from '#server/commands/meals'
import { makeCalendarKey, opensCalendar, revokeCalendarKey } from '#server/commands/calendar-key'
import { scheduleIn } from '#server/queries/meal-schedule'

const NOW = Date.UTC(2026, 2, 5, 12, 0)
let folder: string
let kitchen: Kitchen
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-meal-'))
  process.env.OMSEL_DATABASE = join(folder, 'omsel.sqlite')
  kitchen = openKitchen(process.env.OMSEL_DATABASE)
  beginHousehold(kitchen, FIRST_KITCHEN)
  globalThis.omselKitchen = kitchen
})
afterEach(() => {
  kitchen.db.close()
  globalThis.omselKitchen = undefined
  delete process.env.OMSEL_DATABASE
  rmSync(folder, { recursive: true })
})

const errorOf = (read: { ok: boolean; errors?: { path: string; message: string }[] }) => read.errors?.[0]
const lay = (serveMs = Date.UTC(2026, 2, 5, 18, 0), cooks = '2') => {
  const read = saveMeal(kitchen, { title: 'e.g. Sunday dinner', serve_ms: String(serveMs), cooks }, NOW)
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value
}
const grain = (vessel_id: string, more = {}) => ({
  kind: 'plan',
  title: vessel_id,
  search: 'grain=long-white',
  vessel_id,
  request: JSON.stringify({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'servings', value: 4 },
    serve_at: '2026-01-01T19:00:00Z',
    ...more,
  }),
})
const roots = {
  kind: 'companion',
  title: 'roots',
  tasks: 'Cut; 15; hands\nRoast; 45; oven; look every 20',
  hold_max_minutes: '20',
}
const meal = (id: string) => kitchen.meals.find(id)!

describe('a meal', () => {
  test("takes grains and companions, and plans them on the kitchen's equipment", () => {
    const id = lay()
    for (const dish of [
      grain('heavy-pot'),
      grain('cooker', { method: 'switch-cooker', vessel: 'cooker-5' }),
      roots,
    ])
      expect(addDish(kitchen, id, dish).ok).toBe(true)
    const schedule = scheduleIn(kitchen, meal(id), NOW)!
    expect([schedule.feasible, schedule.conflicts]).toEqual([true, []])
    expect(schedule.dishes.map((d) => d.title)).toEqual(['heavy-pot', 'cooker', 'roots'])
    // The hour of the meal is the hour, whatever the pot was planned for.
    for (const d of schedule.dishes)
      expect(Date.parse(d.ready_at)).toBeGreaterThan(meal(id).serve_ms - 46 * 60_000)
    expect(dropDish(kitchen, id, meal(id).dishes[0]!.id).ok).toBe(true)
    expect(meal(id).dishes).toHaveLength(2)
  })

  test('two dishes in one pot are cooked in it in turn, and the one that waits is said', () => {
    const id = lay()
    addDish(kitchen, id, grain('heavy-pot'))
    addDish(kitchen, id, { ...grain('heavy-pot'), title: 'the second' })
    const schedule = scheduleIn(kitchen, meal(id), NOW)!
    expect([schedule.feasible, schedule.conflicts]).toEqual([true, []])
    const [one, two] = schedule.dishes.map(({ tasks }) => ({
      filled: tasks.find((t) => t.id === 'pour')!.starts_at,
      emptied: tasks.find((t) => t.id === 'fluff')!.ends_at,
    }))
    const [first, second] = one!.filled < two!.filled ? [one!, two!] : [two!, one!]
    expect(Date.parse(second.filled) - Date.parse(first.emptied)).toBeGreaterThanOrEqual(5 * 60_000)
    expect(schedule.notes).toEqual([expect.stringMatching(/: \d+ min in a bowl/)])
  })

  test('grain planned over a dish of the meal goes onto it when it is done', () => {
    const id = lay()
    addDish(kitchen, id, { kind: 'companion', title: 'Leek stew', tasks: 'Simmer; 20; burner' })
    addDish(
      kitchen,
      id,
      grain('heavy-pot', {
        grains: [{ variety: 'glutinous' }],
        method: 'steam',
        vessel: 'basket-5',
        boiler_dish: { name: 'leek stew', liquid_g: 1500 },
      }),
    )
    const { dishes, conflicts } = scheduleIn(kitchen, meal(id), NOW)!
    expect(conflicts).toEqual([])
    const [stew, hot] = dishes.map(({ tasks }) => tasks.find((t) => t.resource !== undefined)!)
    expect(hot!.resource).toBe(stew!.resource)
    expect(hot!.starts_at >= stew!.ends_at).toBe(true)
  })

  test('a step waits for another dish; taken off, nothing waits for it', () => {
    const id = lay()
    addDish(kitchen, id, { ...grain('heavy-pot'), title: 'the rice' })
    const wok = {
      kind: 'companion',
      title: 'wok',
      tasks: 'Fry the onions; 6; burner\nFold in; 3; hands; after the rice',
    }
    expect(addDish(kitchen, id, wok).ok).toBe(true)
    const { dishes } = scheduleIn(kitchen, meal(id), NOW)!
    const fold = dishes[1]!.tasks.find((t) => t.title === 'Fold in')!
    expect(Date.parse(fold.starts_at)).toBeGreaterThanOrEqual(Date.parse(dishes[0]!.ready_at))
    expect(dropDish(kitchen, id, meal(id).dishes[0]!.id).ok).toBe(true)
    expect(scheduleIn(kitchen, meal(id), NOW)!).toMatchObject({ feasible: true })
    expect(errorOf(addDish(kitchen, id, { ...wok, tasks: 'Fold in; 3; after the rice' }))!.message).toContain(
      'comes after “rice”',
    )
  })

  test('a dish is saved for other meals, replaced by its title, and taken off the list', () => {
    const id = lay()
    const soup = { kind: 'companion', title: 'Leek soup', tasks: 'Simmer; 20; burner' }
    addDish(kitchen, id, soup)
    expect(kitchen.companions.all()).toEqual([])
    addDish(kitchen, id, { ...soup, save: 'on' }, NOW)
    addDish(kitchen, id, { ...soup, title: 'leek SOUP', tasks: 'Simmer; 30; burner', save: 'on' }, NOW)
    const [saved, ...others] = kitchen.companions.all()
    expect(others).toEqual([])
    expect(saved).toMatchObject({ tasks: 'Simmer; 30; burner', saved_ms: NOW })
    expect(kitchen.companions.drop(saved!.id)).toBe(true)
    expect(kitchen.companions.all()).toEqual([])
    for (let n = 0; n < 100; n++)
      kitchen.companions.put({ id: `c${n}`, title: `dish ${n}`, tasks: 'x; 1', saved_ms: NOW })
    const other = lay()
    expect(errorOf(addDish(kitchen, other, { ...soup, save: 'on' }))).toMatchObject({ path: 'save' })
    expect(meal(other).dishes).toEqual([])
    expect(addDish(kitchen, other, { ...soup, title: 'Dish 7', save: 'on' }).ok).toBe(true)
  })

  test('the odds of the evening: a looser dish is worth a margin, which its dish then has', () => {
    const id = lay()
    addDish(kitchen, id, { kind: 'companion', title: 'stew', tasks: 'Simmer; 90; burner' })
    const { odds } = scheduleIn(kitchen, meal(id), NOW)!
    // 90 min as stated, ± 9: Φ(5 / 9) = 0.71.
    expect(odds!.on_time).toBeGreaterThan(0.66)
    expect(odds!.on_time).toBeLessThan(0.76)
    const { dish, ready_before_minutes, on_time } = odds!.margin!
    expect(
      fixDish(kitchen, id, { dish, burner: '', ready_before_minutes: String(ready_before_minutes) }).ok,
    ).toBe(true)
    const then = scheduleIn(kitchen, meal(id), NOW)!
    expect(then.odds!.on_time).toBeCloseTo(on_time, 1)
    expect(then.dishes[0]!.held_minutes).toBe(ready_before_minutes)
  })

  test('too soon, it says by when it could be', () => {
    const id = lay(NOW + 10 * 60_000)
    addDish(kitchen, id, roots)
    const schedule = scheduleIn(kitchen, meal(id), NOW)!
    expect(Date.parse(schedule.ready_by!)).toBe(NOW + 60 * 60_000)
  })

  test.each([
    [{ kind: 'companion', title: '', tasks: 'x; 1' }, 'title'],
    [{ kind: 'companion', title: 'x', tasks: '' }, 'tasks'],
    [{ kind: 'companion', title: 'x', tasks: 'cut; lots' }, 'tasks'],
    [{ kind: 'companion', title: 'x', tasks: 'cut; 5; juggle' }, 'tasks'],
    [{ kind: 'plan', title: 'x', search: '', vessel_id: 'heavy-pot', request: '{' }, 'request'],
    [grain('nobody'), 'vessel_id'],
    [grain('heavy-pot', { grains: [] }), 'grains'],
    [{ kind: 'feast' }, 'kind'],
    [{ ...roots, hold_max_minutes: '9999' }, 'hold_max_minutes'],
  ])('%j is refused by its name, and the meal stays as it was', (dish, path) => {
    const id = lay()
    expect(errorOf(addDish(kitchen, id, dish))!.path).toBe(path)
    expect(meal(id).dishes).toEqual([])
  })
  test('hands, hours and names have their limits', () => {
    expect(errorOf(saveMeal(kitchen, { title: 'x', serve_ms: 'soon', cooks: '1' }, NOW))!.path).toBe(
      'serve_ms',
    )
    expect(errorOf(saveMeal(kitchen, { title: 'x', serve_ms: '1', cooks: '7' }, NOW))!.message).toContain(
      '1 to 4',
    )
    expect(
      errorOf(saveMeal(kitchen, { id: 'nobody', title: 'x', serve_ms: '1', cooks: '1' }, NOW))!.path,
    ).toBe('id')
    expect(errorOf(addDish(kitchen, 'nobody', roots))!.path).toBe('meal')
  })
})

test('tasks are read as they are typed', () => {
  expect(parseTasks('Cut the roots; 15 min; hands\n\nRoast; 45; Oven; look every 20')).toEqual({
    ok: true,
    value: [
      { id: 't1', title: 'Cut the roots', minutes: 15, hands_on: true, needs: 'none' },
      { id: 't2', title: 'Roast', minutes: 45, hands_on: false, needs: 'oven', look_in_every_min: 20 },
    ],
  })
  expect(errorOf(parseTasks('x; 5; look every 1'))!.message).toContain('2 to 240')
  expect(errorOf(parseTasks('x; 5; toString'))!.message).toContain('line 1 may say hands')
})

describe('the calendar', () => {
  const read = (id: string) => {
    const response = calendar.loader({
      params: { meal: id },
      request: new Request(`http://omsel.test/meal/${id}/calendar.ics`),
      context: {},
    } as never)
    return response
      .text()
      .then((text) => ICAL.parse(text) as ConstructorParameters<typeof ICAL.Component>[0])
      .then((parsed) =>
        new ICAL.Component(parsed).getAllSubcomponents('vevent').map((c) => new ICAL.Event(c)),
      )
  }
  test('a calendar program reads the evening, every step with an alarm just before it', async () => {
    const id = lay()
    addDish(kitchen, id, roots)
    addDish(kitchen, id, grain('heavy-pot'))
    const events = await read(id)
    const schedule = scheduleIn(kitchen, meal(id), NOW)!
    const wanted = schedule.dishes.flatMap((d) =>
      d.tasks.filter((t) => t.hands_on || t.resource !== undefined),
    )
    expect(events).toHaveLength(wanted.length + 1)
    for (const task of wanted) {
      const event = events.find(
        (e) =>
          e.summary.endsWith(`: ${task.title}`) &&
          e.startDate.toJSDate().getTime() === Date.parse(task.starts_at),
      )!
      expect(event.endDate.toJSDate().getTime()).toBe(Date.parse(task.ends_at))
      const alarm = event.component.getFirstSubcomponent('valarm')!
      const trigger = alarm.getFirstPropertyValue('trigger') as unknown as { toSeconds: () => number }
      expect(trigger.toSeconds()).toBe(-30)
    }
  })
  test('across the night the clocks go forward, alarms ring at the instant', async () => {
    const noon = wallMs('2026-03-29', '12:00', 'Europe/Berlin')!
    expect(noon).toBe(Date.UTC(2026, 2, 29, 10, 0))
    const id = lay(noon)
    addDish(
      kitchen,
      id,
      grain('heavy-pot', { grains: [{ variety: 'brown-short' }], soak: { minutes: 600, celsius: 5 } }),
    )
    const schedule = scheduleIn(kitchen, meal(id), NOW)!
    const measure = schedule.dishes[0]!.tasks[0]!
    const event = (await read(id)).find((e) => e.summary.endsWith(measure.title))!
    expect(event.startDate.toJSDate().toISOString()).toBe(measure.starts_at)
    // Ten hours of soak and more lie between, of which the wall shows one less.
    expect(noon - event.startDate.toJSDate().getTime()).toBeGreaterThan(10 * 3_600_000)
  })
  test('a meal that moved is the newer one, each step once in the world, and the file ends as it must', async () => {
    const id = lay()
    addDish(kitchen, id, roots)
    const text = () =>
      calendar
        .loader({
          params: { meal: id },
          request: new Request(`http://omsel.test/meal/${id}/calendar.ics`),
          context: {},
        } as never)
        .text()
    const before = await read(id)
    expect((await text()).endsWith('END:VCALENDAR\r\n')).toBe(true)
    await new Promise((resolve) => setTimeout(resolve, 1100))
    const { title, serve_ms } = meal(id)
    expect(saveMeal(kitchen, { id, title, serve_ms: String(serve_ms + 600_000), cooks: '1' }, NOW).ok).toBe(
      true,
    )
    const after = await read(id)
    expect(after.map((e) => e.uid)).toEqual(before.map((e) => e.uid))
    expect(new Set(after.map((e) => e.uid)).size).toBe(after.length)
    const value = (e: (typeof after)[number], name: string) => String(e.component.getFirstPropertyValue(name))
    after.forEach((event, i) => {
      expect(event.uid).toContain(id)
      expect(event.sequence).toBeGreaterThan(before[i]!.sequence)
      for (const stamp of ['dtstamp', 'last-modified'])
        expect(value(event, stamp) > value(before[i]!, stamp)).toBe(true)
      expect(event.startDate.toJSDate().getTime() - before[i]!.startDate.toJSDate().getTime()).toBe(600_000)
    })
  })
  test('a secret address opens this meal until it is revoked or replaced', () => {
    const [one, other] = [lay(), lay()]
    expect(opensCalendar(kitchen, one, '')).toBe(false)
    const key = (makeCalendarKey(kitchen, one) as { value: string }).value
    expect(key.length).toBeGreaterThanOrEqual(32)
    expect([opensCalendar(kitchen, one, key), opensCalendar(kitchen, other, key)]).toEqual([true, false])
    expect(opensCalendar(kitchen, one, `${key}x`)).toBe(false)
    const next = (makeCalendarKey(kitchen, one) as { value: string }).value
    expect([opensCalendar(kitchen, one, key), opensCalendar(kitchen, one, next)]).toEqual([false, true])
    revokeCalendarKey(kitchen, one)
    expect(opensCalendar(kitchen, one, next)).toBe(false)
    expect(makeCalendarKey(kitchen, 'nobody').ok).toBe(false)
  })
  test('an hour the clock skips is the one after it', () => {
    expect(wallMs('2026-03-29', '02:30', 'Europe/Berlin')).toBe(Date.UTC(2026, 2, 29, 1, 30))
    expect(wallMs('2026-02-30', '12:00', 'Europe/Berlin')).toBeUndefined()
    expect(wallMs('2026-03-29', '25:00', 'Europe/Berlin')).toBeUndefined()
  })
})
