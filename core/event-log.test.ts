import fc from 'fast-check'
import { activeEvents, notUndone, undoneIds } from './event-log'

const event = (id: string, atMs: number, target?: string) => ({
  id,
  atMs,
  kind: target === undefined ? 'cue' : 'take-back',
  ...(target === undefined ? {} : { target }),
})

it('an undo removes its target and itself, and nothing else', () => {
  const log = [event('a', 3), event('b', 1), event('c', 2), event('u', 4, 'a')]
  expect(undoneIds(log)).toEqual(new Set(['a']))
  expect(notUndone(log).map((e) => e.id)).toEqual(['b', 'c'])
  expect(log).toHaveLength(4)
})

it('oldest first, those of one moment as they came', () => {
  const log = [event('late', 9), event('x', 5), event('y', 5), event('first', 0)]
  expect(activeEvents(log).map((e) => e.id)).toEqual(['first', 'x', 'y', 'late'])
})

it('the order in which an undo arrives changes nothing', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 0, max: 999 }), { minLength: 1, maxLength: 20 }),
      fc.infiniteStream(fc.boolean()),
      fc.nat(),
      (ids, coins, turn) => {
        const log = ids.map((id) => event(`e${id}`, id))
        const undone = log.filter(() => coins.next().value)
        const all = [...log, ...undone.map((e, n) => event(`u${n}`, 2000 + n, e.id))]
        const turned = [...all.slice(turn % all.length), ...all.slice(0, turn % all.length)]
        const names = activeEvents(turned).map((e) => e.id)
        expect(names).toEqual(activeEvents(all).map((e) => e.id))
        expect(names).toHaveLength(log.length - undone.length)
      },
    ),
  )
})
