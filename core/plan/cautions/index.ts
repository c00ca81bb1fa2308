import type { CautionInput, CautionRule } from '#core/plan/caution-input'
import type { Caution } from '#core/plan/result'
import { FIT_RULES } from './fit'
import { KEEPING_RULES } from './keeping'
import { SAFETY_RULES } from './safety'
import { TEXTURE_RULES } from './texture'
import { TIMING_RULES } from './timing'

const RULES: readonly CautionRule[] = [
  ...FIT_RULES,
  ...TIMING_RULES,
  ...TEXTURE_RULES,
  ...KEEPING_RULES,
  ...SAFETY_RULES,
]

const WEIGHT = { stop: 0, warn: 1, note: 2 } as const

/** All cautions for a plan, the gravest first. */
export const cautionsOf = (facts: CautionInput): Caution[] =>
  RULES.flatMap((rule) => rule(facts) ?? []).sort((a, b) => WEIGHT[a.severity] - WEIGHT[b.severity])
