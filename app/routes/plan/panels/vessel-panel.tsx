import { Link } from 'react-router'
import { Radio, Stack } from '@mantine/core'
import { useUnits } from '../../../ui/units/units'
import { vesselOfState } from '../../../planning/plan-state'
import type { PanelProps } from './panel-props'

export function VesselPanel({ state, change, household }: PanelProps) {
  const { say, capacity } = useUnits()
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
              description={`${capacity(v.capacity_ml)}, ${say(`${Math.round(v.rim_diameter_mm / 10)} cm`)} wide`}
            />
          ))}
        </Stack>
      </Radio.Group>
      <Link to="/pots?add=usual">Another pot or appliance</Link>
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
