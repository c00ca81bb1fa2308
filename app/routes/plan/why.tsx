import { lazy, Suspense, type ReactNode } from 'react'
import type { Breakdown } from '#core/explain/pour'
import { Aside } from '../../layout/aside'

const WhySum = lazy(() => import('./why-sum'))

interface WhyProps {
  /** What is explained, as a question a cook would ask. */
  question: string
  /** Computed when it is asked for, by what is fetched then. */
  sum: () => Promise<Breakdown>
  /** The figure itself, where that is what one presses; left out: the word “why?” beside it. */
  children?: ReactNode
}

/**
 * A figure's sum, opened beside it: its terms, where each comes from, and how sure it is; the surer, the
 * firmer its line.
 */
export function Why({ question, sum, children }: WhyProps) {
  return (
    <Aside word={children ?? 'why?'} label={question} className="link" width={380}>
      {() => (
        <Suspense fallback={<h3>{question}</h3>}>
          <WhySum question={question} sum={sum} />
        </Suspense>
      )}
    </Aside>
  )
}
