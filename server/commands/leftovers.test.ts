import { beginHousehold, FIRST_KITCHEN } from './begin-household'
import { coolingContainers } from '#server/queries/cooling-containers'
import { guidanceIn } from '#server/queries/guidance'
import {
  dropContainer,
  saveStuck,
  makeBottle,
  putAway,
  saveContainer,
  saveGuidance,
  takeFromBottle,
  recordLeftoverEvent,
} from './leftovers'
import { currentLeftovers, leftoversByState } from '#server/queries/leftovers'
import { startCook } from './start-cook'
import { openKitchen, type Kitchen } from '#server/store/open-household'

const NOW = Date.UTC(2026, 2, 28, 18, 0)
const HOUR = 3_600_000
let kitchen: Kitchen
beforeEach(() => {
  kitchen = openKitchen(':memory:')
  beginHousehold(kitchen, FIRST_KITCHEN)
  kitchen.leftovers.saveContainer({ id: 'tin', name: 'the tin', ml: 520, depth_mm: 45, many: 4 })
})
afterEach(() => void kitchen.db.close())

const container = (more = {}) => ({
  title: 'short-white',
  variety: 'short-white',
  grams: 600,
  portions: 3,
  water_share: 0.6,
  density_g_ml: 0.79,
  place: 'fridge',
  open: true,
  stacked: 1,
  minutes_ago: 20,
  containers: ['tin', 'tin'],
  ...more,
})
const put = (more = {}) => {
  const read = putAway(kitchen, container(more), NOW)
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value
}
const errorOf = (read: { ok: boolean; errors?: { path: string; message: string }[] }) => read.errors?.[0]

describe('putting away', () => {
  test('every container is a row of its own, level, and the clock runs from the pot', () => {
    expect(put()).toHaveLength(2)
    const [one, other] = currentLeftovers(kitchen, NOW)
    expect(one!.row.grams).toBe(300)
    expect(one!.row.depth_mm).toBeCloseTo((45 * (300 / 0.79)) / 520, 6)
    expect(one!.view.portions + other!.view.portions).toBe(3)
    expect(one!.view.useByMs).toBe(NOW - 20 * 60_000 + 24 * HOUR)
    expect(coolingContainers(kitchen, NOW)).toHaveLength(2)
    expect(coolingContainers(kitchen, NOW + 12 * HOUR)).toHaveLength(0)
  })
  test.each([
    [{ grams: -4 }, 'grams', '5 to 60000'],
    [{ grams: 'much' }, 'grams', 'much'],
    [{ containers: [] }, 'containers', 'at least one'],
    [{ containers: ['nobody'] }, 'containers', 'nobody'],
    [{ variety: 'gravel' }, 'variety', 'gravel'],
    [{ grams: 5000 }, 'containers', 'mL'],
    [{ cook_id: 'none' }, 'cook_id', 'none'],
    [{ place: 'cellar' }, 'place', 'cellar'],
    [{ portions: NaN }, 'portions', 'NaN'],
  ])('%j is refused in words, and nothing is written', (more, path, words) => {
    const error = errorOf(putAway(kitchen, container(more), NOW))!
    expect(error.path).toBe(path)
    expect(error.message).toContain(words === 'NaN' ? 'must be a number' : words)
    expect(currentLeftovers(kitchen, NOW)).toEqual([])
  })
})

test('from the counter into the freezer, for somebody, and taken out by the cup', () => {
  const [id] = put({ place: 'counter', next: 'freezer', for_whom: 'Ada', containers: ['tin', 'tin'] })
  expect(kitchen.leftovers.find(id!)).toMatchObject({ next_place: 'freezer', for_whom: 'Ada' })
  expect(coolingContainers(kitchen, NOW)[0]).toMatchObject({ out: true, next: 'freezer' })
  const say = (kind: string, more: object, at: number) =>
    recordLeftoverEvent(kitchen, { id: `${kind}-${at}`, leftover_id: id, kind, ...more }, at)
  expect(say('to-freezer', {}, NOW + HOUR / 2).ok).toBe(true)
  expect(say('eaten', { amount: 'half' }, NOW + 50 * HOUR).ok).toBe(true)
  expect(kitchen.leftovers.find(id!)!.events.at(-1)!.portions).toBeCloseTo(0.75, 9)
  const spoon = say('eaten', { amount: '2 tbsp' }, NOW + 51 * HOUR)
  expect(spoon.ok).toBe(true)
  expect(kitchen.leftovers.find(id!)!.events.at(-1)!.portions).toBeCloseTo((1.5 * 30 * 0.79) / 300, 9)
  const more = say('eaten', { amount: '1 l' }, NOW + 52 * HOUR)
  expect(errorOf(more)).toMatchObject({ path: 'amount' })
  expect(errorOf(more)!.message).toContain('more than there is')
})

