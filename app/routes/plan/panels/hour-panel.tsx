import { Button, Checkbox, Group, Radio, Stack, TextInput } from '@mantine/core'
import { isClockHour } from '../../../ui/time/clock-hour'
import { vesselOfState } from '../../../planning/plan-state'
import type { PanelProps } from './panel-props'

/** A late start is better; where it must be ready, so long before, minutes. */
const HOLDS = [0, 15, 30, 60, 120]

export function HourPanel({ state, change, household }: PanelProps) {
  const vessel = vesselOfState(state, household)
  return (
    <Stack gap="sm">
      <Group align="flex-end" gap="sm">
        <TextInput
          type="time"
          label="Serve at"
          defaultValue={state.at ?? ''}
          key={state.at === null ? 'open' : 'set'}
          data-autofocus
          onChange={(event) => {
            if (isClockHour(event.currentTarget.value)) change({ at: event.currentTarget.value })
          }}
        />
        <Button variant="default" disabled={state.at === null} onClick={() => change({ at: null })}>
          As soon as possible
        </Button>
      </Group>
      {vessel.own_rated_w !== null && vessel.kind !== 'oven-dish' && (
        <Checkbox
          label={`Fill ${vessel.name} now; it starts by itself later`}
          description="the cooker’s timer starts it; the grain soaks until then"
          disabled={state.at === null}
          checked={state.byItself && state.at !== null}
          onChange={(event) => change({ byItself: event.currentTarget.checked })}
        />
      )}
      <Radio.Group
        label="Ready early and kept warm"
        value={String(state.hold)}
        onChange={(hold) => change({ hold: Number(hold) })}
      >
        <Group gap="md" mt={6}>
          {HOLDS.map((minutes) => (
            <Radio key={minutes} value={String(minutes)} label={minutes === 0 ? 'no' : `${minutes} min`} />
          ))}
        </Group>
      </Radio.Group>
      {state.hold > 0 && (
        <Checkbox
          label="in a warm drawer"
          description="heated first, at the setting its manual gives for hot food"
          checked={state.holdIn === 'warm-drawer'}
          onChange={(event) => change({ holdIn: event.currentTarget.checked ? 'warm-drawer' : 'pot' })}
        />
      )}
    </Stack>
  )
}
