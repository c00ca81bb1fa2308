import { useEffect, useState } from 'react'
import { isRouteErrorResponse, useLocation, useNavigate } from 'react-router'
import { localStart } from '../offline/local-starts'
import { HomeLink } from './home-link'
import { PlacesNav } from './places-nav'
import { signInAddress } from './sign-in-link'
import classes from './layout.module.css'

/** What is wrong with the household, when the server knows: a damaged file, a full disk.  @returns its words */
function useServerFault(asks: boolean): string | undefined {
  const [why, setWhy] = useState<string>()
  useEffect(() => {
    if (asks)
      fetch('/readyz').then(
        async (answer) => answer.status === 503 && setWhy(await answer.text()),
        // No answer is no more than the page says already.
        () => {},
      )
  }, [asks])
  return why
}

/** A stove that the household does not know may be of a batch that only this device knows. */
function useLocalStove(missing: boolean): void {
  const { pathname } = useLocation()
  const navigate = useNavigate()
  useEffect(() => {
    const id = /^\/stove\/([\w-]+)$/.exec(pathname)?.[1]
    if (missing && id !== undefined && localStart(id)) void navigate(pathname, { replace: true })
  }, [missing, pathname, navigate])
}

const TITLES: Record<number, string> = {
  401: 'Signed out',
  404: 'Page not found',
  405: 'Not possible here',
  501: 'Not in the demo',
}
const WORDS: Record<number, string> = {
  401: 'Please enter the passphrase again. Nothing saved is lost.',
  404: 'There is no such page here.',
  405: 'Nothing can be sent to this page.',
}

/** What the router itself answers is an error made into text, worded for programmers; no loader here says it so. */
const isOfRouter = (said: string) => said.startsWith('Error: ')

/** Browsers word a line that was cut each in its own way, and all of them as this kind of error. */
const isCut = (error: unknown) => error instanceof TypeError && /fetch|network|load/i.test(error.message)

/** A page that cannot be shown: what happened, and the way on. */
export default function ErrorDetails({ error }: { error: unknown }) {
  const here = useLocation()
  const known = isRouteErrorResponse(error)
  const cut = isCut(error)
  const status = known ? error.status : 500
  const why = useServerFault(!known && !cut)
  useLocalStove(status === 404)
  const said =
    known && status !== 401 && typeof error.data === 'string' && error.data && !isOfRouter(error.data)
      ? error.data
      : undefined
  return (
    <>
      <header className={classes.bar}>
        <HomeLink reloads />
        <PlacesNav reloads />
      </header>
      <main className="error">
        <h1 className="figure">{cut ? 'No connection' : (TITLES[status] ?? 'Something went wrong')}</h1>
        <p>
          {cut
            ? 'Omsel cannot be reached, and this page is not on the device. Timers at the stove keep running.'
            : (said ??
              WORDS[status] ??
              why ??
              'Load the page again; if it comes back, “bin/omsel check” says whether the data is sound.')}
        </p>
        <a href={status === 401 ? signInAddress(here) : '/'}>
          {status === 401 ? 'Sign in again' : 'Back to the plan'}
        </a>
      </main>
    </>
  )
}
