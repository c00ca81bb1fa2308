import { coolingOf } from '#core/leftovers/cooling'
import { guidanceOf } from '#core/leftovers/guidance'
import { containerState, type LeftoverEvent } from '#core/leftovers/container-state'
import { LOOSEN_WAYS, type LoosenWay } from '#core/finish/loosen'
import { varietyOf } from '#core/grain/varieties'
import type { LeftoverWithEvents } from '#server/store/leftovers'
import { htmlOf, textOf } from '../../../tests/helpers/render'
import { ContainerSection } from '../../ui/drawing/container-section'
import { LoosenDrawing } from '../../ui/drawing/loosen-drawing'
import { MealBoard, type BoardTask } from '../../ui/drawing/meal-board'
import { coolingSignals, CoolingStrip, nextOf, type CoolingContainer } from '../stove/cooling-strip'
import { GuidanceLine } from './guidance-line'
import { ContainerCard } from './container-card'
import { coolingWords, momentWord, portionsWord, useByWords } from './container-words'

const HOUR = 3_600_000
const COOKED = Date.UTC(2026, 2, 5, 18, 0)
const clock = { zone: 'Europe/Berlin', clock: '24' as const }
const guidance = guidanceOf('stricter')
const row = (more: Partial<LeftoverWithEvents> = {}): LeftoverWithEvents => ({
  id: 'k',
  cook_id: null,
  title: 'short-white',
  variety: 'short-white',
  container_name: 'the tin',
  grams: 300,
  portions: 2,
  depth_mm: 25,
  density_g_ml: 0.79,
  water_share: 0.6,
  place: 'fridge',
  open: 1,
  stacked: 1,
  dressed: 0,
  cooked_ms: COOKED,
  packed_ms: COOKED + HOUR / 4,
  next_place: null,
  for_whom: '',
  events: [],
  ...more,
})
const shown = (r: LeftoverWithEvents, nowMs: number, warm = false) => {
  const view = containerState(
    { cookedMs: r.cooked_ms, packedMs: r.packed_ms, place: r.place, portions: r.portions, grams: r.grams },
    r.events,
    guidance,
    nowMs,
  )
  const cooling = coolingOf(
    {
      portion: { massG: r.grams, depthMm: r.depth_mm, densityGMl: r.density_g_ml, waterShare: r.water_share },
      place: r.place,
      open: r.open === 1,
      kitchenC: 20,
      stacked: r.stacked,
    },
    guidance,
  )
  return { row: r, view, cooling, warm }
}
const cardOf = (r: LeftoverWithEvents, nowMs: number, warm = false) =>
  textOf(
    <ContainerCard
      measuresBy={{ units: 'grams', system: 'metric', cup: 'metric' }}
      {...shown(r, nowMs, warm)}
      guidance={guidance}
      now={nowMs}
      clock={clock}
      pan={{ name: 'big gas', watts: 540 }}
      kitchenC={20}
    />,
  )
const event = (kind: LeftoverEvent['kind'], hours: number): LeftoverEvent => ({
  id: kind,
  kind,
  atMs: COOKED + hours * HOUR,
})

describe('a container in words', () => {
  test("use-by times in the kitchen's own zone and clock", () => {
    expect(cardOf(row(), COOKED + 3 * HOUR)).toContain('Eat by tomorrow 19:00')
    expect(cardOf(row(), COOKED + 3 * HOUR)).toContain('US guidance: 8 March 19:00')
    expect(cardOf(row(), COOKED + 20 * HOUR)).toContain('Eat by today 19:00')
  })
  test('past its time it says so, and offers nothing but to throw it away', () => {
    const text = cardOf(row(), COOKED + 26 * HOUR)
    expect(text).toContain('Past its date since today 19:00: throw it away')
    expect(text).not.toMatch(/Eaten|Freeze|Make it hot/)
    expect(text).toContain('Throw away')
  })
  test('frozen, it says how long it will have once it is thawed', () => {
    const text = cardOf(row({ events: [event('to-freezer', 4)] }), COOKED + 300 * HOUR)
    expect(text).toContain('frozen; eat within 20 h of thawing')
    expect(text).toContain('Thaw it in the fridge')
  })
  test('reheated once it is not offered again; water and minutes are for one portion', () => {
    expect(cardOf(row(), COOKED + 3 * HOUR)).toMatch(
      /\d+ g of water per portion, lid on; about \d+ min on the big gas at medium/,
    )
    expect(cardOf(row({ events: [event('reheated', 2)] }), COOKED + 3 * HOUR)).not.toContain('Reheat')
    expect(cardOf(row({ events: [event('reheated', 2)] }), COOKED + 3 * HOUR)).toContain('undo “reheated”')
  })
  test('too slow is said with what would be quick enough', () => {
    const text = cardOf(
      row({ depth_mm: 60, grams: 1500, open: 0, place: 'counter' }),
      COOKED + HOUR / 2,
      true,
    )
    expect(text).toMatch(/Cools too slowly: .* to 21 °C \(limit 60 min\)/)
    expect(text).toMatch(/Put it in ice water first|Spread it \d+ mm thin/)
    expect(text).toContain('Into the fridge')
  })
  test('dressed grain is warned of what the cold does', () => {
    expect(cardOf(row({ dressed: 1 }), COOKED + HOUR)).toContain('hardens in the fridge')
  })
  test('portions as they are said', () => {
    expect([1, 2, 1.5].map(portionsWord)).toEqual(['1 portion', '2 portions', '1.5 portions'])
    expect(momentWord(COOKED, COOKED, clock)).toBe('today 19:00')
  })
  test('a place that is never cold is never called so', () => {
    const cooling = shown(row({ place: 'counter' }), COOKED).cooling!
    expect(coolingWords(cooling, COOKED, COOKED, guidance, clock).says).toMatch(/will not reach 5 °C$/)
    expect(
      useByWords({ ...shown(row(), COOKED).view, useByMs: null, leftH: null }, COOKED, clock, row()),
    ).toEqual({
      says: '',
      past: false,
    })
  })
})

