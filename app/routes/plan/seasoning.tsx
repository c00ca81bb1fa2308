import { UnstyledButton } from '@mantine/core'
import { lazy } from 'react'
import { inSpoonfuls, SPOON_DENSITY, SPOONS } from '#core/units/measures'
import { inSpoons } from '#core/finish/dressing'
import type { Plan } from '#core/plan/result'
import { CRYSTALS, teaspoonsOf, type CrystalId } from '#core/seasoning/salt'
import { inScoops } from '#core/units/fractions'
import { useUnits } from '../../ui/units/units'
import type { PlanState } from '../../planning/plan-state'
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
  crystal: CrystalId
}

/**
 * Salt by what is wanted in the end, stock and things cooked along; grams, and the spoon for the crystal in
 * the household.
 */
export function SeasoningPanel({ state, change, plan, crystal }: SeasonProps) {
  const { say, units } = useUnits()
  const { salt_to_add_g, stock_g } = plan.seasoning
  const spoons = inScoops(teaspoonsOf(salt_to_add_g, crystal))
  const said = [
    state.salt === null
      ? ''
      : salt_to_add_g < 0.1
        ? 'no salt to add'
        : `${units === 'cups' ? '' : `${salt_to_add_g.toFixed(1)} g: `}${spoons.text} tsp ${CRYSTALS[crystal].name}`,
    stock_g > 0 ? `${Math.round(stock_g)} g of the water is stock` : '',
    plan.dressing ? dressingWords(plan.dressing, crystal, units === 'cups') : '',
    ...plan.seasoning.add_ins.map((a) => `${Math.round(a.grams * 10) / 10} g ${a.name}`),
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
          {() => <AddIns state={state} change={change} />}
        </Aside>
      </div>
      {said.length > 0 && <p className={classes.hint}>{say(said.join(', '))}</p>}
    </div>
  )
}

/**
 * "dressing 45 mL vinegar, 18 g sugar, 4.8 g salt (2 tsp flaky), 21 mL to a cup of dry grain"; in a kitchen of
 * cups by spoons alone.
 */
function dressingWords(d: NonNullable<Plan['dressing']>, crystal: CrystalId, bySpoon: boolean): string {
  const salt = `${inScoops(inSpoons({ sugarG: d.sugar_g, saltG: d.salt_g, saltLastG: d.salt_last_g, vinegarMl: d.vinegar_ml }, crystal).salt).text} tsp ${CRYSTALS[crystal].name}`
  const last = d.salt_last_g > 0 ? ' last' : ''
  if (bySpoon)
    return `dressing ${spoonfuls(d.vinegar_ml)} vinegar, ${spoonfuls(d.sugar_g / SPOON_DENSITY.sugar)} sugar, ${salt}${last}`
  return `dressing ${Math.round(d.vinegar_ml)} mL vinegar, ${Math.round(d.sugar_g)} g sugar, ${(d.salt_g + d.salt_last_g).toFixed(1)} g salt (${salt})${last}; ${Math.round(d.ml_per_240_ml_dry)} mL of it to 240 mL dry`
}

const spoonfuls = (ml: number) => inSpoonfuls(ml, { tbspMl: SPOONS.metric.tbsp, tspMl: SPOONS.metric.tsp })
