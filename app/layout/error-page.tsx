import { lazy, Suspense } from 'react'

/** What can be said when nothing more can be fetched. */
const Plain = () => (
  <main className="error">
    <h1 className="figure">Something went wrong</h1>
    <a href="/">Back to the plan</a>
  </main>
)

// Fetched when it is needed: pages that go well do without its words.
const ErrorDetails = lazy(() => import('./error-details').catch(() => ({ default: Plain })))

/** A page that cannot be shown: what happened, and the way on. */
export const ErrorPage = ({ error }: { error: unknown }) => (
  <Suspense fallback={<Plain />}>
    <ErrorDetails error={error} />
  </Suspense>
)
