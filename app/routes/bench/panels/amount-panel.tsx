import { NumberInput, SegmentedControl, Stack } from '@mantine/core'
import { LIMITS } from '#core/contract/plan-request'
import type { PanelProps } from './panel-props'

/** Grams for each eater when a number of eaters turns into grams: only a place to start from. */
export function AmountPanel({ state, change }: PanelProps) {
  const { basis, value } = state.amount
  const [min, max] = LIMITS.amount[basis]
  return (
    <Stack gap="sm">
      <SegmentedControl
        aria-label="Told as"
        value={basis}
        onChange={(next) =>
          change({ amount: next === 'servings' ? { basis: 'servings', value: 4 } : { basis: 'dry-mass', value: 250 } })
        }
        data={[
          { value: 'servings', label: 'Eaters' },
          { value: 'dry-mass', label: 'Dry grams' },
        ]}
      />
      <NumberInput
        key={basis}
        label={basis === 'servings' ? 'How many eat' : 'Dry grain, g'}
        description={`${min} to ${max}`}
        defaultValue={value}
        min={min}
        max={max}
        step={basis === 'servings' ? 1 : 10}
        decimalScale={basis === 'servings' ? 2 : 1}
        allowedDecimalSeparators={[',', '.']}
        clampBehavior="blur"
        allowNegative={false}
        data-autofocus
        onChange={(next) => {
          const n = Number(next)
          if (next !== '' && n >= min && n <= max) change({ amount: { basis, value: n } })
        }}
      />
      {basis === 'servings' && (
        <SegmentedControl
          aria-label="Appetite"
          value={state.serving}
          onChange={(next) => change({ serving: next as 'side' | 'main' })}
          data={[
            { value: 'side', label: 'Beside something' },
            { value: 'main', label: 'As the meal' },
          ]}
        />
      )}
    </Stack>
  )
}
