import fc from 'fast-check'
import { beliefsFrom, experimentsFor, knownFigures, type FigureOverride } from './beliefs'
import { correctionFrom } from './corrections'
import { NOTHING_APPLIED, observationsOf, type Evidence } from './evidence'
import { figureName, isFigureName, priorSd, priorSdOfPack, widenedTo } from './figures'
import { wordOf, WET_DRY_WORDS } from './rating'
import { emptyState, addVariable, meanOf, sdIn, sdOfSum, update, fixVariable } from './kalman'

const cook = (over: Partial<Evidence> = {}): Evidence => ({
  cookId: 'a',
  endedMs: 1000,
  grainKey: 'short-white',
  bagId: null,
  vesselId: 'blue',
  heatId: 'gas',
  extraUptake: 0,
  steamPerDry: 0.2,
  applied: NOTHING_APPLIED,
  judged: { wetDry: 0, hardness: 0 },
  heated: null,
  boilFactor: null,
  steamFactor: null,
  ...over,
})
const plan = { grainKey: 'short-white', bagId: null, vesselId: 'blue', heatId: 'gas' }
const after = (...cooks: Evidence[]) => correctionFrom(knownFigures(beliefsFrom(cooks)), plan)!
const mean = (figure: string, ...cooks: Evidence[]) => meanOf(beliefsFrom(cooks).state, figure)

const anyCook = fc.record({
  cookId: fc.uuid(),
  endedMs: fc.integer({ min: 0, max: 1e9 }),
  grainKey: fc.constantFrom('short-white', 'quinoa', 'basmati'),
  bagId: fc.constantFrom(null, 'sack', 'tin'),
  vesselId: fc.constantFrom('blue', 'clay'),
  heatId: fc.constantFrom('gas', 'plate'),
  extraUptake: fc.option(fc.double({ min: -0.6, max: 0.6, noNaN: true })),
  steamPerDry: fc.double({ min: 0, max: 1.5, noNaN: true }),
  applied: fc.record({
    uptake: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
    steam: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
    power: fc.constant(0),
    time: fc.constant(0),
  }),
  judged: fc.option(
    fc.record({ wetDry: fc.integer({ min: -2, max: 2 }), hardness: fc.integer({ min: -2, max: 2 }) }),
  ),
  heated: fc.constantFrom(null, null, 'short' as const, 'long' as const),
  boilFactor: fc.option(fc.double({ min: 0.5, max: 2, noNaN: true })),
  steamFactor: fc.option(fc.double({ min: 0.3, max: 3, noNaN: true })),
})
const anyCooks = (maxLength: number) => fc.uniqueArray(anyCook, { maxLength, selector: (c) => c.cookId })

