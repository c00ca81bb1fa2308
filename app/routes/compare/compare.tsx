import { Button, NativeSelect, UnstyledButton } from '@mantine/core'
import { useMemo } from 'react'
import { Link, useSearchParams } from 'react-router'
import { whyDiffer } from '#core/compare/differ'
import type { MethodId } from '#core/methods/index'
import { isSensible, methodsOf } from '#core/methods/usual-method'
import { timelineOf } from '#core/plan/timeline'
import { inWords, VARIETIES, varietyOf } from '#core/grain/varieties'
import { amountIn } from '#core/units/system'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { useUnits } from '../../ui/units/units'
import { HeatRibbon } from '../../ui/drawing/heat-ribbon'
import { layRibbon } from '../../ui/drawing/ribbon-layout'
import { skipRevalidation } from '../../layout/skip-revalidation'
import { spanWord } from '../../ui/time/clock-hour'
import { firstPlan, methodOfState, vesselOfState } from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { METHOD_WORDS } from '../../planning/plan-words'
import type { Route } from './+types/compare'
import { planAddress, MAX_SIDES, sidesOf, withBeside, type Shown } from './sides'
import classes from './compare.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Compare · Omsel' }]

export function loader() {
  return { nowMs: nowMs(), household: loadPlanningData(kitchen()).household }
}

export const shouldRevalidate = skipRevalidation

/** Two or three ways for the same people, heat ribbons one above the other, serving at the right. */
export default function Compare({ loaderData }: Route.ComponentProps) {
  const { household, nowMs: now } = loaderData
  const [search, setSearch] = useSearchParams()
  const first = useMemo(() => firstPlan(household), [household])
  const written = search.toString()
  const shown = useMemo(
    () => sidesOf(new URLSearchParams(written), first, household, now),
    [written, first, household, now],
  )
  const put = (changes: readonly string[]) =>
    setSearch(withBeside(search, changes), { replace: true, preventScrollReset: true })
  const changes = shown.slice(1).map((s) => s.change)
  const base = shown[0]!
  const longest = Math.max(...shown.map(({ side }) => drawn(side.plan)))
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Compare</h1>
        <span className={classes.keys}>
          <Link to={`/convert?${planAddress(base.state, first).split('?')[1] ?? ''}`}>
            convert for another kitchen
          </Link>
          <Link
            to={`/ready-by?${new URLSearchParams({ servings: String(base.state.amount.basis === 'servings' ? base.state.amount.value : 4) }).toString()}`}
          >
            what can be ready by …
          </Link>
        </span>
      </div>
      <p className={classes.lead}>
        {amountIn(household, base.side.plan.grain.mass_g, base.side.plan.grain.volume_ml)} of{' '}
        {inWords(varietyOf(base.state.grain))} in {vesselOfState(base.state, household).name}, for the same
        people; each bar ends when served.
      </p>
      <ol className={classes.sides}>
        {shown.map((one, i) => (
          <SideRow
            key={one.change + String(i)}
            one={one}
            base={i === 0 ? undefined : base}
            share={drawn(one.side.plan) / longest}
            onBench={planAddress(one.state, first)}
            onDrop={i === 0 ? undefined : () => put(changes.filter((_, k) => k !== i - 1))}
          />
        ))}
      </ol>
      {shown.length < MAX_SIDES && (
        <Another
          base={base}
          taken={changes}
          add={(change) => put([...changes, change])}
          household={household}
        />
      )}
    </main>
  )
}

/** Minutes of a ribbon as it is drawn, long waits folded. */
function drawn(plan: Shown['side']['plan']): number {
  const line = timelineOf(plan.stages)
  return layRibbon(
    plan.stages.map((s) => ({ id: s.id, ...line.get(s.id)!, wait: !s.hands_on && s.heat === 'off' })),
    0,
  ).drawnMinutes
}

interface SideRowProps {
  one: Shown
  base: Shown | undefined
  /** Of the longest ribbon. */
  share: number
  onBench: string
  onDrop: (() => void) | undefined
}

