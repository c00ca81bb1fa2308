import { Form } from 'react-router'
import { Button, TextInput } from '@mantine/core'
import { MEASURE_LIMITS } from '#core/contract/settings'
import type { Refused } from '../../ui/forms/errors'
import { useUnits } from '../../ui/units/units'
import type { Route } from './+types/entry'
import classes from './notebook.module.css'

/** Weights of the pot before and after, which teach how much steam left. */
export function WeighedForm({
  measured,
  of,
  error,
  loaderData,
}: {
  measured: Partial<Record<string, number>>
  of: (intent: string) => Refused | undefined
  error: (path: string, intent?: string) => string | undefined
  loaderData: Route.ComponentProps['loaderData']
}) {
  const { label, say } = useUnits()
  return (
    <Form method="post" className={classes.weigh} aria-labelledby="weighed" noValidate>
      <h2 className={classes.h2} id="weighed">
        Weighed
      </h2>
      <Weighed
        name="pot-before"
        label={label('Full pot with lid before heating, g')}
        measured={measured}
        typed={of('measure')?.typed}
        error={error('pot-before', 'measure')}
      />
      <Weighed
        name="pot-after"
        label={label('The same pot when done, g')}
        measured={measured}
        typed={of('measure')?.typed}
        error={error('pot-after', 'measure')}
      />
      <Weighed
        name="drained"
        label={label('Poured off, g')}
        measured={measured}
        typed={of('measure')?.typed}
        error={error('drained', 'measure')}
      />
      <Weighed
        name="cooked"
        label={label('Cooked, g')}
        measured={measured}
        typed={of('measure')?.typed}
        error={error('cooked', 'measure')}
      />
      <p className="quiet small">
        {measured['pot-before'] !== undefined && measured['pot-after'] !== undefined
          ? say(
              `${Math.round(measured['pot-before'] - measured['pot-after'])} g of steam measured; ${Math.round(loaderData.steamG)} g of steam expected.`,
            )
          : say(
              `The two weights show how much steam left; ${Math.round(loaderData.steamG)} g of steam expected. (${MEASURE_LIMITS[0]} to ${MEASURE_LIMITS[1].toLocaleString('en-GB')} g)`,
            )}
      </p>
      <Button type="submit" variant="default" name="intent" value="measure">
        Save weights
      </Button>
    </Form>
  )
}

function Weighed({
  name,
  label,
  measured,
  typed,
  error,
}: {
  name: string
  label: string
  measured: Partial<Record<string, number>>
  typed: Record<string, string> | undefined
  error: string | undefined
}) {
  const { shown } = useUnits()
  return (
    <TextInput
      size="xs"
      name={name}
      label={label}
      inputMode="decimal"
      defaultValue={
        typed?.[name] ?? (measured[name] === undefined ? '' : String(shown('mass', measured[name])))
      }
      error={error?.replace(`${name} `, '')}
    />
  )
}