test('of a batch that is not all eaten, what was emptied is still known', () => {
  const cooked = startCook(
    kitchen,
    {
      vessel_id: kitchen.equipment.vessels()[0]!.id,
      heat_id: kitchen.equipment.heats()[0]!.id,
      request: { amount: { basis: 'dry-mass', value: 300 }, grains: [{ variety: 'short-white' }] },
    },
    NOW,
  )
  if (!cooked.ok) throw new Error('not cooked')
  const [first, second] = put({ cook_id: cooked.value })
  const eat = (leftover_id: string | undefined) =>
    recordLeftoverEvent(kitchen, { id: `eat-${leftover_id}`, leftover_id, kind: 'eaten' }, NOW)
  eat(first)
  const { current, emptied } = leftoversByState(kitchen, NOW)
  expect([current.map(({ row }) => row.id), emptied.map(({ row }) => row.id)]).toEqual([[second], [first]])
  eat(second)
  expect(leftoversByState(kitchen, NOW)).toEqual({ current: [], emptied: [] })
})

test('nothing goes on from the fridge; what is said late of a tub on the counter holds for its last moment', () => {
  expect(kitchen.leftovers.find(put({ next: 'freezer' })[0]!)!.next_place).toBeNull()
  const [id] = put({ place: 'counter' })
  const later = NOW + 9 * HOUR
  expect(recordLeftoverEvent(kitchen, { id: 'late', leftover_id: id, kind: 'to-fridge' }, later).ok).toBe(
    true,
  )
  expect(kitchen.leftovers.find(id!)!.events[0]!.atMs).toBe(NOW + 2 * HOUR)
})

describe('telling of it', () => {
  const tell = (leftover_id: string, kind: string, more = {}, at = NOW) =>
    recordLeftoverEvent(kitchen, { id: `${kind}-${at}`, leftover_id, kind, ...more }, at)
  test('what is entered twice counts once, and the last can be taken back', () => {
    const [id] = put({ containers: ['tin'], grams: 300 })
    expect(tell(id!, 'eaten', { portions: '1' }).ok).toBe(true)
    expect(tell(id!, 'eaten', { portions: '1' }).ok).toBe(true)
    expect(kitchen.leftovers.find(id!)!.events).toHaveLength(1)
    expect(tell(id!, 'thrown', {}, NOW + 1).ok).toBe(true)
    expect(currentLeftovers(kitchen, NOW + 2)).toEqual([])
    expect(errorOf(tell(id!, 'take-back', { target: `eaten-${NOW}` }, NOW + 3))!.path).toBe('target')
    expect(tell(id!, 'take-back', { target: `thrown-${NOW + 1}` }, NOW + 4).ok).toBe(true)
    expect(currentLeftovers(kitchen, NOW + 5)[0]!.view.portions).toBe(2)
  })
  test('what makes no sense is refused in words', () => {
    const [id] = put({ containers: ['tin'], grams: 300 })
    expect(errorOf(tell(id!, 'thawed'))!.message).toContain('not frozen')
    expect(errorOf(tell(id!, 'burnt'))!.path).toBe('kind')
    expect(errorOf(tell('nobody', 'eaten'))!.path).toBe('leftover_id')
    expect(errorOf(tell(id!, 'eaten', { portions: '9' }))!.message).toContain('at most 3')
    expect(errorOf(tell(id!, 'eaten', {}, NOW + 30 * HOUR))!.message).toContain('throw it away')
    expect(tell(id!, 'thrown', {}, NOW + 30 * HOUR).ok).toBe(true)
  })
})

describe('guidance of the kitchen', () => {
  const given = { guidance: 'stricter' }
  test('stricter is taken, laxer and nonsense are not', () => {
    expect(saveGuidance(kitchen, { ...given, eat_h: '12' }).ok).toBe(true)
    expect(guidanceIn(kitchen).eat_h).toMatchObject({ value: 12, own: true })
    expect(errorOf(saveGuidance(kitchen, { ...given, eat_h: '30' }))).toMatchObject({
      path: 'eat_h',
      message: expect.stringContaining('stricter than 24'),
    })
    expect(errorOf(saveGuidance(kitchen, { ...given, hold_hot_c: 'warm' }))!.path).toBe('hold_hot_c')
    expect(errorOf(saveGuidance(kitchen, { guidance: 'nobody' }))!.path).toBe('guidance')
    expect(guidanceIn(kitchen).eat_h.value).toBe(12)
    expect(saveGuidance(kitchen, { guidance: 'us', eat_h: '60' }).ok).toBe(true)
    expect(guidanceIn(kitchen).eat_h.value).toBe(60)
  })
})

