import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { METHOD_IDS } from '#core/methods/index'
import { plan } from '#core/plan/plan'
import { companionOf, dishOf, heldMost, soakWaits, standsAt, waitBefore } from './dish-blocks'

const read = (json: Partial<PlanRequestJson>) => {
  const got = parsePlanRequest({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...json,
  })
  if (!got.ok) throw new Error(got.errors[0]!.message)
  return got.value
}
const dish = (json: Partial<PlanRequestJson> = {}, more: Partial<Parameters<typeof dishOf>[0]> = {}) => {
  const request = read(json)
  return dishOf({ id: 'd', title: 'd', request, plan: plan(request), ...more })
}

describe('a plan as blocks', () => {
  test('holds every stage once, on whole minutes, in its order', () => {
    for (const method of METHOD_IDS) {
      const request = read({ method })
      const made = plan(request)
      const { blocks } = dishOf({
        id: 'd',
        title: 'd',
        request,
        plan: made,
        ...(standsAt(request) === 'appliance' ? { appliance: 'it' } : {}),
      })
      const tasks = blocks.flatMap((b) => b.tasks.map((t) => t.id))
      expect([method, [...tasks].sort()]).toEqual([method, made.stages.map((s) => s.id).sort()])
      for (const block of blocks) {
        expect(Number.isInteger(block.minutes)).toBe(true)
        for (const t of block.tasks) {
          expect(Number.isInteger(t.from) && Number.isInteger(t.minutes)).toBe(true)
          expect(t.from + t.minutes).toBeLessThanOrEqual(block.minutes)
          // No stage is shorter than planned.
          expect(t.minutes).toBeGreaterThanOrEqual(
            made.stages.find((s) => s.id === t.id)!.minutes.expected - 1e-6,
          )
        }
      }
    }
  })

  test('may be torn after a soak and after the rest, and nowhere on the heat', () => {
    const { blocks } = dish({ soak: { minutes: 60, celsius: 20 } })
    expect(blocks.map((b) => b.id)).toEqual(['d soak', 'd cook', 'd end'])
    expect(blocks[0]!.tasks.at(-1)!.id).toBe('soak')
    expect(blocks[1]!.tasks.some((t) => t.id === 'heat-up') && blocks[1]!.tasks.at(-1)!.id === 'rest').toBe(
      true,
    )
    expect(blocks[2]!.after).toEqual([{ id: 'd cook', mostWait: 8 }])
    expect(dish().blocks.map((b) => b.id)).toEqual(['d cook', 'd end'])
  })

  test('soaked grain waits as long as it stays whole and sweet, colder longer', () => {
    const wait = (celsius: number, variety = 'brown-short' as const) =>
      dish({ grains: [{ variety }], soak: { minutes: 120, celsius } }).blocks[1]!.after[0]!.mostWait
    expect(wait(5)).toBeGreaterThan(wait(20))
    expect(wait(20)).toBeGreaterThan(wait(28))
  })

  test('a pot keeps its burner from the first heat to the last, an appliance through its rest', () => {
    const [cook] = dish().blocks
    const burner = cook!.needs.find((n) => n.place === 'burner')!
    const heated = cook!.tasks.filter((t) => t.place === 'burner')
    expect(burner.from).toBe(Math.min(...heated.map((t) => t.from)))
    expect(burner.from + burner.minutes).toBe(Math.max(...heated.map((t) => t.from + t.minutes)))
    const inside = dish({ method: 'switch-cooker' }, { appliance: 'cooker' }).blocks[0]!
    const own = inside.needs.find((n) => n.place === 'appliance')!
    expect(own.from + own.minutes).toBe(inside.minutes)
    expect(inside.needs.some((n) => n.place === 'burner')).toBe(false)
  })

  test('is held no longer than it stays hot, and what the cook says counts before that', () => {
    expect(
      dish({ vessel: 'steel-1.6', amount: { basis: 'dry-mass', value: 120 }, kitchen_c: 10 }).holdMost,
    ).toBeLessThan(45)
    expect(dish({}, { holdMost: 3 }).holdMost).toBe(3)
  })

  test('stands where its school stands', () => {
    expect(standsAt(read({}))).toBe('burner')
    expect(standsAt(read({ method: 'pressure-stovetop' }))).toBe('burner')
    expect(standsAt(read({ method: 'switch-cooker' }))).toBe('appliance')
    expect(standsAt(read({ method: 'oven' }))).toBe('oven')
  })
})

