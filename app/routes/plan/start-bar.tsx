import { UnstyledButton } from '@mantine/core'
import { IconArrowBackUp } from '@tabler/icons-react'
import { lazy } from 'react'
import { Link, useNavigation } from 'react-router'
import { type KitchenUnits, amountIn } from '#core/units/system'
import type { Breakdown } from '#core/explain/pour'
import type { Plan } from '#core/plan/result'
import { KeyCap } from '../../keyboard/key-cap'
import { clockTime, type HouseholdClock } from '../../ui/time/clock-hour'
import { useUnits } from '../../ui/units/units'
import { Aside } from '../../layout/aside'
import { Why } from './why'
import classes from './start-bar.module.css'

const loadPlanMore = () => import('./plan-more')
const PlanMore = lazy(loadPlanMore)

interface StartBarProps {
  plan: Plan
  now: number
  startMs: number
  tableMs: number
  /** Whether an hour was asked for. */
  asked: boolean
  clock: HouseholdClock
  measuresBy: KitchenUnits
  /** What comes out of the pot, as the sum it is. */
  whyCooked: () => Promise<Breakdown>
  /** The plan as an address, for the places that take it further. */
  search: string
  onStart: () => void
  /** The batch that has this pot or this burner. */
  inUse?: { id: string; words: string } | undefined
  /** Puts this pot on a meal, where one is laid. */
  meals: readonly { id: string; title: string }[]
  onMeal: (id: string) => void
  undo: (() => void) | undefined
  errors: readonly { path: string; message: string }[]
}

const SOON_MS = 2 * 60_000

export function StartBar(props: StartBarProps) {
  const { plan, now, startMs, tableMs, asked, clock, onStart, inUse, undo, errors } = props
  const busy = useNavigation().state !== 'idle'
  const late = asked && startMs < now - SOON_MS
  const later = asked && startMs > now + SOON_MS
  const ifNow = clockTime(now + plan.total_minutes.expected * 60_000, clock)
  return (
    <div className={classes.bar}>
      {undo && (
        <UnstyledButton className={classes.undo} onClick={undo}>
          <IconArrowBackUp size={18} aria-hidden /> Undo <KeyCap act="back" />
        </UnstyledButton>
      )}
      <Facts {...props} className={classes.facts!} />
      <p className={classes.when} role="status">
        {errors.length > 0
          ? errors[0]!.message
          : later
            ? `Start at ${clockTime(startMs, clock)} for ${clockTime(tableMs, clock)}`
            : late
              ? `Too late for ${clockTime(tableMs, clock)}: ready at ${ifNow}`
              : `Ready at ${ifNow}`}
        {inUse && errors.length === 0 && (
          <Link to={`/stove/${inUse.id}`} className={classes.inUse}>
            {inUse.words}
          </Link>
        )}
      </p>
      <UnstyledButton onClick={onStart} disabled={busy} aria-busy={busy} className={classes.start}>
        Start now
      </UnstyledButton>
    </div>
  )
}

/** Yield, and where else the plan leads; on a phone it stands in the page. */
export function Facts({
  plan,
  measuresBy,
  whyCooked,
  search,
  meals,
  onMeal,
  className,
}: Pick<StartBarProps, 'plan' | 'measuresBy' | 'whyCooked' | 'search' | 'meals' | 'onMeal'> & {
  className: string
}) {
  const { say } = useUnits()
  const cooked = amountIn(measuresBy, plan.yield.cooked_mass_g, plan.yield.cooked_volume_ml)
  return (
    <p className={className}>
      Serves {say(String(Math.round(plan.yield.servings * 10) / 10))} with{' '}
      <Why question={`Why ${cooked} cooked?`} sum={whyCooked}>
        {cooked} cooked
      </Why>{' '}
      · <Link to={`/compare?${search}`}>compare</Link> · <Link to={`/simulation?${search}`}>simulate</Link> ·{' '}
      <Link to={`/recipe-card?${search}`}>card</Link> ·{' '}
      <Aside word="more …" label="More with this plan" className="link" width={320} piece={loadPlanMore}>
        {() => <PlanMore search={search} />}
      </Aside>
      {meals.length > 0 && ' · '}
      {meals.length > 1 ? (
        <Aside word="add to meal …" className="link" width={280}>
          {() => <MealKeys meals={meals} onMeal={onMeal} />}
        </Aside>
      ) : (
        <MealKeys meals={meals} onMeal={onMeal} />
      )}
    </p>
  )
}

/** A key for each meal to come; alone, it needs no name on it. */
const MealKeys = ({ meals, onMeal }: Pick<StartBarProps, 'meals' | 'onMeal'>) =>
  meals.map(({ id, title }) => (
    <UnstyledButton
      key={id}
      className={meals.length > 1 ? `link ${classes.meal}` : 'link'}
      onClick={() => onMeal(id)}
      aria-label={`Add to the meal: ${title}`}
    >
      {meals.length > 1 ? title : 'add to meal'}
    </UnstyledButton>
  ))
