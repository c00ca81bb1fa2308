import { Button } from '@mantine/core'
import { Link } from 'react-router'
import { identify, substitutesFor, coatOf } from '#core/grain/identify'
import { VARIETIES, VARIETY_IDS, varietyOf, type VarietyId } from '#core/grain/varieties'
import { COOL_C } from '#core/leftovers/cooling'
import { FOLLOW_LOCAL, SHALLOW_MM } from '#core/leftovers/guidance'
import { planFrom } from '#core/contract/plan'
import { dryVolumeOf } from '#core/learn/dry-volume'
import { isCue, type CueId } from '#core/methods/signs'
import { SIGN_WORDS } from '#core/methods/sign-words'
import type { Plan } from '#core/plan/result'
import { capital } from '#core/units/capital'
import { pressureFill } from '#core/vessel/fill-limits'
import { amountIn, cupMeasure, waterIn } from '#core/units/system'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { guidanceIn } from '#server/queries/guidance'
import { CuePair } from '../../ui/drawing/sign-pair'
import { Kernel } from '../../ui/drawing/grain-pattern'
import { dayWord, spanWord } from '../../ui/time/clock-hour'
import { useUnits } from '../../ui/units/units'
import { waysOf } from '../../planning/candidates'
import { toSearch } from '../../planning/plan-address'
import { firstPlan } from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { METHOD_WORDS } from '../../planning/plan-words'
import { outcomeWords, summaryOf } from '../notebook/summary'
import { PrintKey } from '../recipe-card/print-key'
import type { Route } from './+types/grain'
import classes from './grain.module.css'

export const meta: Route.MetaFunction = ({ params }) => {
  const id = idOf(params.grain)
  return [{ title: `${id ? varietyOf(id).name : 'Grain'} · Omsel` }]
}

const idOf = (text: string | undefined): VarietyId | undefined => VARIETY_IDS.find((id) => id === text)

const PEOPLE = 4
const LAST = 5
const MAX_SIGNS = 3
/** Grains that are told apart by more than this are not taken for each other. */
const ALIKE = 0.8
/** Grains that differ by less than this are not told apart by taste. */
const STANDS_IN = 1
const NAMED = 3
/** Of a grain that froths, the share of a pressure cooker. */
const PRESSURE_FILL = pressureFill('pressure-electric', true)!

/** Stages whose end is seen, heard or felt while it cooks. */
const COOKED_SIGNS = new Set<Plan['stages'][number]['kind']>([
  'soak',
  'boil',
  'simmer',
  'steam',
  'heat-up',
  'toast',
  'bake',
])

