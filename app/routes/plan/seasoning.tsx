import { UnstyledButton } from '@mantine/core'
import { lazy } from 'react'
import { addInAmount, amountWords, spoonAmount, type Speaking } from '#core/plan/stage-amounts'
import type { Plan } from '#core/plan/result'
import { CRYSTALS } from '#core/seasoning/salt'
import { useUnits } from '../../ui/units/units'
import { speakingOf, type PlanningData, type PlanState } from '../../planning/plan-state'
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
  const { say } = useUnits()
  const speaking = speakingOf(state, household)
  const { salt_to_add_g, stock_g } = plan.seasoning
  const said = [
    state.salt === null
      ? ''
      : salt_to_add_g < 0.1
        ? 'no salt to add'
        : `${speaking.saidIn === 'measures' ? '' : `${salt_to_add_g.toFixed(1)} g: `}${saltSpoons(salt_to_add_g, speaking)}`,
    stock_g > 0 ? `${Math.round(stock_g)} g of the water is stock` : '',
    plan.dressing ? dressingWords(plan.dressing, speaking) : '',
    ...plan.seasoning.add_ins.map((a) => amountWords(addInAmount(a, speaking), speaking)),
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

/** "2½ tsp flaky salt": a spoon of the salt of the house. */
const saltSpoons = (grams: number, speaking: Speaking): string =>
  `${spoonAmount('salt', grams, speaking).measures[0]!.text} ${CRYSTALS[speaking.saltCrystal].name}`

/** "dressing 45 g vinegar, 18 g sugar, 4.8 g salt (2 tsp flaky salt)"; where words are in measures, by spoons alone. */
function dressingWords(d: NonNullable<Plan['dressing']>, speaking: Speaking): string {
  const saltG = d.salt_g + d.salt_last_g
  const said = (what: 'vinegar' | 'sugar' | 'salt', grams: number) =>
    amountWords(spoonAmount(what, grams, speaking), speaking)
  const spoons = saltSpoons(saltG, speaking)
  const salt = speaking.saidIn === 'measures' ? spoons : `${said('salt', saltG)} (${spoons})`
  return `dressing ${said('vinegar', d.vinegar_g)}, ${said('sugar', d.sugar_g)}, ${salt}${d.salt_last_g > 0 ? ' last' : ''}`
}
