import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import type { CookEvent, EventKind } from '#core/cook/events'
import { outlookOf } from '#core/cook/outlook'
import { estimatePot } from '#core/cook/estimate-pot'
import { COMPLAINTS, type Complaint } from '#core/cook/remedy'
import { replay } from '#core/cook/replay'
import { varietyOf } from '#core/grain/varieties'
import { simulateHoldTime, HOLD_HOT_C } from '#core/leftovers/simulate-hold-time'
import { boilingPointAt } from '#core/heat/boiling-point'
import { metres } from '#core/units/units'
import { simulateFrom } from '#core/contract/simulate'
import { grainWater, type Pot } from '#core/pot/pot'
import { becomes, becomesOf } from './other-uses'
import { hintFor, type HintAct } from './hint'
import { after, adviceFor } from './remedies'

const START = Date.UTC(2026, 2, 5, 17, 0)
const MINUTE = 60_000
let made = 0

/** A cook at the stove: signs pressed when the plan expects them, but for what a test adds. */
function stove(over: Partial<PlanRequestJson> = {}, { late = 0 } = {}) {
  const request = {
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    method: 'covered-simmer',
    vessel: 'heavy-2.5',
    heat: 'gas-medium',
    ...over,
  } as PlanRequestJson
  const read = planFrom(request)
  if (!read.ok) throw new Error('not a request')
  const saved = { request, plan: read.value, startedMs: START }
  let events: CookEvent[] = []
  const tell = (kind: EventKind, stage: string, atMs: number, more: Partial<CookEvent> = {}) =>
    (events = [...events, { id: `event-${++made}`, kind, stage, atMs, ...more }])
  const at = (nowMs: number) => {
    const cook = runningCookOf(saved, events)
    const view = replay(cook, events, nowMs)
    return {
      cook,
      view,
      estimate: estimatePot({ plan: cook.plan, request: cook.request, view, events, nowMs }),
    }
  }
  const startOf = (stage: string) =>
    at(START).cook &&
    replay(runningCookOf(saved, events), events, START + 600 * MINUTE).stages.find((s) => s.id === stage)!
      .startMs
  for (const stage of read.value.stages) {
    if (stage.ends_on !== 'cue' || stage.id === 'fluff') continue
    const { view } = at(START + 600 * MINUTE)
    const begun = view.stages.find((s) => s.id === stage.id)!.startMs
    tell('cue', stage.id, begun + (stage.minutes.expected + (stage.kind === 'heat-up' ? late : 0)) * MINUTE)
  }
  return { plan: read.value, stored: saved, tell, at, startOf, events: () => events, request }
}
const simmering = (s: ReturnType<typeof stove>, minutes: number) => s.startOf('simmer') + minutes * MINUTE