describe('one Gaussian over all figures', () => {
  test('with one figure it is the textbook posterior: precisions add, means weigh by them', () => {
    const state = emptyState()
    addVariable(state, 'grain a', 2)
    const one = new Map([['grain a', 1]])
    update(state, { weights: one, value: 1.5, sd: 2 })
    update(state, { weights: one, value: 1, sd: 1 })
    expect(1 / sdIn(state, 'grain a', 9) ** 2).toBeCloseTo(1 / 4 + 1 / 4 + 1, 9)
    expect(meanOf(state, 'grain a')).toBeCloseTo((1.5 / 4 + 1) / (1 / 4 + 1 / 4 + 1), 9)
  })

  test('a sum that was seen ties its parts together, and seeing one of them then tells of the other', () => {
    const state = emptyState()
    addVariable(state, 'grain a', 1)
    addVariable(state, 'steam b', 1)
    update(state, {
      weights: new Map([
        ['grain a', 1],
        ['steam b', 1],
      ]),
      value: 1,
      sd: 0.01,
    })
    expect(meanOf(state, 'grain a')).toBeCloseTo(0.5, 2)
    update(state, { weights: new Map([['steam b', 1]]), value: 0, sd: 0.01 })
    expect(meanOf(state, 'grain a')).toBeCloseTo(1, 1)
    expect(
      sdOfSum(
        state,
        new Map([
          ['grain a', 1],
          ['steam b', 1],
        ]),
        priorSd,
      ),
    ).toBeLessThan(0.02)
  })

  test('refuses what is no measurement, and what nothing is known of', () => {
    const state = emptyState()
    addVariable(state, 'grain a', 1)
    expect(() => update(state, { weights: new Map([['grain a', 1]]), value: NaN, sd: 1 })).toThrow(RangeError)
    expect(() => update(state, { weights: new Map([['grain a', 1]]), value: 1, sd: 0 })).toThrow(RangeError)
    expect(() => update(state, { weights: new Map([['grain b', 1]]), value: 1, sd: 1 })).toThrow(RangeError)
  })

  test('settled, a figure is cut loose from the others', () => {
    const state = emptyState()
    addVariable(state, 'grain a', 1)
    addVariable(state, 'steam b', 1)
    update(state, {
      weights: new Map([
        ['grain a', 1],
        ['steam b', 1],
      ]),
      value: 1,
      sd: 0.1,
    })
    fixVariable(state, 'grain a', 0.3, 0.01)
    expect(state.covariance[0]![1]).toBe(0)
    expect(meanOf(state, 'grain a')).toBe(0.3)
  })

  test('one absurd record moves no figure by its own standard deviation', () => {
    fc.assert(
      fc.property(anyCooks(6), fc.double({ min: -1e6, max: 1e6, noNaN: true }), (cooks, absurd) => {
        const last = cook({
          cookId: 'zz',
          endedMs: 2e9,
          extraUptake: absurd,
          judged: { wetDry: 2, hardness: -2 },
          boilFactor: 1e6,
          steamFactor: 1e-6,
        })
        const before = beliefsFrom(cooks)
        const then = beliefsFrom([...cooks, last])
        for (const figure of then.state.names) {
          const sd = sdIn(before.state, figure, priorSd(figure))
          expect(Math.abs(meanOf(then.state, figure) - meanOf(before.state, figure))).toBeLessThan(sd)
        }
      }),
    )
  })

  test('covariances stay sound: symmetric, and no figure surer than sure', () => {
    fc.assert(
      fc.property(anyCooks(20), (cooks) => {
        const { state } = beliefsFrom(cooks)
        state.covariance.forEach((row, i) => {
          expect(row[i]!).toBeGreaterThan(0)
          row.forEach((v, j) => expect(v).toBeCloseTo(state.covariance[j]![i]!, 10))
        })
      }),
    )
  })
})

