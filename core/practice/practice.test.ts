import fc from 'fast-check'
import { parsePlayerActions } from '#core/contract/practice'
import { parsePlanRequestOrThrow } from '#core/contract/plan-request'
import type { CookEvent } from '#core/cook/events'
import { replay, type RunningCook } from '#core/cook/replay'
import { deliveredPower, type HeatLevel } from '#core/heat/sources'
import { celsius } from '#core/units/units'
import { plan } from '#core/plan/plan'
import { FULL } from '#core/pot/pot'
import { simulate } from '#core/simulate/simulate'
import { standingLoss } from '#core/vessel/vessel'
import { runActions } from './run-actions'
import { debriefOf } from './debrief'
import { LID_POSITIONS } from '#core/heat/lid'
import { HEAT_LEVELS } from '#core/heat/sources'
import { playerActionsOf, type PlayerActions } from './player-actions'
import { endingOf } from './ending'
import { signsOf } from './signs'
import { kitchenOf, type PracticeConditions, type Situation } from './situation'
import { DOUBLED_POUR_G, situationOf, SITUATIONS } from './situations'

const situation = (id: string): Situation => situationOf(id)!
const BASE: PlayerActions = {
  washes: 3,
  soakMinutes: 0,
  pourG: 0,
  heats: [{ atMin: 0, level: 'high' }],
  lids: [],
  putInMin: null,
  ventMin: null,
  serveMin: 300,
}

/** What hands do that follow the card, or depart from it in one thing. */
interface Hand {
  pourG?: number
  /** When it is turned down; left out: at the true boil. */
  turnMin?: number
  level?: HeatLevel
  simmerMin?: number
  lids?: PlayerActions['lids']
  putInAfter?: number
  soakMinutes?: number
}

function byHand(
  { card, cardRequest, real, right, heldMinutes }: PracticeConditions,
  hand: Hand = {},
): PlayerActions {
  const last = card.stages.find((s) => s.id === 'simmer' || s.id === 'steam')!
  const up = card.stages.find((s) => s.id === 'heat-up')!
  const base: PlayerActions = {
    ...BASE,
    washes: cardRequest.rinse.washes,
    soakMinutes: hand.soakMinutes ?? cardRequest.soak?.minutes ?? 0,
    pourG: hand.pourG ?? card.water.pour_g,
    heats: [{ atMin: 0, level: up.heat }],
  }
  const steamed = right.stages.some((s) => s.kind === 'steam')
  const boil = hand.turnMin ?? runActions(real, base, heldMinutes).marks.boil!
  const turn = steamed ? boil + 3 : boil
  const off = turn + (hand.simmerMin ?? last.minutes.expected)
  const rest = card.stages.find((s) => s.id === 'rest')?.minutes.expected ?? 0
  return {
    ...base,
    heats: [...base.heats, { atMin: turn, level: hand.level ?? last.heat }, { atMin: off, level: 'off' }],
    lids: hand.lids ?? [],
    putInMin: steamed ? boil + 1 : hand.putInAfter === undefined ? null : boil + hand.putInAfter,
    serveMin: off + rest + 1,
  }
}

const ends = (id: string, playerActions: PlayerActions) => {
  const { real, heldMinutes } = kitchenOf(situation(id))
  return endingOf(runActions(real, playerActions, heldMinutes, FULL))
}

