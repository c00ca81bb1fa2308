import { Link } from 'react-router'
import { unitsOf, amountIn } from '#core/units/system'
import { containerState, packedOf } from '#core/leftovers/container-state'
import { FOLLOW_LOCAL } from '#core/leftovers/guidance'
import { nowMs } from '#server/clock'
import { guidanceIn } from '#server/queries/guidance'
import { currentLeftovers } from '#server/queries/leftovers'
import { decimalMarkFor } from '#server/http/reader'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { clockTime } from '../../ui/time/clock-hour'
import { PrintKey } from '../recipe-card/print-key'
import type { Route } from './+types/labels'
import classes from './labels.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Labels · Omsel' }]

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  const settings = settingsOf(open)
  return {
    leftovers: currentLeftovers(open, nowMs())
      .filter(({ view }) => view.pastMs === 0)
      .map(({ row }) => row),
    guidance: guidanceIn(open),
    clock: { zone: settings.zone, clock: settings.clock },
    measuresBy: unitsOf(settings, decimalMarkFor(request)),
    nowMs: nowMs(),
  }
}

/** A page holds this many, four rows of three. */
const ON_A_PAGE = 12

/**
 * Labels for stored containers: what it is, when it was cooked, until when, and that it is reheated once.
 * Good in black and white.
 */
export default function Labels({ loaderData }: Route.ComponentProps) {
  const { leftovers, guidance, clock, measuresBy, nowMs: now } = loaderData
  return (
    <main className={classes.page}>
      <div className={classes.bar}>
        <Link to="/leftovers">Leftovers</Link>
        <h1 className="figure">Labels</h1>
        {leftovers.length > ON_A_PAGE && <span className="quiet">the {ON_A_PAGE} to eat first</span>}
        <PrintKey />
      </div>
      <ul className={classes.sheet}>
        {leftovers.slice(0, ON_A_PAGE).map((row) => {
          const view = containerState(packedOf(row), row.events, guidance, now)
          return (
            <li key={row.id}>
              <b className="figure">{row.title}</b>
              <span>
                cooked {dateWord(row.cooked_ms, clock.zone)}, {clockTime(row.cooked_ms, clock)}
              </span>
              <span className={`${classes.by} figure`}>
                {view.useByMs === null
                  ? `frozen ${dateWord(row.packed_ms, clock.zone)}`
                  : `eat by ${dateWord(view.useByMs, clock.zone)}, ${clockTime(view.useByMs, clock)}`}
              </span>
              <span>
                {amountIn(measuresBy, view.grams, view.grams / row.density_g_ml)} ·{' '}
                {guidance.reheats.value === 1
                  ? 'reheat once'
                  : `reheat ${guidance.reheats.value} times at the most`}
                , steaming all through
                {view.leftH !== null && ` · thawed: within ${Math.floor(view.leftH)}\u00a0h`}
              </span>
            </li>
          )
        })}
      </ul>
      {leftovers.length === 0 && <p>No leftovers to label.</p>}
      <p className={classes.small}>{FOLLOW_LOCAL}</p>
    </main>
  )
}

const dateWord = (ms: number, zone: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  }).format(ms)
