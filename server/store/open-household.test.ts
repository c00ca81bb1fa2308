import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { replay } from '#core/cook/replay'
import { randomOf } from '#core/random'
import { runningCookOf } from '#core/contract/running-cook'
import { SEASON } from '../../demo/cooks'
import { seedDemo } from '../../demo/seed'
import { openDatabase } from './open'
import { beginHousehold, FIRST_KITCHEN } from '#server/commands/begin-household'
import { rate } from '#server/commands/rate'
import { openKitchen, settingsOf, type Kitchen } from './open-household'
import { currentBeliefs } from '#server/queries/beliefs'
import { press } from '#server/commands/press'
import { listRunningCooks } from '#server/queries/running-cooks'
import { startCook } from '#server/commands/start-cook'

const START = Date.UTC(2026, 2, 5, 17, 0)
const DAY = 86_400_000
const MINUTE = 60_000
let folder: string
let file: string
let kitchen: Kitchen

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-kitchen-'))
  file = join(folder, 'omsel.sqlite')
  kitchen = openKitchen(file)
  beginHousehold(kitchen, FIRST_KITCHEN)
})
afterEach(() => {
  kitchen.db.close()
  rmSync(folder, { recursive: true })
})

const request = { grains: [{ variety: 'short-white' }], amount: { basis: 'dry-mass', value: 300 } }
function begin(): string {
  const started = startCook(kitchen, { request, vessel_id: 'heavy-pot', heat_id: 'middle-burner' }, START)
  if (!started.ok) throw new Error(started.errors[0]!.message)
  return started.value
}
const said = (id: string, kind: string, stage: string, more = {}) => ({
  id,
  kind,
  stage,
  pressed_ms: 0,
  sent_ms: 0,
  ...more,
})
const stageAt = (id: string, minutes: number) => {
  const cook = kitchen.cooks.find(id)!
  const events = kitchen.cooks.events(id)
  return replay(runningCookOf(cook, events), events, START + minutes * MINUTE).now[0]?.id
}

test('a cook is there after the database was closed and opened again', () => {
  const id = begin()
  press(kitchen, id, said('a', 'cue', 'measure'), START + 2 * MINUTE)
  const before = { cook: kitchen.cooks.find(id), events: kitchen.cooks.events(id) }
  kitchen.db.close()
  kitchen = openKitchen(file)
  expect({ cook: kitchen.cooks.find(id), events: kitchen.cooks.events(id) }).toEqual(before)
  expect(stageAt(id, 3)).toBe('rinse')
})

test('a cue is one event, from however many devices, until it is taken back', () => {
  const id = begin()
  const send = (said: object, minutes: number) => {
    const pressed = press(kitchen, id, said, START + minutes * MINUTE)
    return pressed.ok && pressed.value.isNew
  }
  expect(send(said('phone-1', 'cue', 'measure'), 2)).toBe(true)
  expect(send(said('phone-1', 'cue', 'measure'), 2.1)).toBe(false) // the same message again
  expect(send(said('laptop-1', 'cue', 'measure'), 2.2)).toBe(false) // the same sign from another device
  expect(send(said('phone-2', 'take-back', 'measure', { target: 'phone-1' }), 2.5)).toBe(true)
  expect(send(said('laptop-2', 'take-back', 'measure', { target: 'phone-1' }), 2.6)).toBe(false)
  expect(stageAt(id, 3)).toBe('measure')
  expect(send(said('phone-3', 'cue', 'measure'), 4)).toBe(true)
  expect(stageAt(id, 5)).toBe('rinse')
  expect(send(said('m1', 'minute-more', 'rinse'), 5) && send(said('m2', 'minute-more', 'rinse'), 5)).toBe(
    true,
  )
})

test('an event number of another batch is refused, not taken for a repeat', () => {
  const [first, second] = [begin(), begin()]
  expect(press(kitchen, first, said('e', 'cue', 'measure'), START + MINUTE)).toMatchObject({ ok: true })
  expect(press(kitchen, second, said('e', 'cue', 'measure'), START + MINUTE)).toMatchObject({
    ok: false,
    errors: [{ path: 'id', code: 'conflict' }],
  })
  expect(kitchen.cooks.events(second)).toEqual([])
})

