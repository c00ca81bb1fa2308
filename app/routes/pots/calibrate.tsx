import { Button, Group, NativeSelect, Stack, TextInput } from '@mantine/core'
import { useEffect, useState } from 'react'
import { Form, useNavigation } from 'react-router'
import type { HeatRow, VesselRow } from '#server/store/equipment'
import { useUnits } from '../../ui/units/units'
import { shownField } from '../../ui/units/unit-form'
import { errorAt, type Refused } from '../../ui/forms/errors'
import { countdown } from '../../ui/time/countdown'
import { SendButton } from '../../ui/forms/send-button'
import classes from './pots.module.css'
import { FormId } from '../../ui/forms/form-id'

interface CalibrateProps {
  vessel: VesselRow
  heats: readonly HeatRow[]
  kitchenC: number
  refused: Refused | undefined
  said: { said: string; intent: string } | undefined
}

/** Three short measurements, each with what to do, and the figure before and after. */
export function Calibrate(props: CalibrateProps) {
  const { vessel } = props
  const units = useUnits()
  return (
    <Stack gap="lg">
      <Measurement
        {...props}
        intent="calibrate-full"
        title="Weigh it full"
        how="Weigh it empty, then full of cold water to the rim."
        heat={false}
        fields={[
          [
            'empty_g',
            'Empty, g',
            vessel.empty_g === null ? '' : shownField('empty_g', vessel.empty_g, units),
          ],
          ['full_g', 'Full, g', ''],
        ]}
      />
      <Measurement
        {...props}
        intent="calibrate-boil"
        title="Time it to the boil"
        how="Heat 1 to 2 L of weighed water, lid on, full heat. Stop the clock when steam pushes out at the lid. Careful: steam."
        heat
        timer
        fields={[
          ['water_g', 'Water, g', shownField('water_g', 1500, units)],
          ['from_c', 'From, °C', shownField('from_c', Math.round(props.kitchenC - 4), units)],
          ['minutes', 'Minutes', ''],
        ]}
      />
      <Measurement
        {...props}
        intent="calibrate-simmer"
        title="Weigh a simmer"
        how="With boiling water on the lowest heat, lid on, weigh the pot; weigh again after 15 min. It is hot: use cloths."
        heat
        timer
        fields={[
          ['before_g', 'Before, g', ''],
          ['after_g', 'After, g', ''],
          ['minutes', 'Minutes', ''],
        ]}
      />
    </Stack>
  )
}

interface MeasurementProps extends CalibrateProps {
  intent: string
  title: string
  how: string
  heat: boolean
  timer?: boolean
  fields: readonly (readonly [string, string, string])[]
}

function Measurement({
  vessel,
  heats,
  refused,
  said,
  intent,
  title,
  how,
  heat,
  timer = false,
  fields,
}: MeasurementProps) {
  const { say, label: local } = useUnits()
  const busy = useNavigation().state !== 'idle'
  const mine = refused?.typed.intent === intent ? refused : undefined
  const [minutes, setMinutes] = useState(mine?.typed.minutes ?? '')
  return (
    <Form method="post" noValidate className={classes.trial}>
      <FormId />
      <h3 className="figure">{title}</h3>
      <p className="quiet">{say(how)}</p>
      <input type="hidden" name="vessel_id" value={vessel.id} />
      {heat && vessel.own_rated_w === null && (
        <NativeSelect
          label="On"
          name="heat_id"
          data={heats.map((h) => ({ value: h.id, label: h.name }))}
          error={errorAt(mine, 'heat_id')}
          defaultValue={mine?.typed.heat_id ?? heats[0]?.id ?? ''}
          mb="xs"
        />
      )}
      <Group grow align="flex-start">
        {fields.map(([name, label, usual]) =>
          name === 'minutes' ? (
            <TextInput
              key={name}
              name={name}
              label={local(label)}
              inputMode="decimal"
              value={minutes}
              onChange={(event) => setMinutes(event.currentTarget.value)}
              error={errorAt(mine, name)}
            />
          ) : (
            <TextInput
              key={name}
              name={name}
              label={local(label)}
              inputMode="decimal"
              defaultValue={mine?.typed[name] ?? usual}
              error={errorAt(mine, name)}
            />
          ),
        )}
      </Group>
      <Group mt="xs" justify="space-between">
        {timer ? <Stopwatch onStop={(ms) => setMinutes((ms / 60_000).toFixed(1))} /> : <span />}
        <SendButton type="submit" size="sm" name="intent" value={intent} busy={busy}>
          Use this value
        </SendButton>
      </Group>
      <p role="status" className={classes.said}>
        {said?.intent === intent ? said.said : ''}
      </p>
    </Form>
  )
}

function Stopwatch({ onStop }: { onStop: (ms: number) => void }) {
  const [since, setSince] = useState<number>()
  const [now, setNow] = useState(0)
  useEffect(() => {
    if (since === undefined) return
    const timer = setInterval(() => setNow(Date.now()), 500)
    return () => clearInterval(timer)
  }, [since])
  if (since === undefined)
    return (
      <Button
        size="sm"
        variant="default"
        onClick={() => {
          setSince(Date.now())
          setNow(Date.now())
        }}
      >
        Start the clock
      </Button>
    )
  return (
    <Button
      size="sm"
      variant="default"
      onClick={() => {
        onStop(Date.now() - since)
        setSince(undefined)
      }}
    >
      {countdown(Math.max(0, now - since))} · stop
    </Button>
  )
}