test('guidance stands with its source, figure by figure', () => {
  const text = textOf(<GuidanceLine guidance={guidance} authority="stricter" />)
  expect(text).toContain('Using limits from the stricter of the two: cool in 60 min, eat within 24 h')
  for (const source of ['UK Food Standards Agency', 'FDA Food Code 2022', 'USDA Food Safety'])
    expect(text).toContain(source)
  expect(text).toContain('cannot be turned off')
})

describe('cooling at the stove', () => {
  const container = (more: Partial<CoolingContainer> = {}): CoolingContainer => ({
    id: 't',
    title: 'barley',
    containerName: 'the tray',
    packedMs: COOKED,
    out: false,
    next: null,
    eatenOut: false,
    outByMs: null,
    cooling: { to21Min: 40, to5Min: 150, leavesHotMin: 5, tooSlow: null },
    mayMin: 60,
    ...more,
  })
  test('lists what each container needs next, the soonest first, with an alert when it is due', () => {
    expect(nextOf(container())).toEqual({ atMs: COOKED + 150 * 60_000, says: 'cold: put the lid on' })
    expect(nextOf(container({ out: true }))).toEqual({ atMs: COOKED + 40 * 60_000, says: 'into the fridge' })
    expect(
      nextOf(
        container({
          out: true,
          cooling: { to21Min: 400, to5Min: Infinity, leavesHotMin: 5, tooSlow: 'cool' },
        }),
      )!.atMs,
    ).toBe(COOKED)
    expect(
      nextOf(container({ cooling: { to21Min: 90, to5Min: Infinity, leavesHotMin: 5, tooSlow: null } })),
    ).toBeUndefined()
    const both = textOf(
      <CoolingStrip
        tubs={[container(), container({ id: 'u', out: true, containerName: 'the tin' })]}
        now={COOKED + 10 * 60_000}
      />,
    )
    expect(both.indexOf('the tin')).toBeLessThan(both.indexOf('the tray'))
    expect(coolingSignals([container({ out: true })], COOKED + 39 * 60_000)).toEqual([])
    expect(coolingSignals([container({ out: true })], COOKED + 41 * 60_000)).toMatchObject([
      { kind: 'ended', says: 'the tray: into the fridge' },
    ])
    expect(htmlOf(<CoolingStrip tubs={[]} now={COOKED} />)).not.toContain('<ul')
  })
})

describe('drawings', () => {
  test('deeper grain is drawn deeper, a lid closes it, and what is past is crossed out', () => {
    const draw = (more = {}) =>
      htmlOf(
        <ContainerSection
          variety={varietyOf('quinoa')}
          depthMm={40}
          widthMm={120}
          open={false}
          past={false}
          frozen={false}
          {...more}
        />,
      )
    const height = (html: string) => Number([...html.matchAll(/<rect[^>]*height="([\d.]+)"/g)].at(-1)![1])
    expect(height(draw({ depthMm: 60 }))).toBeGreaterThan(height(draw({ depthMm: 20 })))
    const paths = (html: string) => (html.match(/<path/g) ?? []).length
    expect(paths(draw({ past: true }))).toBeGreaterThan(paths(draw()))
    expect(paths(draw({ frozen: true }))).toBeGreaterThan(paths(draw()))
  })
  test('each way of loosening has a drawing of its own and says how', () => {
    const ways = Object.keys(LOOSEN_WAYS) as LoosenWay[]
    const drawn = ways.map((way) => htmlOf(<LoosenDrawing way={way} variety={varietyOf('basmati')} />))
    expect(new Set(drawn).size).toBe(ways.length)
    ways.forEach((way, i) => expect(drawn[i]).toContain(LOOSEN_WAYS[way].how))
  })
  test('the board: every track a row, serving at the right, and no cook does two things at once', () => {
    const tasks: BoardTask[] = [
      { dish: 0, title: 'boil', start: -30, end: -10, hands: false, track: 'gas' },
      { dish: 0, title: 'loosen', start: -2, end: 0, hands: true, track: null },
      { dish: 1, title: 'lift', start: -3, end: 0, hands: true, track: null, hand: 1 },
    ]
    const html = htmlOf(
      <MealBoard
        tracks={[
          { id: 'gas', name: 'big gas', kind: 'burner' },
          { id: 'oven', name: 'oven', kind: 'oven' },
        ]}
        tasks={tasks}
        hands={['hands 1', 'hands 2']}
        dishes={[
          { title: 'rice', ready: 0 },
          { title: 'trout', ready: -5 },
        ]}
        clockAt={(m) => `t${m}`}
      />,
    )
    expect(html).toContain('A rice, ready on time')
    for (const name of ['big gas', 'oven', 'hands 1', 'hands 2']) expect(html).toContain(name)
    const edges = [
      ...html.matchAll(
        /<title>(?:rice|trout): (\w+)[^<]*<\/title><rect x="([\d.]+)" y="([\d.]+)" width="([\d.]+)"/g,
      ),
    ].map((m) => ({ what: m[1], right: Number(m[2]) + Number(m[4]), y: Number(m[3]) }))
    const [lift, loosen] = ['lift', 'loosen'].map((w) => edges.find((e) => e.what === w)!)
    // Both end serve, in the rows of two different hands.
    expect(Math.abs(lift!.right - loosen!.right)).toBeLessThan(1)
    expect(lift!.y).not.toBe(loosen!.y)
    expect(edges.find((e) => e.what === 'boil')!.right).toBeLessThan(lift!.right)
  })
})
