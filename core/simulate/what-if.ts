import { plan } from '#core/plan/plan'
import type { PlanRequest } from '#core/plan/request'
import type { Vessel } from '#core/vessel/vessel'
import type { Intervention } from './interventions'
import type { Simulation } from './simulate'

/** Questions cooks ask of a pot, each a plan cooked otherwise than it was made. */
export const WHAT_IFS = [
  'doubled',
  'no-soak',
  'no-rest',
  'lid-lifted',
  'in-the-valley',
  'thin-pot',
  'more-water',
  'less-water',
] as const
export type WhatIf = (typeof WHAT_IFS)[number]

export const WHAT_IF_WORDS: Record<WhatIf, string> = {
  doubled: 'What if I double everything?',
  'no-soak': 'What if I skip the soak?',
  'no-rest': 'What if I skip the rest?',
  'lid-lifted': 'What if I lift the lid three times?',
  'in-the-valley': 'What if I use the sea-level recipe?',
  'thin-pot': 'What if I use a thin pot?',
  'more-water': 'What if I pour a fifth more?',
  'less-water': 'What if I pour a fifth less?',
}

/** A thin steel pot of the same size: the heat capacity a litre of thin steel has, J/K a mL. */
const THIN_J_K_ML = 450 / 1600
const LIFT_S = 40
const LIFTS = [2, 5, 8]

/** The plan's own pot. */
export const asMade = (request: PlanRequest): Simulation => ({ request, script: null, happenings: [] })

/** The same cook, as it is done by hand, where one thing more is otherwise. */
export function whatIf(base: Simulation, question: WhatIf): Simulation {
  const asked = otherwise(base.request, question)
  return { ...base, ...asked, happenings: [...base.happenings, ...asked.happenings] }
}

/** The same plan's water and minutes, where one thing is otherwise. */
function otherwise(request: PlanRequest, question: WhatIf): Simulation {
  const made = plan(request)
  const same: Simulation = { request, script: null, happenings: [], asPlanned: made }
  switch (question) {
    case 'doubled':
      return {
        ...same,
        request: {
          ...request,
          amount: { ...request.amount, basis: 'dry-mass', value: made.grain.mass_g * 2 },
        },
        pourShare: 2,
      }
    case 'no-soak':
      return { ...same, request: { ...request, soak: null } }
    case 'no-rest':
      return {
        ...same,
        request: { ...request, restMinutes: 0 },
        asPlanned: {
          ...made,
          stages: made.stages.map((s) =>
            s.kind === 'rest' ? { ...s, minutes: { low: 0, expected: 0, high: 0 } } : s,
          ),
        },
      }
    case 'lid-lifted': {
      const boils = made.stages
        .filter((s) => s.kind === 'heat-up' || s.kind === 'pressure-up')
        .reduce((sum, s) => sum + s.minutes.expected, 0)
      return {
        ...same,
        happenings: LIFTS.map((after): Intervention => ({
          atMin: boils + after,
          kind: 'lid-lift',
          seconds: LIFT_S,
          grams: 0,
          celsius: 0,
        })),
      }
    }
    case 'in-the-valley':
      return { ...same, asPlanned: plan({ ...request, elevationM: 0 }) }
    case 'thin-pot':
      return { ...same, request: { ...request, vessel: thin(request.vessel) } }
    case 'more-water':
      return { ...same, pourShare: 1.2 }
    case 'less-water':
      return { ...same, pourShare: 0.8 }
  }
}

const thin = (vessel: Vessel): Vessel => ({
  ...vessel,
  heatCapacity: vessel.capacity * THIN_J_K_ML,
  lid: 'loose',
})
