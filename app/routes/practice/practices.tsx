import { Link } from 'react-router'
import { SITUATIONS } from '#core/practice/situations'
import { kitchen } from '#server/kitchen'
import { useUnits } from '../../ui/units/units'
import type { Route } from './+types/practices'
import classes from './practice.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Practice · Omsel' }]

export const loader = () => ({ understood: kitchen().practice.completed() })

/** Pots to cook without food, and what those that were understood have left behind. */
export default function Practices({ loaderData: { understood } }: Route.ComponentProps) {
  const { say } = useUnits()
  const known = understood.flatMap((id) => SITUATIONS.filter((s) => s.id === id))
  const open = SITUATIONS.filter((s) => !understood.includes(s.id))
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Practice</h1>
        <Link to="/simulation">Simulation</Link>
      </div>
      <p className="place-lead">
        An imaginary pot in fast time: you control heat, lid and water. The recipe may not fit this kitchen.
        Afterwards you see the effect of each choice.
      </p>
      {known.length > 0 && (
        <section aria-labelledby="known">
          <h2 id="known">Solved</h2>
          <ul className={classes.known}>
            {known.map(({ id, title, learned }) => (
              <li key={id}>
                <p className="figure">{learned}</p>
                <p>
                  {title} · <Link to={`/practice/${id}`}>cook it again</Link>
                </p>
              </li>
            ))}
          </ul>
        </section>
      )}
      {open.length > 0 && (
        <section aria-labelledby="open">
          <h2 id="open">{known.length > 0 ? 'Not solved yet' : 'Start here'}</h2>
          <ul className={classes.open}>
            {open.map(({ id, title, description }) => (
              <li key={id} className="basin">
                <Link to={`/practice/${id}`} className="figure">
                  {title}
                </Link>
                <p>{say(description)}</p>
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  )
}
