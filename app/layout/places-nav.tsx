import { UnstyledButton } from '@mantine/core'
import { useEffect, useRef } from 'react'
import { NavLink, useLocation } from 'react-router'
import { PLACES } from './places'
import classes from './layout.module.css'

/**
 * The places: a strip above, or on a phone a bar at the lower edge with “More”.
 * @param cooking whether a pot is on, which the stove shows
 * @param reloads each link loads its page whole: what went wrong may be the program itself
 */
export function PlacesNav({ cooking = false, reloads = false }: { cooking?: boolean; reloads?: boolean }) {
  const more = useRef<HTMLDivElement>(null)
  const { pathname } = useLocation()
  useEffect(() => more.current?.hidePopover?.(), [pathname])
  return (
    <nav aria-label="Places" className={classes.places}>
      {PLACES.map(([to, word, inMore]) => (
        <NavLink
          key={to}
          to={to}
          end={to === '/'}
          reloadDocument={reloads}
          className={classes.place}
          data-on={(to === '/stove' && cooking) || undefined}
          data-more={inMore}
        >
          {word}
        </NavLink>
      ))}
      <UnstyledButton className={`${classes.place} ${classes.moreKey}`} popoverTarget="more-places">
        More
      </UnstyledButton>
      <div popover="auto" id="more-places" ref={more} className={classes.morePlaces}>
        {PLACES.filter(([, , inMore]) => inMore).map(([to, word]) => (
          <NavLink key={to} to={to} reloadDocument={reloads}>
            {word}
          </NavLink>
        ))}
        <NavLink to="/settings" reloadDocument={reloads}>
          Settings
        </NavLink>
      </div>
    </nav>
  )
}
