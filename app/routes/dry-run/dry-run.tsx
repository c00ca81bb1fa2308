import { Button, Progress, Skeleton, Slider, UnstyledButton } from '@mantine/core'
import { lazy, Suspense, useEffect, useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { varietyOf } from '#core/grain/varieties'
import { WHAT_IF_WORDS, WHAT_IFS, type WhatIf } from '#core/simulate/what-if'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen/kitchen'
import { PotInside, type Moment } from '../../drawing/pot-inside'
import { stayPut } from '../../shell/stay-put'
import type { Cooked } from '../../workers/simulator'
import { firstBench, fromSearch, requestOf, toSearch, vesselOfState } from '../bench/bench-state'
import { houseIn } from '../bench/house.server'
import { grainWord, METHOD_WORDS } from '../bench/words'
import { vesselFromRow } from '../bench/vessel-from-row'
import type { Route } from './+types/dry-run'
import { chanceWords } from './chance-words'
import { WrongWithMine } from './wrong-with-mine'
import { SWEEP_RUNS, useCooked, useSweep } from './use-simulator'
import classes from './dry-run.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Dry run · Omsel' }]

export function loader() {
  return { nowMs: nowMs(), house: houseIn(kitchen()).house }
}

export const shouldRevalidate = stayPut

const Curves = lazy(() => import('./curves'))
/** Runs overlaid at once, the plan's own among them. */
const MOST_RUNS = 3

/** The same plan without food: what is inside the pot at every minute, and what would be if one thing were otherwise. */
export default function DryRun({ loaderData }: Route.ComponentProps) {
  const { house, nowMs: now } = loaderData
  const [search, setSearch] = useSearchParams()
  const first = useMemo(() => firstBench(house), [house])
  const written = search.toString()
  const state = useMemo(() => fromSearch(new URLSearchParams(written), first, house), [written, first, house])
  const [poured, setPoured] = useState<number>()
  const request = useMemo<PlanRequestJson>(
    () => ({ ...requestOf({ ...state, at: null }, house, now), ...(poured === undefined ? {} : { pour_override_g: poured }) }),
    [state, house, now, poured],
  )
  const plan = useMemo(() => {
    const read = planFrom(requestOf({ ...state, at: null, poured: null }, house, now))
    if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
    return read.value
  }, [state, house, now])
  const asked = search.getAll('if').filter((q): q is WhatIf => (WHAT_IFS as readonly string[]).includes(q)).slice(0, MOST_RUNS - 1)
  const cooked = useCooked(request, [null, ...asked])
  const sweep = useSweep(request)
  const ask = (question: WhatIf) => {
    const next = new URLSearchParams(search)
    next.delete('if')
    const list = asked.includes(question) ? asked.filter((q) => q !== question) : [...asked, question].slice(-(MOST_RUNS - 1))
    for (const q of list) next.append('if', q)
    setSearch(next, { replace: true, preventScrollReset: true })
  }
  const row = vesselOfState(state, house)
  const vessel = useMemo(() => vesselFromRow(row), [row])
  const variety = varietyOf(state.grain)
  const names = ['as planned', ...asked.map((q) => WHAT_IF_WORDS[q].replace(/^What if (I |it )?/, '').replace(/\?$/, ''))]
  const pour = poured ?? Math.round(plan.water.pour_g)
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Dry run</h1>
        <Link to={`/?${toSearch(state, first).toString()}`}>back to the bench</Link>
      </div>
      <p className={classes.lead}>
        {Math.round(plan.grain.mass_g)} g of {grainWord(state, house)} in the {row.name}, {METHOD_WORDS[request.method ?? 'covered-simmer']}. No food is cooked here.
      </p>
      {cooked ? <Inside cooked={cooked} names={names} vessel={vessel} variety={variety} /> : <Skeleton height={420} />}
      <div className={classes.below}>
        <section aria-label="Water">
          <h2 className="place-part">Water in hand</h2>
          <Slider
            thumbLabel="Water, g"
            value={pour}
            min={Math.round(plan.water.pour_g * 0.5)}
            max={Math.round(plan.water.pour_g * 1.6)}
            step={5}
            label={(g) => `${g} g`}
            onChange={(g) => setPoured(g)}
            thumbProps={{ 'aria-valuetext': `${pour} g` }}
          />
          <p>
            {pour} g{' '}
            {poured !== undefined && (
              <UnstyledButton className="link" onClick={() => setPoured(undefined)}>
                as planned
              </UnstyledButton>
            )}
          </p>
        </section>
        <section aria-label="What if">
          <h2 className="place-part">What if …</h2>
          <div className="chips">
            {WHAT_IFS.filter((q) => q !== 'no-soak' || state.soak).map((q) => (
              <UnstyledButton key={q} className="chip" aria-pressed={asked.includes(q)} onClick={() => ask(q)}>
                {WHAT_IF_WORDS[q]}
              </UnstyledButton>
            ))}
          </div>
        </section>
        <section aria-label="How much slack">
          <h2 className="place-part">How much slack?</h2>
          {sweep.done === undefined ? (
            <Button variant="default" onClick={sweep.start}>
              {sweep.chances ? 'Once more' : `Cook it in ${SWEEP_RUNS} kitchens`}
            </Button>
          ) : (
            <div className={classes.sweep}>
              <Progress value={(100 * sweep.done) / SWEEP_RUNS} aria-label="Kitchens done" />
              <Button variant="default" size="xs" onClick={sweep.stop}>
                Stop
              </Button>
            </div>
          )}
          {sweep.chances && <p role="status">{chanceWords(sweep.chances)}</p>}
          <p className="quiet small">Burner ± 15 %, lid ± 30 %, grain ± 5 %, measuring ± 3 %, one standard deviation each.</p>
        </section>
      </div>
      <WrongWithMine key={written} request={request} plan={plan} />
    </main>
  )
}

