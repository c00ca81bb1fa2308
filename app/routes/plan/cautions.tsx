import { UnstyledButton } from '@mantine/core'
import { IconAlertTriangle, IconHandStop, IconInfoCircle } from '@tabler/icons-react'
import { useState } from 'react'
import type { Caution } from '#core/plan/result'
import { useUnits } from '../../ui/units/units'
import type { PlanState, PlanningData } from '../../planning/plan-state'
import { fixOf } from '../../planning/apply-fix'
import classes from './cautions.module.css'

interface CautionsProps {
  cautions: readonly Caution[]
  state: PlanState
  change: (next: Partial<PlanState>) => void
  household: PlanningData
  now: number
}

const SHOWN = 2
const ICON = { stop: IconHandStop, warn: IconAlertTriangle, note: IconInfoCircle } as const
const SAID = { stop: 'Stop', warn: 'Take care', note: 'Note' } as const

/** The gravest two, each with the one thing that mends it; the rest a press away. */
export function Cautions({ cautions, state, change, household, now }: CautionsProps) {
  const { say } = useUnits()
  const [all, setAll] = useState(false)
  const shown = all ? cautions : cautions.slice(0, SHOWN)
  const more = cautions.length - SHOWN
  return (
    <ul className={classes.list}>
      {shown.map((caution) => {
        const Icon = ICON[caution.severity]
        const fix =
          caution.severity === 'note' && caution.about !== 'texture'
            ? undefined
            : fixOf(caution, state, household, now)
        return (
          <li key={caution.code} className={classes.caution} data-severity={caution.severity}>
            <Icon size={18} aria-label={SAID[caution.severity]} role="img" />
            <span className={all ? undefined : classes.brief} title={say(caution.text)}>
              {say(caution.text)}
              {!fix && caution.remedy && ` ${say(caution.remedy)}`}
            </span>
            {fix && (
              <UnstyledButton className={classes.mend} onClick={() => change(fix.state)}>
                {fix.text}
              </UnstyledButton>
            )}
          </li>
        )
      })}
      {more > 0 && (
        <li>
          <UnstyledButton className={classes.more} onClick={() => setAll(!all)} aria-expanded={all}>
            {all ? 'fewer' : `${more} more`}
          </UnstyledButton>
        </li>
      )}
    </ul>
  )
}
