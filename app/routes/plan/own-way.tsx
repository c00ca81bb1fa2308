import { UnstyledButton } from '@mantine/core'
import { useEffect, useState } from 'react'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { Judged } from '#core/simulate/judge'
import { useUnits } from '../../ui/units/units'
import type { PlanState } from '../../planning/plan-state'
import classes from './cautions.module.css'

/** The plan is still for so long before its way is tried in many kitchens, ms. */
const STILL_MS = 900
const KITCHENS = 100
/** From here on it is left alone. */
const GOOD = 0.9

/** Judges a way of the cook's own in a worker, once nothing changes any more. */
function useJudged(request: PlanRequestJson): Judged | undefined {
  const { serve_at: _hour, ...pot } = request
  const asked = JSON.stringify(pot)
  const [found, setFound] = useState<{ of: string; judged: Judged }>()
  useEffect(() => {
    let end = () => {}
    let current = true
    const timer = setTimeout(() => {
      void (async () => {
        const { startSimulator } = await import('../../workers/start-simulator')
        if (!current) return
        const running = startSimulator()
        end = running.end
        const judged = await running.remote.judge(JSON.parse(asked) as PlanRequestJson, {
          seed: 1,
          runs: KITCHENS,
        })
        if (current) setFound({ of: asked, judged })
        running.end()
      })()
    }, STILL_MS)
    return () => {
      current = false
      clearTimeout(timer)
      end()
    }
  }, [asked])
  return found?.of === asked ? found.judged : undefined
}

/** How the cook's own minutes and water end, said once; with the smallest change that would help. */
export default function OwnWay({
  request,
  state,
  change,
}: {
  request: PlanRequestJson
  state: Pick<PlanState, 'minutes' | 'poured'>
  change: (next: Partial<PlanState>) => void
}) {
  const { say } = useUnits()
  const judged = useJudged(request)
  const small = judged && judged.good < GOOD ? judged.smallest_change : undefined
  return (
    <p className={classes.own} role="status">
      <span>
        {say(ownWords(state))}: {judged ? endWords(judged) : 'trying it out …'}
      </span>
      {small && (
        <UnstyledButton
          className={classes.mend}
          onClick={() =>
            change({
              ...(small.minutes === undefined ? {} : { minutes: Math.round(small.minutes) }),
              ...(small.pour_g === undefined ? {} : { poured: small.pour_g }),
              ...(small.rest_minutes === undefined ? {} : { rest: small.rest_minutes }),
            })
          }
        >
          {say(small.says)}: good in {Math.round(100 * small.good)} of 100
        </UnstyledButton>
      )}
      <UnstyledButton className={classes.mend} onClick={() => change({ minutes: null, poured: null })}>
        As planned
      </UnstyledButton>
    </p>
  )
}

const ownWords = ({ minutes, poured }: Pick<PlanState, 'minutes' | 'poured'>): string =>
  [
    ...(minutes === null ? [] : [`your ${minutes} min`]),
    ...(poured === null ? [] : [`your ${Math.round(poured)} g of water`]),
  ]
    .join(' and ')
    .replace(/^your/, 'Your')

function endWords({ good, ends: { verdict } }: Judged): string {
  const how =
    verdict.cookedThrough !== 'yes'
      ? 'hard in the middle'
      : verdict.soggy
        ? 'wet'
        : verdict.scorched
          ? 'scorched'
          : verdict.uneven
            ? 'uneven'
            : verdict.texture
  return `ends ${how}, good in ${Math.round(100 * good)} of 100 kitchens`
}
