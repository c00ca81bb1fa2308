import { Button, Group, TextInput } from '@mantine/core'
import { Form, useFetcher } from 'react-router'
import { LEFTOVER_LIMITS } from '#core/contract/leftovers'
import type { ContainerRow } from '#server/store/leftovers'
import { useUnits } from '../../ui/units/units'
import { errorAt, otherErrors, type Refused } from '../../ui/forms/errors'
import { SendButton } from '../../ui/forms/send-button'
import classes from './leftovers.module.css'

const FIELDS = ['name', 'ml', 'depth_mm', 'many'] as const
const range = ([min, max]: readonly [number, number], unit: string) => `${min} to ${max} ${unit}`

/** A new container, by what it holds when level; what else is on the page stays as it is. */
export function AddContainer() {
  const { say, label } = useUnits()
  const fetcher = useFetcher<Refused | { done: string; at: number }>()
  const refused = fetcher.data && 'errors' in fetcher.data ? fetcher.data : undefined
  const added = fetcher.data && 'at' in fetcher.data ? fetcher.data.at : undefined
  const field = (name: (typeof FIELDS)[number], usual = '') => ({
    name,
    defaultValue: refused?.typed[name] ?? usual,
    error: errorAt(refused, name),
  })
  return (
    <fetcher.Form
      method="post"
      action="/leftovers"
      noValidate
      key={added}
      className={classes.tellContainer}
      aria-label="Add a container"
    >
      <Group align="flex-start" gap="sm">
        <TextInput label="Name" {...field('name')} />
        <TextInput
          label={label('Capacity, mL')}
          description={say(range(LEFTOVER_LIMITS.ml, 'mL'))}
          inputMode="decimal"
          {...field('ml')}
          w={150}
        />
        <TextInput
          label={label('Depth when full, mm')}
          description={say(range(LEFTOVER_LIMITS.depth_mm, 'mm'))}
          inputMode="decimal"
          {...field('depth_mm')}
          w={150}
        />
        <TextInput
          label="How many"
          description={range(LEFTOVER_LIMITS.many, '')}
          inputMode="numeric"
          {...field('many', '1')}
          w={110}
        />
        <SendButton
          type="submit"
          variant="default"
          name="intent"
          value="save-container"
          busy={fetcher.state !== 'idle'}
          mt={44}
        >
          Add
        </SendButton>
      </Group>
      {otherErrors(refused, FIELDS) && <p role="alert">{otherErrors(refused, FIELDS)}</p>}
    </fetcher.Form>
  )
}

/** The household's containers: level volume and depth. */
export function Containers({ containers }: { containers: readonly ContainerRow[] }) {
  const { capacity, length } = useUnits()
  return (
    <section aria-label="Containers">
      <h2 className="place-part">Containers</h2>
      {containers.length === 0 && (
        <p className="quiet">
          No containers yet. Add one and Omsel divides leftovers and shows how long each takes to cool.
        </p>
      )}
      <ul className={classes.containers}>
        {containers.map((c) => (
          <li key={c.id}>
            <b>{c.name}</b>
            <span className="quiet small">
              {capacity(c.ml)}, {length(c.depth_mm)} deep{c.many > 1 && `, ${c.many} of them`}
            </span>
            <Form method="post">
              <input type="hidden" name="id" value={c.id} />
              <Button
                type="submit"
                size="compact-sm"
                variant="subtle"
                name="intent"
                value="drop-container"
                aria-label={`${c.name} removed`}
              >
                remove
              </Button>
            </Form>
          </li>
        ))}
      </ul>
      <AddContainer />
    </section>
  )
}
