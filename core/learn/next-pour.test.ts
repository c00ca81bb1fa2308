import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { VarietyId } from '#core/grain/varieties'
import { beliefsFrom, knownFigures } from './beliefs'
import { correctedMinutes, correctedSteam, correctionFrom } from './corrections'
import { NOTHING_APPLIED, type Evidence } from './evidence'

const DRY_G = 300
const requestOf = (variety: VarietyId): PlanRequestJson => ({
  grains: [{ variety }],
  amount: { basis: 'dry-mass', value: DRY_G },
  method: 'covered-simmer',
  vessel: 'heavy-2.5',
  heat: 'gas-medium',
})
const pourOf = (request: PlanRequestJson) => {
  const read = planFrom(request)
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value.water
}

/** The next pour for the same batch, after one rating. */
function nextPour(
  variety: VarietyId,
  extraUptake: number,
  judged: Evidence['judged'],
  heated: Evidence['heated'],
) {
  const request = requestOf(variety)
  const before = pourOf(request)
  const kitchen = { grainKey: variety, bagId: null, vesselId: 'blue', heatId: 'gas' }
  const cook: Evidence = {
    ...kitchen,
    cookId: 'a',
    endedMs: 1,
    extraUptake,
    steamPerDry: before.evaporated_g / DRY_G,
    applied: NOTHING_APPLIED,
    judged,
    heated,
    boilFactor: null,
    steamFactor: null,
  }
  const learned = correctionFrom(knownFigures(beliefsFrom([cook])), kitchen)!
  const after = pourOf({
    ...request,
    uptake_delta_g_g: learned.uptake,
    ...(learned.time === 0 ? {} : { minutes_factor: correctedMinutes(learned.time) }),
  })
  // The pot's steam is learned as a factor on what boils off.
  const steam = (correctedSteam(1, learned.steam) - 1) * before.evaporated_g
  return { before: before.pour_g, after: after.pour_g + steam }
}

const HARDNESS = [-2, -1, 0, 1, 2]
describe.each(['long-white', 'brown-short', 'quinoa'] as const)('%s, rated once', (variety) => {
  test.each([
    [1, -0.3],
    [1, 0],
    [1, 0.1],
    [1, 0.4],
    [2, 0],
    [2, 0.4],
  ])(
    'wetness %d with %d g/g more than planned: the next pour is no larger, however hard it was',
    (wet, extra) => {
      for (const hardness of HARDNESS)
        for (const heated of [null, 'short', 'long'] as const) {
          const { before, after } = nextPour(variety, extra, { wetDry: wet, hardness }, heated)
          expect([hardness, heated, Math.max(0, Math.round(after - before))]).toEqual([hardness, heated, 0])
          const dry = nextPour(variety, -extra, { wetDry: -wet, hardness }, heated)
          expect([hardness, heated, Math.min(0, Math.round(dry.after - dry.before)) + 0]).toEqual([
            hardness,
            heated,
            0,
          ])
        }
    },
  )
})
