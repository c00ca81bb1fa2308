import '@fontsource-variable/besley/wght.css'
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import './ui/theme/components.css'
import './app.css'
import { ColorSchemeScript, mantineHtmlProps, MantineProvider } from '@mantine/core'
import type { ReactNode } from 'react'
import { Links, Meta, Outlet, Scripts, ScrollRestoration } from 'react-router'
import type { Route } from './+types/root'
import { holdEarlyPresses } from './layout/early-press'
import { ErrorPage } from './layout/error-page'
import { useHydrated } from './layout/use-hydrated'
import { useNonce } from './layout/nonce'
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
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: `(${holdEarlyPresses.toString()})()` }}
        />
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

/** Where the frame itself cannot be shown. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <ErrorPage error={error} />
}