describe('containers, bottles and what sticks', () => {
  test('containers come and go, with their limits said', () => {
    const saved = saveContainer(kitchen, { name: 'wide tray', ml: '1800', depth_mm: '30,5', many: '2' })
    expect(saved.ok && kitchen.leftovers.containers().find((c) => c.id === saved.value)).toMatchObject({
      depth_mm: 30.5,
      many: 2,
    })
    expect(
      errorOf(saveContainer(kitchen, { name: 'x', ml: '5', depth_mm: '30', many: '1' }))!.message,
    ).toContain('20 to 20000')
    expect(
      errorOf(saveContainer(kitchen, { id: 'nobody', name: 'x', ml: '50', depth_mm: '30', many: '1' }))!.path,
    ).toBe('id')
    expect(dropContainer(kitchen, { id: 'tin' }).ok).toBe(true)
    expect(errorOf(dropContainer(kitchen, { id: 'tin' }))!.path).toBe('id')
  })
  test('a bottle is used up, and no more than is in it', () => {
    const made = makeBottle(kitchen, { style: 'usual', made_g: '200' }, NOW)
    if (!made.ok) throw new Error('unmade')
    expect(takeFromBottle(kitchen, { id: made.value, grams: '68' }).ok).toBe(true)
    expect(kitchen.leftovers.bottles()[0]!.left_g).toBe(132)
    expect(errorOf(takeFromBottle(kitchen, { id: made.value, grams: '140' }))!.message).toContain(
      'at most 132',
    )
    expect(takeFromBottle(kitchen, { id: made.value, grams: '132' }).ok).toBe(true)
    expect(kitchen.leftovers.bottles()).toEqual([])
    expect(errorOf(makeBottle(kitchen, { style: 'hot', made_g: '200' }, NOW))!.path).toBe('style')
  })
  test('a bottle of own amounts: its proportions by its vinegar or for so much grain, what steeps and until when', () => {
    const made = (more: object) => makeBottle(kitchen, { style: 'usual', ...more }, NOW)
    // 300 g vinegar is usual for 2 kg of dry grain: 15 g to 100 g.
    expect(made({ vinegar: '300 g', sugar: '100 g', salt: '30 g', name: 'feast' }).ok).toBe(true)
    expect(kitchen.leftovers.bottles()[0]).toMatchObject({
      name: 'feast',
      made_g: 430,
      left_g: 430,
      vinegar: 15,
    })
    expect(kitchen.leftovers.bottles()[0]!.sugar).toBeCloseTo(5, 9)
    const spoons = made({
      vinegar: '10 tbsp',
      for_dry_g: '1000',
      steeps: 'a strip of kelp',
      steep_days: '31',
    })
    const stored = kitchen.leftovers.bottles().find((b) => spoons.ok && b.id === spoons.value)!
    expect(stored.vinegar).toBeCloseTo((150 * 1.01) / 10, 6)
    expect(stored).toMatchObject({
      sugar: 0,
      salt: 0,
      steeps: 'a strip of kelp',
      ready_ms: NOW + 31 * 24 * HOUR,
    })
    expect(errorOf(made({}))).toMatchObject({ path: 'made_g' })
    expect(errorOf(made({ sugar: '100 g' }))).toMatchObject({ path: 'vinegar' })
    expect(errorOf(made({ vinegar: 'plenty' }))!.message).toContain('"5 tbsp"')
    expect(errorOf(made({ vinegar: '300 g', salt: '300 g' }))).toMatchObject({
      path: 'salt',
      code: 'out-of-range',
    })
    expect(errorOf(made({ vinegar: '300 g', steep_days: '32' }))).toMatchObject({ path: 'steep_days' })
    expect(errorOf(made({ vinegar: '300 g', for_dry_g: '5' }))).toMatchObject({ path: 'for_dry_g' })
  })
  test('a batch that is started takes its dressing out of the bottle', () => {
    const made = makeBottle(kitchen, { style: 'usual', made_g: '200' }, NOW)
    if (!made.ok) throw new Error('no bottle')
    const started = startCook(
      kitchen,
      {
        vessel_id: kitchen.equipment.vessels()[0]!.id,
        heat_id: kitchen.equipment.heats()[0]!.id,
        request: {
          amount: { basis: 'dry-mass', value: 300 },
          grains: [{ variety: 'short-white' }],
          purpose: 'dressed',
          dressing: { bottle: { id: made.value, name: 'usual' } },
        },
      },
      NOW,
    )
    if (!started.ok) throw new Error(started.errors[0]!.message)
    // 15 + 6 + 1.6 g to each 100 g dry.
    expect(kitchen.leftovers.bottles()[0]!.left_g).toBeCloseTo(200 - 3 * 22.6, 1)
  })
  test('what a pot keeps for itself is remembered with the pot', () => {
    expect(saveStuck(kitchen, { vessel_id: 'heavy-pot', sticks_g: '60' }).ok).toBe(true)
    expect(kitchen.equipment.vessels().find((v) => v.id === 'heavy-pot')!.sticks_g).toBe(60)
    expect(errorOf(saveStuck(kitchen, { vessel_id: 'nobody', sticks_g: '60' }))!.path).toBe('vessel_id')
    expect(errorOf(saveStuck(kitchen, { vessel_id: 'heavy-pot', sticks_g: '6000' }))!.path).toBe('sticks_g')
  })
})
