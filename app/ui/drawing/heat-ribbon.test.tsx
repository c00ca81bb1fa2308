import { timelineOf } from '#core/plan/timeline'
import { METHOD_IDS } from '#core/methods/index'
import { htmlOf, planOf } from '../../../tests/helpers/render'
import { HeatRibbon, hourPlace } from './heat-ribbon'
import { heatHeight, stageMatter, stageWord } from './stage-words'

const ribbon = (request: Parameters<typeof planOf>[0] = {}) => {
  const { stages } = planOf(request)
  const line = timelineOf(stages)
  return {
    stages,
    html: htmlOf(
      <HeatRibbon
        stages={stages}
        times={stages.map((s) => line.get(s.id)!)}
        clockAt={(minute) => `${Math.round(minute)}'`}
      />,
    ),
  }
}
/** The body's path of each stage, in order. */
const bodies = (html: string) => [...html.matchAll(/<path d="([^"]+)" class="body"/g)].map((m) => m[1]!)

test('one block a stage, end to end, serving at the right edge', () => {
  const { stages, html } = ribbon()
  const drawn = bodies(html).sort(
    (a, b) => Number(/^M([\d.]+)/.exec(a)![1]) - Number(/^M([\d.]+)/.exec(b)![1]),
  )
  expect(drawn.length).toBe(stages.length)
  let end = 8
  for (const d of drawn) {
    const x = Number(/^M([\d.]+)/.exec(d)![1])
    expect(x).toBeCloseTo(end, 3)
    end = Number(/H([\d.]+)/.exec(d)![1])
  }
  expect(end).toBeCloseTo(1240 - 16, 3)
  expect(html).toContain('serve ')
})

test('the height of a block is its heat: boil over simmer over hands-on work', () => {
  const { stages, html } = ribbon()
  const titles = [...html.matchAll(/<title>([^<:]+): /g)].map((m) => m[1])
  const top = (id: string) =>
    Number(/V([\d.]+)/.exec(bodies(html)[titles.indexOf(stages.find((s) => s.id === id)!.title)]!)![1])
  expect(top('heat-up')).toBeLessThan(top('simmer'))
  expect(top('simmer')).toBeLessThan(top('rinse'))
})

test('a clock closes its end, a cue leaves it open', () => {
  const { stages, html } = ribbon()
  const titles = [...html.matchAll(/<title>([^<:]+): /g)].map((m) => m[1])
  const waves = new Map(bodies(html).map((d, i) => [titles[i], d.includes('q')]))
  for (const stage of stages) expect(waves.get(stage.title)).toBe(stage.ends_on === 'cue')
  expect(html.match(/class="closed"/g)?.length).toBe(stages.filter((s) => s.ends_on === 'clock').length)
})

test('the lid is the top edge: on, ajar, and none where the pot is open', () => {
  expect(ribbon().html).toContain('class="lidOn"')
  expect(ribbon({ lid_until_boil: 'ajar' }).html).toContain('class="lidAjar"')
})

test('an overnight soak is folded with a tear, and the whole is spoken', () => {
  const { html } = ribbon({
    grains: [{ variety: 'brown-short' }],
    soak: { minutes: 600, celsius: 5, water: 'drain' },
  })
  expect(html).toContain('class="tear"')
  expect(html).toMatch(/aria-label="From start to serving: measure .*soak 10 h.*simmer/)
  expect(ribbon().html).not.toContain('class="tear"')
})

test('every stage of every method has its word, its height and its matter', () => {
  for (const method of METHOD_IDS)
    for (const stage of planOf({ method, release: 'timed' }).stages) {
      expect(stageWord(stage)).toMatch(/^[a-z ]+$/)
      expect(heatHeight(stage)).toBeGreaterThan(0)
      expect(heatHeight(stage)).toBeLessThanOrEqual(1)
      expect(['hand', 'water', 'heat', 'rest']).toContain(stageMatter(stage))
    }
})

test('water heated during the soak is drawn behind it, over the same minutes', () => {
  const { stages, html } = ribbon({
    grains: [{ variety: 'basmati' }],
    method: 'boiling-start',
    soak: { minutes: 30, celsius: 20, water: 'drain' },
  })
  const line = timelineOf(stages)
  const [soak, heat] = [line.get('soak')!, line.get('heat-up')!]
  expect(heat.start).toBeGreaterThan(soak.start)
  expect(heat.start).toBeLessThan(soak.end + 5)
  // Heat is drawn first, work by hand over it.
  const titles = [...html.matchAll(/<title>([^<:]+)/g)].map((m) => m[1])
  expect(titles.indexOf('Bring the water to the boil, lid on')).toBeLessThan(
    titles.indexOf('Measure the grain'),
  )
})

test('the serving hour is a slider, and only where it can be moved', () => {
  const { stages } = planOf()
  const line = timelineOf(stages)
  const props = {
    stages,
    times: stages.map((s) => line.get(s.id)!),
    clockAt: (minute: number) => `${Math.round(minute)}'`,
  }
  expect(htmlOf(<HeatRibbon {...props} onServe={() => {}} />)).toMatch(
    /role="slider"[^>]*aria-label="Serving time"/,
  )
  expect(htmlOf(<HeatRibbon {...props} />)).not.toContain('role="slider"')
})

describe('slid under a line for now', () => {
  const planned = planOf({ grains: [{ variety: 'long-white' }], amount: { basis: 'dry-mass', value: 300 } })
  const times = (() => {
    let at = 0
    return planned.stages.map(({ minutes }) => ({ start: at, end: (at += minutes.expected) }))
  })()
  const ribbon = (nowMinute: number) =>
    htmlOf(
      <HeatRibbon
        stages={planned.stages}
        times={times}
        clockAt={(m) => String(Math.round(m))}
        nowMinute={nowMinute}
        nowAt={1 / 3}
      />,
    )
  const nowX = (html: string) => Number(/d="M([\d.]+) 6V[\d.]+" class="now"/.exec(html)![1])
  test('the line stands still while the cook goes on', () => {
    const places = [1, 6, 12, 20].map((minute) => nowX(ribbon(minute)))
    for (const place of places) expect(place).toBeCloseTo(places[0]!, 6)
  })
  test('what is over lies left of it, what comes lies right of it', () => {
    const html = ribbon(times[4]!.end)
    const ends = [
      ...html.matchAll(/<title>([^<:]+): [^<]*<\/title><path d="M([\d.]+) [\d.]+V[\d.]+H([\d.]+)/g),
    ].map(([, title, left, right]) => ({ title, left: Number(left), right: Number(right) }))
    const line = nowX(html)
    planned.stages.forEach((stage, i) => {
      const drawn = ends.find(({ title }) => title === stage.title)
      if (!drawn) return
      if (i <= 4) expect(drawn.right).toBeLessThanOrEqual(line + 0.5)
      else expect(drawn.left).toBeGreaterThanOrEqual(line - 0.5)
    })
    expect(ends.length).toBeGreaterThan(5)
  })
})

test('an hour stands beside the line of now, never under it', () => {
  const width = 40
  for (let now = 0; now < 200; now++) {
    const x = hourPlace(100, now)
    expect(now <= x - 10 || now >= x + width + 10).toBe(true)
    expect(Math.abs(x - 100)).toBeLessThanOrEqual(width / 2 + 10)
  }
  expect(hourPlace(100, undefined)).toBe(100)
})
