import { Checkbox, Group, Radio, Stack } from '@mantine/core'
import { useMemo } from 'react'
import { planFrom } from '#core/contract/plan'
import { PURPOSE_SERVING } from '#core/contract/plan-request'
import { SET_ASIDE_PURPOSES } from '#core/finish/set-aside'
import { PURPOSES, type Purpose } from '#core/plan/request'
import type { PanelProps } from './panel-props'
import { requestOf } from '../../../planning/plan-state'
import { PURPOSE_WORDS } from '../../../planning/plan-words'
import { Dressing } from './dressing'

/**
 * What it is for sets how firm it should be, how it is cooked and finished, and how much an eater gets; each
 * can still be changed.
 */
export function PurposePanel(props: PanelProps) {
  const { state, change } = props
  return (
    <Stack gap="md">
      <Radio.Group
        value={state.purpose}
        onChange={(next) =>
          change({
            purpose: next as Purpose,
            texture: null,
            method: null,
            finish: null,
            friedAtEnd: false,
            fryTomorrow: 0,
            serving: PURPOSE_SERVING[next as Purpose] ?? 'side',
            poured: null,
          })
        }
        label="What it is for"
      >
        <Stack gap={6} mt={6}>
          {PURPOSES.map((purpose) => (
            <Radio key={purpose} value={purpose} label={PURPOSE_WORDS[purpose]} />
          ))}
        </Stack>
      </Radio.Group>
      {state.purpose === 'frying' && (
        <Checkbox
          label="fry it right after, as the last step"
          description="steamed off on a tray, then in a wide pan"
          checked={state.friedAtEnd}
          onChange={(event) =>
            change({
              friedAtEnd: event.currentTarget.checked,
              ...(state.fryTomorrow === 1 ? { fryTomorrow: 0 } : {}),
            })
          }
        />
      )}
      {SET_ASIDE_PURPOSES.includes(state.purpose) && (
        <Radio.Group
          label="Part of it to fry tomorrow"
          description="dried on a tray and chilled overnight"
          value={String(state.fryTomorrow)}
          onChange={(share) =>
            change({
              fryTomorrow: Number(share),
              poured: null,
              ...(share === '1' ? { friedAtEnd: false } : {}),
            })
          }
        >
          <Group gap="md" mt={6}>
            {[
              { value: '0', label: 'none' },
              { value: '0.25', label: 'a quarter' },
              { value: '0.5', label: 'half' },
              ...(state.purpose === 'frying' ? [{ value: '1', label: 'all of it' }] : []),
            ].map((choice) => (
              <Radio key={choice.value} {...choice} />
            ))}
          </Group>
        </Radio.Group>
      )}
      {state.purpose === 'dressed' && <DressingOfPlan {...props} />}
    </Stack>
  )
}

/** The dressing, with the amounts of this batch. */
function DressingOfPlan(props: PanelProps) {
  const { state, household } = props
  const plan = useMemo(() => planFrom(requestOf({ ...state, at: null }, household, 0)), [state, household])
  return plan.ok ? <Dressing {...props} plan={plan.value} /> : null
}
