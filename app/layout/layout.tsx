import { UnstyledButton, useComputedColorScheme, useMantineColorScheme } from '@mantine/core'
import { useMounted } from '@mantine/hooks'
import { IconMoon, IconSearch, IconAdjustmentsHorizontal, IconSun } from '@tabler/icons-react'
import { Suspense, useEffect, useState } from 'react'
import { Link, NavLink, Outlet, useMatches, useNavigate } from 'react-router'
import { unitsOf } from '#core/units/system'
import { nowMs } from '#server/clock'
import { formIdOf, once } from '#server/http/once'
import { decimalMarkFor } from '#server/http/reader'
import { isPublicDemo } from '#server/http/public-demo'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { listRunningCooks } from '#server/queries/running-cooks'
import { UnitsProvider } from '../ui/units/units'
import { useKeys } from '../keyboard/use-keys'
import { orCached, useLastKnown } from '../offline/cached-loader'
import { STARTS_KEY } from '../offline/starts-key'
import { useNow } from '../ui/time/use-now'
import type { Route } from './+types/layout'
import { AnnouncedPage } from './announced-page'
import { lazyPart } from './lazy-part'
import { HomeLink } from './home-link'
import { PlacesNav } from './places-nav'
import { skipRevalidation } from './skip-revalidation'
import { watchForUpdate } from './watch-for-update'
import classes from './layout.module.css'

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  const settings = settingsOf(open)
  return {
    household: settings.name,
    units: unitsOf(settings, decimalMarkFor(request)),
    running: listRunningCooks(open, nowMs()),
    publicDemo: isPublicDemo(),
    nowMs: nowMs(),
  }
}

/** A form that carries a number is done once, however often it is sent. */
export const middleware: Route.MiddlewareFunction[] = [
  async ({ request }, next) => {
    const id = await formIdOf(request)
    return id === undefined ? next() : once(kitchen().db, id, nowMs(), next)
  },
]

export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) => orCached('house', serverLoader)

export const shouldRevalidate = skipRevalidation

const AllKeys = lazyPart(() => import('../keyboard/shortcuts-sheet'))
const OfflineNotice = lazyPart(() => import('../offline/offline-notice'))
const FindBox = lazyPart(() => import('../search/search-box'))

export default function Layout({ loaderData }: Route.ComponentProps) {
  const { running, household } = loaderData
  useLastKnown('house', loaderData)
  const navigate = useNavigate()
  const [keys, setKeys] = useState(false)
  const [finding, setFinding] = useState(0)
  const find = () => setFinding((n) => n + 1)
  useKeys({ find, all: () => setKeys(true), pot: () => void navigate('/') })
  const [takeOver, setTakeOver] = useState<() => void>()
  useEffect(() => watchForUpdate((take) => setTakeOver(() => take)), [])
  const onStove = useMatches().some((match) => match.id.includes('stove/stove'))
  const away = useAway()
  return (
    <div className={classes.house}>
      <a href="#content" className={classes.skip}>
        Skip to the content
      </a>
      <header className={classes.bar}>
        <HomeLink />
        <PlacesNav cooking={running.length > 0} />
        <div className={classes.right}>
          {!onStove &&
            running.map((cook) => <RunningChip key={cook.id} {...cook} nowMs={loaderData.nowMs} />)}
          <span className={classes.household}>{household}</span>
          <UnstyledButton className={classes.iconKey} onClick={find} aria-label="Find">
            <IconSearch size={20} aria-hidden />
          </UnstyledButton>
          <NavLink to="/settings" className={classes.iconKey} aria-label="Settings">
            <IconAdjustmentsHorizontal size={20} aria-hidden />
          </NavLink>
          <SchemeSwitch />
        </div>
      </header>
      {takeOver && (
        <p role="status" className={classes.newer}>
          A new version is ready.{' '}
          <UnstyledButton className="link" onClick={takeOver}>
            Reload
          </UnstyledButton>
        </p>
      )}
      {loaderData.publicDemo && (
        <p className={classes.newer}>Public demo: look around, plan and cook; nothing is stored here.</p>
      )}
      <Suspense>
        {away && <OfflineNotice asOfMs={loaderData.nowMs} onStove={onStove} className={classes.newer!} />}
      </Suspense>
      <AnnouncedPage />
      <UnitsProvider units={loaderData.units}>
        <Outlet />
      </UnitsProvider>
      {/* Fetched when they are first wanted. */}
      <Suspense>
        {keys && <AllKeys opened onClose={() => setKeys(false)} />}
        {finding > 0 && <FindBox asked={finding} />}
      </Suspense>
    </div>
  )
}

/** Whether there is something to say of the connection: it is lost, the page is a copy, or a batch is not sent yet. */
function useAway(): boolean {
  const [away, setAway] = useState(false)
  // Looked at with every page: a batch may have been started since.
  useEffect(() => {
    const look = () =>
      setAway(
        (was) =>
          was ||
          !navigator.onLine ||
          STARTS_KEY in localStorage ||
          document.documentElement.dataset.kept !== undefined,
      )
    look()
    window.addEventListener('offline', look)
    return () => window.removeEventListener('offline', look)
  })
  return away
}

function RunningChip({
  id,
  vesselName,
  tableMs,
  nowMs: serverNowMs,
}: {
  id: string
  vesselName: string
  tableMs: number
  nowMs: number
}) {
  const left = Math.max(0, Math.round((tableMs - useNow(serverNowMs)) / 60_000))
  return (
    <Link to={`/stove/${id}`} className={classes.chip}>
      {vesselName} · {left} min left
    </Link>
  )
}

function SchemeSwitch() {
  const { setColorScheme } = useMantineColorScheme()
  const scheme = useComputedColorScheme('light', { getInitialValueInEffect: true })
  // The server cannot know what this device keeps; the first paint here must be the server's.
  const night = useMounted() && scheme === 'dark'
  return (
    <UnstyledButton
      className={classes.iconKey}
      onClick={() => setColorScheme(night ? 'light' : 'dark')}
      aria-label={night ? 'Daylight' : 'Dark theme'}
    >
      {night ? <IconSun size={20} /> : <IconMoon size={20} />}
    </UnstyledButton>
  )
}
