import { TextInput } from '@mantine/core'
import { useFetcher } from 'react-router'
import { errorAt, type Refused } from '../../ui/forms/errors'
import { useUnits } from '../../ui/units/units'
import { SendButton } from '../../ui/forms/send-button'
import classes from './before-pour.module.css'

interface WeighPotProps {
  kind: 'pot-before' | 'pot-after'
  /** What was weighed of this batch already, g. */
  measured: Partial<Record<string, number>>
}

/** The one thing that would teach most about this pot: its weight, full and when done. */
export function WeighPot({ kind, measured }: WeighPotProps) {
  const { label, mass } = useUnits()
  const fetcher = useFetcher<{ measured: true } | Refused>()
  const refused = fetcher.data && 'errors' in fetcher.data ? fetcher.data : undefined
  const weighed = measured[kind]
  // The second weight says something only beside the first.
  if (kind === 'pot-after' && measured['pot-before'] === undefined) return null
  return (
    <section className={classes.reading} aria-label="Weigh the pot" data-advice>
      <p>
        {kind === 'pot-before'
          ? 'If you like: weigh the full pot with its lid before heating, and again when it is done.'
          : 'Weigh the pot with its lid once more, before you loosen.'}{' '}
        The two weights tell how much this pot boils off.
      </p>
      {weighed === undefined ? (
        <fetcher.Form method="post" noValidate className={classes.tell}>
          <input type="hidden" name="kind" value={kind} />
          <TextInput
            name="grams"
            label={label('Weight with lid, g')}
            inputMode="decimal"
            defaultValue={refused?.typed.grams ?? ''}
            error={refused && errorAt(refused, 'grams')}
          />
          <SendButton
            type="submit"
            variant="default"
            name="intent"
            value="measure"
            busy={fetcher.state !== 'idle'}
          >
            Save
          </SendButton>
        </fetcher.Form>
      ) : (
        <p role="status">Saved: {mass(Math.round(weighed))}.</p>
      )}
    </section>
  )
}
