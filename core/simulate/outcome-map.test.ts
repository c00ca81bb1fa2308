import { parseSimulateRequest, type SimulateRequestJson } from '#core/contract/simulate'
import { METHOD_IDS } from '#core/methods/index'
import { MAP_SIZE, MAP_SPAN, outcomeMap, waterRoomForError, type OutcomeMap } from './outcome-map'
import { GOOD_OUTCOMES, OUTCOMES, outcomeWord } from './outcome-word'
import { simulate } from './simulate'
import type { Verdict } from './verdict'

const asked = (more: Partial<SimulateRequestJson> = {}) => {
  const read = parseSimulateRequest({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    method: 'covered-simmer',
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  const { seed: _s, runs: _r, ...simulation } = read.value
  return simulation
}
function whole(more: Partial<SimulateRequestJson> = {}): { map: OutcomeMap | undefined; steps: number } {
  const running = outcomeMap(asked(more))
  let steps = 0
  for (;;) {
    const next = running.next()
    if (next.done) return { map: next.value, steps }
    steps = next.value
  }
}

describe('the one word for an ending', () => {
  const good: Verdict = {
    cookedThrough: 'yes',
    texture: 'standard',
    soggy: false,
    uneven: false,
    scorched: false,
  }
  test.each([
    [{}, 'good'],
    [{ texture: 'soft' }, 'soft'],
    [{ texture: 'firm' }, 'firm'],
    [{ texture: 'dry' }, 'dry'],
    [{ texture: 'mushy' }, 'mush'],
    [{ soggy: true }, 'wet'],
    [{ soggy: true, texture: 'mushy' }, 'mush'],
    [{ cookedThrough: 'chalky', texture: 'dry' }, 'hard'],
    [{ cookedThrough: 'firm-centred', soggy: true }, 'hard'],
    [{ uneven: true }, 'uneven'],
    [{ scorched: true, cookedThrough: 'chalky' }, 'scorched'],
  ] as const)('%j is %s', (more, word) => {
    expect(outcomeWord({ ...good, ...more } as Verdict)).toBe(word)
  })
  test('good ones are those after which nothing is to mend', () => {
    expect([...GOOD_OUTCOMES].every((word) => OUTCOMES.includes(word))).toBe(true)
    expect(GOOD_OUTCOMES.has('wet')).toBe(false)
  })
})

describe('water against minutes', () => {
  const { map, steps } = whole()
  test('spans what it says, with the plan itself on its grid', () => {
    expect(steps).toBe(MAP_SIZE.pours * MAP_SIZE.minutes)
    expect(map!.cells).toHaveLength(MAP_SIZE.minutes)
    expect(map!.pours[0]! / map!.at.pourG).toBeCloseTo(MAP_SPAN.pour[0], 9)
    expect(map!.minutes.at(-1)! / map!.at.minutes).toBeCloseTo(MAP_SPAN.minutes[1], 9)
    expect(Math.min(...map!.minutes.map((m) => Math.abs(m - map!.at.minutes)))).toBeLessThan(1e-9)
    expect(Math.min(...map!.pours.map((g) => Math.abs(g - map!.at.pourG)))).toBeLessThan(1e-9)
  })
  test('a cell says what the simulator says of that pot', () => {
    for (const [i, j] of [
      [2, 6],
      [8, 6],
      [17, 6],
      [8, 0],
      [12, 12],
    ] as const) {
      const run = simulate({
        ...asked({
          pour_override_g: map!.pours[i]!,
          changes: [{ stage: 'simmer', minutes: map!.minutes[j]! }],
        }),
      })
      const fine = outcomeWord(run.verdict)
      const neighbours = [
        map!.cells[j]![i - 1],
        map!.cells[j]![i],
        map!.cells[j]![i + 1],
        map!.cells[j - 1]?.[i],
        map!.cells[j + 1]?.[i],
      ]
      // On an edge the finer pot may fall to the other side.
      expect(neighbours).toContain(fine)
    }
  })
  test("every method whose minutes are the cook's has one", () => {
    for (const method of METHOD_IDS.filter((m) =>
      ['covered-simmer', 'boiling-start', 'pressure-electric', 'oven'].includes(m),
    ))
      expect(
        whole({ method })
          .map!.cells.flat()
          .some((word) => GOOD_OUTCOMES.has(word)),
      ).toBe(true)
  })
})

test.each(['long-white', 'short-white', 'brown-short', 'quinoa', 'barley-hulled'] as const)(
  '%s: the slack lies around the plan, and its ends are as good as they are said to be',
  (variety) => {
    const grains = [{ variety }]
    const roomForError = waterRoomForError(asked({ grains }))!
    const pour = simulate(asked({ grains })).plan.water.pour_g
    expect(roomForError.fromG).toBeLessThan(pour)
    expect(roomForError.toG).toBeGreaterThan(pour)
    const word = (g: number) => outcomeWord(simulate(asked({ grains, pour_override_g: g })).verdict)
    expect(GOOD_OUTCOMES.has(word((roomForError.fromG + pour) / 2))).toBe(true)
    expect(GOOD_OUTCOMES.has(word((roomForError.toG + pour) / 2))).toBe(true)
    expect(GOOD_OUTCOMES.has(word(pour * 0.4))).toBe(false)
  },
)
