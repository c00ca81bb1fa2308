import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import { estimatePot } from '#core/cook/estimate-pot'
import { isSealed } from '#core/cook/lid-lift'
import { COMPLAINTS, remedyStages } from '#core/cook/remedy'
import { replay } from '#core/cook/replay'
import type { MethodId } from '#core/methods/index'
import { cookAtTheStove, MINUTE } from '../../tests/helpers/at-the-stove'
import { adviceFor } from './remedies'

/** Remedies speak of what heats the pot, and nothing asks for a lid that must stay shut to be opened. */

const requestOf = (method: MethodId): PlanRequestJson => ({
  grains: [{ variety: 'long-white' }],
  amount: { basis: 'dry-mass', value: 300 },
  method,
})

/** The pot so many minutes into a stage of a batch that went as planned. */
function potIn(method: MethodId, kind: string, minute: number) {
  const { end, events } = cookAtTheStove(requestOf(method), [], { follow: false })
  const { plan, request } = end.cook
  const stage = plan.stages.find((s) => s.kind === kind)!
  const nowMs = end.view.stages.find((s) => s.id === stage.id)!.startMs + minute * MINUTE
  const before = events.filter((e) => e.atMs <= nowMs)
  const cook = runningCookOf({ request: requestOf(method), plan, startedMs: end.cook.startedMs }, before)
  return estimatePot({ plan, request, view: replay(cook, before, nowMs), events: before, nowMs })!
}

const BURNER_WORDS = /lowest heat|burner/i
test.each([
  ['switch-cooker', 'rest', /keep warm/i],
  ['oven', 'rest', /oven|foil/i],
] as const)('%s: in the words of the appliance', (method, kind, own) => {
  const pot = potIn(method, kind, 1)
  // Cold and dry, so that heat is needed once more.
  pot.pot.bulkC = 60
  const said = COMPLAINTS.filter((c) => c !== 'boiled-over').map((c) => adviceFor(c, pot))
  for (const { says, why, remedy } of said) {
    expect(`${says} ${why}`).not.toMatch(BURNER_WORDS)
    expect(says).not.toMatch(/\b0 (min|g)\b/)
    expect(says.length).toBeLessThanOrEqual(60)
    const titles = remedy ? remedyStages('event-01', remedy).map((s) => `${s.title} ${s.set?.setting}`) : []
    expect(titles.join()).not.toMatch(BURNER_WORDS)
  }
  expect(said.map((s) => s.says).join()).toMatch(own)
})

test.each(['covered-simmer', 'boil-and-drain', 'switch-cooker', 'oven'] as const)(
  '%s: no remedy takes no time, and none an hour',
  (method) => {
    const { stages } = planOf(method)
    const pot = potIn(method, stages.some((s) => s.kind === 'rest') ? 'rest' : 'drain', 0.3)
    for (const complaint of ['hard-wet', 'dry-firm', 'chalky', 'opened'] as const) {
      const { says } = adviceFor(complaint, pot)
      expect(says).not.toMatch(/\b0 min/)
      expect(Number(/(\d+) min/.exec(says)?.[1] ?? 1)).toBeLessThan(60)
    }
  },
)

function planOf(method: MethodId) {
  const read = planFrom(requestOf(method))
  if (!read.ok) throw new Error('not read')
  return read.value
}

describe.each(['pressure-electric', 'pressure-stovetop'] as const)('%s', (method) => {
  const stages = planOf(method).stages.filter(isSealed)
  test('water is missing: before it steams it can be added, and under pressure nothing is opened', () => {
    const pour = planOf(method).water.pour_g
    const { said } = cookAtTheStove(requestOf(method), [], { poured: 0.75 * pour, follow: false })
    expect(said[0]!.hint.says).toMatch(/^Before any steam comes: open, add \d+ g water$/)
    expect(said.length).toBeGreaterThan(1)
    for (const { hint } of said.slice(1)) {
      expect(hint.act).toBeUndefined()
      expect(hint.says).not.toMatch(/^Add|open/)
      expect(hint.why).toMatch(/lid stays shut/)
    }
  })
  test.each(stages.map((s) => s.kind))('in %s every complaint waits until the pressure is gone', (kind) => {
    const pot = potIn(method, kind, 0.5)
    for (const complaint of COMPLAINTS) {
      const advice = adviceFor(complaint, pot)
      expect(advice.remedy).toBeUndefined()
      expect(advice.says).toBe('Let the pressure go first, then look again')
    }
  })
})