describe('the pot as it should be now', () => {
  test.each(['long-white', 'short-white', 'brown-short', 'quinoa', 'barley-hulled'] as const)(
    '%s: on time it is the pot of the simulator, minute by minute',
    (variety) => {
      const s = stove({ grains: [{ variety }] })
      const simulated = simulateFrom(s.request)
      if (!simulated.ok) throw new Error('unread')
      const { series } = simulated.value
      const heat = s.startOf('heat-up')
      for (const minute of [3, 8, 14]) {
        const { pot } = s.at(heat + minute * MINUTE).estimate!
        const i = series.t_min.findIndex((t) => t >= minute)
        expect(pot.now / 60).toBeCloseTo(minute, 6)
        expect(Math.abs(pot.bulkC - series.bulk_c[i]!)).toBeLessThan(2.5)
        expect(Math.abs(pot.freeG - series.free_water_g[i]!)).toBeLessThan(12)
      }
    },
  )
  test('water that boils at once came hot: the pot boils, and the burner is not made a wonder of', () => {
    const s = stove({}, { late: -4.5 })
    const { estimate } = s.at(s.startOf('simmer') + 1000)
    expect(estimate!.burner).toBeLessThanOrEqual(1.81)
    expect(estimate!.pot.bulkC).toBeGreaterThan(98)
  })
  test('there is no estimate before anything is warm', () => {
    const s = stove()
    expect(s.at(START).estimate).toBeUndefined()
  })
  test('on time nothing moves: the open stage keeps its minutes and nothing is hinted', () => {
    const s = stove()
    const { cook, view, estimate } = s.at(simmering(s, 3))
    expect(cook.retimed).toBeUndefined()
    expect(estimate!.burner).toBeCloseTo(1, 1)
    expect(hintFor(estimate!, cook.plan, view, s.events())).toBeUndefined()
  })
  test('minutes with the heat out are minutes not cooked: the simmer stretches by about as long', () => {
    const s = stove()
    const at = simmering(s, 5)
    const before = s.at(at).cook.plan.stages.find((x) => x.id === 'simmer')!.minutes.expected
    s.tell('heat-out', 'simmer', at, { amount: 4 })
    const { cook } = s.at(at)
    const after4 = cook.plan.stages.find((x) => x.id === 'simmer')!.minutes.expected
    expect(after4 - before).toBeGreaterThan(0.7)
    // A covered heavy pot goes on cooking by its own heat, so it costs less than the minutes themselves and a re-boil.
    expect(after4 - before).toBeLessThan(6)
    expect(cook.retimed!.because.kind).toBe('heat-out')
  })
  test('forgotten on high for three minutes it steams off that power over the latent heat', () => {
    const s = stove()
    const at = simmering(s, 4)
    const free = s.at(at).estimate!.pot.freeG
    s.tell('heat-high', 'simmer', at, { amount: 3 })
    const { estimate } = s.at(at)
    const lowest = s.plan.stages.find((x) => x.id === 'simmer')!.power_w
    const more = ((1750 * 0.4 - lowest) * 180) / 2257
    expect(free - estimate!.pot.freeG).toBeGreaterThan(more * 0.85)
    expect(free - estimate!.pot.freeG).toBeLessThan(more * 1.1)
  })
})