export function loader({ params }: Route.LoaderArgs) {
  const id = idOf(params.grain)
  if (id === undefined) throw new Response('There is no such grain.', { status: 404 })
  const open = kitchen()
  const { household, settings } = loadPlanningData(open)
  const variety = varietyOf(id)
  const bags = household.bags.filter((bag) => bag.variety === id)
  const now = nowMs()
  const ways = waysOf(household, { grain: id, bagId: bags[0]?.id ?? null }, PEOPLE, now).flatMap(
    ({ of, request }) => {
      const read = planFrom(request)
      if (!read.ok) return []
      const { water, grain, stages, total_minutes, cautions, keeps } = read.value
      return {
        method: of.method,
        vessel: of.vesselName,
        address: `/?${toSearch(of.state, firstPlan(household)).toString()}`,
        ratio: water.ratio_by_volume,
        pourG: water.pour_g,
        firmG: water.firm_pour_g,
        softG: water.soft_pour_g,
        grainG: grain.mass_g,
        grainMl: grain.volume_ml,
        minutes: total_minutes.expected,
        soak: request.soak
          ? { minutes: of.state.soak?.minutes ?? 0, celsius: of.state.soak?.celsius ?? 0 }
          : null,
        restMinutes: stages.find(({ kind }) => kind === 'rest')?.minutes.expected ?? null,
        signs: stages.flatMap(({ kind, cue_id }) =>
          COOKED_SIGNS.has(kind) && cue_id !== undefined && isCue(cue_id) ? [cue_id] : [],
        ),
        cautions: cautions
          .filter(({ about }) => about === 'texture' || about === 'fit')
          .map(({ text }) => text),
        warmMinutes: keeps.warm_minutes,
      }
    },
  )
  const shape = variety.kernel
  return {
    id,
    ways,
    bags: bags.map(({ name, left_g }) => ({ name, leftG: left_g })),
    alike: identify({
      lengths: [shape.lengthMm],
      widths: [shape.widthMm],
      coat: coatOf(variety),
      broken: 0,
      chalky: 0,
      other: 0,
    })
      .likely.filter((one) => one.id !== id && one.distance < ALIKE)
      .map((one) => one.id),
    standIns: substitutesFor(variety, VARIETIES)
      .filter(({ distance }) => distance < STANDS_IN)
      .slice(0, NAMED)
      .map((one) => one.id),
    batches: open.notebook.count({ grain: id }),
    last: open.notebook.lines({ grain: id }, LAST, 0).map((line) => ({
      id: line.cook_id,
      when: dayWord(line.ended_ms, now, settings.zone),
      vessel: line.vessel_name,
      grainG: line.grain_g,
      grainMl: dryVolumeOf(line.grain_key, line.grain_g),
      pourG: line.pour_g,
      was: outcomeWords(summaryOf(line)),
    })),
    guidance: guidanceIn(open),
  }
}

/** Everything about one grain, in this kitchen: to come back to, or to print. */
export default function GrainPage({ loaderData }: Route.ComponentProps) {
  const { id, ways, bags, batches, last } = loaderData
  const variety = varietyOf(id)
  const [best] = ways
  return (
    <main className={`place ${classes.grain}`}>
      <p className={classes.back}>
        <Link to="/grains">Grains</Link>
      </p>
      <header className={classes.head}>
        <Kernel variety={variety} height={54} />
        <Kernel variety={variety} height={54} swell={1.35} />
        <div>
          <h1 className="figure">{variety.name}</h1>
          <p>{capital(variety.character)}.</p>
        </div>
        <p className={classes.keys}>
          <Button component={Link} to={`/?grain=${id}`}>
            Plan it
          </Button>
          <PrintKey />
        </p>
      </header>
      <div className={classes.columns}>
        <Looks {...loaderData} />
        <Water {...loaderData} />
        <Usual ways={ways} />
        {best && best.signs.length > 0 && <Signs signs={best.signs} id={id} />}
        <Fails ways={ways} />
        <Keeping {...loaderData} />
        <section aria-labelledby="here">
          <h2 id="here">In this kitchen</h2>
          {bags.length > 0 && <Bags bags={bags} />}
          {last.length === 0 ? (
            <p className="quiet">Not cooked here yet.</p>
          ) : (
            <>
              <ul className={classes.last}>
                {last.map((one) => (
                  <Batch key={one.id} {...one} />
                ))}
              </ul>
              <p>
                <Link to={`/notebook?grain=${id}`}>
                  {batches === 1 ? 'one batch' : `all ${batches} batches`}
                </Link>
                , <Link to="/notebook/learned">what was learned</Link>
              </p>
            </>
          )}
        </section>
      </div>
      <p className="quiet small">
        Water, minutes and margins are planned for {PEOPLE} in your own pots. {FOLLOW_LOCAL}
      </p>
    </main>
  )
}

type Loaded = Route.ComponentProps['loaderData']

const Names = ({ ids }: { ids: readonly VarietyId[] }) =>
  ids.map((one, i) => (
    <span key={one}>
      {i > 0 && ', '}
      <Link to={`/grains/${one}`}>{varietyOf(one).name}</Link>
    </span>
  ))

