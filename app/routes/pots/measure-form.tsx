import { Button, Group, SegmentedControl, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Form, useNavigation } from 'react-router'
import type { MeasureRow } from '#server/store/equipment'
import { useUnits } from '../../ui/units/units'
import { errorAt, otherErrors, type Refused } from '../../ui/forms/errors'
import { SendButton } from '../../ui/forms/send-button'

const FIELDS = ['name', 'ml', 'empty_g', 'full_g', 'known_ml', 'times'] as const

/** A measure is known by its print, weighed full of water, or counted into something known. */
export function MeasureForm({
  measure,
  refused,
  as: FormTag = Form,
  action,
  sending = false,
}: {
  measure: MeasureRow | undefined
  refused: Refused | undefined
  /** Where the form stands on another page: it sends to this one without leaving it. */
  as?: typeof Form
  action?: string
  sending?: boolean
}) {
  const { label } = useUnits()
  const busy = useNavigation().state !== 'idle' || sending
  const mine = refused && (refused.typed.id ?? '') === (measure?.id ?? '') ? refused : undefined
  const [how, setHow] = useState<string>(mine?.typed.how ?? 'weighed')
  const field = (name: (typeof FIELDS)[number], usual = '') => ({
    name,
    defaultValue: mine?.typed[name] ?? usual,
    error: errorAt(mine, name),
  })
  return (
    <FormTag method="post" noValidate {...(action === undefined ? {} : { action })}>
      <Stack gap="sm">
        <input type="hidden" name="id" value={measure?.id ?? ''} />
        <TextInput label="Name" {...field('name', measure?.name)} data-autofocus />
        <SegmentedControl
          aria-label="Size from"
          name="how"
          value={how}
          onChange={setHow}
          data={[
            { value: 'weighed', label: 'weighed full' },
            { value: 'counted', label: 'counted' },
            { value: 'known', label: 'printed' },
          ]}
        />
        {how === 'known' && (
          <TextInput
            label={label('It holds, mL')}
            inputMode="decimal"
            {...field('ml', measure ? String(measure.ml) : '')}
          />
        )}
        {how === 'weighed' && (
          <Group grow align="flex-start">
            <TextInput label={label('Empty, g')} inputMode="decimal" {...field('empty_g')} />
            <TextInput label={label('Full of water, g')} inputMode="decimal" {...field('full_g')} />
          </Group>
        )}
        {how === 'counted' && (
          <Group grow align="flex-start">
            <TextInput
              label={label('Poured into a container of, mL')}
              inputMode="decimal"
              {...field('known_ml')}
            />
            <TextInput label="How many times it went in" inputMode="decimal" {...field('times')} />
          </Group>
        )}
        {otherErrors(mine, FIELDS) && <p role="alert">{otherErrors(mine, FIELDS)}</p>}
        <MeasureKeys owned={measure !== undefined} busy={busy} />
      </Stack>
    </FormTag>
  )
}

const MeasureKeys = ({ owned, busy }: { owned: boolean; busy: boolean }) => (
  <Group justify="space-between">
    {owned ? (
      <Button type="submit" variant="default" name="intent" value="drop-measure" disabled={busy}>
        Delete
      </Button>
    ) : (
      <span />
    )}
    <SendButton type="submit" name="intent" value="save-measure" busy={busy}>
      Save
    </SendButton>
  </Group>
)
