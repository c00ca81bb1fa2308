import '@fontsource-variable/besley/wght.css'
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@mantine/core/styles.css'
import './app.css'
import { ColorSchemeScript, mantineHtmlProps, MantineProvider } from '@mantine/core'
import { useEffect, useState, type ReactNode } from 'react'
import {
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useLocation,
} from 'react-router'
import type { Route } from './+types/root'
import { useHydrated } from './layout/use-hydrated'
import { useNonce } from './layout/nonce'
import { signInAddress } from './layout/sign-in-link'
import { theme } from './ui/theme/theme'

export const meta: Route.MetaFunction = () => [
  { title: 'Omsel' },
  { name: 'description', content: 'Plain rice and whole grains, measured and timed for your own pots.' },
]

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useNonce()
  return (
    <html lang="en" {...mantineHtmlProps}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="color-scheme" content="light dark" />
        <ColorSchemeScript defaultColorScheme="auto" nonce={nonce} suppressHydrationWarning />
        <link rel="icon" href="/favicon.svg" type="image/svg+xml" />
        <link rel="manifest" href="/manifest.webmanifest" />
        <meta name="theme-color" content="#1e3557" />
        <Meta />
        <Links />
      </head>
      <body>
        <MantineProvider
          theme={theme}
          defaultColorScheme="auto"
          {...(nonce ? { getStyleNonce: () => nonce } : {})}
        >
          {children}
        </MantineProvider>
        <ScrollRestoration />
        <Scripts />
      </body>
    </html>
  )
}

export default function Root() {
  useHydrated()
  return <Outlet />
}

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

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const here = useLocation()
  const known = isRouteErrorResponse(error)
  const shut = known && error.status === 401
  const missing = known && error.status === 404
  const said = known && !shut && typeof error.data === 'string' && error.data ? error.data : undefined
  const why = useServerFault(!known)
  return (
    <main style={{ maxWidth: '34rem', margin: '15vh auto', padding: '0 1.5rem' }}>
      <h1 className="figure">{shut ? 'Signed out' : missing ? 'Page not found' : 'Something went wrong'}</h1>
      <p>
        {said ??
          (shut
            ? 'Please enter the passphrase again. Nothing saved is lost.'
            : missing
              ? 'There is no such page here.'
              : (why ??
                'Load the page again; if it comes back, “bin/omsel check” says whether the data is sound.'))}
      </p>
      <a href={shut ? signInAddress(here) : '/'}>{shut ? 'Sign in again' : 'Back to the plan'}</a>
    </main>
  )
}