function Looks({ id, alike, standIns }: Loaded) {
  const { system, say, number } = useUnits()
  const { kernel, gluten, frothing, washes, washHow } = varietyOf(id)
  const size =
    system === 'us'
      ? `${(kernel.lengthMm / 25.4).toFixed(2)} × ${(kernel.widthMm / 25.4).toFixed(2)} in`
      : `${number(kernel.lengthMm, 1)} × ${number(kernel.widthMm, 1)} mm`
  return (
    <section aria-labelledby="looks">
      <h2 id="looks">What it is</h2>
      <dl className={classes.facts}>
        <dt>A kernel</dt>
        <dd>{say(size)}</dd>
        {alike.length > 0 && (
          <>
            <dt>Looks like</dt>
            <dd>
              <Names ids={alike} />
            </dd>
          </>
        )}
        {standIns.length > 0 && (
          <>
            <dt>Instead of it</dt>
            <dd>
              <Names ids={standIns} />
            </dd>
          </>
        )}
        <dt>Rinsing</dt>
        <dd>
          {washes === 0 ? capital(washHow) : `${washes === 1 ? 'once' : `${washes} times`}, ${washHow}`}
        </dd>
        <dt>Gluten</dt>
        <dd>{gluten ? 'yes' : 'none of its own'}</dd>
        {frothing && (
          <>
            <dt>Froth</dt>
            <dd>a pressure cooker is filled to {Math.round(100 * PRESSURE_FILL)} % at most</dd>
          </>
        )}
      </dl>
    </section>
  )
}

function Water({ id }: Loaded) {
  const { number, mass, capacity, kitchen: units } = useUnits()
  const { uptake, bulkDensity, cookedDensity } = varietyOf(id)
  const cup = cupMeasure(units.cup)
  const cupG = cup.ml * bulkDensity
  const cookedMl = (cupG * (1 + uptake.standard)) / cookedDensity
  return (
    <section aria-labelledby="water">
      <h2 id="water">Water and amounts</h2>
      <dl className={classes.facts}>
        <dt>It takes up</dt>
        <dd>
          {number(uptake.firm, 2)} times its weight for firm, {number(uptake.standard, 2)} for standard,{' '}
          {number(uptake.soft, 2)} for soft
        </dd>
        <dt>A cup, dry</dt>
        <dd>
          {mass(Math.round(cupG))} in {capacity(cup.ml)}; it gives {number(cookedMl / cup.ml, 1)} cups cooked
        </dd>
      </dl>
    </section>
  )
}