describe('what cooks teach', () => {
  test('too wet asks for less, too dry for more, right for no change, and each makes it surer', () => {
    const [wet, dry, right] = [1, -2, 0].map((wetDry) => after(cook({ judged: { wetDry, hardness: 0 } })))
    expect(wet!.uptake).toBeLessThan(-0.02)
    expect(dry!.uptake).toBeGreaterThan(0.05)
    expect(right!.uptake).toBeCloseTo(0, 12)
    expect(right!.uptakeSd).toBeLessThan(0.1)
  })

  test('judged again and again, it settles where the pot comes out right', () => {
    const wanted = 0.2
    const cooks: Evidence[] = []
    for (let i = 0; i < 12; i++) {
      const used = cooks.length > 0 ? after(...cooks) : { ...NOTHING_APPLIED }
      cooks.push(
        cook({
          cookId: String(i),
          endedMs: i,
          extraUptake: used.uptake,
          applied: { ...NOTHING_APPLIED, uptake: used.uptake, steam: used.steam },
          judged: { wetDry: Math.round((used.uptake - wanted) / 0.12), hardness: 0 },
        }),
      )
    }
    expect(Math.abs(after(...cooks).uptake - wanted)).toBeLessThan(0.08)
    expect(after(...cooks).uptakeSd).toBeLessThan(0.07)
  })

  test('hard asks for time, not for water; a slow boil for a weaker burner; a light pot for more steam', () => {
    const hard = after(cook({ judged: { wetDry: 0, hardness: -2 } }))
    expect(hard.time).toBeGreaterThan(0.05)
    expect(hard.uptake).toBeCloseTo(0, 12)
    expect(after(cook({ judged: null, boilFactor: 0.8 })).power).toBeLessThan(-0.12)
    expect(after(cook({ judged: null, steamFactor: 1.5 })).steam).toBeGreaterThan(0.2)
  })

  test('what was measured is believed before what was tasted', () => {
    const wet = { judged: { wetDry: 1, hardness: 0 }, steamPerDry: 0.6 }
    const tasted = mean('grain short-white', cook(wet))
    // The scale says the pot let out a third less: that is why it was wet, and the grain wants what it wanted.
    const weighed = mean('grain short-white', cook({ ...wet, steamFactor: 0.7 }))
    expect(tasted).toBeLessThan(-0.02)
    expect(Math.abs(weighed)).toBeLessThan(Math.abs(tasted))
  })

  test('small and large batches tell steam from grain', () => {
    // A pot that lets out half as much again: small batches come out dry, large ones nearly right.
    const cooks = [0, 1, 2, 3, 4, 5].map((i) =>
      cook({
        cookId: String(i),
        endedMs: i,
        steamPerDry: i % 2 === 0 ? 0.9 : 0.08,
        judged: { wetDry: i % 2 === 0 ? -2 : 0, hardness: 0 },
      }),
    )
    const { state } = beliefsFrom(cooks)
    expect(meanOf(state, 'steam blue')).toBeGreaterThan(0.12)
    expect(Math.abs(meanOf(state, 'grain short-white'))).toBeLessThan(0.06)
  })

  test('where water is drained a rating says nothing about the pour', () => {
    expect(observationsOf(cook({ extraUptake: null })).map((s) => s.what)).toEqual(['hardness'])
    expect(observationsOf(cook({ judged: null }))).toEqual([])
  })

  test('one grain teaches another nothing of its water, but of the pot they share', () => {
    const other = correctionFrom(knownFigures(beliefsFrom([cook({ judged: { wetDry: 2, hardness: 0 } })])), {
      ...plan,
      grainKey: 'quinoa',
    })!
    expect(other.uptake).toBe(0)
    expect(other.cooks).toBe(0)
    expect(other.steam).not.toBe(0)
    expect(
      correctionFrom(knownFigures(beliefsFrom([cook()])), {
        grainKey: 'wild',
        bagId: null,
        vesselId: 'tin',
        heatId: 'plate',
      }),
    ).toBeUndefined()
  })

  test('a bag takes its own share, and leaves the grain the rest', () => {
    const wet = cook({ bagId: 'sack', judged: { wetDry: 2, hardness: 0 } })
    const [of, without] = [{ ...plan, bagId: 'sack' }, plan].map((p) =>
      correctionFrom(knownFigures(beliefsFrom([wet])), p)!,
    )
    expect(of!.uptake).toBeLessThan(without!.uptake)
    expect(without!.uptake).toBeLessThan(0)
  })

  test('said again from the records it is the same to the last bit, in whatever order they lie', () => {
    fc.assert(
      fc.property(anyCooks(12), (cooks) => {
        const [a, b] = [beliefsFrom(cooks), beliefsFrom([...cooks].reverse())]
        expect(b.state.mean).toEqual(a.state.mean)
        expect(b.state.covariance).toEqual(a.state.covariance)
      }),
    )
  })

  test('a cook that is deleted was never there', () => {
    fc.assert(
      fc.property(anyCooks(10), anyCook, (cooks, gone) => {
        const with_ = [...cooks, { ...gone, cookId: 'gone' }]
        expect(beliefsFrom(with_.filter((c) => c.cookId !== 'gone')).state).toEqual(beliefsFrom(cooks).state)
      }),
    )
  })

  test('forgets a little with every cook: a figure never grows surer than its forgetting allows', () => {
    const many = Array.from({ length: 400 }, (_, i) =>
      cook({ cookId: String(i).padStart(4, '0'), endedMs: i }),
    )
    const few = many.slice(0, 60)
    const sd = (list: Evidence[]) => sdIn(beliefsFrom(list).state, 'grain short-white', 1)
    expect(sd(many)).toBeGreaterThan(0.9 * sd(few))
    expect(sd(few)).toBeLessThan(0.07)
  })
})

