import { Link } from 'react-router'
import { nowMs } from '#server/clock'
import { kitchen, settingsOf } from '#server/kitchen/kitchen'
import { clockTime, dayWord, spanWord } from '../../time/clock-hour'
import type { Route } from './+types/notebook'
import { Season } from './season'
import { outcomeWords, summaryOf } from './summary'
import classes from './notebook.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Notebook · Omsel' }]

export function loader() {
  const open = kitchen()
  return {
    nowMs: nowMs(),
    settings: settingsOf(open),
    cooks: open.cooks.noted().map(summaryOf),
  }
}

/** Every cook there was, newest first, planned beside happened. */
export default function Notebook({ loaderData }: Route.ComponentProps) {
  const { cooks, settings, nowMs: now } = loaderData
  return (
    <main className={classes.notebook}>
      <h1 className="figure">Notebook</h1>
      {cooks.length === 0 ? (
        <p>
          Nothing cooked yet. Plan a pot on the <Link to="/">bench</Link>, cook it at the stove, and say how it was: the next pot of that grain
          will know.
        </p>
      ) : (
        <>
          <Season cooks={cooks} zone={settings.zone} />
          <div className={classes.scroll}>
            <table className={classes.table}>
              <thead>
                <tr>
                  <th scope="col">When</th>
                  <th scope="col">Grain</th>
                  <th scope="col">Pot</th>
                  <th scope="col" className={classes.number}>Dry</th>
                  <th scope="col" className={classes.number}>Water</th>
                  <th scope="col" className={classes.number}>Planned</th>
                  <th scope="col" className={classes.number}>Took</th>
                  <th scope="col">How it was</th>
                </tr>
              </thead>
              <tbody>
                {cooks.map((cook) => (
                  <tr key={cook.id}>
                    <td>
                      <Link to={`/notebook/${cook.id}`}>
                        {dayWord(cook.endedMs, now, settings.zone)}, {clockTime(cook.endedMs, settings)}
                      </Link>
                    </td>
                    <td>{cook.title}</td>
                    <td>{cook.vesselName}</td>
                    <td className={classes.number}>{Math.round(cook.grainG)} g</td>
                    <td className={classes.number}>{Math.round(cook.pourG)} g</td>
                    <td className={classes.number}>{spanWord(cook.planned)}</td>
                    <td className={classes.number}>{spanWord(cook.minutes)}</td>
                    <td>{outcomeWords(cook)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
    </main>
  )
}
