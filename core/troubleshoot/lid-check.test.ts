import { planFrom } from '#core/contract/plan'
import { runningCookOf } from '#core/contract/running-cook'
import type { VarietyId } from '#core/grain/varieties'
import type { CookEvent } from '#core/cook/events'
import { looked } from './lid-check'
import { outlookOf } from '#core/cook/outlook'
import { reckon } from '#core/cook/estimate-pot'
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
  return reckon({ plan: cook.plan, request: cook.request, view: replay(cook, events, nowMs), events, nowMs })!
}

test.each(['long-white', 'short-white', 'brown-short'] as const)(
  '%s, no water and nearly done: the heat goes off, and the rest does what is left',
  (variety) => {
    const reckoned = nearTheEnd(variety, 1)
    const answer = looked(reckoned, 'none', 1)
    expect(answer.act).toBe('off')
    // The answer holds on the pot itself: with the heat off now it ends cooked through.
    const end = outlookOf(
      reckoned,
      reckoned.ahead.filter(({ phase }) => phase.powerW === 0),
    )
    expect(end.verdict.cookedThrough).toBe('yes')
  },
)

test('no water much too soon: water is added, as much as this pot needs', () => {
  const answer = looked(nearTheEnd('brown-short', 28), 'none', 28)
  expect(answer).toMatchObject({ act: 'remedy' })
  if (answer.act !== 'remedy') throw new Error('no remedy')
  expect(answer.remedy.addG).toBeGreaterThan(40)
  expect(answer.says).toContain(`${answer.remedy.addG} g`)
})

test('water where the plan has none left: just the minutes that drink it', () => {
  const reckoned = nearTheEnd('brown-short', 0.2)
  reckoned.pot.freeG += 160
  const answer = looked(reckoned, 'water', 0.2)
  expect(answer.act).toBe('more')
  if (answer.act !== 'more') throw new Error('no more')
  expect(answer.minutes).toBeGreaterThanOrEqual(1)
  expect(answer.minutes).toBeLessThan(30)
})

test('water with time left is what the time is for', () => {
  expect(looked(nearTheEnd('brown-short', 15), 'water', 15).act).toBe('none')
})

test('looking leaves the pot as it is', () => {
  const reckoned = nearTheEnd('short-white', 2)
  const before = JSON.stringify([
    reckoned.pot.freeG,
    reckoned.pot.bulkC,
    [...reckoned.pot.uptake],
    [...reckoned.pot.cooked],
  ])
  looked(reckoned, 'water', 2)
  looked(reckoned, 'none', 2)
  expect(
    JSON.stringify([
      reckoned.pot.freeG,
      reckoned.pot.bulkC,
      [...reckoned.pot.uptake],
      [...reckoned.pot.cooked],
    ]),
  ).toBe(before)
})
