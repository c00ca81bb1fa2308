import type { CookEvent } from '#core/cook/events'
import { replay } from '#core/cook/replay'
import { varietyOf } from '#core/grain/varieties'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf, type CookAtTheStove } from '#core/contract/running-cook'
import { htmlOf, planOf, textOf } from '../../../tests/helpers/render'
import { Ended } from './ended'
import { Keys } from './keys'
import { NowPanel } from './now-panel'
import { pourWords, type DeviceReading } from './readings'
import { ProgressStrip } from './progress-strip'

const START = Date.UTC(2026, 2, 5, 17, 0) // 18:00 in Berlin
const MINUTE = 60_000
const clock = { zone: 'Europe/Berlin', clock: '24' } as const
const request: PlanRequestJson = {
  grains: [{ variety: 'short-white' }],
  amount: { basis: 'dry-mass', value: 300 },
}
const cook: CookAtTheStove = runningCookOf({ request, plan: planOf(request), startedMs: START }, [])
const { plan } = cook
const cue = (stage: string, minutes: number): CookEvent => ({
  id: `cue-${stage}`,
  kind: 'cue',
  stage,
  atMs: START + minutes * MINUTE,
})
const upTo = (stage: string): CookEvent[] => {
  const order = ['measure', 'rinse', 'drain', 'pour', 'heat-up']
  return order.slice(0, order.indexOf(stage)).map((id, i) => cue(id, i + 1))
}

function seen(
  events: CookEvent[],
  minutes: number,
  serveAtMs: number | null = null,
  readings: readonly DeviceReading[] = [],
) {
  const now = START + minutes * MINUTE
  const view = replay(cook, events, now)
  const stage = plan.stages.find((s) => s.id === view.now[0]?.id)
  return {
    view,
    now: textOf(
      <NowPanel
        plan={plan}
        view={view}
        now={now}
        clock={clock}
        stage={stage}
        current={view.now[0]}
        title="Short-grain white"
        vesselName="clay"
        knob={null}
        serveAtMs={serveAtMs}
        variety={varietyOf('short-white')}
        pot={undefined}
        readings={readings}
        vessel={cook.request.vessel}
        retimed={undefined}
        purpose="side"
        cookId="a"
        cuePhotos={{}}
      />,
    ),
    keys: htmlOf(
      <Keys
        view={view}
        stage={stage}
        stages={plan.stages}
        now={now}
        press={() => {}}
        takeBack={() => {}}
        tableAt="18:40"
        onWrong={() => {}}
      />,
    ),
  }
}
/** Keys by their words, and whether they can be pressed. */
const keysOf = (html: string) =>
  Object.fromEntries(
    [...html.matchAll(/<button([^>]*)>(.*?)<\/button>/gs)].map((m) => [
      m[2]!
        .replace(/<kbd>.*<\/kbd>/, '')
        .replace(/<[^>]+>|&quot;/g, '')
        .trim(),
      !m[1]!.includes('disabled'),
    ]),
  )

test('a hands-on stage shows the amount it needs', () => {
  expect(seen([], 0).now).toMatch(/Measure the grain 300 g/)
  expect(seen(upTo('pour'), 4).now).toContain(`Pour the water ${Math.round(plan.water.pour_g)} g`)
})

test('a sign counts up against its range of minutes, with its pair of pictures in words', () => {
  const { now } = seen(upTo('heat-up'), 7)
  expect(now).toContain('until steam pushes out at the lid')
  expect(now).toMatch(/3:00/)
  expect(now).toMatch(/not yet .*still/)
  expect(now).toMatch(/next, about \d\d:\d\d Turn to the lowest heat, leave the lid/)
  expect(seen(upTo('heat-up'), 30).now).toContain('overdue: check')
})

test('a clock counts down and the next hour is sure', () => {
  const simmer = plan.stages.find((s) => s.id === 'simmer')!.minutes.expected
  const { now } = seen([...upTo('heat-up'), cue('heat-up', 10)], 10)
  expect(now).toContain(`${Math.floor(simmer)}:${String(Math.round((simmer % 1) * 60)).padStart(2, '0')}`)
  expect(now).toMatch(/next, \d\d:\d\d Off the heat/)
})

test('a late boil moves serving and says why', () => {
  const { now } = seen([...upTo('heat-up'), cue('heat-up', 25)], 25, START + 40 * MINUTE)
  expect(now).toMatch(/\d+ min later; “Bring to the boil, lid on” took longer; asked for 18:40/)
})

