import { planFrom } from '#core/contract/plan'
import { runningCookOf } from '#core/contract/running-cook'
import type { CookEvent } from '#core/cook/events'
import { COMPLAINTS } from '#core/cook/remedy'
import { varietyOf } from '#core/grain/varieties'
import { vesselPreset } from '#core/vessel/presets'
import { htmlOf, textOf } from '../../../tests/helpers/render'
import { ComplaintDrawing } from '../../ui/drawing/complaint-drawing'
import { PotInside } from '../../ui/drawing/pot-inside'
import { AdviceCard } from './advice-card'
import { Alarm } from './alarm'
import { CookTabs, type Lane } from './cook-tabs'
import { Proposal, type DeviceReading } from './readings'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000
const still = () => {}

describe('advice', () => {
  test('is one act with its figure, and two keys', () => {
    const html = htmlOf(
      <AdviceCard says="Add 30 g boiling water" why="It ends firmer." onDone={still} onNotNow={still} />,
    )
    expect(html.match(/<button/g)).toHaveLength(2)
    expect(html).toContain('aria-label="Advice"')
    expect(html).toContain('role="status"')
  })
  test('where there is nothing to do, one key is enough', () => {
    const html = htmlOf(<AdviceCard says="Expect it softer" why="…" onNotNow={still} />)
    expect(html.match(/<button/g)).toHaveLength(1)
    expect(html).toContain('OK')
  })
})

describe('the sign', () => {
  const noticing = { seen: still, silent: false, goesDark: false }
  test('stands for what is gravest, as an alert where it cannot wait', () => {
    const html = htmlOf(
      <Alarm
        {...noticing}
        active={[
          { id: 'a', kind: 'attention', says: 'Look closely' },
          { id: 'b', kind: 'ended', says: 'Off the heat' },
        ]}
      />,
    )
    expect(html).toContain('role="alert"')
    expect(html).toContain('Look closely')
    expect(html).not.toContain('Off the heat')
  })
  test('a cue that may come is said quietly', () => {
    expect(htmlOf(<Alarm {...noticing} active={[{ id: 'a', kind: 'due', says: 'Any moment' }]} />)).toContain(
      'role="status"',
    )
  })
  test('a page without sound says so, and where to change it; one with sound says nothing', () => {
    expect(htmlOf(<Alarm {...noticing} silent active={[]} />)).toContain('href="/settings/alerts"')
    expect(textOf(<Alarm {...noticing} active={[]} />)).toBe('')
    expect(textOf(<Alarm {...noticing} goesDark active={[]} />)).toContain('cannot keep the screen on')
  })
})

describe('lanes', () => {
  const lane = (
    id: string,
    vesselName: string,
    variety: 'long-white' | 'quinoa',
    startedMs: number,
    events: CookEvent[] = [],
  ): Lane => {
    const request = { grains: [{ variety }], amount: { basis: 'dry-mass' as const, value: 200 } }
    const read = planFrom(request)
    if (!read.ok) throw new Error('unread')
    return { id, title: variety, vesselName, cook: { request, plan: read.value, startedMs }, events }
  }
  const cue = (stage: string, minutes: number): CookEvent => ({
    id: `${stage}-${minutes}`,
    kind: 'cue',
    stage,
    atMs: START + minutes * MINUTE,
  })
  const heating = ['measure', 'rinse', 'drain', 'pour'].map((stage, i) => cue(stage, i + 1))
  test('one pot has none', () => {
    expect(
      htmlOf(<CookTabs lanes={[lane('a', 'clay', 'long-white', START)]} current="a" now={START} />),
    ).not.toContain('<nav')
  })
  test('the next to touch is first, whichever is looked at', () => {
    const lanes = [
      lane('a', 'heavy blue', 'long-white', START, heating),
      lane('b', 'clay', 'quinoa', START + 4 * MINUTE),
    ]
    const text = textOf(<CookTabs lanes={lanes} current="a" now={START + 4.5 * MINUTE} />)
    expect(text.indexOf('clay')).toBeLessThan(text.indexOf('heavy blue'))
    expect(text).toMatch(/clay Measure the grain now/)
    expect(htmlOf(<CookTabs lanes={lanes} current="a" now={START + 4.5 * MINUTE} />)).toMatch(
      /aria-current="page"[^>]*href="\/stove\/a"|href="\/stove\/a"[^>]*aria-current="page"/,
    )
  })
  test('a pot that is over wants no hand', () => {
    const over = [...heating, { ...cue('measure', 5), id: 'stop', kind: 'stop' as const }]
    const text = textOf(
      <CookTabs
        lanes={[lane('a', 'heavy blue', 'long-white', START, over), lane('b', 'clay', 'quinoa', START)]}
        current="b"
        now={START + 6 * MINUTE}
      />,
    )
    expect(text.indexOf('clay')).toBeLessThan(text.indexOf('heavy blue'))
  })
})

