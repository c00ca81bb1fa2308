import { Button } from '@mantine/core'
import { data, Link } from 'react-router'
import { unitsOf } from '#core/units/system'
import type { Result } from '#core/contract/plan-request'
import { varietyOf } from '#core/grain/varieties'
import { deliveredPower } from '#core/heat/sources'
import { coolingGivenOf, coolingOf } from '#core/leftovers/cooling'
import { FOLLOW_LOCAL, WHY_STRICT } from '#core/leftovers/guidance'
import { containerState, packedOf } from '#core/leftovers/container-state'
import { ledgerOf, type LedgerLine } from '#core/leftovers/ledger'
import { nowMs } from '#server/clock'
import { decimalMarkFor } from '#server/http/reader'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { guidanceIn } from '#server/queries/guidance'
import {
  dropContainer,
  makeBottle,
  saveContainer,
  takeFromBottle,
  recordLeftoverEvent,
} from '#server/commands/leftovers'
import { leftoversByState } from '#server/queries/leftovers'
import { inBaseUnits, inKitchenUnits } from '../../ui/units/unit-form'
import { formOf } from '../../ui/forms/read-form'
import { typedOf, type Refused } from '../../ui/forms/errors'
import { useNow } from '../../ui/time/use-now'
import { ContainerGrains } from '../../ui/drawing/container-section'
import { PageLinks } from '../../ui/page-links'
import { pageOf } from '../../ui/pages'
import type { Route } from './+types/leftovers'
import { Bottles } from './bottles'
import { momentWord, portionsWord } from './container-words'
import { Containers } from './containers'
import { GuidanceLine } from './guidance-line'
import { ContainerCard, type Shown } from './container-card'
import classes from './leftovers.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Leftovers · Omsel' }]

const ON_A_PAGE = 24
/** Lines of what is left, batch by batch, above the containers. */
const MAX_LEDGER = 20

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  const settings = settingsOf(open)
  const [heat] = open.equipment.heats()
  const { current, emptied } = leftoversByState(open, nowMs())
  const at = pageOf(new URL(request.url).searchParams.get('page'), current.length, ON_A_PAGE)
  const ledger = ledgerOf(
    [...current, ...emptied].map(({ row, view }) => ({
      title: row.title,
      batch: row.cook_id,
      forWhom: row.for_whom,
      portionsAtFirst: row.portions,
      state: view,
    })),
  )
  return {
    ...at,
    // What is to be eaten first is on the first page.
    leftovers: current.slice(at.from, at.from + ON_A_PAGE).map(({ row }) => row),
    ledger: ledger.slice(0, MAX_LEDGER),
    ledgerMore: Math.max(0, ledger.length - MAX_LEDGER),
    guidance: guidanceIn(open),
    authority: open.household.guidance().guidance,
    containers: open.leftovers.containers(),
    bottles: open.leftovers.bottles(),
    pan: heat
      ? {
          name: heat.name,
          watts: deliveredPower(
            {
              ratedW: heat.rated_w * heat.power_factor,
              efficiency: heat.efficiency,
              kind: heat.efficiency < 0.5 ? 'gas' : 'electric',
            },
            'medium',
            0,
          ),
        }
      : null,
    kitchenC: settings.kitchen_c,
    clock: { zone: settings.zone, clock: settings.clock },
    measuresBy: unitsOf(settings, decimalMarkFor(request)),
    nowMs: nowMs(),
  }
}

export async function action({ request }: Route.ActionArgs) {
  const open = kitchen()
  const units = settingsOf(open)
  const typed = typedOf(await formOf(request))
  const fields = inBaseUnits(typed, units)
  const acts = new Map<string, () => Result<unknown>>([
    ['tell', () => recordLeftoverEvent(open, typed, nowMs())],
    ['save-container', () => saveContainer(open, fields)],
    ['drop-container', () => dropContainer(open, typed)],
    ['make-bottle', () => makeBottle(open, fields, nowMs())],
    ['take-from-bottle', () => takeFromBottle(open, fields)],
  ])
  const act = acts.get(typed.intent ?? '')
  if (!act)
    return data(
      {
        errors: [
          {
            path: 'intent',
            message: `intent must be one of ${[...acts.keys()].join(', ')}, got "${typed.intent ?? ''}"`,
            code: 'not-an-option',
          },
        ],
        typed,
      } satisfies Refused,
      { status: 400 },
    )
  const done = act()
  if (!done.ok)
    return data({ errors: inKitchenUnits(done.errors, typed, units), typed } satisfies Refused, {
      status: 422,
    })
  return { done: typed.intent!, at: nowMs() }
}

/** Cooling is shown until it has been cold for this long, minutes. */
const COLD_LONG_MIN = 60
/** Nothing in a fridge takes longer than this to cool, ms. */
const COOLED_BY_MS = 48 * 3_600_000