describe('what the cook says of a figure', () => {
  const pin = (value: number, atMs: number): FigureOverride => ({
    figure: 'grain short-white',
    kind: 'pin',
    value,
    atMs,
  })
  const wet = (endedMs: number) =>
    cook({ cookId: String(endedMs), endedMs, judged: { wetDry: 2, hardness: 0 } })
  test('fixed, a figure stays whatever is rated; reset, it starts again', () => {
    const pinned = knownFigures(beliefsFrom([wet(1), wet(3)], [pin(0.2, 2)]))['grain short-white']!
    expect(pinned.mean).toBeCloseTo(0.2, 4)
    expect(pinned.pinned).toBe(true)
    const reset = beliefsFrom([wet(1)], [{ figure: 'grain short-white', kind: 'reset', value: 0, atMs: 2 }])
    expect(meanOf(reset.state, 'grain short-white')).toBe(0)
    expect(sdIn(reset.state, 'grain short-white', 9)).toBeCloseTo(priorSd('grain short-white'), 12)
    expect(knownFigures(reset)['grain short-white']).toBeUndefined()
  })
  test('a pin on what was never cooked counts at once', () => {
    expect(correctionFrom(knownFigures(beliefsFrom([], [pin(0.1, 5)])), plan)!.uptake).toBeCloseTo(0.1, 6)
  })
  describe('a figure that may have changed', () => {
    const figure = 'grain short-white'
    const widen = (sd: number, atMs = 2): FigureOverride => ({ figure, kind: 'widen', value: 0, sd, atMs })
    const at = (...overrides: FigureOverride[]) => knownFigures(beliefsFrom([wet(1)], overrides))[figure]!
    test('is where it was, at least so unsure, and never surer', () => {
      const before = at()
      expect(at(widen(0.1))).toMatchObject({ mean: before.mean })
      expect(at(widen(0.1)).sd).toBeCloseTo(Math.max(0.1, before.sd), 12)
      expect(at(widen(before.sd / 2)).sd).toBe(before.sd)
    })
    test('moves further with the next batch than one that did not change', () => {
      const next = (...overrides: FigureOverride[]) =>
        meanOf(beliefsFrom([wet(1), wet(3)], overrides).state, figure)
      expect(next(widen(0.14))).toBeLessThan(next())
    })
    test('stays as it was where the cook fixed it, and what is not known stays unknown', () => {
      expect(at(pin(0.2, 1), widen(0.1)).sd).toBeLessThan(0.001)
      expect(knownFigures(beliefsFrom([], [widen(0.1)]))).toEqual({})
    })
  })
  describe("another kitchen's figure", () => {
    const figure = 'steam blue'
    const prior = (atMs: number): FigureOverride => ({ figure, kind: 'prior', value: 0.3, sd: 0.15, atMs })
    test('is known at once, as unsure as it says, from no batch of this kitchen', () => {
      expect(knownFigures(beliefsFrom([], [prior(1)]))[figure]).toMatchObject({
        mean: 0.3,
        sd: 0.15,
        cooks: 0,
        pinned: false,
      })
    })
    test('counts for nothing where this kitchen has cooked with it already', () => {
      const weighed = cook({ vesselId: 'blue', steamFactor: 1, judged: null })
      const own = knownFigures(beliefsFrom([weighed]))[figure]
      expect(own).toBeDefined()
      expect(knownFigures(beliefsFrom([weighed], [prior(weighed.endedMs + 1)]))[figure]).toEqual(own)
    })
  })
  test.each([
    ['moved', 'grain short-white', undefined],
    ['moved', 'bag b', undefined],
    ['moved', 'time blue', undefined],
    ['moved', 'steam blue', 0.5],
    ['moved', 'power gas', 1],
    ['moved', 'power own cooker', undefined],
    ['burner', 'power gas', 1],
    ['burner', 'power own cooker', 1],
    ['burner', 'steam blue', undefined],
  ] as const)('%s: %s is as unsure as %s of what it was before any batch', (change, figure, share) => {
    expect(widenedTo(change, figure)).toBe(share && share * priorSd(figure))
  })
  test('a figure of a pack: half as unsure again, no surer than two fifths of nothing known', () => {
    const first = priorSd('steam blue')
    expect(priorSdOfPack('steam blue', first / 2)).toBeCloseTo(first * 0.75, 12)
    expect(priorSdOfPack('steam blue', 0)).toBeCloseTo(first * 0.4, 12)
    expect(priorSdOfPack('steam blue', first)).toBe(first)
  })
  test('only names of figures are heard', () => {
    expect(isFigureName('grain wild')).toBe(true)
    for (const name of ['grain', 'grain ', 'toString x', ' grain', 'constructor y'])
      expect(isFigureName(name)).toBe(false)
    expect(beliefsFrom([], [{ figure: 'toString x', kind: 'pin', value: 1, atMs: 0 }]).state.names).toEqual(
      [],
    )
  })
})

