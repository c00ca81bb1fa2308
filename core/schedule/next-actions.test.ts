import { nextActs, type BoardDish, type BoardTask } from './next-actions'

const MIN = 60_000
const task = (id: string, from: number, to: number, more: Partial<BoardTask> = {}): BoardTask => ({
  id,
  title: id,
  startMs: from * MIN,
  endMs: to * MIN,
  hands: false,
  state: 'next',
  ...more,
})
const dish = (id: string, tasks: BoardTask[], more: Partial<BoardDish> = {}): BoardDish => ({
  id,
  title: id,
  isPot: false,
  over: false,
  tasks,
  ...more,
})

describe('a look at what is on', () => {
  const at = (nowMin: number, every = 10, end = 45) => {
    const [act] = nextActs(
      [dish('roots', [task('Roast', 0, end, { state: 'now', lookInEveryMin: every })])],
      nowMin * MIN,
    )
    return [act!.title, act!.atMs / MIN]
  }
  test('comes after each stretch, and is due for a minute before the next is meant', () => {
    expect([0, 9, 10, 11].map((now) => at(now))).toEqual([
      ['Roast: check', 10],
      ['Roast: check', 10],
      ['Roast: check', 10],
      ['Roast: check', 10],
    ])
    expect(at(11.1)).toEqual(['Roast: check', 20])
  })
  test('gives way to the end where that is within a minute', () => {
    expect(at(35, 20, 41)).toEqual(['Roast', 41])
    expect(at(35, 20, 41.1)).toEqual(['Roast: check', 40])
  })
})

test('of a dish the task that ends next is shown, then the one that begins next; of none there is no act', () => {
  const two = dish('stew', [
    task('Simmer', 0, 60, { state: 'now', at: 'b1' }),
    task('Cut', 5, 12, { state: 'now', hands: true }),
    task('Serve', 60, 62),
  ])
  expect(nextActs([two], 6 * MIN)).toEqual([
    {
      dish: 'stew',
      task: 'Cut',
      title: 'Cut',
      atMs: 12 * MIN,
      untilMs: 12 * MIN,
      hands: true,
      press: { kind: 'done', word: 'Done' },
    },
  ])
  const later = dish('stew', [
    task('Serve', 60, 62),
    task('Cut', 5, 12, { at: 'b2' }),
    task('Peel', 0, 4, { state: 'done' }),
  ])
  expect(nextActs([later], 0)).toEqual([
    {
      dish: 'stew',
      task: 'Cut',
      title: 'Cut',
      atMs: 5 * MIN,
      at: 'b2',
      hands: false,
      press: { kind: 'begin', word: 'Start' },
    },
  ])
  expect(nextActs([dish('stew', [task('Peel', 0, 4, { state: 'done' })])], 0)).toEqual([])
  expect(nextActs([dish('rice', [task('Rinse', 3, 4)], { isPot: true })], 0)[0]!.press).toEqual({
    kind: 'begin',
    word: 'Start the pot',
  })
})

test('a pot under way says what its stove says, until the task on the board is over', () => {
  const pot = (touch: BoardDish['touch'], tasks: BoardTask[] = []) =>
    nextActs([dish('rice', tasks, { isPot: true, cook: 'c1', ...(touch ? { touch } : {}) })], 0)
  const touch = {
    stage: 'heat-up',
    title: 'Watch for the boil',
    atMs: 9 * MIN,
    word: 'It boils',
    kind: 'cue',
  } as const
  expect(pot(touch, [task('heat-up', 0, 12, { hands: false, at: 'b1' })])).toEqual([
    {
      dish: 'rice',
      task: 'heat-up',
      title: 'Watch for the boil',
      atMs: 9 * MIN,
      untilMs: 12 * MIN,
      at: 'b1',
      hands: false,
      cook: 'c1',
      press: { kind: 'cue', word: 'It boils' },
    },
  ])
  // A step its board does not show is done by hand, as far as anybody knows.
  expect(pot(touch)[0]).toMatchObject({ hands: true, untilMs: 9 * MIN })
  expect(pot(undefined)).toEqual([])
})

test('the soonest first, whichever dish it is of', () => {
  const acts = nextActs(
    [
      dish('c', [task('x', 9, 10)]),
      dish('a', [task('y', 3, 4)]),
      dish('b', [task('z', 5, 8, { state: 'now' })]),
    ],
    6 * MIN,
  )
  expect(acts.map((a) => a.dish)).toEqual(['a', 'b', 'c'])
})
