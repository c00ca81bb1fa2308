import { useMemo } from 'react'
import { Link } from 'react-router'
import { Skeleton, UnstyledButton } from '@mantine/core'
import { varietyOf } from '#core/grain/varieties'
import type { Plan } from '#core/plan/result'
import { amountIn } from '#core/units/system'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { loadPlanningData } from '../../planning/planning-data.server'
import { skipRevalidation } from '../../layout/skip-revalidation'
import { type PlanState, firstPlan, changedPlan, requestOf, vesselOfState } from '../../planning/plan-state'
import { useAddress } from '../../layout/use-address'
import { fromSearch, toSearch } from '../../planning/plan-address'
import { vesselFromRow } from '../../planning/vessel-from-row'
import { grainWord, METHOD_WORDS } from '../../planning/plan-words'
import { PlanLine } from '../plan/plan-line'
import type { Route } from './+types/simulation'
import {
  type Otherwise,
  otherwiseIn,
  writeOtherwise,
  askedOf,
  NOTHING_OTHERWISE,
  countOtherwise,
  stageChanged,
} from './simulation-state'
import { useCooked } from './use-simulator'
import classes from './simulation.module.css'
import { WaterAndKitchen, WhatIfKeys } from './water-and-kitchen'
import { Room } from './room-for-error'
import WrongWithMine from './diagnosis'
import { CookedPots } from './cooked-pots'
import { rememberedPlan } from '../../planning/remembered-plan'

export const meta: Route.MetaFunction = () => [{ title: 'Simulation · Omsel' }]

export function loader() {
  return { nowMs: nowMs(), ...loadPlanningData(kitchen()) }
}

export const shouldRevalidate = skipRevalidation

interface Here {
  bench: PlanState
  otherwise: Otherwise
}

/**
 * The same plan without food: what is inside the pot at every minute, and what would be if one thing were
 * otherwise.
 */
export default function SimulationPage({ loaderData }: Route.ComponentProps) {
  const { household, settings, nowMs: now } = loaderData
  const first = useMemo(() => firstPlan(household), [household])
  const { state, become, undo, canUndo } = useAddress<Here>({
    read: (search) => ({ bench: fromSearch(search, first, household), otherwise: otherwiseIn(search) }),
    write: ({ bench, otherwise }) => writeOtherwise(toSearch(bench, first), otherwise),
  })
  const { bench, otherwise } = state
  const change = (next: Partial<PlanState>) => become({ ...state, bench: changedPlan(bench, next) })
  const other = (next: Partial<Otherwise>) => become({ ...state, otherwise: { ...otherwise, ...next } })
  const planned = useMemo(() => requestOf({ ...bench, at: null }, household, now), [bench, household, now])
  const request = useMemo(() => askedOf(planned, otherwise), [planned, otherwise])
  const plan = useMemo(() => {
    const read = rememberedPlan(
      askedOf(
        { ...planned, pour_override_g: null },
        { ...NOTHING_OTHERWISE, elevation: otherwise.elevation, kitchen: otherwise.kitchen },
      ),
    )
    if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
    return read.value
  }, [planned, otherwise.elevation, otherwise.kitchen])
  const asked = otherwise.asked.filter((q) => q !== 'no-soak' || bench.soak)
  const cooked = useCooked(request, [null, ...asked])
  const row = vesselOfState(bench, household)
  const vessel = useMemo(() => vesselFromRow(row), [row])
  const variety = varietyOf(bench.grain)
  const pour = otherwise.poured ?? bench.poured ?? Math.round(plan.water.pour_g)
  const changed = countOtherwise(otherwise)
  const usedHeight = otherwise.elevation ?? household.elevation_m
  const usedKitchen = otherwise.kitchen ?? household.kitchen_c
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Simulation</h1>
        <span className={classes.links}>
          <Link to="/practice">practice</Link>
          <Link to={`/?${toSearch(bench, first).toString()}`}>back to the plan</Link>
        </span>
      </div>
      <div className={classes.order}>
        <PlanLine state={bench} change={change} household={household} clock={settings} now={now} />
      </div>
      <SimulationLead
        household={household}
        plan={plan}
        bench={bench}
        planned={planned}
        changed={changed}
        become={become}
        state={state}
        otherwise={otherwise}
        canUndo={canUndo}
        undo={undo}
      />
      {cooked ? (
        <CookedPots
          cooked={cooked}
          vessel={vessel}
          variety={variety}
          otherwise={otherwise}
          other={other}
          request={request}
          onStage={(stage, next) => become({ ...state, otherwise: stageChanged(otherwise, stage, next) })}
        />
      ) : (
        <Skeleton height={420} />
      )}
      <div className={classes.below}>
        <WaterAndKitchen
          pour={pour}
          plan={plan}
          other={other}
          otherwise={otherwise}
          bench={bench}
          change={change}
          household={household}
          usedHeight={usedHeight}
          usedKitchen={usedKitchen}
        />
        <WhatIfKeys bench={bench} asked={asked} other={other} />
        <Room
          request={request}
          onPick={(pourG, stage, minutes) =>
            become({ ...state, otherwise: stageChanged({ ...otherwise, poured: pourG }, stage, { minutes }) })
          }
        />
      </div>
      <WrongWithMine key={`${bench.grain} ${row.id} ${plan.grain.mass_g}`} request={planned} plan={plan} />
      <p className="quiet small">
        How this is calculated and tested: <Link to="/model">how the model works</Link>.
      </p>
    </main>
  )
}

/** What is simulated and how it differs from the plan. */
function SimulationLead({
  household,
  plan,
  bench,
  planned,
  changed,
  become,
  state,
  otherwise,
  canUndo,
  undo,
}: {
  household: Route.ComponentProps['loaderData']['household']
  plan: Plan
  bench: PlanState
  planned: ReturnType<typeof requestOf>
  changed: number
  become: (next: Here) => void
  state: Here
  otherwise: Otherwise
  canUndo: boolean
  undo: () => void
}) {
  return (
    <p className={classes.lead}>
      {amountIn(household, plan.grain.mass_g, plan.grain.volume_ml)} of {grainWord(bench, household)},{' '}
      {METHOD_WORDS[planned.method ?? 'covered-simmer']}. No food is cooked here.{' '}
      {changed > 0 && (
        <>
          {changed === 1 ? '1 change' : `${changed} changes`} changed from the plan.{' '}
          <UnstyledButton
            className="link"
            onClick={() => become({ ...state, otherwise: { ...NOTHING_OTHERWISE, asked: otherwise.asked } })}
          >
            No changes
          </UnstyledButton>
        </>
      )}
      {canUndo && (
        <>
          {' '}
          <UnstyledButton className="link" onClick={undo}>
            Undo
          </UnstyledButton>
        </>
      )}
    </p>
  )
}