/** Containers in the fridge and freezer, those still cooling, and until when each is good. */
export default function LeftoversPage({ loaderData, actionData }: Route.ComponentProps) {
  const { leftovers, guidance, clock, containers, bottles, kitchenC, pan } = loaderData
  const now = useNow(loaderData.nowMs)
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  const shown = leftovers
    .map((row): Shown => {
      const view = containerState(packedOf(row), row.events, guidance, now)
      const inFridge = row.place === 'fridge' && view.place === 'fridge'
      const mayBeWarm = view.place === 'cooling' || (inFridge && now < row.packed_ms + COOLED_BY_MS)
      const cooling = mayBeWarm ? coolingOf(coolingGivenOf(row, kitchenC), guidance) : undefined
      return {
        row,
        view,
        cooling,
        warm:
          cooling !== undefined &&
          (view.place === 'cooling' || now < row.packed_ms + (cooling.to5Min + COLD_LONG_MIN) * 60_000),
      }
    })
    .filter(({ view }) => view.place !== 'gone')
  const parts = [
    { id: 'cooling', title: 'Cooling', items: shown.filter((s) => s.warm && s.view.pastMs === 0), empty: '' },
    {
      id: 'fridge',
      title: 'In the fridge',
      items: shown.filter((s) => (!s.warm || s.view.pastMs > 0) && s.view.place !== 'freezer'),
      empty: 'Nothing in the fridge.',
    },
    {
      id: 'freezer',
      title: 'In the freezer',
      items: shown.filter((s) => s.view.place === 'freezer'),
      empty: 'Nothing frozen.',
    },
  ]
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Leftovers</h1>
        <div className={classes.acts}>
          <Link to="/leftovers/week">cook for the week</Link>
          {leftovers.length > 0 && <Link to="/leftovers/labels">labels to print</Link>}
          <Button component={Link} to="/leftovers/put-away">
            Store leftovers
          </Button>
        </div>
      </div>
      {refused && refused.typed.intent === 'tell' && (
        <p role="alert" className={classes.refused}>
          {refused.errors[0]!.message}
        </p>
      )}
      <Ledger lines={loaderData.ledger} more={loaderData.ledgerMore} now={now} clock={clock} />
      <ContainerGrains varieties={shown.map(({ row }) => varietyOf(row.variety))} />
      {parts.map(({ id, title, items, empty }) =>
        items.length === 0 && empty === '' ? null : (
          <section key={id} aria-label={title}>
            <h2 className="place-part">{title}</h2>
            {items.length === 0 ? (
              <p className="quiet">{empty}</p>
            ) : (
              <ul className={classes.shelf} data-place={id}>
                {items.map((item) => (
                  <ContainerCard
                    measuresBy={loaderData.measuresBy}
                    key={item.row.id}
                    {...item}
                    guidance={guidance}
                    now={now}
                    clock={clock}
                    pan={pan}
                    kitchenC={kitchenC}
                  />
                ))}
              </ul>
            )}
          </section>
        ),
      )}
      <PageLinks {...loaderData} />
      <GuidanceLine guidance={guidance} authority={loaderData.authority} />
      <p className="quiet small">
        {WHY_STRICT} Stacked containers cool as one: leave space between them until cold. {FOLLOW_LOCAL}
      </p>
      <Bottles bottles={bottles} clock={clock} now={now} refused={refused} />
      <Containers containers={containers} />
    </main>
  )
}

/** What is left of each batch, for whom and until when. */
function Ledger({
  lines,
  more,
  now,
  clock,
}: {
  lines: readonly LedgerLine[]
  more: number
  now: number
  clock: Route.ComponentProps['loaderData']['clock']
}) {
  if (lines.length === 0) return null
  return (
    <ul className={classes.ledger} aria-label="What is left">
      {lines.map((line, i) => (
        <li key={i}>
          <b className="figure">{portionsWord(line.portions)}</b> of{' '}
          {line.title + (line.forWhom === '' ? '' : ` for ${line.forWhom}`)}
          <span className="quiet">
            {[
              line.portionsAtFirst > line.portions + 0.05 &&
                `${portionsWord(line.portionsAtFirst)} stored at first`,
              line.cold &&
                `${line.frozen > 0 ? `${portionsWord(line.cold.portions)} ` : ''}until ${momentWord(line.cold.untilMs, now, clock)}`,
              line.frozen > 0 && `${line.cold ? `${portionsWord(line.frozen)} ` : ''}frozen`,
            ]
              .filter(Boolean)
              .map((part) => `, ${String(part)}`)
              .join('')}
          </span>
        </li>
      ))}
      {more > 0 && <li className="quiet">and {more} more batches</li>}
    </ul>
  )
}
