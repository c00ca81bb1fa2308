import { Button, Group, NativeSelect, Stack, Textarea, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Form, useNavigation } from 'react-router'
import type { KitchenUnits } from '#core/units/system'
import { fieldUnit, shownInField } from '#core/units/field-units'
import { HOUSEHOLD_LIMITS } from '#core/contract/equipment'
import { MATERIAL_IDS, MATERIALS } from '#core/vessel/materials'
import type { VesselRow } from '#server/store/equipment'
import { shownField } from '../../ui/units/unit-form'
import { useUnits } from '../../ui/units/units'
import { errorAt, otherErrors, type Refused } from '../../ui/forms/errors'
import { FormId } from '../../ui/forms/form-id'
import { SendButton } from '../../ui/forms/send-button'

const FIELDS = [
  'name',
  'kind',
  'capacity_ml',
  'rim_diameter_mm',
  'base_diameter_mm',
  'height_mm',
  'lid',
  'lining',
  'material',
  'empty_g',
  'own_rated_w',
  'sticks_g',
  'marks',
  'printed',
] as const
const KINDS = [
  { value: 'pot', label: 'a pot for a burner' },
  { value: 'cooker', label: 'a rice cooker' },
  { value: 'pressure-electric', label: 'an electric pressure cooker' },
  { value: 'pressure-stovetop', label: 'a stovetop pressure cooker' },
  { value: 'oven-dish', label: 'an oven dish' },
]
const range = ([min, max]: readonly [number, number], unit: string) => `${min} to ${max} ${unit}`

/** A stored pot as the form's fields show it; a new one has the usual choices. */
function filledIn(
  vessel: VesselRow | undefined,
  units: KitchenUnits,
): Partial<Record<(typeof FIELDS)[number], string>> {
  if (!vessel) return { lid: 'tight', lining: 'bare', material: 'steel' }
  const at = (mm: number) =>
    `${shownInField('length', mm, units.system)} ${fieldUnit('length', units.system)}`
  const holds = (ml: number) =>
    `${shownInField('volume', ml, units.system)} ${fieldUnit('volume', units.system)}`
  return {
    ...Object.fromEntries(FIELDS.map((name) => [name, shownField(name, vessel[name], units)])),
    printed: (vessel.printed ?? []).map((line) => `${line.name} = ${at(line.level_mm)}`).join('\n'),
    marks: (vessel.marks ?? []).map((m) => `${at(m.level_mm)} = ${holds(m.volume_ml)}`).join('\n'),
  }
}

/** A pot described by its owner: no physical constants are asked for. */
export function VesselForm({
  vessel,
  refused,
}: {
  vessel: VesselRow | undefined
  refused: Refused | undefined
}) {
  const units = useUnits()
  const busy = useNavigation().state !== 'idle'
  const mine = refused && (refused.typed.id ?? '') === (vessel?.id ?? '') ? refused : undefined
  const [kind, setKind] = useState<string>(mine?.typed.kind ?? vessel?.kind ?? 'pot')
  const field = (name: (typeof FIELDS)[number]) => ({
    name,
    defaultValue: mine?.typed[name] ?? filledIn(vessel, units)[name] ?? '',
    error: errorAt(mine, name),
  })
  return (
    <Form method="post" noValidate>
      <FormId />
      <Stack gap="sm">
        <input type="hidden" name="id" value={vessel?.id ?? ''} />
        <TextInput label="Name" {...field('name')} data-autofocus />
        <NativeSelect
          label="Type"
          data={KINDS}
          name="kind"
          value={kind}
          onChange={(event) => setKind(event.currentTarget.value)}
          error={errorAt(mine, 'kind')}
        />
        <VesselSize field={field} />
        <Group grow align="flex-start">
          <NativeSelect label="Lid" data={['tight', 'loose', 'foil']} {...field('lid')} />
          <NativeSelect
            label="Inside"
            data={[
              { value: 'bare', label: 'bare metal' },
              { value: 'enamel', label: 'enamel' },
              { value: 'glazed', label: 'glazed' },
              { value: 'coated', label: 'coated' },
            ]}
            {...field('lining')}
          />
        </Group>
        <Group grow align="flex-start">
          <NativeSelect
            label="Made of"
            data={MATERIAL_IDS.map((id) => ({ value: id, label: MATERIALS[id].word }))}
            {...field('material')}
          />
          <TextInput
            label={units.label('Weighs empty with its lid, g')}
            description="leave empty: estimated"
            inputMode="decimal"
            {...field('empty_g')}
          />
        </Group>
        {(kind === 'cooker' || kind === 'pressure-electric') && (
          <TextInput
            label="Power on the label, W"
            description="empty: the usual for its kind"
            inputMode="decimal"
            {...field('own_rated_w')}
          />
        )}
        <TextInput
          label={units.label('Grain that sticks to it, g')}
          description="added to every batch; leave empty for none"
          inputMode="decimal"
          {...field('sticks_g')}
        />
        <Textarea
          label="Your volume marks"
          description={units.say('one a line, from the bottom: "20 mm = 500 mL"; empty for none')}
          autosize
          minRows={2}
          {...field('marks')}
        />
        <Textarea
          label="Lines printed inside"
          description={units.say('one a line, from the bottom: "3 = 41 mm"; empty for none')}
          autosize
          minRows={2}
          {...field('printed')}
        />
        {otherErrors(mine, FIELDS) && <p role="alert">{otherErrors(mine, FIELDS)}</p>}
        <Group justify="space-between">
          {vessel ? (
            <Button type="submit" variant="default" name="intent" value="drop-vessel" disabled={busy}>
              Delete
            </Button>
          ) : (
            <span />
          )}
          <SendButton type="submit" name="intent" value="save-vessel" busy={busy}>
            {vessel ? 'Save' : 'Add'}
          </SendButton>
        </Group>
      </Stack>
    </Form>
  )
}

function VesselSize({
  field,
}: {
  field: (name: (typeof FIELDS)[number]) => { name: string; defaultValue: string; error: string | undefined }
}) {
  const { label, say, unit } = useUnits()
  return (
    <>
      <Group grow align="flex-start">
        <TextInput
          label={`Capacity to the rim, ${unit('capacity')}`}
          description={say(range(HOUSEHOLD_LIMITS.capacity_ml, 'mL'))}
          inputMode="decimal"
          {...field('capacity_ml')}
        />
        <TextInput
          label={label('Inner diameter at the top, mm')}
          description={say(range(HOUSEHOLD_LIMITS.diameter_mm, 'mm'))}
          inputMode="decimal"
          {...field('rim_diameter_mm')}
        />
      </Group>
      <Group grow align="flex-start">
        <TextInput
          label={label('Across the bottom, mm')}
          description="leave empty if the same"
          inputMode="decimal"
          {...field('base_diameter_mm')}
        />
        <TextInput
          label={label('Height inside, mm')}
          description="leave empty: calculated"
          inputMode="decimal"
          {...field('height_mm')}
        />
      </Group>
    </>
  )
}