describe('the smallest next experiment', () => {
  const given = { dryG: 300, steamG: 120 }
  test('nothing is ever less sure afterwards, and weighing the pot teaches more than tasting alone', () => {
    const list = experimentsFor(beliefsFrom([cook()]), plan, given)
    for (const e of list) expect(e.thenG).toBeLessThanOrEqual(e.nowG + 1e-9)
    expect(list.find((e) => e.id === 'weigh')!.thenG).toBeLessThan(list.find((e) => e.id === 'judge')!.thenG)
    expect(list.map((e) => e.thenG)).toEqual([...list.map((e) => e.thenG)].sort((a, b) => a - b))
  })
  test('a pot that was weighed often has little left to weigh', () => {
    const gain = (cooks: Evidence[]) => {
      const list = experimentsFor(beliefsFrom(cooks), plan, given)
      return list.find((e) => e.id === 'judge')!.thenG - list.find((e) => e.id === 'weigh')!.thenG
    }
    const weighed = Array.from({ length: 5 }, (_, i) =>
      cook({ cookId: String(i), endedMs: i, steamFactor: 1 }),
    )
    expect(gain(weighed)).toBeLessThan(gain([cook()]) / 2)
  })
  test('it names a figure for this pot: g of pour', () => {
    const [best] = experimentsFor(beliefsFrom([]), plan, given)
    expect(best!.nowG).toBeCloseTo(Math.hypot(300 * priorSd('grain x'), 120 * priorSd('steam x')), 6)
    expect(figureName('grain', 'x')).toBe('grain x')
  })
})

test('every step has its word', () => {
  expect([-2, -1, 0, 1, 2].map((s) => wordOf(WET_DRY_WORDS, s))).toEqual([...WET_DRY_WORDS])
})

describe('a rating never moves the water the wrong way', () => {
  const waterOf = (cooks: readonly Evidence[], last: Evidence) => {
    const found = correctionFrom(knownFigures(beliefsFrom(cooks)), last)
    return found ? found.uptake + last.steamPerDry * found.steam : 0
  }
  const lately = (last: Evidence): Evidence => ({
    ...last,
    cookId: 'last',
    endedMs: 2e9,
    boilFactor: null,
    steamFactor: null,
  })

  test('over random histories: wet never raises the water of the same batch, dry never lowers it', () => {
    fc.assert(
      fc.property(
        anyCooks(12),
        anyCook,
        fc.constantFrom(-2, -1, 1, 2),
        fc.integer({ min: -2, max: 2 }),
        fc.double({ min: -2, max: 2, noNaN: true }),
        (history, one, wetDry, hardness, extraUptake) => {
          const last = lately({ ...one, extraUptake, judged: { wetDry, hardness } })
          const moved = waterOf([...history, last], last) - waterOf(history, last)
          expect(moved * Math.sign(wetDry)).toBeLessThanOrEqual(1e-9)
        },
      ),
      { numRuns: 10_000 },
    )
  })

  test('water a dry, overdone batch put back into its grain counts at once, and a wet one after it adds none', () => {
    const unmeasured = cook({ extraUptake: null, steamPerDry: 0.4, judged: { wetDry: -1, hardness: 2 } })
    const grain = figureName('grain', unmeasured.grainKey)
    const dry = knownFigures(beliefsFrom([unmeasured]))
    expect(dry[grain]?.mean).toBeGreaterThan(0.02)
    const wet = lately(
      cook({ extraUptake: 0.24 + dry[grain]!.mean, steamPerDry: 0.4, judged: { wetDry: 2, hardness: 0 } }),
    )
    expect(waterOf([unmeasured, wet], wet)).toBeLessThanOrEqual(waterOf([unmeasured], wet))
  })

  test('too wet of far more than planned asks for no more; as planned, it asks for less', () => {
    // Lentils planned at 294 g to 250 g dry and poured 600: 1.2 g/g over, too wet.
    const far = cook({ extraUptake: 1.2, judged: { wetDry: 2, hardness: 0 } })
    expect(waterOf([far], far)).toBe(0)
    const asPlanned = cook({ judged: { wetDry: 2, hardness: 0 } })
    expect(waterOf([asPlanned], asPlanned)).toBeLessThan(-0.05)
  })

  test.each([0.15, -0.2])('three ratings of right at %f g/g off the plan bring the plan there', (extra) => {
    const right = (endedMs: number) => cook({ cookId: String(endedMs), endedMs, extraUptake: extra })
    const learned = waterOf([right(1), right(2), right(3)], right(4))
    expect(learned / extra).toBeGreaterThan(0.75)
    expect(learned / extra).toBeLessThanOrEqual(1.001)
  })

  test('hard after a heat cut short, and overdone after a long one, say nothing of the pot', () => {
    const hard = { judged: { wetDry: 0, hardness: -1 } }
    expect(after(cook({ ...hard, heated: 'short' })).time).toBe(0)
    expect(after(cook(hard)).time).toBeGreaterThan(0)
    expect(after(cook({ judged: { wetDry: 0, hardness: 2 }, heated: 'long' })).time).toBe(0)
    expect(after(cook({ ...hard, heated: 'long' })).time).toBeGreaterThan(0)
  })
})