describe('limits', () => {
  const keeping = (warm_minutes: number, dry_minutes: number, json: Partial<PlanRequestJson> = {}) => {
    const request = read(json)
    const made = plan(request)
    return heldMost(request, { ...made, keeps: { ...made.keeps, warm_minutes, dry_minutes } })
  }
  test('a ready pot is held from 5 to 45 minutes, and between them while it is warm and not dry', () => {
    expect([4, 5, 5.9, 30.9, 45, 46].map((warm) => keeping(warm, 200))).toEqual([5, 5, 5, 30, 45, 45])
    expect([4, 31, 46].map((dry) => keeping(200, dry))).toEqual([5, 31, 45])
    // What keeps itself warm only dries.
    expect(keeping(4, 31, { method: 'switch-cooker' })).toBe(31)
    expect(keeping(4, 31, { method: 'pressure-electric' })).toBe(31)
    expect(keeping(4, 31, { method: 'pressure-stovetop' })).toBe(5)
  })

  test('a pot that another dish needs waits for longer, its grain in a bowl', () => {
    const inTurn = dish({}, { pot: 'p', potInTurn: true })
    expect([inTurn.holdMost, inTurn.keepsMost]).toEqual([90, 20])
    expect(dish({}, { pot: 'p', potInTurn: true, holdMost: 12 }).holdMost).toBe(12)
    expect(dish({}, { pot: 'p' }).keepsMost).toBeUndefined()
  })

  test('what follows a rest may wait eight minutes, frying an hour, the rest goes on at once', () => {
    expect([waitBefore('fluff', true), waitBefore('fry', true)]).toEqual([8, 8])
    expect([waitBefore('fry', false), waitBefore('dress', false)]).toEqual([60, 1])
  })

  test('drained grain waits twenty minutes at least, soaked grain until it is fragile or sour', () => {
    expect(soakWaits(read({}))).toBe(20)
    const soaked = (minutes: number) =>
      soakWaits(read({ grains: [{ variety: 'brown-short' }], soak: { minutes, celsius: 20 } }))
    // An hour longer in the water leaves an hour less.
    expect(soaked(60) - soaked(120)).toBe(60)
    expect(soaked(1440 * 2)).toBe(20)
  })

  test('a stage that a clock ends does not vary; heat by a fifth of its minutes at most', () => {
    const tasks = dish().blocks.flatMap((b) => b.tasks)
    const rest = tasks.find((t) => t.id === 'rest')!
    expect([rest.early, rest.late]).toEqual([undefined, undefined])
    const request = read({})
    for (const stage of plan(request).stages) {
      const task = tasks.find((t) => t.id === stage.id)!
      if (stage.ends_on === 'clock') continue
      const { low, expected, high } = stage.minutes
      const most = stage.power_w > 0 ? expected / 5 : Infinity
      expect(task.early).toBeCloseTo(Math.min(expected - low, most), 9)
      expect(task.late).toBeCloseTo(Math.min(high - expected, most), 9)
    }
  })

  test('grain to be fried may lie on its tray, and wants a burner of its own whatever cooked it', () => {
    const frying = { purpose: 'frying', fry_at_end: true } as const
    const { blocks } = dish(frying)
    expect(blocks.map((b) => b.id)).toEqual(['d cook', 'd tray', 'd end'])
    expect(blocks[1]!.after).toEqual([{ id: 'd cook', mostWait: 8 }])
    expect(blocks[2]!.after).toEqual([{ id: 'd tray', mostWait: 60 }])
    const cooker = dish({ ...frying, method: 'switch-cooker' }, { appliance: 'cooker' })
    const [first, , last] = cooker.blocks
    expect(first!.appliance).toBe('cooker')
    expect(last!.appliance).toBeUndefined()
    expect(last!.needs.filter((n) => n.place !== null).map((n) => n.place)).toEqual(['burner'])
  })

  test('what waits for other dishes is the block that fills the pot', () => {
    const { blocks } = dish({ soak: { minutes: 60, celsius: 20 } }, { pot: 'p', afterDishes: ['stew'] })
    expect(blocks.map((b) => [b.id, b.afterDishes, b.pot?.id])).toEqual([
      ['d soak', undefined, undefined],
      ['d cook', ['stew'], 'p'],
      ['d end', undefined, 'p'],
    ])
    const cook = blocks[1]!
    expect(cook.pot!.from).toBe(cook.tasks.find((t) => t.id === 'pour')!.from)
    expect(cook.pot!.emptyBeforeEnd).toBeUndefined()
    // It is empty once it is loosened; what comes after that needs it no more.
    const end = blocks[2]!
    const fluff = end.tasks.find((t) => t.id === 'fluff')!
    expect(end.pot).toEqual({ id: 'p', from: 0, emptyBeforeEnd: end.minutes - fluff.from - fluff.minutes })
  })
})

