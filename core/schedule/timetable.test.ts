import { kitchen } from '../../tests/helpers/schedules'
import { joinDishes } from './join-dishes'
import type { Block, Dish, Need } from './task'
import { Timetable } from './timetable'

const need = (minutes: number, more: Partial<Need> = {}): Need => ({
  from: 0,
  minutes,
  hands: false,
  place: 'burner',
  ...more,
})

describe('minutes that are taken', () => {
  test('a block fits up to the minute another begins or ends; else it has to move by what overlaps', () => {
    const table = new Timetable(kitchen(2), 60)
    // From 30 to 20 minutes before serving.
    table.take([need(10)], 'b1', 30)
    expect(table.clash([need(10)], 'b1', 20)).toBe(0)
    expect(table.clash([need(10)], 'b1', 40)).toBe(0)
    expect(table.clash([need(10)], 'b1', 21)).toBe(10)
    expect(table.clash([need(10)], 'b1', 39)).toBeGreaterThan(0)
    expect(table.clash([need(10)], 'b1', 30)).toBeGreaterThan(0)
    expect(table.clash([need(10)], 'b2', 30)).toBe(0)
    table.take([need(10)], 'b1', 30, -1)
    expect(table.clash([need(10)], 'b1', 30)).toBe(0)
  })

  test('it may not end after serving, nor begin before the table does; a place that is not there never fits', () => {
    const table = new Timetable(kitchen(1, 1, 0), 60)
    expect(table.clash([need(10)], 'b1', 10)).toBe(0)
    expect(table.clash([need(10)], 'b1', 9)).toBe(1)
    expect(table.clash([need(10)], 'b1', 60)).toBe(0)
    expect(table.clash([need(10)], 'b1', 61)).toBe(Infinity)
    expect(table.clash([need(10)], 'b9', 10)).toBe(Infinity)
    expect(table.clash([need(10, { place: 'oven' })], undefined, 10)).toBe(Infinity)
    expect(table.clash([need(10, { place: null })], undefined, 10)).toBe(0)
  })

  test('hands and place are taken together, from where a need begins within its block', () => {
    const table = new Timetable(kitchen(1), 60)
    // Two minutes of hands, five into a block that starts 30 before serving: 25 to 23.
    table.take([need(2, { from: 5, hands: true, place: null })], undefined, 30)
    const hands = need(1, { hands: true, place: null })
    expect([26, 25, 24, 23].map((at) => table.clash([hands], undefined, at) > 0)).toEqual([
      false,
      true,
      true,
      false,
    ])
    // A burner with hands needs both to be free.
    expect(table.clash([need(5, { hands: true })], 'b1', 27)).toBeGreaterThan(0)
    expect(table.clash([need(5)], 'b1', 27)).toBe(0)
  })

  test('a pot is taken from its first minute up to its last, each pot by itself', () => {
    const table = new Timetable(kitchen(1), 60)
    expect(table.clashPot({ pot: 'p', first: 30, last: 10 })).toBe(0)
    table.takePot({ pot: 'p', first: 30, last: 10 })
    expect(table.clashPot({ pot: 'p', first: 10, last: 0 })).toBe(0)
    expect(table.clashPot({ pot: 'p', first: 11, last: 0 })).toBe(11)
    expect(table.clashPot({ pot: 'p', first: 40, last: 30 })).toBe(0)
    expect(table.clashPot({ pot: 'p', first: 40, last: 29 })).toBe(1)
    expect(table.clashPot({ pot: 'q', first: 30, last: 10 })).toBe(0)
    // After serving, and before the table begins, there is nothing to take.
    table.takePot({ pot: 'r', first: 70, last: -5 })
    expect(table.clashPot({ pot: 'r', first: 61, last: 60 })).toBe(1)
    expect(table.clashPot({ pot: 'r', first: 0, last: -9 })).toBe(0)
  })
})

describe('dishes that hang together', () => {
  const block = (id: string, more: Partial<Block> = {}): Block => ({
    id,
    dish: id.split(' ')[0]!,
    minutes: 10,
    needs: [need(10)],
    after: [],
    tasks: [],
    ...more,
  })
  const dish = (id: string, holdMost: number, ...blocks: Block[]): Dish => ({
    id,
    title: id,
    holdMost,
    blocks,
  })
  const cut = (id: string, more: Partial<Block> = {}) =>
    block(id, { needs: [need(10, { hands: true, place: null })], ...more })
  const afterOf = (dishes: Dish[], id: string) =>
    dishes.flatMap((d) => d.blocks).find((b) => b.id === id)!.after

  test('what comes after a dish comes after its last blocks, which wait as long as that dish keeps', () => {
    const stew = dish(
      'stew',
      25,
      cut('stew cut'),
      block('stew simmer', { after: [{ id: 'stew cut', mostWait: 60 }] }),
    )
    const rice = dish('rice', 10, block('rice cook', { afterDishes: ['stew'] }))
    expect(afterOf(joinDishes([stew, rice], []), 'rice cook')).toEqual([{ id: 'stew simmer', mostWait: 25 }])
    // Two ends are both waited for.
    const two = dish('stew', 25, cut('stew cut'), block('stew simmer'))
    expect(afterOf(joinDishes([two, rice], []), 'rice cook').map((a) => a.id)).toEqual([
      'stew cut',
      'stew simmer',
    ])
  })

  test('of a dish that is all under way what ends last is waited for', () => {
    const fixed = ['stew cut', 'stew simmer'].map((id) => ({ block: block(id), start: -60 }))
    const rice = dish('rice', 10, block('rice cook', { afterDishes: ['stew'] }))
    expect(afterOf(joinDishes([rice], fixed), 'rice cook')).toEqual([
      { id: 'stew simmer', mostWait: Infinity },
    ])
    expect(afterOf(joinDishes([rice], []), 'rice cook')).toEqual([])
  })

  test('grain over a stew goes on within five minutes of it, and the stew stands on its burner', () => {
    const stew = dish(
      'stew',
      25,
      cut('stew cut'),
      block('stew simmer', { after: [{ id: 'stew cut', mostWait: 60 }] }),
    )
    const grain = dish(
      'grain',
      10,
      cut('grain rinse'),
      block('grain steam', { after: [{ id: 'grain rinse', mostWait: 9 }] }),
    )
    const joined = joinDishes([stew, grain], [], [{ dish: 'grain', over: 'stew' }])
    expect(afterOf(joined, 'grain steam')).toEqual([
      { id: 'grain rinse', mostWait: 9 },
      { id: 'stew simmer', mostWait: 5 },
    ])
    expect(afterOf(joined, 'grain rinse')).toEqual([])
    const under = joined.flatMap((d) => d.blocks).filter((b) => b.underBlock !== undefined)
    expect(under.map((b) => [b.id, b.underBlock])).toEqual([['stew simmer', 'grain steam']])
  })

  test('dishes that wait for each other are refused', () => {
    const a = dish('a', 10, block('a x', { afterDishes: ['b'] }))
    const b = dish('b', 10, block('b x', { afterDishes: ['a'] }))
    expect(() => joinDishes([a, b], [])).toThrow('Steps depend on each other: a x, b x')
    expect(() => joinDishes([a, { ...b, blocks: [block('b x')] }], [])).not.toThrow()
  })
})
