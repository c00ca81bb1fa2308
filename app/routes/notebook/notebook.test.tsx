import { planFrom } from '#core/contract/plan'
import { parsePlanRequest } from '#core/contract/plan-request'
import { firstKitchen } from '../../../tests/helpers/first-kitchen'
import { planOf, htmlOf, textOf } from '../../../tests/helpers/render'
import { fromSearch, toSearch } from '../../planning/plan-address'
import { changedPlan, firstPlan, requestOf, type PlanState } from '../../planning/plan-state'
import { amountWord } from '../../planning/plan-words'
import { Dressing } from '../plan/panels/dressing'
import { HourPanel } from '../plan/panels/hour-panel'
import { AmountPanel } from '../plan/panels/amount-panel'
import { Charts } from '../learned/charts'
import { ConvergenceChart } from '../learned/convergence-chart'
import { QuickRating } from './quick-rating'

const still = () => undefined

describe('two taps', () => {
  const html = htmlOf(<QuickRating cookId="a" title="Quinoa" variety="quinoa" when="yesterday, clay" />)
  test('two rows of five, each drawn, each with its word', () => {
    expect(html.match(/role="group"/g)).toHaveLength(2)
    expect(html.match(/<button/g)).toHaveLength(10)
    for (const word of ['too dry', 'a little wet', 'hard', 'overdone']) expect(html).toContain(word)
    // Nothing is chosen before someone has tasted.
    expect(html).not.toContain('aria-pressed="true"')
    expect(html.match(/<svg/g)!.length).toBeGreaterThanOrEqual(10)
  })
  test('names its pot and grain', () => {
    expect(
      textOf(<QuickRating cookId="a" title="Quinoa" variety="quinoa" when="yesterday, clay" />),
    ).toContain('Quinoa yesterday, clay')
  })
})

describe('what was learned, in words', () => {
  test('a curve says in words where it has come to', () => {
    const points = [
      { cook: 1, mean: -0.02, sd: 0.09 },
      { cook: 2, mean: -0.08, sd: 0.06 },
    ]
    expect(htmlOf(<ConvergenceChart points={points} unit="g/g" prior={0.12} name="Quinoa" />)).toContain(
      'Quinoa, cook by cook: now -0.08, between -0.14 and -0.02',
    )
    // Factors are stated as factors.
    expect(
      htmlOf(
        <ConvergenceChart
          points={[
            { cook: 5, mean: Math.log(1.2), sd: 0.1 },
            { cook: 6, mean: Math.log(1.25), sd: 0.1 },
          ]}
          unit="times"
          prior={0.25}
          name="clay"
        />,
      ),
    ).toContain('now 1.25, between 1.13 and 1.38')
  })
  const outcome = (ratio: number, wetDry: number) => ({
    grain: 'quinoa',
    grainName: 'Quinoa',
    vessel: 'clay',
    ratio,
    wetDry,
  })
  test('water rated right is shown as a range, and that none was is said', () => {
    const text = (list: ReturnType<typeof outcome>[]) =>
      textOf(<Charts compared={[]} outcomes={list} boils={[]} />)
    expect(text([outcome(1.4, 0), outcome(1.52, 0), outcome(1.7, 1)])).toContain(
      'Right from 1.40 to 1.52 times its weight',
    )
    expect(text([outcome(1.4, 0), outcome(1.7, 1)])).toContain('Right at 1.40 times its weight.')
    expect(text([outcome(1.7, 1), outcome(1.9, 2)])).toContain('2 batches, none rated right yet.')
    expect(text([])).toBe('')
  })
  test('how often predictions came true', () => {
    const compared = [0.2, -0.8, 1.6, 0.1].map((z) => ({
      what: 'wet-dry' as const,
      expected: 0,
      value: z / 10,
      z,
    }))
    expect(textOf(<Charts compared={compared} outcomes={[]} boils={[]} />)).toContain(
      '3 of 4 batches came out as predicted.',
    )
    expect(textOf(<Charts compared={compared.slice(0, 2)} outcomes={[]} boils={[]} />)).toBe('')
  })
  test('pots are distinguished by their marks', () => {
    const boils = ['clay', 'clay', 'steel'].map((vessel, i) => ({
      vessel,
      grams: 300 + 100 * i,
      minutes: 6 + i,
    }))
    expect(textOf(<Charts compared={[]} outcomes={[]} boils={boils} />)).toContain('● clay, ▲ steel')
  })
})

