import { Radio, Stack } from '@mantine/core'
import { PURPOSE_SERVING } from '#core/contract/plan-request'
import { PURPOSES, type Purpose } from '#core/plan/request'
import type { PanelProps } from './panel-props'
import { PURPOSE_WORDS } from '../../../planning/plan-words'
import { Dressing } from './dressing'

/**
 * What it is for sets how firm it should be, how it is cooked and finished, and how much an eater gets; each
 * can still be changed.
 */
export function PurposePanel({ state, change }: PanelProps) {
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
      {state.purpose === 'dressed' && <Dressing state={state} change={change} />}
    </Stack>
  )
}