describe('what is said, checked against the pot itself', () => {
  test('boil 6 min late: the burner is known to be weaker, and the simmer is computed again', () => {
    const s = stove({}, { late: 6 })
    const { cook, estimate } = s.at(simmering(s, 1))
    const believed = s.plan.stages.find((x) => x.kind === 'heat-up')!.minutes.expected
    // Energy to the boil is the same, so power goes about as the time, the standing loss aside.
    expect(estimate!.burner).toBeGreaterThan((believed / (believed + 6)) * 0.9)
    expect(estimate!.burner).toBeLessThan((believed / (believed + 6)) * 1.45)
    expect(cook.retimed).toMatchObject({ stage: 'simmer' })
    const end = outlookOf(estimate!)
    expect(end.verdict.cookedThrough).toBe('yes')
    expect(end.verdict.soggy).toBe(false)
  })
  test('a lid lifted four times costs minutes each, and the pot is still good', () => {
    const s = stove()
    for (let i = 0; i < 4; i++) s.tell('lid-lifted', 'simmer', simmering(s, 2 + i), { seconds: 30 })
    const { view, estimate } = s.at(simmering(s, 7))
    expect(view.lidLifts).toBe(4)
    expect(view.lostSteamG).toBeGreaterThan(0.5)
    expect(view.stages.find((x) => x.id === 'simmer')!.liftedMinutes).toBeGreaterThan(0.5)
    expect(outlookOf(estimate!).verdict.cookedThrough).toBe('yes')
  })
  test('a boil-over is put back gram by gram', () => {
    const s = stove()
    s.tell('boiled-over', 'simmer', simmering(s, 0.5), { amount: 120 })
    const { estimate, cook, view } = s.at(simmering(s, 1))
    const { grams } = hintFor(estimate!, cook.plan, view, s.events())!.act as HintAct & { kind: 'add' }
    expect(grams).toBeGreaterThan(90)
    expect(grams).toBeLessThan(140)
    s.tell('water-added', 'simmer', simmering(s, 1), { amount: grams })
    const mended = s.at(simmering(s, 1.5))
    expect(hintFor(mended.estimate!, mended.cook.plan, mended.view, s.events())).toBeUndefined()
    expect(Math.abs(outlookOf(mended.estimate!).shortG)).toBeLessThan(25)
    expect(adviceFor('boiled-over', estimate!, 120).remedy!.addG).toBe(120)
  })
  test.each(['long-white', 'short-white', 'brown-short', 'quinoa', 'barley-hulled'] as const)(
    '%s, all water gone at minute 8: so much boiling water and time that it ends through and not dry',
    (variety) => {
      const s = stove({ grains: [{ variety }] })
      const { estimate } = s.at(
        simmering(s, Math.min(8, s.plan.stages.find((x) => x.id === 'simmer')!.minutes.expected - 1)),
      )
      const advice = adviceFor('dry-early', estimate!)
      expect(advice.says).toMatch(
        /^Add \d+ g boiling water, (lid on, [1-9]\d* min on the lowest heat|heat off, lid on, rest \d+ min)$/,
      )
      expect(advice.after!.verdict).toMatchObject({ cookedThrough: 'yes', scorched: false, soggy: false })
      expect(advice.after!.verdict.texture).not.toBe('dry')
      // Less water than it lacks to be firm could not do it: the ledger's own lower bound.
      const { pot, prepared } = estimate!
      const lacking =
        (prepared.blend.uptake.firm -
          0.15 * (prepared.blend.uptake.standard - prepared.blend.uptake.firm) * 2) *
          pot.dryG -
        (pot.mean.reduce((a, b) => a + b, 0) / pot.mean.length) * pot.dryG
      expect(advice.remedy!.addG).toBeGreaterThan(lacking - 30)
    },
  )
  test.each(['long-white', 'short-white', 'basmati', 'jasmine'] as const)(
    '%s still wet at the end: poured off what runs off, else steamed off; it ends dry and not scorched',
    (variety) => {
      const s = stove({ grains: [{ variety }] })
      const end = s.at(START + 600 * MINUTE).view.stages.find((x) => x.id === 'rest')!.endMs
      const { estimate } = s.at(end)
      const advice = adviceFor('still-wet', estimate!)
      expect(advice.says).toMatch(
        /^(Pour off the loose water, about \d+ g; lid back on|Lid off, lowest heat, \d+ min|Spread it on a tray, \d+ min at 160 °C)$/,
      )
      // What would be seen as wet is at least a twelfth of the mass: all but the film on the grain can run off.
      if (advice.remedy?.pourOffG)
        expect(advice.remedy.pourOffG).toBeLessThan(0.09 * estimate!.pot.dryG * (1 + 1.8))
      if (advice.after) {
        expect(advice.after.outcome.freeShare).toBeLessThan(0.035)
        expect(advice.after.verdict.scorched).toBe(false)
      }
    },
  )
  test('opened at the beep: the lid back on, and rest until the centres are cooked', () => {
    const s = stove()
    const end = s.at(START + 600 * MINUTE).view.stages.find((x) => x.id === 'simmer')!.endMs
    s.tell('opened', 'rest', end + 0.2 * MINUTE, { seconds: 90 })
    const { estimate } = s.at(end + 2 * MINUTE)
    const advice = adviceFor('opened', estimate!)
    expect(advice.after!.outcome.centreMin).toBeGreaterThan(0.9)
    expect(advice.why).toMatch(/is at \d+ °C/)
  })
  test('a scorched smell: off, not stirred, and what stays behind in this pot by its base', () => {
    const s = stove()
    const { estimate } = s.at(simmering(s, 6))
    const advice = adviceFor('scorched', estimate!)
    expect(advice.says).toContain('Do not stir')
    const grams = Number(/Leave about (\d+) g/.exec(advice.why)![1])
    // 5 mm over a base of 180 mm: 127 mL of packed cooked grain.
    expect(grams).toBeGreaterThan(127 * 0.6)
    expect(grams).toBeLessThan(127 * 1)
  })
  test('every complaint gets an answer for every pot, and none leaves the pot changed', () => {
    for (const variety of ['short-white', 'brown-long', 'quinoa', 'wheat-berries'] as const) {
      const s = stove({ grains: [{ variety }] })
      const { estimate } = s.at(simmering(s, 3))
      const before = [
        estimate!.pot.freeG,
        estimate!.pot.bulkC,
        estimate!.pot.now,
        ...estimate!.pot.uptake,
        ...estimate!.pot.cooked,
      ]
      for (const complaint of COMPLAINTS) {
        const advice = adviceFor(complaint, estimate!, 50)
        expect(advice.says.length).toBeGreaterThan(5)
        if (advice.remedy)
          for (const figure of [advice.remedy.addG, advice.remedy.heatMinutes, advice.remedy.restMinutes])
            expect(Number.isFinite(figure) && figure >= 0).toBe(true)
        expect([
          estimate!.pot.freeG,
          estimate!.pot.bulkC,
          estimate!.pot.now,
          ...estimate!.pot.uptake,
          ...estimate!.pot.cooked,
        ]).toEqual(before)
      }
    }
  })
})

