import { Button, Group, NativeSelect, TextInput } from '@mantine/core'
import { Form, Link } from 'react-router'
import type { SimulateResult } from '#core/contract/simulate'
import { answer } from '#server/api/cached'
import { LIMITS } from '#core/contract/plan-request'
import { HEAT_PRESET_IDS, HEAT_PRESETS } from '#core/heat/sources'
import { timelineOf } from '#core/plan/timeline'
import { convertRecipe, parseThere, whyElsewhere, type There } from '#core/convert/convert-recipe'
import { VESSEL_PRESET_IDS, VESSEL_PRESETS } from '#core/vessel/presets'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { useUnits } from '../../ui/units/units'
import { HeatRibbon } from '../../ui/drawing/heat-ribbon'
import { spanWord } from '../../ui/time/clock-hour'
import { fromSearch, toSearch } from '../../planning/plan-address'
import { firstPlan, requestOf, vesselOfState } from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { amountWord, grainWord, METHOD_WORDS } from '../../planning/plan-words'
import type { Route } from './+types/convert'
import classes from './convert.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Convert for another kitchen · Omsel' }]

/** So many kitchens like theirs are cooked in, to say how sure it is. */
const RUNS = 120
const USUAL: There = { vessel: 'heavy-2.5', heat: 'gas-medium', elevation_m: 0 }
/** Burners for pots; appliances have their own heat. */
const BURNERS = HEAT_PRESET_IDS.filter(
  (id) => HEAT_PRESETS[id].kind === 'gas' || HEAT_PRESETS[id].kind === 'electric',
)

export async function loader({ request }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url)
  const { household } = loadPlanningData(kitchen())
  const first = firstPlan(household)
  const state = fromSearch(searchParams, first, household)
  const height = searchParams.get('their-height')
  const parsed = parseThere({
    vessel: searchParams.get('their-pot'),
    heat: searchParams.get('their-heat'),
    elevation_m: height,
  })
  const there: There = { ...USUAL, ...parsed }
  const { serve_at: _hour, ...home } = requestOf(state, household, nowMs())
  const got = convertRecipe(home, there)
  if (!got.ok) throw new Response(got.errors.map((e) => e.message).join('; '), { status: 422 })
  const { value } = got
  const question = JSON.stringify({ ...value.request, runs: RUNS, seed: 1 })
  const tried = await answer('simulate', question, request.signal)
  const line = timelineOf(value.there.stages)
  return {
    search: toSearch(state, first).toString(),
    what: `${amountWord(state, household)}, ${grainWord(state, household)}, ${vesselOfState(state, household).name}`,
    there,
    refused: height !== null && height.trim() !== '' && parsed.elevation_m === undefined ? height : undefined,
    here: value.here,
    plan: value.there,
    why: whyElsewhere(value),
    method: value.method,
    times: value.there.stages.map((s) => line.get(s.id)!),
    good: tried.status === 200 ? (JSON.parse(tried.json) as SimulateResult).chances?.good : undefined,
  }
}

/** A plan of this kitchen in another kitchen: its pot, its burner and its altitude. */
export default function ConvertPage({ loaderData }: Route.ComponentProps) {
  const { search, what, there, refused, here, plan, why, method, times, good } = loaderData
  const { say, label, mass, waterIn, shown, altitude } = useUnits()
  const grams = (g: number): string => waterIn(Math.abs(Math.round(g)))
  const terms = [
    Math.abs(why.steam) >= 3 &&
      `${why.steam > 0 ? 'more water boils off' : 'less boils off there'}, ${grams(why.steam)}`,
    Math.abs(why.held) >= 3 &&
      `the grain absorbs ${grams(why.held)} ${why.held > 0 ? 'more' : 'less'} with that method`,
    Math.abs(why.clings) >= 3 &&
      `${grams(why.clings)} ${why.clings > 0 ? 'more rinse water on the grain' : 'less rinse water on the grain'} to it`,
  ].filter((t) => t !== false)
  const later = plan.total_minutes.expected - here.total_minutes.expected
  const risks = plan.cautions.filter((c) => c.severity !== 'note')
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Convert for another kitchen</h1>
        <Link to={`/?${search}`}>back to the plan</Link>
      </div>
      <p className="place-lead">{what}: converted for another kitchen.</p>
      <Form method="get" className={`${classes.their} basin`}>
        {[...new URLSearchParams(search)].map(([name, value], i) => (
          <input key={i} type="hidden" name={name} value={value} />
        ))}
        <Group align="flex-start" gap="sm">
          <NativeSelect
            name="their-pot"
            label="Their pot"
            defaultValue={there.vessel}
            data={VESSEL_PRESET_IDS.map((id) => ({ value: id, label: say(VESSEL_PRESETS[id].name) }))}
          />
          <NativeSelect
            name="their-heat"
            label="Their burner"
            defaultValue={there.heat}
            data={BURNERS.map((id) => ({ value: id, label: HEAT_PRESETS[id].name }))}
          />
          <TextInput
            name="their-height"
            label={label('Their altitude, m')}
            inputMode="decimal"
            w={130}
            defaultValue={refused ?? shown('altitude', there.elevation_m)}
            error={
              refused === undefined
                ? undefined
                : `must be from ${altitude(LIMITS.elevation_m[0])} to ${altitude(LIMITS.elevation_m[1])}, got “${refused}”`
            }
          />
          <Button type="submit" mt={25}>
            Convert
          </Button>
        </Group>
      </Form>
      <section aria-label="There" className={classes.figures}>
        <div>
          <span className="eyebrow">Grain</span>
          <b className="figure">{mass(Math.round(plan.grain.mass_g))}</b>
        </div>
        <div>
          <span className="eyebrow">Water there</span>
          <b className={`figure ${classes.water}`}>{waterIn(plan.water.pour_g)}</b>
          <span className="quiet">
            {Math.abs(why.pour) < 3
              ? 'as at home'
              : `${grams(why.pour)} ${why.pour > 0 ? 'more' : 'less'} than at home`}
          </span>
        </div>
        <div>
          <span className="eyebrow">Total time</span>
          <b className="figure">{spanWord(plan.total_minutes.expected)}</b>
          <span className="quiet">
            {Math.abs(later) < 1
              ? 'as at home'
              : `${spanWord(Math.abs(later))} ${later > 0 ? 'longer' : 'shorter'}`}
          </span>
        </div>
        <div>
          <span className="eyebrow">How reliable</span>
          <b className="figure">{good === undefined ? '–' : `${Math.round(good * 100)} in 100`}</b>
          <span className="quiet">similar kitchens get it right; this one is not measured</span>
        </div>
      </section>
      <p>
        {method && `Method there: ${METHOD_WORDS[method.to]}. `}
        {terms.length > 0
          ? `The water differs because ${terms.join(', and ')}.`
          : 'The water is the same.'}{' '}
        Learned grain values are used; your pot and burner values are not.
      </p>
      {risks.length > 0 && (
        <ul className={classes.risks}>
          {risks.map((c) => (
            <li key={c.code}>
              {c.text} {c.remedy}
            </li>
          ))}
        </ul>
      )}
      <section aria-label="Steps there" className="basin">
        <HeatRibbon
          stages={plan.stages}
          times={times}
          clockAt={(minute) => (minute === 0 ? 'start' : `+${spanWord(minute)}`)}
          height={150}
        />
      </section>
      <ol className={classes.steps}>
        {plan.stages.map((s) => (
          <li key={s.id}>
            {s.title} <span className="quiet">{s.cue ? `until ${s.cue}` : spanWord(s.minutes.expected)}</span>
          </li>
        ))}
      </ol>
    </main>
  )
}
