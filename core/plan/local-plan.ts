import { localText } from '#core/units/local-text'
import { readsAsWritten, type KitchenUnits } from '#core/units/system'
import type { Caution, Plan, Stage } from './result'

/** A stage's words as this kitchen says them; its figures stay in the units of their names. */
const localStage = (stage: Stage, kitchen: KitchenUnits): Stage => ({
  ...stage,
  title: localText(stage.title, kitchen),
  checks: stage.checks.map((check) => localText(check, kitchen)),
  ...(stage.cue === undefined ? {} : { cue: localText(stage.cue, kitchen) }),
  ...(stage.set === undefined
    ? {}
    : { set: { ...stage.set, setting: localText(stage.set.setting, kitchen) } }),
})

const localCaution = (caution: Caution, kitchen: KitchenUnits): Caution => ({
  ...caution,
  text: localText(caution.text, kitchen),
  ...(caution.remedy === undefined ? {} : { remedy: localText(caution.remedy, kitchen) }),
})

/** A plan's words as this kitchen says them; a metric kitchen with a scale reads the plan as it is. */
export const localPlan = (plan: Plan, kitchen: KitchenUnits): Plan =>
  readsAsWritten(kitchen)
    ? plan
    : {
        ...plan,
        stages: plan.stages.map((stage) => localStage(stage, kitchen)),
        cautions: plan.cautions.map((caution) => localCaution(caution, kitchen)),
      }
