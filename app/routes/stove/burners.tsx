import { Link, redirect } from 'react-router'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { coolingContainers } from '#server/queries/cooling-containers'
import { listRunningCooks } from '#server/queries/running-cooks'
import { clockTime } from '../../ui/time/clock-hour'
import type { Route } from './+types/burners'
import { CoolingStrip } from './cooling-strip'
import classes from './burners.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Stove · Omsel' }]

export function loader() {
  const open = kitchen()
  const running = listRunningCooks(open, nowMs())
  if (running.length === 1) throw redirect(`/stove/${running[0]!.id}`)
  return { running, settings: settingsOf(open), cooling: coolingContainers(open, nowMs()), nowMs: nowMs() }
}

/** Every pot that is on, or a cold stove. */
export default function Burners({ loaderData }: Route.ComponentProps) {
  const { running, settings, cooling } = loaderData
  return (
    <main className={classes.burners}>
      <h1 className="figure">{running.length === 0 ? 'Nothing cooking' : 'On the stove'}</h1>
      <CoolingStrip tubs={cooling} now={loaderData.nowMs} />
      {running.length === 0 ? (
        <p>
          A pot planned on the <Link to="/">Plan</Link> appears here when you start it.
        </p>
      ) : (
        <ul className={classes.cooking}>
          {running.map((cook) => (
            <li key={cook.id} className="basin">
              <Link to={`/stove/${cook.id}`}>
                <b className="figure">{cook.title}</b>
                <span>
                  {cook.vesselName}, {cook.stage ?? 'ready'}
                </span>
                <span className="quiet">serve {clockTime(cook.tableMs, settings)}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </main>
  )
}