describe('a device that is not trusted', () => {
  const request = {
    grains: [{ variety: 'long-white' as const }],
    amount: { basis: 'dry-mass' as const, value: 200 },
  }
  const read = planFrom(request)
  if (!read.ok) throw new Error('unread')
  const boil = runningCookOf({ request, plan: read.value, startedMs: START }, []).plan.stages.find(
    (s) => s.id === 'heat-up',
  )!
  const probe = (ends?: string): DeviceReading => ({
    cook: 'a',
    kind: 'probe',
    atMs: START,
    celsius: 99.8,
    ...(ends ? { ends } : {}),
  })
  test('proposes the cue of this very stage, by its own key', () => {
    expect(textOf(<Proposal readings={[probe('heat-up')]} stage={boil} onCue={still} />)).toMatch(
      /The probe says: .*It boils.*Not now/,
    )
  })
  test('proposes nothing while it only reads, or speaks of another stage', () => {
    expect(textOf(<Proposal readings={[probe()]} stage={boil} onCue={still} />)).toBe('')
    expect(textOf(<Proposal readings={[probe('simmer')]} stage={boil} onCue={still} />)).toBe('')
  })
})

describe('drawings', () => {
  test('no two complaints look alike', () => {
    const drawn = COMPLAINTS.map((complaint) => htmlOf(<ComplaintDrawing complaint={complaint} />))
    expect(new Set(drawn).size).toBe(COMPLAINTS.length)
  })
  const vessel = vesselPreset('heavy-2.5')
  const inside = (more: Partial<Parameters<typeof PotInside>[0]['moment']>) =>
    htmlOf(
      <PotInside
        vessel={vessel}
        variety={varietyOf('long-white')}
        dryG={300}
        title="the pot"
        moment={{
          uptakeByLayer: [1, 1, 1],
          centreByLayer: [1, 1, 1],
          freeG: 0,
          bulkC: 90,
          bottomC: 90,
          steam: 0,
          ...more,
        }}
      />,
    )
  const surface = (html: string) =>
    Number(
      /H[\d.-]+" class="surface"/.test(html)
        ? /M[\d.-]+ ([\d.-]+)H[\d.-]+" class="surface"/.exec(html)![1]
        : 0,
    )
  test('water stands as high as there is of it, and not at all where there is none', () => {
    expect(inside({})).not.toContain('class="surface"')
    const [some, more] = [surface(inside({ freeG: 200 })), surface(inside({ freeG: 600 }))]
    // Up is negative in a drawing.
    expect(more).toBeLessThan(some)
    // 400 g more over the bed of a pot of about 185 mm: some 15 mm.
    expect(some - more).toBeGreaterThan(10)
    expect(some - more).toBeLessThan(18)
  })
  test('raw centres are hatched, cooked ones are not; a hot bottom is given in figures', () => {
    expect(inside({ centreByLayer: [0.2, 0.9, 1] }).match(/-raw\)/g)).toHaveLength(1)
    expect(inside({ bottomC: 131 })).toContain('bottom 131 °C')
  })
  test('more steam is more plumes, to a limit', () => {
    const plumes = (steam: number) => (inside({ steam }).match(/class="steam"/g) ?? []).length
    expect([plumes(0), plumes(4), plumes(400)]).toEqual([0, 2, 7])
  })
})