function SideRow({ one, base, share, onBench: onPlan, onDrop }: SideRowProps) {
  const { say, number } = useUnits()
  const { plan, energyWh, steamG, kitchenWh, texture } = one.side
  const line = timelineOf(plan.stages)
  const total = plan.total_minutes.expected
  const risks = plan.cautions.filter((c) => c.severity !== 'note')
  return (
    <li className={`${classes.side} basin`} aria-label={one.name}>
      <div className={classes.head}>
        <h2 className="figure">{one.name}</h2>
        <span className={classes.keys}>
          <Link to={onPlan}>use this plan</Link>
          {onDrop && (
            <UnstyledButton className="link" onClick={onDrop}>
              remove
            </UnstyledButton>
          )}
        </span>
      </div>
      <dl className={classes.figures}>
        <Figure
          word="water"
          value={say(`${Math.round(plan.water.pour_g)} g of water`).replace(' of water', '')}
        />
        <Figure word="total time" value={spanWord(total)} />
        <Figure word="hands-on" value={spanWord(plan.hands_on_minutes)} />
        <div>
          <dt>texture</dt>
          <dd>
            <Lean texture={texture} />
          </dd>
        </div>
        <Figure word="energy" value={`${number(energyWh / 1000, 2)} kWh`} />
        <Figure
          word="into the room"
          value={say(`${Math.round(steamG)} g steam, ${(kitchenWh / 1000).toFixed(2)} kWh`)}
        />
      </dl>
      <div className={classes.track}>
        <div style={{ width: `${Math.max(12, share * 100)}%` }}>
          <HeatRibbon
            stages={plan.stages}
            times={plan.stages.map((s) => line.get(s.id)!)}
            clockAt={(minute) => (minute >= total - 0.01 ? '' : `−${spanWord(total - minute)}`)}
            height={118}
            trueToTime
          />
        </div>
      </div>
      <p className={classes.why}>
        {base ? `${whyDiffer(base.side, one.side, { a: base.name, b: 'This one' })} ` : ''}
        {risks.length > 0 && (
          <b>
            {risks
              .map((c) => c.text)
              .slice(0, 2)
              .join(' ')}
          </b>
        )}
      </p>
    </li>
  )
}

const Figure = ({ word, value }: { word: string; value: string }) => (
  <div>
    <dt>{word}</dt>
    <dd className="figure">{value}</dd>
  </div>
)

/** Where it ends between firm and soft: a mark on a line, and the word. */
function Lean({ texture }: { texture: number }) {
  const at = Math.min(1.15, Math.max(-0.15, texture))
  const word =
    texture < -0.1
      ? 'too dry'
      : texture < 0.2
        ? 'firm'
        : texture < 0.4
          ? 'firmish'
          : texture <= 0.6
            ? 'standard'
            : texture <= 0.85
              ? 'softish'
              : texture <= 1.1
                ? 'soft'
                : 'too soft'
  return (
    <span className={classes.lean}>
      <svg viewBox="0 0 96 16" width="96" height="16" aria-hidden>
        <path d="M12 8H84" className={classes.line} />
        <path d="M12 4v8M48 5v6M84 4v8" className={classes.line} />
        <ellipse cx={12 + at * 72} cy={8} rx={7} ry={4} className={classes.kernel} />
      </svg>
      {word}
    </span>
  )
}

/** What could be compared: another plan in this pot, this grain in another pot, another grain this way. */
function Another({
  base,
  taken,
  add,
  household,
}: {
  base: Shown
  taken: readonly string[]
  add: (change: string) => void
  household: Parameters<typeof vesselOfState>[1] & Parameters<typeof sidesOf>[2]
}) {
  const vessel = vesselOfState(base.state, household)
  const own = methodOfState(base.state, vessel)
  const variety = varietyOf(base.state.grain)
  const fresh = (change: string) => !taken.includes(change)
  const ways = methodsOf(vessel.kind)
    .filter((id: MethodId) => id !== own)
    .map((id) => ({
      value: new URLSearchParams({ method: id }).toString(),
      label: `${METHOD_WORDS[id]}${isSensible(variety, id) ? '' : ' (unusual for this grain)'}`,
    }))
  const pots = household.vessels
    .filter((v) => v.id !== base.state.vesselId)
    .map((v) => ({ value: new URLSearchParams({ pot: v.id }).toString(), label: `in ${v.name}` }))
  const soaks = base.state.soak
    ? [{ value: 'soak=', label: 'not soaked' }]
    : [
        { value: 'soak=30-20-drain', label: 'soaked half an hour' },
        { value: 'soak=600-5-drain', label: 'soaked overnight in the fridge' },
      ]
  const grains = VARIETIES.filter((v) => v.id !== variety.id).map((v) => ({
    value: new URLSearchParams({ grain: v.id, bag: '' }).toString(),
    label: v.name,
  }))
  const groups = [
    { group: 'another plan', items: ways },
    { group: 'another pot', items: pots },
    { group: 'another soak', items: soaks },
    { group: 'another grain', items: grains },
  ]
    .map(({ group, items }) => ({ group, items: items.filter(({ value }) => fresh(value)) }))
    .filter(({ items }) => items.length > 0)
  return (
    <form
      className={classes.another}
      onSubmit={(event) => {
        event.preventDefault()
        const chosen = new FormData(event.currentTarget).get('beside')
        if (typeof chosen === 'string' && chosen !== '') add(chosen)
      }}
    >
      <NativeSelect key={taken.join()} name="beside" label="Compare with" data={groups} />
      <Button type="submit" variant="default">
        Add
      </Button>
    </form>
  )
}
