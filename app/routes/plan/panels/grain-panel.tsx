import { Button, NumberInput, Select, SegmentedControl, Stack, Text } from '@mantine/core'
import { inWords, type VarietyId, varietyOf } from '#core/grain/varieties'
import {
  methodOfState,
  MAX_OTHERS,
  usualSoakFor,
  vesselOfState,
  type PlanState,
} from '../../../planning/plan-state'
import { GRAINS_BY_FAMILY } from '../../../ui/forms/grains-by-family'
import type { PanelProps } from './panel-props'

const BAG = 'bag:'

/**
 * A grain by its bag or by its kind, and what shares the pot with it. Another grain brings its own washes and
 * its usual soak.
 */
export function GrainPanel({ state, change, household }: PanelProps) {
  const bags = household.bags.map((bag) => ({
    value: BAG + bag.id,
    label: `${bag.name}, ${inWords(varietyOf(bag.variety))}`,
  }))
  const pick = (value: string | null) => {
    if (!value) return
    const bag = household.bags.find((b) => BAG + b.id === value)
    const grain = bag?.variety ?? (value as VarietyId)
    const method = methodOfState({ ...state, grain }, vesselOfState(state, household))
    change({
      grain,
      bagId: bag?.id ?? null,
      washes: null,
      soak: usualSoakFor(grain, method, household),
      poured: null,
    })
  }
  return (
    <Stack gap="sm">
      <Select
        label="Grain"
        data={bags.length > 0 ? [{ group: 'your bags', items: bags }, ...GRAINS_BY_FAMILY] : GRAINS_BY_FAMILY}
        value={
          state.bagId && household.bags.some((b) => b.id === state.bagId) ? BAG + state.bagId : state.grain
        }
        searchable
        openOnFocus={false}
        allowDeselect={false}
        nothingFoundMessage="No grain found"
        maxDropdownHeight={300}
        comboboxProps={{ withinPortal: false }}
        data-autofocus
        onChange={pick}
      />
      <Text size="sm" c="dimmed">
        {varietyOf(state.grain).character}
      </Text>
      {state.others.map((_, i) => (
        <Other key={i} i={i} state={state} change={change} />
      ))}
      {state.others.length > 0 && (
        <SegmentedControl
          size="xs"
          aria-label="Different cooking times"
          value={state.blendTiming}
          onChange={(timing) => change({ blendTiming: timing as PlanState['blendTiming'] })}
          data={[
            { value: 'together', label: 'all at once' },
            { value: 'add-later', label: 'add the fast ones later' },
            { value: 'soak-slow', label: 'soak the slow ones' },
          ]}
        />
      )}
      {state.others.length < MAX_OTHERS && (
        <Button
          size="xs"
          variant="default"
          onClick={() =>
            change({
              others: [
                ...state.others,
                { variety: state.grain === 'wild' ? 'long-white' : 'wild', share: 0.25 },
              ],
              poured: null,
            })
          }
        >
          Add another grain
        </Button>
      )}
    </Stack>
  )
}

function Other({ i, state, change }: Pick<PanelProps, 'state' | 'change'> & { i: number }) {
  const other = state.others[i]!
  const set = (next: Partial<PlanState['others'][number]>) =>
    change({ others: state.others.map((o, k) => (k === i ? { ...o, ...next } : o)), poured: null })
  return (
    <Stack gap={4}>
      <Select
        aria-label={`Grain ${i + 2}`}
        data={GRAINS_BY_FAMILY}
        value={other.variety}
        searchable
        openOnFocus={false}
        allowDeselect={false}
        comboboxProps={{ withinPortal: false }}
        onChange={(id) => id && set({ variety: id as VarietyId })}
      />
      <NumberInput
        size="xs"
        label={`parts ${inWords(varietyOf(other.variety))} to 1 part ${inWords(varietyOf(state.grain))}, by weight`}
        defaultValue={other.share}
        min={0.05}
        max={20}
        step={0.05}
        decimalScale={2}
        clampBehavior="blur"
        onChange={(n) => typeof n === 'number' && n >= 0.05 && n <= 20 && set({ share: n })}
      />
      <Button
        size="compact-xs"
        variant="subtle"
        onClick={() => change({ others: state.others.filter((_, k) => k !== i), poured: null })}
      >
        remove
      </Button>
    </Stack>
  )
}