describe('words of the cook, and what is left over', () => {
  const figure = figureName('grain', cook({}).grainKey)
  const word = (kind: FigureOverride['kind'], value: number, atMs: number): FigureOverride => ({
    figure,
    kind,
    value,
    atMs,
  })
  const known = (cooks: Evidence[], words: FigureOverride[]) =>
    knownFigures(beliefsFrom(cooks, words))[figure]

  test('the last word counts, in whatever order they are stored', () => {
    const words = [word('pin', 0.1, 5), word('pin', 0.3, 9), word('pin', 0.2, 7)]
    for (const list of [words, words.toReversed()]) expect(known([], list)?.mean).toBeCloseTo(0.3, 9)
  })

  test('a word said at the very moment a batch ended comes before it', () => {
    const dry = cook({ endedMs: 5, judged: { wetDry: -2, hardness: 0 } })
    const same = known([dry], [word('reset', 0, 5)])
    expect(same?.cooks).toBe(1)
    expect(known([dry], [word('reset', 0, 6)])).toBeUndefined()
  })

  test('batches that ended at the same moment count in the order of their ids', () => {
    const two = ['a', 'b', 'c'].map((cookId, i) =>
      cook({ cookId, endedMs: 5, judged: { wetDry: i - 1, hardness: i - 1 }, extraUptake: 0.1 * i }),
    )
    const steps = (list: Evidence[]) => beliefsFrom(list).steps.map((s) => [s.cookId, s.mean])
    expect(steps(two.toReversed())).toEqual(steps(two))
    expect(steps(two)[0]![0]).toBe('a')
    expect(beliefsFrom(two).steps.map((s) => s.cookId)).toEqual(
      beliefsFrom(two)
        .steps.map((s) => s.cookId)
        .toSorted(),
    )
  })

  test('a figure is known from as many batches as spoke of it, the last of them said', () => {
    const three = [1, 2, 3].map((endedMs) =>
      cook({ cookId: String(endedMs), endedMs, judged: { wetDry: 0, hardness: 0 } }),
    )
    expect(known(three, [])).toMatchObject({ cooks: 3, lastMs: 3, pinned: false })
    expect(known([], [word('pin', 0.1, 5)])).toMatchObject({ cooks: 0, lastMs: 0, pinned: true })
    // A batch that says nothing teaches nothing.
    expect(known([cook({ judged: null, boilFactor: null, steamFactor: null })], [])).toBeUndefined()
  })

  test('each batch that speaks of a figure makes it a little vaguer first, one that is pinned not', () => {
    const many = Array.from({ length: 400 }, (_, i) =>
      cook({ cookId: String(i), endedMs: i + 1, judged: { wetDry: 0, hardness: 0 } }),
    )
    const sd = known(many, [])!.sd
    // Without forgetting, 400 tastings would know it twenty times as well as one.
    expect(sd).toBeGreaterThan(known(many.slice(0, 1), [])!.sd / 10)
    expect(known(many, [word('pin', 0.1, 0)])!.sd).toBeLessThan(1e-3)
  })

  test('the next meal is asked for what narrows its water, by its own steam', () => {
    const plan = { grainKey: 'long-white', bagId: 'sack', vesselId: 'blue', heatId: 'gas' }
    const [fewSteam, muchSteam] = [20, 120].map((steamG) =>
      experimentsFor(beliefsFrom([]), plan, { dryG: 300, steamG }),
    )
    const by = (list: typeof fewSteam, id: string) => list!.find((e) => e.id === id)
    for (const list of [fewSteam, muchSteam])
      for (const e of list!) expect(e.thenG).toBeLessThanOrEqual(e.nowG + 1e-9)
    // The bag and the grain are both unknown: 300 g times both spreads, before any steam.
    const spread = Math.hypot(priorSd(figureName('grain', 'long-white')), priorSd(figureName('bag', 'sack')))
    expect(by(fewSteam, 'judge')?.nowG ?? fewSteam![0]!.nowG).toBeGreaterThan(300 * spread)
    // The more steam, the more the scale would tell.
    const gain = (list: typeof fewSteam) => {
      const e = by(list, 'weigh')
      return e ? e.nowG - e.thenG : 0
    }
    expect(gain(muchSteam)).toBeGreaterThan(gain(fewSteam))
  })
})