test('what is on the stove is what has no end, whatever was pressed, taken back or deleted', () => {
  const random = randomOf(11)
  const ids = Array.from({ length: 6 }, begin)
  const withoutEnd = () =>
    kitchen.db
      .prepare('SELECT id FROM cook WHERE NOT EXISTS (SELECT 1 FROM cook_end x WHERE x.cook_id = id)')
      .pluck()
      .all()
      .sort()
  for (let n = 0; n < 120; n++) {
    const id = ids[Math.floor(random() * ids.length)]!
    const ends = kitchen.cooks.events(id).filter((e) => e.kind === 'finish' || e.kind === 'stop')
    const back = ends[Math.floor(random() * ends.length)]
    if (back && random() < 0.6)
      press(kitchen, id, said(`b${n}`, 'take-back', back.stage, { target: back.id }), START + n * MINUTE)
    else press(kitchen, id, said(`p${n}`, random() < 0.5 ? 'finish' : 'stop', 'fluff'), START + n * MINUTE)
    if (n === 90) kitchen.cooks.remove(ids[0]!)
    if (n === 100) kitchen.db.prepare("DELETE FROM cook_event WHERE kind = 'finish'").run()
    expect(
      kitchen.cooks
        .running()
        .map((cook) => cook.id)
        .sort(),
    ).toEqual(withoutEnd())
  }
})

test('weighed wet before the pour, the water changes for every screen', () => {
  const id = begin()
  const plain = kitchen.cooks.find(id)!.plan.water.pour_g
  press(kitchen, id, said('w', 'weighed', 'drain', { amount: 380 }), START + 8 * MINUTE)
  expect(kitchen.cooks.events(id)[0]).toMatchObject({ kind: 'weighed', amount: 380 })
  const running = runningCookOf(kitchen.cooks.find(id)!, kitchen.cooks.events(id))
  expect(running.plan.water.carried_in_g).toBeCloseTo(80, 0)
  expect(running.plan.water.pour_g).toBeLessThan(plain - 30)
  const absurd = press(kitchen, id, said('v', 'weighed', 'drain', { amount: -4 }), START + 9 * MINUTE)
  expect(absurd).toMatchObject({ ok: false, errors: [{ path: 'amount' }] })
})

test('a press sent late, or by a wrong clock, is dated by how long it was held', () => {
  const id = begin()
  const wrongClock = 5 * 86_400_000
  press(
    kitchen,
    id,
    { id: 'a', kind: 'cue', stage: 'measure', pressed_ms: wrongClock, sent_ms: wrongClock + 3 * MINUTE },
    START + 5 * MINUTE,
  )
  expect(kitchen.cooks.events(id)[0]).toMatchObject({
    atMs: START + 2 * MINUTE,
    deviceMs: wrongClock,
    receivedMs: START + 5 * MINUTE,
  })
  press(
    kitchen,
    id,
    { id: 'b', kind: 'cue', stage: 'rinse', pressed_ms: 0, sent_ms: 9e12 },
    START + 6 * MINUTE,
  )
  expect(kitchen.cooks.events(id).map((e) => e.atMs)).not.toContain(0) // never before the cook began
})

test.each([
  [{ id: 'x', kind: 'explode', stage: 'measure', pressed_ms: 0, sent_ms: 0 }, 'kind'],
  [{ id: 'x', kind: 'cue', stage: 'toString', pressed_ms: 0, sent_ms: 0 }, 'stage'],
  [{ id: 'x', kind: 'cue', stage: 'measure', pressed_ms: NaN, sent_ms: 0 }, 'pressed_ms'],
  [{ id: 'x', kind: 'take-back', stage: 'measure', pressed_ms: 0, sent_ms: 0, target: 'nothing' }, 'target'],
  [{ id: 'x', kind: 'take-back', stage: 'measure', pressed_ms: 0, sent_ms: 0 }, 'target'],
  [{ id: 'x'.repeat(99), kind: 'cue', stage: 'measure', pressed_ms: 0, sent_ms: 0 }, 'id'],
  [{ id: 'x', kind: 'lid-lifted', stage: 'measure', pressed_ms: 0, sent_ms: 0, seconds: 1e6 }, 'seconds'],
  [null, ''],
])('%j is refused by name and leaves no trace', (input, path) => {
  const id = begin()
  const pressed = press(kitchen, id, input, START)
  expect(pressed).toMatchObject({ ok: false })
  if (!pressed.ok) expect(pressed.errors.map((e) => e.path)).toContain(path)
  expect(kitchen.cooks.events(id)).toEqual([])
})

