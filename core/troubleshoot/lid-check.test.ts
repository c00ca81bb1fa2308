import { planFrom } from '#core/contract/plan'
import { runningCookOf } from '#core/contract/running-cook'
import type { VarietyId } from '#core/grain/varieties'
import type { CookEvent } from '#core/cook/events'
import { lidCheck } from './lid-check'
import { outlookOf } from '#core/cook/outlook'
import { estimatePot } from '#core/cook/estimate-pot'
import { replay } from '#core/cook/replay'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000

/** A covered pot so many minutes before its simmer's clock is out. */
function nearTheEnd(variety: VarietyId, leftMinutes: number) {
  const request = { grains: [{ variety }], amount: { basis: 'dry-mass' as const, value: 300 } }
  const read = planFrom(request)
  if (!read.ok) throw new Error('unread')
  let at = START
  const events = read.value.stages
    .filter((s) => s.ends_on === 'cue' && s.id !== 'fluff')
    .map((stage): CookEvent => {
      at += stage.minutes.expected * MINUTE
      return { id: stage.id, kind: 'cue', stage: stage.id, atMs: at }
    })
  const cook = runningCookOf({ request, plan: read.value, startedMs: START }, events)
  const end = replay(cook, events, at + MINUTE).stages.find((s) => s.id === 'simmer')!.endMs
  const nowMs = end - leftMinutes * MINUTE
  return estimatePot({
    plan: cook.plan,
    request: cook.request,
    view: replay(cook, events, nowMs),
    events,
    nowMs,
  })!
}

test.each(['long-white', 'short-white', 'brown-short'] as const)(
  '%s, no water and nearly done: the heat goes off, and the rest does what is left',
  (variety) => {
    const estimate = nearTheEnd(variety, 1)
    const answer = lidCheck(estimate, 'none', 1)
    expect(answer.act).toBe('off')
    // The answer holds on the pot itself: with the heat off now it ends cooked through.
    const end = outlookOf(
      estimate,
      estimate.ahead.filter(({ phase }) => phase.powerW === 0),
    )
    expect(end.verdict.cookedThrough).toBe('yes')
  },
)

test('no water much too soon: water is added, as much as this pot needs', () => {
  const answer = lidCheck(nearTheEnd('brown-short', 28), 'none', 28)
  expect(answer).toMatchObject({ act: 'remedy' })
  if (answer.act !== 'remedy') throw new Error('no remedy')
  expect(answer.remedy.addG).toBeGreaterThan(40)
  expect(answer.says).toContain(`${answer.remedy.addG} g`)
})

test('water where the plan has none left: just the minutes that drink it', () => {
  const estimate = nearTheEnd('brown-short', 0.2)
  estimate.pot.freeG += 160
  const answer = lidCheck(estimate, 'water', 0.2)
  expect(answer.act).toBe('more')
  if (answer.act !== 'more') throw new Error('no more')
  expect(answer.minutes).toBeGreaterThanOrEqual(1)
  expect(answer.minutes).toBeLessThan(30)
})

test('water with time left is what the time is for', () => {
  expect(lidCheck(nearTheEnd('brown-short', 15), 'water', 15).act).toBe('none')
})

test('looking leaves the pot as it is', () => {
  const estimate = nearTheEnd('short-white', 2)
  const before = JSON.stringify([
    estimate.pot.freeG,
    estimate.pot.bulkC,
    [...estimate.pot.uptake],
    [...estimate.pot.cooked],
  ])
  lidCheck(estimate, 'water', 2)
  lidCheck(estimate, 'none', 2)
  expect(
    JSON.stringify([
      estimate.pot.freeG,
      estimate.pot.bulkC,
      [...estimate.pot.uptake],
      [...estimate.pot.cooked],
    ]),
  ).toBe(before)
})
