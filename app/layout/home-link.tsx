import { Link } from 'react-router'
import classes from './layout.module.css'

/** A bowl with one kernel in it. */
const Mark = () => (
  <svg width="28" height="24" viewBox="0 0 28 24" aria-hidden>
    <path d="M3 8h22v4a9 9 0 0 1-9 9h-4a9 9 0 0 1-9-9z" className={classes.bowl} />
    <path d="M1.5 8h25" className={classes.bowlRim} />
    <ellipse cx="14" cy="14" rx="5" ry="2" transform="rotate(-28 14 14)" className={classes.seed} />
  </svg>
)

/**
 * The name, which leads to the plan.
 * @param reloads loads the page whole
 */
export const HomeLink = ({ reloads = false }: { reloads?: boolean }) => (
  <Link to="/" reloadDocument={reloads} className={classes.name} aria-label="Omsel, to Plan">
    <Mark />
    <span>Omsel</span>
  </Link>
)