/** Its usual way in each pot, with this kitchen's own water and minutes. */
function Usual({ ways }: Pick<Loaded, 'ways'>) {
  const { kitchen: units, number, temperature } = useUnits()
  if (ways.length === 0)
    return (
      <section aria-labelledby="ways">
        <h2 id="ways">Usual ways</h2>
        <p>
          Add your pots under <Link to="/pots">Pots</Link>: this page then shows the water for each.
        </p>
      </section>
    )
  return (
    <section aria-labelledby="ways" className={classes.wide}>
      <h2 id="ways">Usual ways, for {PEOPLE}</h2>
      <div className={classes.scrolls}>
        <table>
          <thead>
            <tr>
              <th scope="col">pot</th>
              <th scope="col">method</th>
              <th scope="col">dry</th>
              <th scope="col">water</th>
              <th scope="col">by cups</th>
              <th scope="col">total</th>
            </tr>
          </thead>
          <tbody>
            {ways.map((way) => (
              <tr key={`${way.vessel} ${way.method}`}>
                <th scope="row">
                  <Link to={way.address}>{way.vessel}</Link>
                </th>
                <td>
                  {[
                    METHOD_WORDS[way.method],
                    way.soak &&
                      `soak ${spanWord(way.soak.minutes)}${way.soak.celsius > 40 ? `, at ${temperature(way.soak.celsius)}` : ''}`,
                    way.restMinutes !== null && `rest ${spanWord(way.restMinutes)}`,
                  ]
                    .filter(Boolean)
                    .join('; ')}
                </td>
                <td>{amountIn(units, Math.round(way.grainG), way.grainMl)}</td>
                <td className="figure">{waterIn(units, Math.round(way.pourG))}</td>
                <td>{number(way.ratio, 2)} to 1</td>
                <td>{spanWord(way.minutes)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}

function Signs({ signs, id }: { signs: readonly CueId[]; id: VarietyId }) {
  const { say } = useUnits()
  return (
    <section aria-labelledby="signs" className={classes.wide}>
      <h2 id="signs">What to look for</h2>
      <div className={classes.signs}>
        {[...new Set(signs)].slice(-MAX_SIGNS).map((cue) => (
          <CuePair
            key={cue}
            cue={cue}
            variety={varietyOf(id)}
            yet={say(SIGN_WORDS[cue].yet)}
            now={say(SIGN_WORDS[cue].now)}
          />
        ))}
      </div>
    </section>
  )
}

/** How much the water may be off, and what the plan warns of. */
function Fails({ ways }: Pick<Loaded, 'ways'>) {
  const { kitchen: units, say } = useUnits()
  const [way] = ways
  if (!way) return null
  const [less, more] = [way.pourG - way.firmG, way.softG - way.pourG]
  return (
    <section aria-labelledby="fails">
      <h2 id="fails">How it fails</h2>
      {less > 0 && more > 0 && (
        <p>
          In {way.vessel}, {waterIn(units, Math.round(less))} less is firm, and less than that dry;{' '}
          {waterIn(units, Math.round(more))} more is soft, and more than that mush.
        </p>
      )}
      {way.cautions.length > 0 && (
        <ul className={classes.cautions}>
          {way.cautions.map((text) => (
            <li key={text}>{say(text)}</li>
          ))}
        </ul>
      )}
    </section>
  )
}

function Keeping({ ways, guidance }: Loaded) {
  const { temperature, length } = useUnits()
  const [way] = ways
  return (
    <section aria-labelledby="keeps">
      <h2 id="keeps">Keeping it</h2>
      <dl className={classes.facts}>
        {way && way.warmMinutes > 0 && (
          <>
            <dt>Good, in its pot</dt>
            <dd>for {spanWord(way.warmMinutes)} after the rest</dd>
          </>
        )}
        <dt>Kept hot</dt>
        <dd>at {temperature(guidance.hold_hot_c.value)} or more</dd>
        <dt>Cooling</dt>
        <dd>
          no deeper than {length(SHALLOW_MM)}, to {temperature(COOL_C)} within{' '}
          {spanWord(guidance.cool_min.value)}
        </dd>
        <dt>In the fridge</dt>
        <dd>
          eaten within {guidance.eat_h.value} hours; reheated to {temperature(guidance.reheat_c.value)},{' '}
          {guidance.reheats.value === 1 ? 'once' : `${guidance.reheats.value} times at most`}
        </dd>
      </dl>
    </section>
  )
}

function Bags({ bags }: Pick<Loaded, 'bags'>) {
  const { mass } = useUnits()
  return (
    <p>
      {bags.map(({ name, leftG }, i) => (
        <span key={name}>
          {i > 0 && ', '}
          {name}
          {leftG === null ? '' : `: ${mass(leftG)} left`}
        </span>
      ))}
    </p>
  )
}

function Batch({ id, when, vessel, grainG, grainMl, pourG, was }: Loaded['last'][number]) {
  const { kitchen: units } = useUnits()
  return (
    <li>
      <Link to={`/notebook/${id}`}>{when}</Link>, {vessel}: {amountIn(units, Math.round(grainG), grainMl)}{' '}
      with {waterIn(units, Math.round(pourG))} of water, {was}
    </li>
  )
}
