import { ActionIcon, useComputedColorScheme, useMantineColorScheme } from '@mantine/core'
import { useMounted } from '@mantine/hooks'
import { IconMoon, IconSettings, IconSun } from '@tabler/icons-react'
import { useEffect, useState } from 'react'
import { Link, NavLink, Outlet, useMatches } from 'react-router'
import { nowMs } from '#server/clock'
import { kitchen, settingsOf } from '#server/kitchen/kitchen'
import { runningIn } from '#server/kitchen/running'
import type { Route } from './+types/house'
import { stayPut } from '../../shell/stay-put'
import classes from './house.module.css'

export function loader() {
  const open = kitchen()
  return { household: settingsOf(open).name, running: runningIn(open, nowMs()), nowMs: nowMs() }
}

export const shouldRevalidate = stayPut

const PLACES = [
  ['/', 'Bench'],
  ['/stove', 'Stove'],
  ['/shelf', 'Shelf'],
  ['/pots', 'Pots'],
  ['/notebook', 'Notebook'],
] as const

export default function House({ loaderData }: Route.ComponentProps) {
  const { running, household } = loaderData
  const onStove = useMatches().some((match) => match.id.includes('stove/stove'))
  return (
    <div className={classes.house}>
      <header className={classes.bar}>
        <Link to="/" className={classes.name} aria-label="Omsel, to the bench">
          <Mark />
          <span>Omsel</span>
        </Link>
        <nav aria-label="Places" className={classes.places}>
          {PLACES.map(([to, word]) => (
            <NavLink key={to} to={to} end={to === '/'} className={classes.place} data-on={(to === '/stove' && running.length > 0) || undefined}>
              {word}
            </NavLink>
          ))}
        </nav>
        <div className={classes.right}>
          {!onStove &&
            running.map((cook) => <RunningChip key={cook.id} {...cook} />)}
          <span className={classes.household}>{household}</span>
          <NavLink to="/settings" className={classes.gear} aria-label="Settings">
            <IconSettings size={20} aria-hidden />
          </NavLink>
          <SchemeSwitch />
        </div>
      </header>
      <Outlet />
    </div>
  )
}

function RunningChip({ id, vesselName, tableMs }: { id: string; vesselName: string; tableMs: number }) {
  const [left, setLeft] = useState<number>()
  useEffect(() => {
    const tell = () => setLeft(Math.max(0, Math.round((tableMs - Date.now()) / 60_000)))
    tell()
    const timer = setInterval(tell, 15_000)
    return () => clearInterval(timer)
  }, [tableMs])
  return (
    <Link to={`/stove/${id}`} className={classes.chip}>
      {vesselName}
      {left !== undefined && ` · ${left} left`}
    </Link>
  )
}

function SchemeSwitch() {
  const { setColorScheme } = useMantineColorScheme()
  const scheme = useComputedColorScheme('light', { getInitialValueInEffect: true })
  // The server cannot know what this device keeps; the first paint here must be the server's.
  const night = useMounted() && scheme === 'dark'
  return (
    <ActionIcon
      variant="subtle"
      size={36}
      onClick={() => setColorScheme(night ? 'light' : 'dark')}
      aria-label={night ? 'Daylight' : 'Night kitchen'}
    >
      {night ? <IconSun size={20} /> : <IconMoon size={20} />}
    </ActionIcon>
  )
}

/** A bowl with one kernel in it. */
const Mark = () => (
  <svg width="28" height="24" viewBox="0 0 28 24" aria-hidden>
    <path d="M3 8h22v4a9 9 0 0 1-9 9h-4a9 9 0 0 1-9-9z" className={classes.bowl} />
    <path d="M1.5 8h25" className={classes.bowlRim} />
    <ellipse cx="14" cy="14" rx="5" ry="2" transform="rotate(-28 14 14)" className={classes.seed} />
  </svg>
)
