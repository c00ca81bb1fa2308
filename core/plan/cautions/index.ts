import type { CautionInput } from '#core/plan/caution-input'
import type { Caution } from '#core/plan/result'
import { fitCautions } from './fit'
import { keepingCautions } from './keeping'
import { safetyCautions } from './safety'
import { textureCautions } from './texture'
import { timingCautions } from './timing'

const WEIGHT = { stop: 0, warn: 1, note: 2 } as const

/** All cautions for a plan, the gravest first. */
export const cautionsOf = (facts: CautionInput): Caution[] =>
  [
    ...fitCautions(facts),
    ...timingCautions(facts),
    ...textureCautions(facts),
    ...keepingCautions(facts),
    ...safetyCautions(facts),
  ].sort((a, b) => WEIGHT[a.severity] - WEIGHT[b.severity])
