import { lazy, Suspense } from 'react'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { Plan } from '#core/plan/result'
import type { Ending } from '#core/simulate/diagnose'

const WrongWithMine = lazy(() => import('../simulation/diagnosis'))

/** A batch that was not right, with what the stove recorded of it. */
export interface Trouble {
  request: PlanRequestJson
  plan: Plan
  known: { pourG: number; simmerMinutes?: number; restMinutes?: number; ended: Ending }
}

/** After any rating but right: the likeliest causes of this very batch. */
export function WhatWentWrong({ trouble }: { trouble: Trouble | undefined }) {
  if (!trouble) return null
  return (
    <Suspense>
      <WrongWithMine key={trouble.known.ended} {...trouble} />
    </Suspense>
  )
}