describe('a pot cooked by hand', () => {
  test('is the simulator’s own pot: the same heat, lid and minutes as a script come to the same', () => {
    const request = parsePlanRequestOrThrow({
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: 300 },
      vessel: 'heavy-3.5',
      heat: 'gas-large',
      elevation_m: 1120,
    })
    const made = plan(request)
    const loss = standingLoss(request.vessel, celsius(made.boil_c), celsius(request.kitchenC))
    const power = (level: HeatLevel) => deliveredPower(request.source, level, loss)
    const playerActions: PlayerActions = {
      ...BASE,
      pourG: made.water.pour_g,
      heats: [
        { atMin: 0, level: 'high' },
        { atMin: 8, level: 'lowest' },
        { atMin: 24, level: 'off' },
      ],
      lids: [
        { atMin: 12, lid: 'off' },
        { atMin: 14, lid: 'on' },
      ],
      serveMin: 34,
    }
    const mine = runActions(request, playerActions, 0, FULL)
    const step = (level: HeatLevel, minutes: number, lid: 'on' | 'off' = 'on') => ({
      powerW: power(level),
      lid,
      pressureKPa: null,
      until: { minutes },
    })
    const script = [
      step('high', 8),
      step('lowest', 4),
      step('lowest', 2, 'off'),
      step('lowest', 10),
      step('off', 10),
    ]
    const theirs = simulate({ request, script, happenings: [] })
    expect(endingOf(mine).outcome.uptakeMean).toBeCloseTo(theirs.outcome.uptakeMean, 4)
    expect(endingOf(mine).outcome.centreMin).toBeCloseTo(theirs.outcome.centreMin, 4)
    expect(mine.pot.evaporatedG).toBeCloseTo(theirs.final.evaporatedG, 2)
    expect(endingOf(mine).verdict).toEqual(theirs.verdict)
  })

  test('loses no water whatever hands do: what was poured and carried in is drunk, free, gone as steam or still under the basket', () => {
    const minute = fc.integer({ min: 0, max: 60 })
    fc.assert(
      fc.property(
        fc.constantFrom(...SITUATIONS),
        fc.integer({ min: 0, max: 2000 }),
        fc.array(fc.record({ atMin: minute, level: fc.constantFrom(...HEAT_LEVELS) }), { maxLength: 5 }),
        fc.array(fc.record({ atMin: minute, lid: fc.constantFrom(...LID_POSITIONS) }), { maxLength: 5 }),
        fc.option(minute),
        fc.option(minute),
        ({ id }, pourG, heats, lids, putInMin, ventMin) => {
          const { real, heldMinutes } = kitchenOf(situation(id))
          const { pot, prepared } = runActions(
            real,
            { ...BASE, pourG, heats, lids, putInMin, ventMin, serveMin: 60 },
            heldMinutes,
          )
          const drunk = pot.mean.reduce(
            (sum, u, i) =>
              sum +
              (u * prepared.blend.parts[Math.floor(i / pot.resolution.layers)]!.share * pot.dryG) /
                pot.resolution.layers,
            0,
          )
          const before = prepared.soaked.uptake * pot.dryG + prepared.soaked.clingingG + pourG
          expect(Math.abs(before - (drunk + pot.freeG + pot.evaporatedG + pot.boilerG))).toBeLessThan(0.5)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('situations', () => {
  test('are at least eight, each with a card that leads astray here and hands that do better', () => {
    expect(SITUATIONS.length).toBeGreaterThanOrEqual(8)
    expect(new Set(SITUATIONS.map((s) => s.id)).size).toBe(SITUATIONS.length)
    const { marks: click } = runActions(kitchenOf(situation('the-beep')).real, {
      ...BASE,
      pourG: kitchenOf(situation('the-beep')).card.water.pour_g,
    })
    const pressed = kitchenOf(situation('let-out-at-once'))
    const sealed: PlayerActions = { ...BASE, pourG: pressed.card.water.pour_g }
    const { marks: pin } = runActions(pressed.real, sealed, pressed.heldMinutes)
    const heldUntil = pin.pressure! + pressed.heldMinutes
    const at = (id: string, hand?: Hand) => byHand(kitchenOf(situation(id)), hand)
    const simmerOf = (id: string) =>
      kitchenOf(situation(id)).right.stages.find((s) => s.id === 'simmer')!.minutes.expected
    const slow = kitchenOf(situation('slow-and-fast'))
    const late = slow.right.stages
      .filter((s) => s.kind === 'simmer')
      .reduce((sum, s) => sum + s.minutes.expected, 0)
    const open = (from: number, to: number): PlayerActions['lids'] => [
      { atMin: from, lid: 'off' },
      { atMin: to, lid: 'on' },
    ]
    const cases: [id: string, bad: PlayerActions, badly: string, good: PlayerActions][] = [
      [
        'first-pot-at-height',
        at('first-pot-at-height'),
        'hard',
        at('first-pot-at-height', {
          simmerMin: simmerOf('first-pot-at-height'),
          pourG: kitchenOf(situation('first-pot-at-height')).right.water.pour_g,
        }),
      ],
      [
        'double-batch',
        at('double-batch'),
        'wet',
        at('double-batch', { pourG: kitchenOf(situation('double-batch')).right.water.pour_g }),
      ],
      [
        'the-lid-lifter',
        at('the-lid-lifter', { lids: open(9, 19) }),
        'hard',
        at('the-lid-lifter', { lids: open(9, 9.25) }),
      ],
      ['the-thin-pan', at('the-thin-pan'), 'scorched', at('the-thin-pan', { level: 'low', simmerMin: 20 })],
      [
        'the-beep',
        { ...BASE, pourG: kitchenOf(situation('the-beep')).card.water.pour_g, serveMin: click.click! + 0.5 },
        'hard',
        { ...BASE, pourG: kitchenOf(situation('the-beep')).card.water.pour_g, serveMin: click.click! + 12 },
      ],
      [
        'wet-grain',
        at('wet-grain'),
        'soft',
        at('wet-grain', { pourG: kitchenOf(situation('wet-grain')).card.water.pour_g - 104 }),
      ],
      [
        'slow-and-fast',
        at('slow-and-fast', { putInAfter: -5 }),
        'hard',
        at('slow-and-fast', {
          putInAfter: slow.right.add_after_minutes!,
          simmerMin: late,
          pourG: slow.right.water.pour_g,
        }),
      ],
      ['sticky-by-steam', at('sticky-by-steam', { soakMinutes: 10 }), 'hard', at('sticky-by-steam')],
      [
        'let-out-at-once',
        { ...sealed, ventMin: heldUntil + 1, serveMin: heldUntil + 4 },
        'hard',
        { ...sealed, serveMin: pin.unsealed! + 1 },
      ],
      ['first-bubbles', at('first-bubbles', { turnMin: 14 }), 'hard', at('first-bubbles')],
    ]
    expect(cases.map(([id]) => id).sort()).toEqual(SITUATIONS.map((s) => s.id).sort())
    for (const [id, bad, badly, good] of cases) {
      expect([id, ends(id, bad).word, ends(id, bad).good]).toEqual([id, badly, false])
      expect([id, ends(id, good).good]).toEqual([id, true])
      // Each turns on what it says it turns on, and what is proposed really mends it.
      const debrief = debriefOf(kitchenOf(situation(id)), bad, situation(id).about)
      expect([id, debrief.deeds.some((d) => d.kind === situation(id).about)]).toEqual([id, true])
      expect([id, debrief.tryThis && ends(id, debrief.tryThis.doing).good]).toEqual([id, true])
    }
  })

  test('the doubled card is twice what the single pot takes', () => {
    const { card } = situation('double-batch')
    const single = plan(
      parsePlanRequestOrThrow({ ...card, amount: { basis: 'dry-mass', value: 100 }, pour_override_g: null }),
    )
    expect(Math.abs(DOUBLED_POUR_G / (2 * single.water.pour_g) - 1)).toBeLessThan(0.01)
  })
})

describe('a debrief', () => {
  test('says of each act what the pot comes to without it, cooked again', () => {
    const kitchen = kitchenOf(situation('the-lid-lifter'))
    const playerActions = byHand(kitchen, {
      lids: [
        { atMin: 9, lid: 'off' },
        { atMin: 19, lid: 'on' },
      ],
    })
    const debrief = debriefOf(kitchen, playerActions, 'lid')
    const mine = runActions(kitchen.real, playerActions, 0, FULL)
    expect(debrief.deeds[0]).toMatchObject({ kind: 'lid', without: 'with it left on' })
    for (const action of debrief.deeds) {
      const without = runActions(kitchen.real, action.doing, 0, FULL)
      expect(action.ending).toEqual(endingOf(without))
      expect(action.did.evaporatedG).toBeCloseTo(mine.pot.evaporatedG - without.pot.evaporatedG, 9)
      expect(action.doing).not.toEqual(playerActions)
    }
    // The lid's own deed is the very cook with the lid left alone.
    expect(debrief.deeds[0]!.doing).toEqual({ ...playerActions, lids: [] })
    expect(debrief.moment.other).toBeDefined()
  })

  test('of a good pot proposes nothing, and still says what each act was worth', () => {
    const kitchen = kitchenOf(situation('first-bubbles'))
    const debrief = debriefOf(kitchen, byHand(kitchen), 'heat')
    expect(debrief.ending.good).toBe(true)
    expect(debrief.tryThis).toBeUndefined()
    expect(debrief.deeds.length).toBeGreaterThan(1)
  })
})

test('what was done is read out of presses: calls up to the pour, hands after it, a look under the lid among them', () => {
  const { card, cardRequest } = kitchenOf(situation('first-bubbles'))
  const MIN = 60_000
  const cook: RunningCook = {
    plan: card,
    startedMs: 0,
    pot: { lossWK: 1, openArea: 0.03, boilC: card.boil_c, kitchenC: cardRequest.kitchenC },
  }
  const event = (
    kind: CookEvent['kind'],
    stage: string,
    atMin: number,
    more: Partial<CookEvent> = {},
  ): CookEvent => ({ id: `${kind} ${stage} ${atMin}`, kind, stage, atMs: atMin * MIN, ...more })
  const events = [
    event('cue', 'measure', 1),
    event('washed', 'rinse', 2),
    event('washed', 'rinse', 3),
    event('cue', 'rinse', 4),
    event('cue', 'drain', 5),
    event('cue', 'pour', 6, { amount: 480 }),
    event('lid-lifted', 'heat-up', 10, { seconds: 15 }),
  ]
  // A knob on its way to the top passes the places between.
  const acts = [
    { id: 'p', atMs: 7 * MIN - 2000, kind: 'heat', level: 'medium' },
    { id: 'a', atMs: 7 * MIN, kind: 'heat', level: 'high' },
    { id: 'b', atMs: 12 * MIN, kind: 'lid', lid: 'ajar' },
  ] as const
  const view = replay(cook, events, 20 * MIN)
  expect(playerActionsOf(view, events.slice(0, 4), acts, 20 * MIN)).toBeUndefined()
  expect(playerActionsOf(view, events, acts, 20 * MIN)).toEqual({
    washes: 2,
    soakMinutes: 0,
    pourG: 480,
    heats: [{ atMin: 1, level: 'high' }],
    lids: [
      { atMin: 4, lid: 'off' },
      { atMin: 4.25, lid: 'on' },
      { atMin: 6, lid: 'ajar' },
    ],
    putInMin: null,
    ventMin: null,
    serveMin: 14,
  })
  // A wash that is taken back was none.
  const taken = [...events, event('take-back', 'rinse', 6.5, { target: 'washed rinse 3' })]
  expect(playerActionsOf(replay(cook, taken, 20 * MIN), taken, acts, 20 * MIN)!.washes).toBe(1)
})

test('signs say what can be heard, and show the surface only to who lifts the lid', () => {
  const { real, card } = kitchenOf(situation('the-thin-pan'))
  const at = (serveMin: number, more: Partial<PlayerActions> = {}) => {
    const playerActions = { ...BASE, pourG: card.water.pour_g, serveMin, ...more }
    return signsOf(runActions(real, playerActions), serveMin)
  }
  expect(at(0.5).says).toEqual(['Still'])
  expect(at(6)).toMatchObject({ surface: 'hidden', says: ['A rolling boil, steam pushes out at the lid'] })
  expect(at(6, { lids: [{ atMin: 5.9, lid: 'off' }] })).toMatchObject({ surface: 'water' })
  const { marks } = runActions(real, { ...BASE, pourG: card.water.pour_g, serveMin: 60 })
  expect(at(marks.dry! + 0.3).says).toContain('The bubbling has turned to a dry crackle')
  expect(at(marks.dry! + 5).says[0]).toBe('A smell of burning')
  // Off the heat it is quiet.
  expect(
    at(8, {
      heats: [
        { atMin: 0, level: 'high' },
        { atMin: 6, level: 'off' },
      ],
    }).says,
  ).toEqual(['Quiet, a little steam'])
})

test('what a page tells of a pot is read strictly: the field, the limit and the value are named', () => {
  expect(parsePlayerActions(BASE)).toEqual({ ok: true, value: BASE })
  const wrong = (over: Record<string, unknown>) => {
    const read = parsePlayerActions({ ...BASE, ...over })
    return read.ok ? 'taken' : read.errors[0]!.message
  }
  expect(wrong({ pourG: -1 })).toBe('pourG must be a number from 0 to 60000 g, got -1')
  expect(wrong({ serveMin: NaN })).toMatch(/^serveMin must be a number from 0 to 1440 minutes/)
  expect(wrong({ heats: [{ atMin: 1, level: 'hot' }] })).toBe(
    'heats.0.level must be one of off, lowest, low, medium, high; got "hot"',
  )
  expect(wrong({ lids: Array.from({ length: 201 }, () => ({ atMin: 1, lid: 'on' })) })).toBe(
    'lids holds at most 200, got 201',
  )
  expect(parsePlayerActions(null).ok).toBe(false)
})
