import { UnstyledButton } from '@mantine/core'
import type { Remote } from 'comlink'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { useUnits } from '../../ui/units/units'
import type { JudgedWay, Simulator } from '../../workers/simulator'
import { useSimulated } from '../../workers/use-simulated'
import type { PlanState } from '../../planning/plan-state'
import classes from './cautions.module.css'

/** The plan is still for so long before its way is tried in many kitchens, ms. */
const STILL_MS = 900
const KITCHENS = 100
/** From here on it is left alone. */
const GOOD = 0.9

const judgeIn = (remote: Remote<Simulator>, asked: string): Promise<JudgedWay> =>
  remote.judgeWay(JSON.parse(asked) as PlanRequestJson, null, { seed: 1, runs: KITCHENS })

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
  const { serve_at: _hour, ...pot } = request
  const { value: judged } = useSimulated(JSON.stringify(pot), judgeIn, STILL_MS)
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

function endWords({ good, verdict }: JudgedWay): string {
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