describe('what goes with it', () => {
  const task = (id: string, minutes: number, more = {}) => ({
    id,
    title: id,
    minutes,
    handsOn: false,
    needs: 'none' as const,
    ...more,
  })
  test('tasks follow one another unless said otherwise', () => {
    const { blocks } = companionOf({
      id: 's',
      title: 's',
      tasks: [task('a', 5), task('b', 5), task('c', 5, { after: ['a'] })],
    })
    expect(blocks.map((b) => b.after.map((a) => a.id))).toEqual([[], ['s a'], ['s a']])
  })
  test('looks are minutes of hands, within the task and never at its end', () => {
    const { blocks } = companionOf({
      id: 's',
      title: 's',
      tasks: [task('roast', 45, { needs: 'oven', lookInEveryMin: 20 })],
    })
    expect(blocks[0]!.needs.filter((n) => n.hands).map((n) => n.from)).toEqual([20, 40])
    const short = companionOf({
      id: 's',
      title: 's',
      tasks: [task('roast', 20, { needs: 'oven', lookInEveryMin: 20 })],
    })
    expect(short.blocks[0]!.needs.filter((n) => n.hands)).toEqual([])
  })
  test('half minutes are rounded up: nothing is planned shorter than it is', () => {
    expect(companionOf({ id: 's', title: 's', tasks: [task('a', 4.2)] }).blocks[0]!.minutes).toBe(5)
  })

  test('a look fits into the last minute of a task and no later; what is done by hand needs none', () => {
    const looks = (minutes: number, every: number, more = {}) =>
      companionOf({
        id: 's',
        title: 's',
        tasks: [task('x', minutes, { needs: 'oven', lookInEveryMin: every, ...more })],
      })
        .blocks[0]!.needs.filter((n) => n.hands && n.place === null)
        .map((n) => [n.from, n.minutes])
    expect(looks(41, 20)).toEqual([
      [20, 1],
      [40, 1],
    ])
    expect(looks(40, 20)).toEqual([[20, 1]])
    expect(looks(30, 7.5)).toEqual([
      [8, 1],
      [15, 1],
      [23, 1],
    ])
    expect(looks(41, 20, { handsOn: true })).toEqual([])
  })

  test('a pot is in use from its first task on a burner to its last, unless its cook says otherwise', () => {
    const inPot = (tasks: ReturnType<typeof task>[], pot: string | undefined = 'p') =>
      companionOf({ id: 's', title: 's', tasks, ...(pot ? { pot } : {}) }).blocks.map((b) => b.pot)
    const burner = { needs: 'burner' as const }
    expect(
      inPot([task('a', 5), task('b', 5, burner), task('c', 5), task('d', 5, burner), task('e', 5)]),
    ).toEqual([
      undefined,
      { id: 'p', from: 0 },
      { id: 'p', from: 0 },
      { id: 'p', from: 0, emptyBeforeEnd: 0 },
      undefined,
    ])
    expect(inPot([task('a', 5, { inPot: true }), task('b', 5, { ...burner, inPot: false })])).toEqual([
      { id: 'p', from: 0, emptyBeforeEnd: 0 },
      undefined,
    ])
    expect(inPot([task('a', 5)])).toEqual([undefined])
    expect(inPot([task('a', 5, burner)], '')).toEqual([undefined])
  })

  test('it is held for twenty minutes, its tasks wait as long as they like, and vary by a tenth', () => {
    const { holdMost, blocks } = companionOf({
      id: 's',
      title: 's',
      tasks: [task('a', 30), task('b', 5, { waitMost: 4 })],
    })
    expect(holdMost).toBe(20)
    expect(blocks[1]!.after).toEqual([{ id: 's a', mostWait: 4 }])
    expect(blocks[0]!.tasks[0]).toMatchObject({ early: 3, late: 3 })
    expect(
      companionOf({ id: 's', title: 's', tasks: [task('a', 1), task('b', 1)] }).blocks[1]!.after,
    ).toEqual([{ id: 's a', mostWait: Infinity }])
  })

  test('what has begun comes before the first task that is left', () => {
    const { blocks } = companionOf({ id: 's', title: 's', behind: ['a', 'b'], tasks: [task('c', 5)] })
    expect(blocks[0]!.after).toEqual([{ id: 's b', mostWait: Infinity }])
  })

  test('a task that takes nobody and no place takes up time alone', () => {
    expect(companionOf({ id: 's', title: 's', tasks: [task('stand', 5)] }).blocks[0]!.needs).toEqual([])
  })
})
