import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { METHOD_IDS } from '#core/methods/index'
import { plan } from '#core/plan/plan'
import { companionOf, dishOf, standsAt } from './dish-blocks'

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
})
