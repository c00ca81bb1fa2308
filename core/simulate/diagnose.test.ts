import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { plan } from '#core/plan/plan'
import { diagnose, ENDINGS, type Ending, type PastPot } from './diagnose'

const settled = (more: Partial<PlanRequestJson> = {}) => {
  const read = parsePlanRequest({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    method: 'covered-simmer',
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const past = (ended: Ending, more: Partial<Omit<PastPot, 'ended'>> = {}) =>
  diagnose({
    request: settled(),
    pourG: plan(settled()).water.pour_g,
    simmerMinutes: 15,
    restMinutes: 10,
    ended,
    ...more,
  })

test('too much water explains itself, and less of it is what would have helped', () => {
  const wet = past('wet', { pourG: 700 })
  expect(wet.causes[0]!.id).toBe('as-told')
  expect(wet.change).toMatchObject({ says: expect.stringContaining('less water') })
})

test('a good pot told as wet had another cause: more water than thought', () => {
  const wet = past('wet')
  expect(wet.asTold.cookedThrough).toBe('yes')
  expect(wet.causes.map((c) => c.id)).not.toContain('as-told')
  expect(wet.causes.map((c) => c.id)).toContain('more-water')
})

test('hard in the middle after five minutes: time is what it lacked', () => {
  const hard = past('hard', { simmerMinutes: 8, restMinutes: 0 })
  expect(hard.causes[0]!.id).toBe('as-told')
  expect(['rest', 'twice']).toContain(hard.change?.id)
})

test('scorched after half an hour on the lowest heat: less time would have saved it', () => {
  const burnt = past('scorched', { simmerMinutes: 45 })
  expect(burnt.causes.length).toBeGreaterThan(0)
  expect(['shorter', 'more', 'much-more', 'lower']).toContain(burnt.change?.id)
})

test('dry: the causes are those that take water away', () => {
  const { water } = plan(settled())
  const dry = past('dry', { pourG: water.pour_g - 45 })
  const ids = dry.causes.map((c) => c.id)
  expect(ids).toEqual(expect.arrayContaining(['less-water']))
  expect(ids).not.toContain('more-water')
})

test.each(ENDINGS)('%s: shares add up, and nothing is invented where nothing fits', (ended) => {
  const { causes, change } = past(ended)
  if (causes.length === 0) expect(change).toBeUndefined()
  else expect(causes.reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(1, 9)
})
