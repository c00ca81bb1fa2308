import { Button, Group, NativeSelect, Stack, TextInput } from '@mantine/core'
import { Form, useNavigation } from 'react-router'
import { HOUSEHOLD_LIMITS } from '#core/contract/equipment'
import type { ProgrammeRow, VesselRow } from '#server/store/equipment'
import { errorAt, otherErrors, type Refused } from '../../ui/forms/errors'
import { FormId } from '../../ui/forms/form-id'
import { SendButton } from '../../ui/forms/send-button'

const FIELDS = ['vessel_id', 'name', 'pressure', 'minutes', 'after_it', 'known'] as const
export const PRESSURE_WORDS = { none: 'no pressure', low: 'low pressure', high: 'high pressure' } as const
export const AFTER_WORDS = {
  natural: 'natural release',
  timed: 'timed natural, then quick release',
  quick: 'quick release',
  'holds-warm': 'keeps warm',
} as const
export const KNOWN_WORDS = { known: 'from the maker', guessed: 'guessed', timed: 'timed' } as const

const options = (words: Record<string, string>) =>
  Object.entries(words).map(([value, label]) => ({ value, label }))

/** An appliance's programme, as far as it is known. */
export function ProgrammeForm({
  programme,
  appliances,
  refused,
}: {
  programme: ProgrammeRow | undefined
  appliances: readonly VesselRow[]
  refused: Refused | undefined
}) {
  const busy = useNavigation().state !== 'idle'
  const mine = refused && (refused.typed.id ?? '') === (programme?.id ?? '') ? refused : undefined
  const field = (name: (typeof FIELDS)[number]) => ({
    name,
    defaultValue: mine?.typed[name] ?? String(programme?.[name] ?? ''),
    error: errorAt(mine, name),
  })
  return (
    <Form method="post" noValidate>
      <FormId />
      <Stack gap="sm">
        <input type="hidden" name="id" value={programme?.id ?? ''} />
        <NativeSelect
          label="For"
          data={appliances.map((v) => ({ value: v.id, label: v.name }))}
          {...field('vessel_id')}
        />
        <TextInput label="Name" {...field('name')} data-autofocus />
        <Group grow align="flex-start">
          <NativeSelect label="Pressure" data={options(PRESSURE_WORDS)} {...field('pressure')} />
          <TextInput
            label="Minutes at pressure"
            description={`${HOUSEHOLD_LIMITS.programme_minutes.join(' to ')}; empty: not known`}
            inputMode="decimal"
            {...field('minutes')}
          />
        </Group>
        <Group grow align="flex-start">
          <NativeSelect label="Then" data={options(AFTER_WORDS)} {...field('after_it')} />
          <NativeSelect label="Source" data={options(KNOWN_WORDS)} {...field('known')} />
        </Group>
        {otherErrors(mine, FIELDS) && <p role="alert">{otherErrors(mine, FIELDS)}</p>}
        <Group justify="space-between">
          {programme ? (
            <Button type="submit" variant="default" name="intent" value="drop-programme" disabled={busy}>
              Delete
            </Button>
          ) : (
            <span />
          )}
          <SendButton type="submit" name="intent" value="save-programme" busy={busy}>
            Save
          </SendButton>
        </Group>
      </Stack>
    </Form>
  )
}