test('starting names what is wrong', () => {
  const bad = (input: unknown) => {
    const started = startCook(kitchen, input, START)
    return started.ok ? [] : started.errors.map((e) => e.path)
  }
  expect(bad({ request, vessel_id: 'bucket', heat_id: 'middle-burner' })).toEqual(['vessel_id'])
  expect(bad({ request, vessel_id: 'heavy-pot' })).toEqual(['heat_id'])
  expect(
    bad({ request: { ...request, texture: 3 }, vessel_id: 'heavy-pot', heat_id: 'middle-burner' }),
  ).toEqual(['request.texture'])
  expect(bad('pot').length).toBe(1)
  expect(
    startCook(kitchen, { request: { ...request, method: 'switch-cooker' }, vessel_id: 'cooker' }, START),
  ).toMatchObject({ ok: true })
})

test('a batch begun without a connection starts when it was begun, once, however often and late it is sent', () => {
  const id = '01234567-89ab-4def-8123-456789abcdef'
  const pot = { request, vessel_id: 'heavy-pot', heat_id: 'middle-burner' }
  // The device's clock is a year slow; how long ago it was is what it knows.
  const begun = { ...pot, id, started_ms: 1000, sent_ms: 1000 + 20 * MINUTE }
  expect(startCook(kitchen, begun, START)).toEqual({ ok: true, value: id })
  expect(startCook(kitchen, { ...begun, sent_ms: 1000 + 25 * MINUTE }, START + 5 * MINUTE)).toEqual({
    ok: true,
    value: id,
  })
  expect(kitchen.cooks.running().map((cook) => [cook.id, cook.startedMs])).toEqual([
    [id, START - 20 * MINUTE],
  ])
  // A device whose clock was set back in between sends from the past: then it is now.
  const other = id.replace('0', 'a')
  startCook(kitchen, { ...pot, id: other, started_ms: 2000, sent_ms: 1000 }, START)
  expect(kitchen.cooks.find(other)!.startedMs).toBe(START)
  // Either time alone says nothing of how long ago it was.
  for (const [first, times] of [
    ['c', { started_ms: 5 * DAY }],
    ['d', { sent_ms: 5 * DAY }],
  ] as const) {
    startCook(kitchen, { ...pot, id: id.replace('0', first), ...times }, START)
    expect(kitchen.cooks.find(id.replace('0', first))!.startedMs).toBe(START)
  }
  // A month is as long ago as it is believed.
  const old = id.replace('0', 'b')
  startCook(kitchen, { ...pot, id: old, started_ms: 0, sent_ms: 40 * DAY }, START)
  expect(kitchen.cooks.find(old)!.startedMs).toBe(START - 30 * DAY)
  const paths = (input: object) => {
    const started = startCook(kitchen, { ...pot, ...input }, START)
    return started.ok ? [] : started.errors.map((e) => e.path)
  }
  expect([paths({ id: '../x' }), paths({ started_ms: -1 }), paths({ sent_ms: '5' })]).toEqual([
    ['id'],
    ['started_ms'],
    ['sent_ms'],
  ])
})

