import { useMemo } from 'react'
import { Link, useSearchParams } from 'react-router'
import { amountIn, unitsOf } from '#core/units/system'
import { localPlan } from '#core/plan/local-plan'
import { varietyOf } from '#core/grain/varieties'
import { FOLLOW_LOCAL } from '#core/leftovers/guidance'
import type { Plan, Stage } from '#core/plan/result'
import { amountText } from '#core/plan/stage-amounts'
import { timelineOf } from '#core/plan/timeline'
import { inMeasure, measureOf, type OwnMeasure, type StandardMeasureId } from '#core/units/measures'
import { nowMs } from '#server/clock'
import { decimalMarkFor } from '#server/http/reader'
import { kitchen } from '#server/kitchen'
import { recipeLd } from '#server/transfer/recipe'
import type { HeatRow, VesselRow } from '#server/store/equipment'
import { UnitsProvider, useUnits } from '../../ui/units/units'
import { HeatRibbon } from '../../ui/drawing/heat-ribbon'
import { Kernel } from '../../ui/drawing/grain-pattern'
import { knobWord } from '../../ui/drawing/setting-word'
import { windowWord } from '#core/plan/window-word'
import { clockTime, spanWord } from '../../ui/time/clock-hour'
import { fromSearch } from '../../planning/plan-address'
import {
  firstPlan,
  heatOfState,
  methodOfState,
  requestOf,
  vesselOfState,
  type PlanState,
} from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { amountWord, grainWord, METHOD_WORDS, PURPOSE_WORDS } from '../../planning/plan-words'
import type { Route } from './+types/recipe-card'
import { recipeOf } from '../recipe/recipe-of.server'
import { PrintKey } from './print-key'
import classes from './recipe-card.module.css'
import { rememberedPlan } from '../../planning/remembered-plan'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: 'Recipe card · Omsel' },
  // For recipe programs that are given this page.
  ...(loaderData ? [{ 'script:ld+json': loaderData.recipe }] : []),
]

export async function loader({ request }: Route.LoaderArgs) {
  const { plan, named } = await recipeOf(new URL(request.url).searchParams)
  return {
    nowMs: nowMs(),
    decimal: decimalMarkFor(request),
    recipe: recipeLd(plan, named) as Record<string, string>,
    ...loadPlanningData(kitchen()),
  }
}

const FORM_WORDS: Record<string, string> = { json: 'recipe data', md: 'text', ics: 'calendar' }
/** A page bears so many cautions and still says the cook in large type. */
const MAX_CAUTIONS = 4

/** One page for the fridge door: the figures, the ribbon, what ends each stage. Good in black and white. */
export default function Card(props: Route.ComponentProps) {
  return (
    <UnitsProvider units={unitsOf(props.loaderData.settings, props.loaderData.decimal)}>
      <Page {...props} />
    </UnitsProvider>
  )
}

function Page({ loaderData }: Route.ComponentProps) {
  const { household, settings, nowMs: now } = loaderData
  const { kitchen, say, length } = useUnits()
  const [search] = useSearchParams()
  const written = search.toString()
  const state = useMemo(
    () => fromSearch(new URLSearchParams(written), firstPlan(household), household),
    [written, household],
  )
  const plan = useMemo(() => {
    const read = rememberedPlan(requestOf(state, household, now))
    if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
    return localPlan(read.value, kitchen)
  }, [state, household, now, kitchen])
  const vessel = vesselOfState(state, household)
  const own = vessel.own_rated_w !== null
  const heat = heatOfState(state, household)
  const line = timelineOf(plan.stages)
  const times = plan.stages.map((stage) => line.get(stage.id)!)
  const total = plan.total_minutes.expected
  // On a card for any day only an hour that was asked for is an hour; else minutes count from the start.
  const startMs =
    state.at === null ? null : Date.parse(requestOf(state, household, now).serve_at!) - total * 60_000
  const at = (minute: number) =>
    startMs === null ? `+${Math.round(minute)}` : clockTime(startMs + minute * 60_000, settings)
  const [measure] = requestOf(state, household, now).measures ?? []
  const grave = plan.cautions.filter((c) => c.severity !== 'note')
  const burns = plan.cautions.filter((c) => c.severity === 'note' && c.about === 'burn')
  const cautions = [...grave, ...burns].slice(0, MAX_CAUTIONS)
  const order = plan.stages
    .map((_, i) => i)
    .sort((a, b) => times[a]!.start - times[b]!.start || times[a]!.end - times[b]!.end)
  return (
    <main
      className={classes.card}
      data-many={plan.stages.length > 14 ? 'very' : plan.stages.length > 11 || undefined}
    >
      <div className={classes.bar}>
        <Link to={`/?${written}`}>Plan</Link>
        <span>
          as{' '}
          {['json', 'md', 'ics'].map((form, i) => (
            <span key={form}>
              {i > 0 && ', '}
              <a href={`/recipe/recipe.${form}?${written}`} download>
                {FORM_WORDS[form]}
              </a>
            </span>
          ))}
        </span>
        <PrintKey />
      </div>
      <CardHead
        state={state}
        household={household}
        vessel={vessel}
        own={own}
        heat={heat}
        settings={settings}
      />
      <div className={classes.figures}>
        <Big title="grain, dry" grams={plan.grain.mass_g} ml={plan.grain.volume_ml} measure={measure} />
        <Big
          title={state.soak || plan.water.clinging_g > 0 ? 'water to pour, after draining' : 'water to pour'}
          grams={plan.water.pour_g}
          ml={plan.water.pour_g}
          measure={measure}
        />
        <div>
          <p className="eyebrow">from start to serving</p>
          <p className={`${classes.big} figure`}>{spanWord(total)}</p>
          <p>
            {startMs === null
              ? `${spanWord(plan.hands_on_minutes)} hands-on`
              : `start ${at(0)}, serve ${at(total)}`}
          </p>
        </div>
      </div>
      {plan.seasoning.salt_to_add_g >= 0.1 && (
        <p className={classes.also}>
          Salt {say(`${plan.seasoning.salt_to_add_g.toFixed(1)} g`)} into the water.
        </p>
      )}
      {plan.gauges.water_above_bed_mm > 0 && state.soak === null && (
        <p className={classes.also}>
          The water comes to {length(plan.gauges.water_above_bed_mm)} above the grain,{' '}
          {length(plan.gauges.fill_level_mm)} in the pot.
        </p>
      )}
      <HeatRibbon
        stages={plan.stages}
        times={times}
        clockAt={at}
        height={184}
        placeOf={(stage) => knobWord(stage, own ? null : heat)}
      />
      <CardStages order={order} plan={plan} at={at} times={times} />
      {cautions.length > 0 && (
        <ul className={classes.cautions}>
          {cautions.map((c) => (
            <li key={c.code}>{c.text}</li>
          ))}
        </ul>
      )}
      <p className={classes.foot}>
        Serves {say(String(Math.round(plan.yield.servings * 10) / 10))} with{' '}
        {amountIn(settings, plan.yield.cooked_mass_g, plan.yield.cooked_volume_ml)} cooked. Follow the maker’s
        manual first. {FOLLOW_LOCAL}
      </p>
    </main>
  )
}

