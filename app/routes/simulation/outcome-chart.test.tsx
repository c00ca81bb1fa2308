import { parseSimulateRequest, type SimulateRequestJson } from '#core/contract/simulate'
import { outcomeMap, type OutcomeMap } from '#core/simulate/outcome-map'
import { simulate } from '#core/simulate/simulate'
import { HEAT_PRESETS } from '#core/heat/sources'
import { htmlOf, textOf } from '../../../tests/helpers/render'
import { EditHeat } from './edit-heat'
import { OutcomeChart } from './outcome-chart'
import { StageKeys } from './stage-controls'
import { stageAt, stageTimes } from './stage-times'

const cooked = (more: Partial<SimulateRequestJson> = {}) => {
  const read = parseSimulateRequest({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  const { seed: _s, runs: _r, ...simulation } = read.value
  return { simulation, run: simulate(simulation) }
}
const still = () => {}
const { run, simulation } = cooked()
const stages = stageTimes(run)

test('stages of a cooked pot lie end to end, from the first heat to the table', () => {
  expect(stages.map(({ stage }) => stage.id)).toEqual(['heat-up', 'simmer', 'rest'])
  expect(stages[0]!.start).toBe(0)
  stages.slice(1).forEach(({ start }, i) => expect(start).toBe(stages[i]!.end))
  expect(stages.at(-1)!.end).toBeCloseTo(run.series.tMin.at(-1)!, 1)
  expect(stageAt(stages, 0)!.stage.id).toBe('heat-up')
  expect(stageAt(stages, 9999)).toBeUndefined()
})

test('a boil that never comes is said of its stage', () => {
  const cold = stageTimes(cooked({ changes: [{ stage: 'heat-up', power_w: 40 }] }).run)
  expect(cold[0]).toMatchObject({ never: true })
})

test('the heat in hand: every stage has a grip for its heat and one for its minutes, named and with their figures', () => {
  const html = htmlOf(
    <EditHeat
      stages={stages}
      changes={{ simmer: { powerW: 400 } }}
      fullW={700}
      minute={5}
      longest={stages.at(-1)!.end}
      selected="simmer"
      onSelect={still}
      onChange={still}
    />,
  )
  for (const { stage, start, end } of stages) {
    expect(html).toContain(`aria-label="Heat of ${stage.title}"`)
    expect(html).toMatch(
      new RegExp(
        `aria-label="Minutes of ${stage.title}"[^>]*aria-valuetext="${(end - start).toFixed(1)} minutes"`,
      ),
    )
  }
  expect(html).toContain('aria-valuetext="400 W"')
  expect(html).toContain('aria-valuetext="off"')
  // Only what was changed shows what was planned.
  expect(html.match(/class="planned"/g)).toHaveLength(1)
})

test('a stage by keys: its level is pressed, a changed one can be set back', () => {
  const simmer = stages.find(({ stage }) => stage.id === 'simmer')!
  const keys = (change?: { powerW: number }) =>
    htmlOf(
      <StageKeys
        at={simmer}
        change={change}
        source={HEAT_PRESETS['gas-medium']}
        standingLossW={100}
        onChange={still}
      />,
    )
  expect(keys()).not.toContain('As planned')
  expect(keys({ powerW: 700 })).toContain('As planned')
  expect(keys({ powerW: 700 })).toMatch(/aria-pressed="true"[^>]*>high/)
  expect(keys()).toContain('lid ajar')
})

describe('water against minutes', () => {
  const map = (() => {
    const running = outcomeMap(simulation)
    let next = running.next()
    while (!next.done) next = running.next()
    return next.value as OutcomeMap
  })()
  const text = textOf(<OutcomeChart map={map} onPick={still} />)

  test('every cell says its water, its minutes and its end', () => {
    const html = htmlOf(<OutcomeChart map={map} onPick={still} />)
    expect(html.match(/role="gridcell"/g)).toHaveLength(map.pours.length * map.minutes.length)
    expect(html.match(/tabindex="0"/gi)).toHaveLength(1)
    expect(html).toContain(`aria-label="${Math.round(map.pours[0]!)} g, ${map.minutes[0]!.toFixed(1)} min: `)
  })
  test('the plan lies in the good field, and the room around it is said', () => {
    expect(text).toMatch(
      /With these minutes it ends well from \d+ to \d+ g water; with this amount from [\d.]+ to [\d.]+ min/,
    )
  })
  test('a pot outside the good area is labelled so', () => {
    const drowned = { ...map, at: { pourG: map.pours.at(-1)!, minutes: map.minutes[0]! } }
    expect(textOf(<OutcomeChart map={drowned} onPick={still} />)).toContain('outside the good area')
  })
  test('more minutes never leave a pot rawer: at any water, hard ends stop for good', () => {
    for (let i = 0; i < map.pours.length; i++) {
      const column = map.cells.map((row) => row[i]!)
      const lastHard = column.lastIndexOf('hard')
      column.slice(0, lastHard + 1).forEach((word) => expect(word).toBe('hard'))
    }
  })
})