test('starting a cook takes its grain off the bag it came from, and only its own part of a blend', () => {
  kitchen.grainBags.saveBag({
    id: 'sack',
    variety: 'short-white',
    name: 'sack',
    label: '',
    label_ratio: null,
    adopted_delta: null,
    bought_on: null,
    opened_on: null,
    new_crop: 0,
    enriched: 0,
    left_g: 1000,
  })
  const blend = {
    grains: [
      { variety: 'short-white', share: 3 },
      { variety: 'wild', share: 1 },
    ],
    amount: { basis: 'dry-mass', value: 400 },
  }
  startCook(
    kitchen,
    { request: blend, vessel_id: 'heavy-pot', heat_id: 'middle-burner', bag_id: 'sack' },
    START,
  )
  expect(kitchen.grainBags.bags()[0]!.left_g).toBe(700)
  startCook(kitchen, { request, vessel_id: 'heavy-pot', heat_id: 'middle-burner', bag_id: 'another' }, START)
  expect(kitchen.grainBags.bags()[0]!.left_g).toBe(700)
})

describe('a finished cook', () => {
  const through = (wet_dry: string): string => {
    const id = begin()
    press(kitchen, id, said(`${id}-end`, 'finish', 'fluff'), START + 50 * MINUTE)
    rate(kitchen, id, { wet_dry, hardness: '0', bottom: 'clean', note: ' good ' }, START + 60 * MINUTE)
    return id
  }
  test('is in the notebook with its rating, and off the stove', () => {
    const id = through('1')
    expect(kitchen.cooks.findFinished(id)).toMatchObject({
      end: 'finish',
      endedMs: START + 50 * MINUTE,
      rating: { wetDry: 1, hardness: 0, bottom: 'clean', note: 'good' },
    })
    expect(listRunningCooks(kitchen, START + 51 * MINUTE)).toEqual([])
  })
  test('moves what the next plan pours, and only for that grain and that pot', () => {
    through('1')
    const { known } = currentBeliefs(kitchen)
    expect(Object.keys(known).filter((figure) => figure.startsWith('grain '))).toEqual(['grain short-white'])
    expect(known['grain short-white']!.mean).toBeLessThan(-0.03)
    // A wet pot may also have kept more of its steam than was computed with.
    expect(known['steam heavy-pot']!.mean).toBeLessThan(0)
  })
  test('judged again, it counts once, with the later word', () => {
    const id = through('1')
    rate(kitchen, id, { wet_dry: '-1', hardness: '0', bottom: 'clean', note: '' }, START + 70 * MINUTE)
    expect(currentBeliefs(kitchen).known['grain short-white']).toMatchObject({ cooks: 1 })
    expect(currentBeliefs(kitchen).known['grain short-white']!.mean).toBeGreaterThan(0.03)
  })
  test('taken back, it is on the stove again', () => {
    const id = through('0')
    press(kitchen, id, said('back', 'take-back', 'fluff', { target: `${id}-end` }), START + 61 * MINUTE)
    expect(kitchen.cooks.findFinished(id)).toBeUndefined()
    expect(listRunningCooks(kitchen, START + 61 * MINUTE)).toHaveLength(1)
  })
  test('set aside, it teaches nothing', () => {
    const id = begin()
    press(kitchen, id, said('end', 'stop', 'measure'), START + MINUTE)
    expect(rate(kitchen, id, { wet_dry: '2', hardness: '0', bottom: 'clean' }, START)).toMatchObject({
      ok: true,
    })
    expect(currentBeliefs(kitchen).known).toEqual({})
  })
  test.each([
    [{ wet_dry: '7', hardness: '0', bottom: 'clean' }, 'wet_dry'],
    [{ wet_dry: '', hardness: '0', bottom: 'clean' }, 'wet_dry'],
    [{ wet_dry: '0', hardness: '0.5', bottom: 'clean' }, 'hardness'],
    [{ wet_dry: '0', hardness: '0', bottom: 'burnt' }, 'bottom'],
    [{ wet_dry: '0', hardness: '0', bottom: 'clean', note: 'x'.repeat(2001) }, 'note'],
  ])('%j is refused by name', (input, path) => {
    const id = begin()
    press(kitchen, id, said('end', 'finish', 'fluff'), START + MINUTE)
    const rated = rate(kitchen, id, input, START)
    expect(!rated.ok && rated.errors[0]!.path).toBe(path)
  })
  test('a cook still on the stove cannot be judged', () => {
    expect(rate(kitchen, begin(), { wet_dry: '0', hardness: '0', bottom: 'clean' }, START)).toMatchObject({
      ok: false,
      errors: [{ path: 'cook' }],
    })
  })
})

