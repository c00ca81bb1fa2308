import { TextInput } from '@mantine/core'
import { IconSearch } from '@tabler/icons-react'
import { useEffect, useState } from 'react'
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router'
import { matching } from '../../search/match'
import { SETTINGS_PAGES } from '../../search/settings-pages'
import classes from './settings.module.css'

/** Where parts of the one long page of earlier versions are now. */
const FORMER_PARTS: Record<string, string> = {
  '#eaters': '/settings/people',
  '#keeping': '/settings/keeping',
  '#senses': '/settings/alerts',
  '#keys': '/settings/keys',
}

/** Settings: a list of its pages, which can be searched by what is set there, and the page that is open. */
export default function SettingsFrame() {
  const [asked, setAsked] = useState('')
  const pages = asked.trim() === '' ? SETTINGS_PAGES : matching(SETTINGS_PAGES, asked, SETTINGS_PAGES.length)
  const { pathname, hash } = useLocation()
  const navigate = useNavigate()
  useEffect(() => {
    const now = pathname === '/settings' ? FORMER_PARTS[hash] : undefined
    if (now) void navigate(now, { replace: true })
  }, [pathname, hash, navigate])
  return (
    <main className={classes.settings}>
      <nav aria-label="Settings" className={classes.pages}>
        <TextInput
          aria-label="Find a setting"
          placeholder="Find a setting"
          leftSection={<IconSearch size={16} aria-hidden />}
          value={asked}
          onChange={(event) => setAsked(event.currentTarget.value)}
        />
        <ul>
          {pages.map(({ label, to, more }) => (
            <li key={to}>
              <NavLink to={to} end>
                {label}
              </NavLink>
              {asked.trim() !== '' && <span className="quiet small">{more}</span>}
            </li>
          ))}
        </ul>
        <p role="status" className="quiet small">
          {pages.length === 0 && 'No setting is called that.'}
        </p>
      </nav>
      <div>
        <Outlet />
      </div>
    </main>
  )
}
