import { Select, Text } from '@mantine/core'
import { VARIETIES, varietyOf, type VarietyId } from '#core/grain/varieties'
import type { PanelProps } from './panel-props'

const FAMILIES = [...new Set(VARIETIES.map((v) => v.family))]
const GROUPS = FAMILIES.map((family) => ({
  group: family,
  items: VARIETIES.filter((v) => v.family === family).map((v) => ({ value: v.id, label: v.name })),
}))

/** Another grain brings its own washes; a soak of the last one would mean nothing to it. */
export function GrainPanel({ state, change }: PanelProps) {
  return (
    <>
      <Select
        label="Grain"
        data={GROUPS}
        value={state.grain}
        searchable
        allowDeselect={false}
        nothingFoundMessage="No grain by that name"
        maxDropdownHeight={300}
        comboboxProps={{ withinPortal: false }}
        data-autofocus
        onChange={(id) => id && change({ grain: id as VarietyId, washes: null, soak: null })}
      />
      <Text size="sm" c="dimmed" mt="xs">
        {varietyOf(state.grain).character}
      </Text>
    </>
  )
}