describe('the database', () => {
  test('checks what must never be false, whoever writes', () => {
    begin()
    const fieldError = (sql: string) => () => kitchen.db.exec(sql)
    expect(fieldError('UPDATE household SET elevation_m = 99999')).toThrow(/CHECK/)
    expect(
      fieldError(
        "INSERT INTO cook_event (id, cook_id, kind, stage, device_ms, at_ms, received_ms) VALUES ('q', 'none', 'cue', 's', 0, 0, 0)",
      ),
    ).toThrow(/FOREIGN KEY/)
    expect(fieldError("UPDATE vessel SET own_rated_w = 500 WHERE id = 'heavy-pot'")).toThrow(/CHECK/)
    expect(kitchen.db.pragma('journal_mode', { simple: true })).toBe('wal')
    expect(kitchen.db.pragma('synchronous', { simple: true })).toBe(2)
  })
  test('of a newer version is not touched', () => {
    const newer = join(folder, 'newer.sqlite')
    const db = new Database(newer)
    db.pragma('user_version = 999')
    db.close()
    expect(() => openDatabase(newer)).toThrow(/newer/)
  })
})

test('the demo household is written by the same commands, and has learned something', () => {
  const demo = openKitchen(join(folder, 'demo.sqlite'))
  seedDemo(demo, START)
  const finished = demo.cooks.finished()
  expect(finished.length).toBe(SEASON.length)
  expect(finished.length).toBeGreaterThanOrEqual(12)
  expect(settingsOf(demo).elevation_m).toBe(1120)
  const { known } = currentBeliefs(demo)
  // Short-white came out a touch wet again and again; in the heavy blue the valley's figures left everything hard.
  expect(known['grain short-white']!.mean).toBeLessThan(-0.03)
  expect(known['time heavy-blue']!.mean).toBeGreaterThan(0.02)
  for (const cook of finished) expect(cook.endedMs).toBeLessThan(START)
  demo.db.close()
})

describe('when a press happened', () => {
  const at = (id: string) => kitchen.cooks.events(id).map((e) => (e.atMs - START) / 1000)
  test('two presses of one moment keep their order, however unevenly the line carries them', () => {
    const id = begin()
    // The device's clock is an hour behind; the first press takes 80 ms on the line, the second 5.
    const ahead_ms = 3_600_000
    const pressed = START + 60_000 - ahead_ms
    press(
      kitchen,
      id,
      said('a', 'minute-more', 'measure', { pressed_ms: pressed, sent_ms: pressed + 2, ahead_ms }),
      START + 60_080,
    )
    press(
      kitchen,
      id,
      said('b', 'lid-lifted', 'measure', { pressed_ms: pressed + 1, sent_ms: pressed + 3, ahead_ms }),
      START + 60_008,
    )
    expect(kitchen.cooks.events(id).map((e) => e.id)).toEqual(['a', 'b'])
    expect(at(id)).toEqual([60, 60.001])
  })
  test('a device whose clock was changed is dated by how long it held the press', () => {
    const id = begin()
    press(
      kitchen,
      id,
      said('a', 'minute-more', 'measure', {
        pressed_ms: START - 7_200_000,
        sent_ms: START - 7_200_000 + 5000,
        ahead_ms: 0,
      }),
      START + 30_000,
    )
    expect(at(id)).toEqual([25])
  })
  test('nothing happened before the cook began, or after it was heard of', () => {
    const id = begin()
    press(
      kitchen,
      id,
      said('a', 'minute-more', 'measure', {
        pressed_ms: START + 10_500,
        sent_ms: START + 10_500,
        ahead_ms: 900,
      }),
      START + 10_000,
    )
    press(
      kitchen,
      id,
      said('b', 'minute-more', 'measure', { pressed_ms: 0, sent_ms: 40_000_000 }),
      START + 10_000,
    )
    expect(at(id)).toEqual([0, 10])
  })
})
