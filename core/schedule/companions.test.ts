import { COMPANION_LIMITS, USUAL_COMPANIONS } from './companions'
import { companionOf } from './dish-blocks'
import { readTasks } from './read-tasks'
import { search } from './search'

const kitchen = { burners: [{ id: 'a' }], oven: 1, appliances: [], cooks: 1 }

test.each(USUAL_COMPANIONS.map((c) => [c.title, c] as const))(
  '%s is read as it is typed, and can be cooked by one person on one burner',
  (_title, { title, tasks }) => {
    const read = readTasks(tasks)
    if (!read.ok) throw new Error(read.message)
    expect(read.tasks).toHaveLength(tasks.split('\n').length)
    const dish = companionOf({
      id: 'dish',
      title,
      tasks: read.tasks.map((t) => ({
        id: t.id,
        title: t.title,
        minutes: t.minutes,
        handsOn: t.hands_on,
        needs: t.needs,
      })),
    })
    expect(search({ dishes: [dish], kitchen, locks: new Map() }).undone).toEqual([])
    expect(title.length).toBeLessThanOrEqual(COMPANION_LIMITS.title)
  },
)

test('no two are called the same', () => {
  expect(new Set(USUAL_COMPANIONS.map(({ title }) => title)).size).toBe(USUAL_COMPANIONS.length)
})