describe('a remedy begun', () => {
  const begin = (complaint: Complaint, minute: number) => {
    const s = stove()
    const at = simmering(s, minute)
    const advice = adviceFor(complaint, s.at(at).estimate!)
    s.tell('remedy', 'simmer', at, { remedy: advice.remedy! })
    return { s, at, advice }
  }
  test('ends the stage it was begun in, and its own stages come next, before the rest', () => {
    const { s, at } = begin('dry-early', 5)
    const { cook, view } = s.at(at + 1000)
    const ids = cook.plan.stages.map((x) => x.id)
    const fixes = ids.filter((id) => id.startsWith('mend-'))
    expect(fixes.length).toBeGreaterThan(0)
    expect(ids.indexOf(fixes[0]!)).toBe(ids.indexOf('simmer') + 1)
    expect(ids.indexOf('rest')).toBe(ids.indexOf(fixes.at(-1)!) + 1)
    expect(view.stages.find((x) => x.id === 'simmer')).toMatchObject({
      state: 'done',
      endedBy: 'remedy',
      endMs: at,
    })
    expect(view.now.map((x) => x.id)).toEqual([fixes[0]])
  })
  test('its water is in once its own cue came, and the pot ends as the advice said', () => {
    const { s, at, advice } = begin('dry-early', 5)
    const add = s.at(at).cook.plan.stages.find((x) => x.mends)!.id
    const before = s.at(at + 0.5 * MINUTE).estimate!.pot
    s.tell('cue', add, at + 0.6 * MINUTE)
    const now = s.at(at + 0.7 * MINUTE).estimate!
    const allWater = (pot: Pot) => pot.freeG + grainWater(pot) + pot.evaporatedG
    expect(allWater(now.pot) - allWater(before)).toBeCloseTo(advice.remedy!.addG, 6)
    // Most of it still lies loose so soon after.
    expect(now.pot.freeG - before.freeG).toBeGreaterThan(0.9 * advice.remedy!.addG)
    expect(outlookOf(now).verdict.cookedThrough).toBe('yes')
  })
  test('is taken back as if it had never been', () => {
    const { s, at } = begin('hard-wet', 5)
    const event = s.events().at(-1)!
    s.tell('take-back', 'simmer', at + 5000, { target: event.id })
    const { cook, view } = s.at(at + 6000)
    expect(cook.plan.stages.some((x) => x.id.startsWith('mend-'))).toBe(false)
    expect(view.now.map((x) => x.id)).toEqual(['simmer'])
  })
})

