import type { Plan, Stage } from '#core/plan/result'
import type { StageAmount } from '#core/plan/stage-amount'
import { aimOf } from '#core/plan/scale-aim'
import { saidByMeasure } from '#core/plan/stage-amounts'
import { useUnits } from '../../ui/units/units'
import classes from './stove.module.css'

/** What is measured in this stage, large: in the cook's own measure where the plan speaks it, else in grams. */
export function StageAmounts({ stage, plan }: { stage: Stage; plan: Plan }) {
  const amounts = stage.amounts ?? []
  const one = amounts.length === 1 ? amounts[0] : undefined
  const aim = aimOf(stage, plan)
  if (amounts.length <= 1)
    return (
      <p
        className={`${classes.count} figure`}
        data-said={(plan.said_in === 'measures' && one && one.measures.length > 0) || undefined}
      >
        <Amount {...(one ?? { grams: aim!, measures: [] })} plan={plan} />
      </p>
    )
  return (
    <ul className={`${classes.amounts} figure`}>
      {amounts.map((amount) => (
        <li key={`${amount.what} ${amount.name ?? ''}`}>
          <b>
            <Amount {...amount} plan={plan} />
          </b>{' '}
          {(amount.name ?? amount.what).toLowerCase()}
        </li>
      ))}
    </ul>
  )
}

function Amount({ grams, measures, plan }: Pick<StageAmount, 'grams' | 'measures'> & { plan: Plan }) {
  const { mass } = useUnits()
  if (saidByMeasure({ measures }, { saidIn: plan.said_in ?? 'grams' })) return <>{measures[0]!.text}</>
  const [, figure, unit] = /^(.*) (\S+)$/.exec(mass(grams))!
  return (
    <>
      {figure}
      <small> {unit}</small>
    </>
  )
}