test('keys: the cue by its own name, and only what makes sense can be pressed', () => {
  expect(keysOf(seen([], 0).keys)).toMatchObject({
    Measured: true,
    'I lifted the lid': false,
    '+1 min': false,
    Undo: false,
    'Something’s wrong': true,
  })
  const simmering = keysOf(seen([...upTo('heat-up'), cue('heat-up', 10)], 11).keys)
  expect(simmering).toMatchObject({
    'Next step': true,
    'I lifted the lid': true,
    '+1 min': true,
    'Undo “it boils”': true,
  })
})

test('ready: the key is “Served”', () => {
  const { view, now, keys } = seen([...upTo('heat-up'), cue('heat-up', 10), cue('fluff', 60)], 61)
  expect(view.outcome).toBe('ready')
  expect(now).toContain('Serve')
  expect(keysOf(keys)).toMatchObject({ Served: true })
})

test('the end leads to the notebook', () => {
  const html = htmlOf(
    <Ended
      title="Quinoa"
      variety="quinoa"
      id="abc"
      outcome="finished"
      endedMs={START}
      clock={clock}
      onTakeBack={() => {}}
    />,
  )
  expect(html).toContain('href="/notebook/abc"')
  expect(html).toContain('serve')
  expect(
    textOf(
      <Ended
        title="Quinoa"
        variety="quinoa"
        id="abc"
        outcome="stopped"
        endedMs={START}
        clock={clock}
        onTakeBack={() => {}}
      />,
    ),
  ).toContain('not used for learning')
})

test('the strip moves under a line for now at a third of its width, serving at the right edge', () => {
  const now = START + 40 * MINUTE
  const long = replay(cook, [...upTo('heat-up'), cue('heat-up', 34)], now)
  const html = htmlOf(<ProgressStrip plan={plan} view={long} now={now} clock={clock} />)
  const [x] = /d="M([\d.]+) 6V\d+" class="now"/.exec(html)!.slice(1).map(Number)
  const table = Number(/d="M([\d.]+) 16V/.exec(html)![1])
  expect((x! - 8) / (table - 8)).toBeCloseTo(1 / 3, 2)
  const ends = [...html.matchAll(/<path d="M[\d.]+ [\d.]+V[\d.]+H([\d.]+)[^"]*" class="body"/g)].map((m) =>
    Number(m[1]),
  )
  expect(Math.max(...ends)).toBeCloseTo(table, 0)
  expect(Math.min(...ends)).toBeGreaterThanOrEqual(8)
})

describe('connected devices', () => {
  const scale = (grams: number): DeviceReading => ({ cook: 'a', kind: 'scale', atMs: START, grams })
  test.each([
    [100, 452, '352 g more'],
    [449, 452, '3 g more'],
    [450, 452, 'stop 450 g'],
    [454, 452, 'stop 454 g'],
    [470, 452, '18 g too much'],
  ])('%i of %i g: %s', (grams, aim, says) => {
    const { figure, unit } = pourWords(grams, aim)
    expect(`${figure} ${unit}`).toBe(says)
  })
  test('with a scale the weight poured is the large figure, and the reading is next to it', () => {
    const aim = Math.round(plan.water.pour_g)
    expect(seen(upTo('pour'), 4, null, [scale(aim - 42)]).now).toMatch(
      new RegExp(`Pour the water 42 g more.*${aim - 42} g of ${aim} g on the scale`),
    )
  })
  test('a probe shows its temperature next to the boiling point', () => {
    expect(
      seen(upTo('heat-up'), 6, null, [{ cook: 'a', kind: 'probe', atMs: START, celsius: 84.24 }]).now,
    ).toContain('84.2 °C')
  })
})

test('looks under the lid are shown with what they cost: minutes and steam', () => {
  const lifts = [1, 2, 3, 4].map((i): CookEvent => ({
    id: `lift-${i}`,
    kind: 'lid-lifted',
    stage: 'simmer',
    atMs: START + (10 + i) * MINUTE,
    seconds: 30,
  }))
  const { now, view } = seen([...upTo('heat-up'), cue('heat-up', 10), ...lifts], 15)
  const [, minutes, grams] = /4 looks: ([\d.]+) min more, (\d+) g of steam lost/.exec(now)!
  expect(Number(minutes)).toBeCloseTo(view.stages.find((s) => s.id === 'simmer')!.liftedMinutes, 0)
  // 67 g per m² and minute over four half minutes, and this pot's mouth.
  const mouth = cook.pot.openArea
  expect(Number(grams)).toBeCloseTo(67 * 2 * mouth, 0)
})