function CardHead({
  state,
  household,
  vessel,
  own,
  heat,
  settings,
}: {
  state: PlanState
  household: Route.ComponentProps['loaderData']['household']
  vessel: VesselRow
  own: boolean
  heat: HeatRow
  settings: Route.ComponentProps['loaderData']['settings']
}) {
  const { say, altitude } = useUnits()
  return (
    <header className={classes.head}>
      <Kernel variety={varietyOf(state.grain)} height={34} />
      <h1 className="figure">{grainWord(state, household)}</h1>
      <p>
        {say(amountWord(state, household))}, {PURPOSE_WORDS[state.purpose]};{' '}
        {METHOD_WORDS[methodOfState(state, vessel)]}, {vessel.name}
        {!own && `, ${heat.name}`}; {altitude(settings.elevation_m)}
      </p>
    </header>
  )
}

/** The steps in order of time, each with its amounts and its end. */
function CardStages({
  order,
  plan,
  at,
  times,
}: {
  order: number[]
  plan: Plan
  at: (minute: number) => string
  times: { start: number; end: number }[]
}) {
  const { say } = useUnits()
  return (
    <ol className={classes.stages}>
      {order.map((i) => {
        const stage = plan.stages[i]!
        return (
          <li key={stage.id} data-hands={stage.hands_on || undefined}>
            <span className="figure">{at(times[i]!.start)}</span>
            <span>
              <b>{stage.title}</b> {say(amountsOf(stage, plan))}
              {say(endWords(stage))}
            </span>
          </li>
        )
      })}
    </ol>
  )
}

/** An amount in the measure that was asked for, grams under it; in grams where none was. */
function Big({
  title,
  grams,
  ml,
  measure,
}: {
  title: string
  grams: number
  ml: number
  measure: StandardMeasureId | OwnMeasure | undefined
}) {
  const { system, mass, capacity, say } = useUnits()
  const [, figure, unit] = /^(.*) (\S+)$/.exec(mass(system === 'us' ? grams : Math.round(grams)))!
  return (
    <div>
      <p className="eyebrow">{title}</p>
      <p className={`${classes.big} figure`} data-words={measure !== undefined || undefined}>
        {measure ? (
          say(inMeasure(ml, measureOf(measure)).text)
        ) : (
          <>
            {figure}
            <small> {unit}</small>
          </>
        )}
      </p>
      <p>{measure ? mass(Math.round(grams)) : capacity(ml)}</p>
    </div>
  )
}

/** "1¾ cups water; 1 tsp salt: ", or nothing where nothing is measured. */
function amountsOf({ amounts = [], title }: Stage, { said_in }: Plan): string {
  const texts = amounts
    .map((a) => ({
      text: amountText(a, { saidIn: said_in ?? 'grams' }),
      of: (a.name ?? a.what).toLowerCase(),
    }))
    .filter(({ text }) => !title.includes(text))
  return texts.length === 0 ? '' : `${texts.map(({ text, of }) => `${text} ${of}`).join('; ')}; `
}

/** A range and its unit stay on one line: a word joiner round the dash, a no-break space before "min". */
const minutesWord = (stage: Stage): string =>
  windowWord(stage.minutes, stage.ends_on).replace('–', '\u2060–\u2060').replaceAll(' ', '\u00a0')

const endWords = (stage: Stage): string =>
  stage.ends_on === 'clock' ? minutesWord(stage) : `until ${stage.cue}, ${minutesWord(stage)}`
