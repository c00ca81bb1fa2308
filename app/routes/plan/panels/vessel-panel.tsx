import { Radio, Stack } from '@mantine/core'
import type { PanelProps } from './panel-props'
import { vesselOfState } from '../../../planning/plan-state'

export function VesselPanel({ state, change, household }: PanelProps) {
  const vessel = vesselOfState(state, household)
  return (
    <Stack gap="md">
      <Radio.Group
        value={state.vesselId}
        onChange={(vesselId) => change({ vesselId, poured: null })}
        label="In"
      >
        <Stack gap={6} mt={6}>
          {household.vessels.map((v) => (
            <Radio
              key={v.id}
              value={v.id}
              label={v.name}
              description={`${(v.capacity_ml / 1000).toFixed(1)} L, ${Math.round(v.rim_diameter_mm / 10)} cm wide`}
            />
          ))}
        </Stack>
      </Radio.Group>
      {vessel.own_rated_w === null && (
        <Radio.Group value={state.heatId} onChange={(heatId) => change({ heatId })} label="On">
          <Stack gap={6} mt={6}>
            {household.heats.map((h) => (
              <Radio
                key={h.id}
                value={h.id}
                label={h.name}
                description={`${h.rated_w} W, of which about ${Math.round(h.rated_w * h.efficiency)} reach the pot`}
              />
            ))}
          </Stack>
        </Radio.Group>
      )}
    </Stack>
  )
}