describe('the plan page, for what comes after the pot', () => {
  const household = firstKitchen()
  const first = firstPlan(household)
  const ready = {
    ...household,
    leftovers: [
      { title: 'rice', variety: 'long-white' as const, portions: 3, place: 'fridge' as const, useByMs: null },
    ],
  }
  test('portions for later and portions from leftovers are in the plan line and change the grams', () => {
    const state: PlanState = {
      ...first,
      amount: { basis: 'servings', value: 4 },
      keep: 3,
      leftoverPortions: 1,
    }
    expect(amountWord(state, household)).toBe('For four and three for later, one from leftovers')
    const read = parsePlanRequest(requestOf(state, household, 0))
    if (!read.ok) throw new Error('unread')
    expect([read.value.amount.value, read.value.keepServings]).toEqual([3, 3])
    expect(fromSearch(toSearch(state, first), first, household)).toEqual(state)
  })
  test('more leftovers than portions still leaves something to cook', () => {
    const request = requestOf(
      { ...first, amount: { basis: 'servings', value: 2 }, leftoverPortions: 9 },
      household,
      0,
    )
    expect(parsePlanRequest(request).ok).toBe(true)
  })
  test('what lies ready is only offered where it is this grain', () => {
    const panel = (state: PlanState) => textOf(<AmountPanel state={state} change={still} household={ready} />)
    expect(panel(first)).toContain('Leftovers in the fridge: 3 portions')
    expect(panel({ ...first, grain: 'quinoa' })).not.toContain('Kept already')
    expect(panel({ ...first, amount: { basis: 'dry-mass', value: 200 } })).not.toContain('to keep')
  })
  test('a dressing is entered by the amounts of this batch, and none needs no field', () => {
    const state: PlanState = { ...first, purpose: 'dressed', amount: { basis: 'dry-mass', value: 400 } }
    const html = (dressing: PlanState['dressing']) => {
      const read = planFrom(requestOf({ ...state, dressing }, household, 0))
      if (!read.ok) throw new Error(read.errors[0]!.message)
      return htmlOf(
        <Dressing state={{ ...state, dressing }} change={still} household={household} plan={read.value} />,
      )
    }
    const values = (dressing: PlanState['dressing']) =>
      [...html(dressing).matchAll(/value="([\d.]+ g)"/g)].map(([, value]) => value)
    // 15, 6 and 1.6 g per 100 g of dry grain, to 400 g.
    expect(values(null)).toEqual(['60 g', '24 g', '6.4 g'])
    expect(
      values({
        style: 'usual',
        infuse: 0,
        set: 0,
        ml: null,
        own: { vinegar: 20, sugar: 0, salt: 1 },
      }),
    ).toEqual(['80 g', '0 g', '4 g'])
    expect(html({ style: 'salt-last', infuse: 0, set: 0, ml: null })).toContain('Salt, last')
    expect(values({ style: 'none', infuse: 0, set: 0, ml: null })).toEqual([])
  })
  test('a dressing of the cook’s own comes back from its address', () => {
    const own = { vinegar: 18.5, sugar: 4, salt: 1.25 }
    const state: PlanState = {
      ...first,
      purpose: 'dressed',
      dressing: { style: 'usual', infuse: 30, set: 10, ml: null, own },
    }
    expect(fromSearch(toSearch(state, first), first, household).dressing).toEqual(state.dressing)
    for (const wrong of ['18.5~4', '900~4~1', 'x~y~z', ''])
      expect(
        fromSearch(new URLSearchParams(`dressing=usual-30-10&own-dressing=${wrong}`), first, household)
          .dressing,
      ).toEqual({ style: 'usual', infuse: 30, set: 10, ml: null })
  })
  test('a dressing is only of the plan where the grain is dressed', () => {
    const asked = (more: Partial<PlanState>) =>
      parsePlanRequest(requestOf({ ...first, ...more }, household, 0))
    const of = (more: Partial<PlanState>) => {
      const read = asked(more)
      return read.ok ? read.value.dressing : undefined
    }
    expect(of({})).toBeNull()
    expect(of({ purpose: 'dressed' })).toMatchObject({ style: 'usual' })
    expect(of({ purpose: 'dressed', dressing: { style: 'none', infuse: 0, set: 0, ml: null } })).toBeNull()
    expect(of({ purpose: 'dressed', dressing: { style: 'sharper', infuse: 60, set: 20, ml: null } })).toEqual(
      { style: 'sharper', infuseMinutes: 60, setMinutes: 20, mlPer240: null },
    )
  })
  test('holding is a choice among a few, and none is the first', () => {
    const html = htmlOf(<HourPanel state={first} change={still} household={household} />)
    expect(html).toContain('no')
    expect(html.match(/type="radio"/g)!.length).toBeGreaterThan(3)
    expect(planOf({ hold_minutes: 30 }).stages.at(-1)!.kind).toBe('hold')
  })
  test('another grain is not the one that was weighed, but keeps its portions', () => {
    expect(changedPlan({ ...first, wet: 400, keep: 2 }, { grain: 'quinoa' })).toMatchObject({
      wet: null,
      keep: 2,
    })
  })
})
