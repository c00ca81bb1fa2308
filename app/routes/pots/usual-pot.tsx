import { NativeSelect, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Form, useNavigation } from 'react-router'
import { HEAT_PRESETS, type HeatPresetId } from '#core/heat/sources'
import { VESSEL_PRESET_IDS, VESSEL_PRESETS } from '#core/vessel/presets'
import { errorAt, type Refused } from '../../ui/forms/errors'
import { useUnits } from '../../ui/units/units'
import { FormId } from '../../ui/forms/form-id'
import { SendButton } from '../../ui/forms/send-button'

const KIND_GROUPS = [
  { group: 'Pots', kinds: ['pot'] },
  { group: 'Rice cookers', kinds: ['cooker'] },
  { group: 'Pressure cookers', kinds: ['pressure-electric', 'pressure-stovetop'] },
  { group: 'For the oven', kinds: ['oven-dish'] },
] as const

/** A pot or appliance picked by what it is and its size: nothing is measured, the first batches correct it. */
export function UsualPot({ refused }: { refused: Refused | undefined }) {
  const { say } = useUnits()
  const data = KIND_GROUPS.map(({ group, kinds }) => ({
    group,
    items: VESSEL_PRESET_IDS.filter((id) =>
      (kinds as readonly string[]).includes(VESSEL_PRESETS[id].given.kind),
    ).map((id) => ({ value: id, label: say(VESSEL_PRESETS[id].name) })),
  }))
  return <UsualForm what="Pot or appliance" intent="add-usual-pot" data={data} refused={refused} />
}

/** A burner picked by its kind and size. */
export function UsualBurner({
  burners,
  refused,
}: {
  burners: readonly HeatPresetId[]
  refused: Refused | undefined
}) {
  const data = burners.map((id) => ({ value: id, label: HEAT_PRESETS[id].name }))
  return <UsualForm what="Burner" intent="add-usual-burner" data={data} refused={refused} />
}

/** Picks one of the usual things and may give it a name. */
function UsualForm({
  what,
  intent,
  data,
  refused,
}: {
  what: string
  intent: string
  data: React.ComponentProps<typeof NativeSelect>['data'] & {}
  refused: Refused | undefined
}) {
  const busy = useNavigation().state !== 'idle'
  const mine = refused?.typed.intent === intent ? refused : undefined
  const [usual, setUsual] = useState(mine?.typed.usual)
  return (
    <Form method="post" noValidate>
      <FormId />
      <Stack gap="sm">
        <NativeSelect
          label={what}
          name="usual"
          value={usual}
          onChange={(event) => setUsual(event.currentTarget.value)}
          data={data}
          error={errorAt(mine, 'usual')}
          data-autofocus
        />
        <TextInput
          label="Your name for it"
          description="leave empty for the usual name"
          name="name"
          maxLength={60}
          defaultValue={mine?.typed.name ?? ''}
          error={errorAt(mine, 'name')}
        />
        <SendButton type="submit" name="intent" value={intent} busy={busy}>
          Add it
        </SendButton>
      </Stack>
    </Form>
  )
}
