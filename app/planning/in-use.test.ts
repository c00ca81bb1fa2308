import { firstKitchen } from '../../tests/helpers/first-kitchen'
import { inUse, type RunningBatch } from './in-use'
import { firstPlan } from './plan-state'

const household = firstKitchen()
const state = firstPlan(household)
const pot = household.vessels.find((v) => v.id === state.vesselId)!
const batch = (over: Partial<RunningBatch>): RunningBatch => ({
  id: 'a',
  title: 'Quinoa',
  vesselId: 'another',
  vesselName: 'another pot',
  heatId: 'another',
  ...over,
})

test('the pot goes before the burner, and free ones are not spoken of', () => {
  const [onBurner, inPot] = [batch({ id: 'b', heatId: state.heatId }), batch({ vesselId: pot.id })]
  expect(inUse([batch({})], state, household)).toBeUndefined()
  expect(inUse([onBurner], state, household)).toMatchObject({
    id: 'b',
    words: expect.stringContaining('another pot'),
  })
  expect(inUse([onBurner, inPot], state, household)).toEqual({
    id: 'a',
    words: `${pot.name} is in use: Quinoa`,
  })
})

test('an appliance needs no burner', () => {
  const cooker = { ...pot, id: 'cooker', own_rated_w: 650 }
  const kitchen = { ...household, vessels: [...household.vessels, cooker] }
  const busy = batch({ heatId: state.heatId })
  expect(inUse([busy], { ...state, vesselId: 'cooker' }, kitchen)).toBeUndefined()
})
