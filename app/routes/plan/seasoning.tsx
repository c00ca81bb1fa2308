import { UnstyledButton } from '@mantine/core'
import { lazy } from 'react'
import { addInAmount, amountText, spoonAmount } from '#core/plan/stage-amounts'
import { measureOf } from '#core/units/measures'
import type { Plan } from '#core/plan/result'
import { CRYSTALS } from '#core/seasoning/salt'
import { useUnits } from '../../ui/units/units'
import { measureChoices } from '../../planning/household-measures'
import type { PlanningData, PlanState } from '../../planning/plan-state'
import { Aside } from '../../layout/aside'
import classes from './preparation.module.css'

const loadCompany = () => import('./add-ins')
const AddIns = lazy(loadCompany)

const SALTS = [
  { value: null, word: 'none' },
  { value: 0.5, word: 'light' },
  { value: 1, word: 'seasoned' },
] as const
interface SeasonProps {
  state: PlanState
  change: (next: Partial<PlanState>) => void
  plan: Plan
  household: PlanningData
}

/**
 * Salt by what is wanted in the end, stock and things cooked along; grams, and the spoon for the crystal in
 * the household.
 */
export function SeasoningPanel({ state, change, plan, household }: SeasonProps) {
  const { say, units } = useUnits()
  const { crystal } = household
  const { salt_to_add_g, stock_g } = plan.seasoning
  const spoons = spoonAmount('salt', salt_to_add_g, {
    measures: [measureOf(measureChoices(household)[0]!.measure)],
    saltCrystal: crystal,
  }).measures[0]!.text
  const said = [
    state.salt === null
      ? ''
      : salt_to_add_g < 0.1
        ? 'no salt to add'
        : `${units === 'cups' ? '' : `${salt_to_add_g.toFixed(1)} g: `}${spoons} ${CRYSTALS[crystal].name}`,
    stock_g > 0 ? `${Math.round(stock_g)} g of the water is stock` : '',
    plan.dressing ? dressingWords(plan.dressing, household) : '',
    ...plan.seasoning.add_ins.map((a) => {
      const counted = addInAmount(a, { measures: [measureOf(measureChoices(household)[0]!.measure)] })
      return `${amountText(counted, { saidIn: units === 'cups' ? 'measures' : 'grams' })} ${counted.name}`
    }),
  ].filter(Boolean)
  return (
    <div className={classes.block}>
      <h2 className="eyebrow">Salt and additions</h2>
      <div className="chips">
        {SALTS.map(({ value, word }) => (
          <UnstyledButton
            key={word}
            className="chip"
            aria-pressed={state.salt === value}
            onClick={() => change({ salt: value })}
            aria-label={`Salt: ${word}`}
          >
            {word}
          </UnstyledButton>
        ))}
        <Aside
          word="more …"
          className="chip"
          pressed={state.addIns.length > 0 || state.stock > 0}
          width={320}
          piece={loadCompany}
        >
          {() => <AddIns {...{ state, change, plan, household }} />}
        </Aside>
      </div>
      {said.length > 0 && <p className={classes.hint}>{say(said.join(', '))}</p>}
    </div>
  )
}

/** "dressing 45 g vinegar, 18 g sugar, 4.8 g salt (2 tsp flaky salt)"; in a kitchen of cups by spoons alone. */
function dressingWords(d: NonNullable<Plan['dressing']>, household: PlanningData): string {
  const speaking = {
    measures: [measureOf(measureChoices(household)[0]!.measure)],
    saltCrystal: household.crystal,
  }
  const bySpoon = household.units === 'cups'
  const saltG = d.salt_g + d.salt_last_g
  const said = (what: 'vinegar' | 'sugar' | 'salt', grams: number) =>
    amountText(spoonAmount(what, grams, speaking), { saidIn: bySpoon ? 'measures' : 'grams' })
  const crystal = CRYSTALS[household.crystal].name
  const salt = bySpoon
    ? `${said('salt', saltG)} ${crystal}`
    : `${said('salt', saltG)} salt (${spoonAmount('salt', saltG, speaking).measures[0]!.text} ${crystal})`
  return `dressing ${said('vinegar', d.vinegar_g)} vinegar, ${said('sugar', d.sugar_g)} sugar, ${salt}${d.salt_last_g > 0 ? ' last' : ''}`
}
