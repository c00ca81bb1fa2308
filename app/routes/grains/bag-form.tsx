import { Button, Checkbox, Group, Select, Stack, Textarea, TextInput } from '@mantine/core'
import { Form, useNavigation } from 'react-router'
import { HOUSEHOLD_LIMITS } from '#core/contract/equipment'
import { shownField } from '../../ui/units/unit-form'
import { useUnits } from '../../ui/units/units'
import { errorAt, otherErrors, type Refused } from '../../ui/forms/errors'
import type { GrainBag } from './bag-row'
import { GRAINS_BY_FAMILY } from '../../ui/forms/grains-by-family'
import { FormId } from '../../ui/forms/form-id'
import { SendButton } from '../../ui/forms/send-button'

const FIELDS = [
  'variety',
  'name',
  'label',
  'label_ratio',
  'bought_on',
  'opened_on',
  'new_crop',
  'enriched',
  'left_g',
] as const

export function BagForm({ bag, refused }: { bag: GrainBag | undefined; refused: Refused | undefined }) {
  const units = useUnits()
  const busy = useNavigation().state !== 'idle'
  const mine = refused && (refused.typed.id ?? '') === (bag?.id ?? '') ? refused : undefined
  const field = (name: (typeof FIELDS)[number]) => ({
    name,
    defaultValue: mine?.typed[name] ?? shownField(name, bag?.[name], units),
    error: errorAt(mine, name),
  })
  return (
    <Form method="post" noValidate>
      <FormId />
      <Stack gap="sm">
        <input type="hidden" name="id" value={bag?.id ?? ''} />
        <TextInput label="Name" {...field('name')} data-autofocus />
        <Select
          label="Grain"
          data={GRAINS_BY_FAMILY}
          searchable
          allowDeselect={false}
          {...field('variety')}
          defaultValue={mine?.typed.variety ?? bag?.variety ?? null}
          comboboxProps={{ withinPortal: true }}
        />
        <TextInput
          label={units.label('How much is left, g')}
          description="cooking subtracts from it; leave empty not to track"
          inputMode="decimal"
          {...field('left_g')}
        />
        <Textarea
          label="What the label says"
          description={`as printed, up to ${HOUSEHOLD_LIMITS.label} characters`}
          autosize
          minRows={2}
          {...field('label')}
        />
        <TextInput
          label="Its ratio, parts water to 1 part grain, by volume"
          inputMode="decimal"
          {...field('label_ratio')}
        />
        <Group grow align="flex-start">
          <TextInput type="date" label="Bought" {...field('bought_on')} />
          <TextInput type="date" label="Opened on" {...field('opened_on')} />
        </Group>
        <Checkbox
          label="New crop, harvested this season"
          name="new_crop"
          value="1"
          defaultChecked={bag?.new_crop === 1}
        />
        <Checkbox
          label="Enriched with vitamins"
          name="enriched"
          value="1"
          defaultChecked={bag?.enriched === 1}
        />
        {otherErrors(mine, FIELDS) && <p role="alert">{otherErrors(mine, FIELDS)}</p>}
        <Group justify="space-between">
          {bag ? (
            <Button type="submit" variant="default" name="intent" value="drop-bag" disabled={busy}>
              Empty: remove
            </Button>
          ) : (
            <span />
          )}
          <SendButton type="submit" name="intent" value="save-bag" busy={busy}>
            {bag ? 'Save' : 'Add'}
          </SendButton>
        </Group>
      </Stack>
    </Form>
  )
}
