import { Button, Group, TextInput } from '@mantine/core'
import { isClockHour } from '../../../time/clock-hour'
import type { PanelProps } from './panel-props'

export function HourPanel({ state, change }: PanelProps) {
  return (
    <Group align="flex-end" gap="sm">
      <TextInput
        type="time"
        label="On the table at"
        defaultValue={state.at ?? ''}
        key={state.at === null ? 'open' : 'set'}
        data-autofocus
        onChange={(event) => {
          if (isClockHour(event.currentTarget.value)) change({ at: event.currentTarget.value })
        }}
      />
      <Button variant="default" disabled={state.at === null} onClick={() => change({ at: null })}>
        As soon as it can
      </Button>
    </Group>
  )
}
