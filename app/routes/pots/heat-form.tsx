import { Button, Group, NativeSelect, Stack, Textarea, TextInput } from '@mantine/core'
import { Form, useNavigation } from 'react-router'
import { HOUSEHOLD_LIMITS } from '#core/contract/equipment'
import type { HeatRow } from '#server/store/equipment'
import { errorAt, otherErrors, type Refused } from '../../ui/forms/errors'
import { FormId } from '../../ui/forms/form-id'
import { SendButton } from '../../ui/forms/send-button'

const FIELDS = ['name', 'kind', 'rated_w', 'knob'] as const

/** A stored burner as the form's fields show it. */
const filledIn = (heat: HeatRow): Record<(typeof FIELDS)[number], string> => ({
  name: heat.name,
  kind: heat.efficiency < 0.5 ? 'gas' : heat.efficiency > 0.8 ? 'induction' : 'ceramic',
  rated_w: String(heat.rated_w),
  knob: heat.knob.map((k) => `${k.name} = ${Math.round(k.share * 100)} %`).join('\n'),
})

export function HeatForm({ heat, refused }: { heat: HeatRow | undefined; refused: Refused | undefined }) {
  const busy = useNavigation().state !== 'idle'
  const mine = refused && (refused.typed.id ?? '') === (heat?.id ?? '') ? refused : undefined
  const field = (name: (typeof FIELDS)[number]) => ({
    name,
    defaultValue: mine?.typed[name] ?? (heat ? filledIn(heat)[name] : name === 'kind' ? 'gas' : ''),
    error: errorAt(mine, name),
  })
  return (
    <Form method="post" noValidate>
      <FormId />
      <Stack gap="sm">
        <input type="hidden" name="id" value={heat?.id ?? ''} />
        <TextInput label="Name" {...field('name')} data-autofocus />
        <NativeSelect
          label="Type"
          {...field('kind')}
          data={[
            { value: 'gas', label: 'gas' },
            { value: 'coil', label: 'an electric coil' },
            { value: 'ceramic', label: 'a ceramic hob' },
            { value: 'induction', label: 'induction' },
          ]}
        />
        <TextInput
          label="Full power, W"
          description={`${HOUSEHOLD_LIMITS.rated_w.join(' to ')} W`}
          inputMode="decimal"
          {...field('rated_w')}
        />
        <Textarea
          label="Settings on the knob"
          description='one a line: "3 = 40 %"'
          autosize
          minRows={3}
          {...field('knob')}
        />
        {otherErrors(mine, FIELDS) && <p role="alert">{otherErrors(mine, FIELDS)}</p>}
        <Group justify="space-between">
          {heat ? (
            <Button type="submit" variant="default" name="intent" value="drop-heat" disabled={busy}>
              Delete
            </Button>
          ) : (
            <span />
          )}
          <SendButton type="submit" name="intent" value="save-heat" busy={busy}>
            Save
          </SendButton>
        </Group>
      </Stack>
    </Form>
  )
}
