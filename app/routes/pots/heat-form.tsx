import { Button, Group, NativeSelect, Stack, Textarea, TextInput } from '@mantine/core'
import { Form, useNavigation } from 'react-router'
import { HOUSEHOLD_LIMITS } from '#core/contract/equipment'
import type { HeatRow } from '#server/store/equipment'
import { errorAt, otherErrors, type Refused } from '../../ui/forms/errors'

const FIELDS = ['name', 'kind', 'rated_w', 'knob'] as const

export function HeatForm({ heat, refused }: { heat: HeatRow | undefined; refused: Refused | undefined }) {
  const busy = useNavigation().state !== 'idle'
  const mine = refused && (refused.typed.id ?? '') === (heat?.id ?? '') ? refused : undefined
  const kind = !heat ? 'gas' : heat.efficiency < 0.5 ? 'gas' : heat.efficiency > 0.8 ? 'induction' : 'ceramic'
  return (
    <Form method="post" noValidate>
      <Stack gap="sm">
        <input type="hidden" name="id" value={heat?.id ?? ''} />
        <TextInput
          label="Name"
          name="name"
          defaultValue={mine?.typed.name ?? heat?.name ?? ''}
          error={errorAt(mine, 'name')}
          data-autofocus
        />
        <NativeSelect
          label="Type"
          name="kind"
          defaultValue={mine?.typed.kind ?? kind}
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
          name="rated_w"
          defaultValue={mine?.typed.rated_w ?? (heat ? String(heat.rated_w) : '')}
          error={errorAt(mine, 'rated_w')}
        />
        <Textarea
          label="Settings on the knob"
          description='one a line: "3 = 40 %"'
          autosize
          minRows={3}
          name="knob"
          defaultValue={
            mine?.typed.knob ??
            (heat?.knob ?? []).map((k) => `${k.name} = ${Math.round(k.share * 100)} %`).join('\n')
          }
          error={errorAt(mine, 'knob')}
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
          <Button type="submit" name="intent" value="save-heat" loading={busy}>
            Save
          </Button>
        </Group>
      </Stack>
    </Form>
  )
}