interface InsideProps {
  cooked: Cooked[]
  names: readonly string[]
  vessel: Parameters<typeof PotInside>[0]['vessel']
  variety: Parameters<typeof PotInside>[0]['variety']
}

const PLAY_MS = 60
const PLAY_STEPS = 220

/** The pots at one minute, the minute in hand, the curves under it, and the verdicts. */
function Inside({ cooked, names, vessel, variety }: InsideProps) {
  const longest = Math.max(...cooked.map((run) => run.series.tMin.at(-1)!))
  const [minute, setMinute] = useState<number>()
  const [playing, setPlaying] = useState(false)
  const at = Math.min(minute ?? longest, longest)
  useEffect(() => {
    if (!playing) return
    const timer = setInterval(() => {
      setMinute((m) => {
        const next = (m ?? 0) + longest / PLAY_STEPS
        if (next >= longest) setPlaying(false)
        return Math.min(longest, next)
      })
    }, PLAY_MS)
    return () => clearInterval(timer)
  }, [playing, longest])
  return (
    <>
      <div className={classes.pots} data-runs={cooked.length}>
        {cooked.map((run, i) => {
          const stage = stageAt(run, at)
          return (
            <section key={names[i]} className={`${classes.pot} basin`} aria-label={names[i]}>
              <h2 className="figure">{names[i]}</h2>
              <div className={classes.drawing}>
                <PotInside vessel={vessel} variety={variety} dryG={dryOf(run)} moment={momentAt(run, at)} title={momentWords(run, at, names[i]!)} />
              </div>
              <p className={classes.stage}>{stage ?? 'at the table'}</p>
              <ul className={classes.reasons}>
                {run.reasons.map((reason) => (
                  <li key={reason}>{reason}</li>
                ))}
              </ul>
            </section>
          )
        })}
      </div>
      <div className={classes.time}>
        <Button
          variant="default"
          size="sm"
          onClick={() => {
            if (!playing && at >= longest) setMinute(0)
            setPlaying(!playing)
          }}
        >
          {playing ? 'Hold it' : 'Let it cook'}
        </Button>
        <Slider thumbLabel="Minute" className={classes.slider} value={at} min={0} max={Number(longest.toFixed(1))} step={0.1} label={null} onChange={setMinute} thumbProps={{ 'aria-valuetext': `${at.toFixed(1)} minutes` }} />
        <output className="figure">{at.toFixed(1)} min</output>
      </div>
      {names.length > 1 && (
        <p className={classes.pens}>
          {names.map((name, i) => (
            <span key={name}>
              <svg viewBox="0 0 34 8" width="34" height="8" aria-hidden>
                <path d="M1 4H33" data-pen={i} />
              </svg>
              {name}
            </span>
          ))}
        </p>
      )}
      <Suspense fallback={<Skeleton height={260} />}>
        <Curves cooked={cooked} names={names} minute={at} />
      </Suspense>
    </>
  )
}

const dryOf = (run: Cooked): number => run.plan.grain.mass_g

const indexAt = ({ series }: Cooked, minute: number): number => {
  const i = series.tMin.findIndex((t) => t >= minute)
  return i < 0 ? series.tMin.length - 1 : i
}

function momentAt(run: Cooked, minute: number): Moment {
  const i = indexAt(run, minute)
  const { series } = run
  const before = Math.max(0, i - 3)
  const span = series.tMin[i]! - series.tMin[before]!
  return {
    uptakeByLayer: series.uptakeByLayer.map((layer) => layer[i]!),
    centreByLayer: series.centreByLayer.map((layer) => layer[i]!),
    freeG: series.freeG[i]!,
    bulkC: series.bulkC[i]!,
    bottomC: series.bottomC[i]!,
    steam: span > 0 ? (series.evaporatedG[i]! - series.evaporatedG[before]!) / span : 0,
  }
}

function momentWords(run: Cooked, minute: number, name: string): string {
  const { centreByLayer, freeG, bulkC } = momentAt(run, minute)
  const cooked = Math.round((100 * centreByLayer.reduce((a, b) => a + b, 0)) / centreByLayer.length)
  return `${name} at ${minute.toFixed(1)} minutes: ${Math.round(bulkC)} °C, ${Math.round(freeG)} g of water free, cooked to ${cooked} %`
}

/** The stage a run is in, by when its stages ended. */
function stageAt({ told, plan }: Cooked, minute: number): string | undefined {
  const stages = told.filter(({ kind }) => plan.stages.some((s) => s.id === kind.replace('never ', '')))
  const on = stages.find(({ tMin }) => minute <= tMin + 1e-6)
  return plan.stages.find((s) => s.id === on?.kind.replace('never ', ''))?.title
}
