import { useMemo } from 'react'
import { Link, useSearchParams } from 'react-router'
import { splitBatch, type SplitPot } from '#core/compare/split'
import { amountIn, waterIn } from '#core/units/system'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { useUnits } from '../../ui/units/units'
import { spanWord } from '../../ui/time/clock-hour'
import { amountWord, grainWord } from '../../planning/plan-words'
import { fromSearch, toSearch } from '../../planning/plan-address'
import { firstPlan, heatOfState, requestOf, vesselOfState, type PlanState } from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import type { Route } from './+types/split'
import classes from './meal.module.css'
import { rememberedPlan } from '../../planning/remembered-plan'

export const meta: Route.MetaFunction = () => [{ title: 'In which pots · Omsel' }]

export function loader() {
  return { ...loadPlanningData(kitchen()), nowMs: nowMs() }
}

const SHOWN = 6

/** A large batch split over the household's pots, or cooked in rounds. */
export default function Split({ loaderData }: Route.ComponentProps) {
  const { mass, length } = useUnits()
  const { household, nowMs: now } = loaderData
  const [search] = useSearchParams()
  const written = search.toString()
  const first = useMemo(() => firstPlan(household), [household])
  const state = useMemo(
    () => fromSearch(new URLSearchParams(written), first, household),
    [written, first, household],
  )
  const in_ = (vesselId: string, heatId: string, grams: number): PlanState => ({
    ...state,
    vesselId,
    heatId,
    amount: { basis: 'dry-mass', value: grams },
    method: vesselId === state.vesselId ? state.method : null,
    poured: null,
    at: null,
    keep: 0,
    leftoverPortions: 0,
  })
  const { options, grams } = useMemo(() => {
    const read = rememberedPlan(requestOf({ ...state, at: null }, household, now))
    const grams = read.ok ? Math.round(read.value.grain.mass_g / 5) * 5 : 300
    // A pot keeps the burner it is planned for; the others take the rest, the strongest first.
    const heats = [
      heatOfState(state, household),
      ...household.heats
        .filter((h) => h.id !== state.heatId)
        .sort((a, b) => b.rated_w * b.efficiency - a.rated_w * a.efficiency),
    ]
    const pots = [
      vesselOfState(state, household),
      ...household.vessels
        .filter((v) => v.id !== state.vesselId && v.kind !== 'oven-dish')
        .sort((a, b) => b.capacity_ml - a.capacity_ml),
    ].slice(0, 6)
    let next = 0
    const list = pots.map((row): SplitPot & { heatId: string } => {
      const heat = row.own_rated_w === null ? heats[next++ % heats.length]! : heats[0]!
      return {
        id: row.id,
        name: row.name,
        capacityMl: row.capacity_ml,
        place: row.own_rated_w === null ? heat.id : `own ${row.id}`,
        heatId: heat.id,
        request: (g) => requestOf(in_(row.id, heat.id, g), household, now),
      }
    })
    return { options: splitBatch(grams, list), grams }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [state, household, now])
  return (
    <main className="place">
      <p className={classes.bar}>
        <Link to={`/?${written}`}>Plan</Link>
      </p>
      <h1 className="figure">Choose pots</h1>
      <p className="place-lead">
        {amountWord(state, household)}, {mass(grams)} of {grainWord(state, household)}: soonest first, then
        least work.
      </p>
      {options.length === 0 && (
        <p role="status">No pots can hold this much, even in two rounds. Cook less.</p>
      )}
      <ol className="place-list">
        {options.slice(0, SHOWN).map((o, i) => (
          <li key={i} className="basin">
            <b className="figure">{spanWord(o.minutes)}</b>
            <span>
              {o.rounds > 1 ? 'in two rounds, ' : ''}
              {o.shares.map((s, k) => (
                <span key={s.pot.id}>
                  {k > 0 && ' and '}
                  <Link
                    to={`/?${toSearch(in_(s.pot.id, (s.pot as SplitPot & { heatId: string }).heatId, s.grams), first).toString()}`}
                  >
                    {amountIn(household, s.plan.grain.mass_g, s.plan.grain.volume_ml)} in the {s.pot.name}
                  </Link>
                  , {waterIn(household, s.plan.water.pour_g)} water
                </span>
              ))}
            </span>
            <span className="quiet small">
              {spanWord(o.handsOn)} hands-on; deepest {length(o.bedMm)}
            </span>
          </li>
        ))}
      </ol>
    </main>
  )
}