describe('how long it keeps', () => {
  test.each([
    ['steel-1.6', 'heavy-3.5'],
    ['heavy-2.5', 'clay-1.8'],
  ] as const)('%s cools under 60 °C sooner than %s, each as its own loss and heat say', (thin, heavy) => {
    const held = (vessel: string) => {
      const s = stove({ vessel: vessel as 'steel-1.6', amount: { basis: 'dry-mass', value: 250 } })
      const end = s.at(START + 600 * MINUTE).view.stages.find((x) => x.id === 'rest')!.endMs
      const { estimate } = s.at(end)
      return { ...simulateHoldTime(estimate!.pot, 2.1), pot: estimate!.pot }
    }
    const [a, b] = [held(thin), held(heavy)]
    expect(a.minutes).toBeLessThanOrEqual(a.safeMinutes)
    // Newton's cooling, with all heat in one lump: t = C/UA · ln((T − room)/(60 − room)).
    for (const { safeMinutes, pot } of [a, b]) {
      const capacity = pot.filledHeat - 4.18 * pot.evaporatedG
      const lump = (capacity / (pot.setup.loss * 0.75) / 60) * Math.log((pot.bulkC - 20) / (HOLD_HOT_C - 20))
      expect(safeMinutes / lump).toBeGreaterThan(0.7)
      expect(safeMinutes / lump).toBeLessThan(1.15)
    }
  })
  test('kept warm under a loose lid it dries without cooling', () => {
    const s = stove({ vessel: 'steel-1.6', amount: { basis: 'dry-mass', value: 150 } })
    const end = s.at(START + 600 * MINUTE).view.stages.find((x) => x.id === 'rest')!.endMs
    const { pot } = s.at(end).estimate!
    expect(pot.bulkC).toBeLessThan(boilingPointAt(metres(0)))
    const saved = simulateHoldTime(pot, 2.1, { powerW: pot.setup.loss * 65 })
    expect(saved.safeMinutes).toBe(Infinity)
    expect(saved.endsBy).toBe('drying')
  })
})

test('the stove and the simulator agree on an untouched remedy: after() is what outlookOf says later', () => {
  const s = stove()
  const { estimate } = s.at(simmering(s, 4))
  const plain = after(estimate!, {
    complaint: 'hard-wet',
    addG: 0,
    turn: false,
    powerW: 180,
    lid: 'on',
    heatMinutes: 6,
    restMinutes: 0,
  })
  expect(plain.outcome.centreMin).toBeGreaterThan(
    outlookOf(
      estimate!,
      estimate!.ahead.map((a) => ({ ...a, minutes: 0 })),
    ).outcome.centreMin,
  )
})

describe('what a pot that went wrong can become', () => {
  const white = [varietyOf('long-white')]
  const rated = (wetDry: number, hardness: number, bottom: 'clean' | 'scorched' = 'clean') =>
    becomesOf({ wetDry, hardness, bottom }, white)
  test('by what is wrong with it; nothing where it was right', () => {
    expect(rated(0, 0)).toEqual([])
    expect(rated(2, 0)).toEqual(becomes('still-wet', white))
    expect(rated(0, 2)).toEqual(becomes('mush', white))
    expect(rated(1, -1)).toEqual(becomes('hard-wet', white))
    expect(rated(-1, 0)).toEqual(becomes('dry-firm', white))
    expect(rated(0, 0, 'scorched')).toEqual(becomes('scorched', white))
  })
  test('no pudding of lentils, also not in a blend', () => {
    for (const complaint of COMPLAINTS)
      expect(becomes(complaint, [...white, varietyOf('lentils-green')]).join()).not.toMatch(
        /pudding|porridge/,
      )
    expect(becomes('mush', white).join()).toContain('pudding')
  })
})
