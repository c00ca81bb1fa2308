import { timelineOf } from '#core/plan/timeline'
import { htmlOf, planOf } from '../../tests/render'
import { HeatRibbon } from './heat-ribbon'
import { heatHeight, stageMatter, stageWord, windowWord } from './stage-words'

const ribbon = (request: Parameters<typeof planOf>[0] = {}) => {
  const { stages } = planOf(request)
  const line = timelineOf(stages)
  return {
    stages,
    html: htmlOf(<HeatRibbon stages={stages} times={stages.map((s) => line.get(s.id)!)} clockAt={(minute) => `${Math.round(minute)}'`} />),
  }
}
/** The body's path of each stage, in order. */
const bodies = (html: string) => [...html.matchAll(/<path d="([^"]+)" class="body"/g)].map((m) => m[1]!)

test('one body a stage, end to end, the table at the right', () => {
  const { stages, html } = ribbon()
  const drawn = bodies(html)
  expect(drawn.length).toBe(stages.length)
  let end = 8
  for (const d of drawn) {
    const x = Number(/^M([\d.]+)/.exec(d)![1])
    expect(x).toBeCloseTo(end, 3)
    end = Number(/H([\d.]+)/.exec(d)![1])
  }
  expect(end).toBeCloseTo(1240 - 16, 3)
  expect(html).toContain('table ')
})

test('height is heat: the boil stands over the simmer, the simmer over the work by hand', () => {
  const { stages, html } = ribbon()
  const top = (id: string) => Number(/V([\d.]+)/.exec(bodies(html)[stages.findIndex((s) => s.id === id)]!)![1])
  expect(top('heat-up')).toBeLessThan(top('simmer'))
  expect(top('simmer')).toBeLessThan(top('rinse'))
})

test('a clock closes its end, a cue leaves it open', () => {
  const { stages, html } = ribbon()
  const waves = bodies(html).map((d) => d.includes('q'))
  expect(waves).toEqual(stages.map((s) => s.ends_on === 'cue'))
  expect(html.match(/class="closed"/g)?.length).toBe(stages.filter((s) => s.ends_on === 'clock').length)
})

test('the lid is the top edge: on, ajar, and none where the pot is open', () => {
  expect(ribbon().html).toContain('class="lidOn"')
  expect(ribbon({ lid_until_boil: 'ajar' }).html).toContain('class="lidAjar"')
})

test('an overnight soak is folded with a tear, and the whole is spoken', () => {
  const { html } = ribbon({ grains: [{ variety: 'brown-short' }], soak: { minutes: 600, celsius: 5, water: 'drain' } })
  expect(html).toContain('class="tear"')
  expect(html).toMatch(/aria-label="From start to table: measure .*soak 10 h.*simmer/)
  expect(ribbon().html).not.toContain('class="tear"')
})

test('every stage of every method has its word, its height and its matter', () => {
  for (const method of ['covered-simmer', 'switch-cooker', 'pressure-electric'] as const)
    for (const stage of planOf({ method, release: 'timed' }).stages) {
      expect(stageWord(stage)).toMatch(/^[a-z ]+$/)
      expect(heatHeight(stage)).toBeGreaterThan(0)
      expect(heatHeight(stage)).toBeLessThanOrEqual(1)
      expect(['hand', 'water', 'heat', 'rest']).toContain(stageMatter(stage))
    }
})

test('minutes as they are said', () => {
  expect(windowWord({ low: 10, expected: 10, high: 10 }, 'clock')).toBe('10 min')
  expect(windowWord({ low: 5.4, expected: 6.2, high: 7.6 }, 'cue')).toBe('5–8 min')
  expect(windowWord({ low: 0.6, expected: 0.8, high: 1.4 }, 'cue')).toBe('0.6–1 min')
  expect(windowWord({ low: 600, expected: 600, high: 600 }, 'clock')).toBe('10 h')
})
