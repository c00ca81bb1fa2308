import { Form } from 'react-router'
import { TextInput, Textarea, Group, SegmentedControl } from '@mantine/core'
import { MAX_ATE, MAX_NOTE } from '#core/contract/settings'
import {
  WET_DRY_WORDS,
  HARDNESS_WORDS,
  SEPARATE_WORDS,
  EVENNESS,
  EVENNESS_WORDS,
  BOTTOMS,
  STEPS,
} from '#core/learn/rating'
import type { Refused } from '../../ui/forms/errors'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/entry'
import classes from './notebook.module.css'

/** How the batch was, in words; saved as it stands. */
export function RatingForm({
  rating,
  of,
  error,
  busy,
  actionData,
}: {
  rating: Route.ComponentProps['loaderData']['rating']
  of: (intent: string) => Refused | undefined
  error: (path: string, intent?: string) => string | undefined
  busy: boolean
  actionData: Route.ComponentProps['actionData']
}) {
  return (
    <Form method="post" className={`${classes.judge} basin`}>
      <Scales rating={rating} />
      <TextInput
        name="ate"
        label="Who ate"
        maxLength={MAX_ATE}
        defaultValue={of('judge')?.typed.ate ?? rating?.ate ?? ''}
        error={error('ate')}
      />
      <Textarea
        name="note"
        label="Note"
        description={`up to ${MAX_NOTE} characters`}
        defaultValue={of('judge')?.typed.note ?? rating?.note ?? ''}
        autosize
        minRows={2}
        error={error('note')}
      />
      <Group justify="space-between">
        <span role="status" className="quiet">
          {of('judge') && !busy
            ? (error('wet_dry') ?? error('hardness') ?? error('bottom') ?? 'Not saved yet: see above.')
            : ''}
          {actionData && 'saved' in actionData && !busy ? 'Saved.' : ''}
        </span>
        <SendButton type="submit" name="intent" value="judge" busy={busy}>
          {rating ? 'Update' : 'Save'}
        </SendButton>
      </Group>
    </Form>
  )
}

/** The five things that are rated. */
function Scales({ rating }: { rating: Route.ComponentProps['loaderData']['rating'] }) {
  return (
    <>
      <Scale name="wet_dry" legend="How dry or wet" words={WET_DRY_WORDS} value={rating?.wetDry ?? 0} />
      <Scale name="hardness" legend="How hard or soft" words={HARDNESS_WORDS} value={rating?.hardness ?? 0} />
      <Scale
        name="separate"
        legend="Sticky or separate"
        words={SEPARATE_WORDS}
        value={rating?.separate ?? 0}
      />
      <div>
        <span className={classes.legend} id="even">
          How even
        </span>
        <SegmentedControl
          fullWidth
          name="even"
          aria-labelledby="even"
          defaultValue={rating?.even ?? 'even'}
          data={EVENNESS.map((e) => ({ value: e, label: EVENNESS_WORDS[e] }))}
        />
      </div>
      <div>
        <span className={classes.legend} id="bottom">
          Bottom
        </span>
        <SegmentedControl
          fullWidth
          name="bottom"
          aria-labelledby="bottom"
          defaultValue={rating?.bottom ?? 'clean'}
          data={BOTTOMS.map((b) => ({ value: b, label: b }))}
        />
      </div>
    </>
  )
}

/** Five steps from one end to the other; the middle is right. */
function Scale({
  name,
  legend,
  words,
  value,
}: {
  name: string
  legend: string
  words: readonly string[]
  value: number
}) {
  return (
    <fieldset className={classes.scaleSet}>
      <legend className={classes.legend}>{legend}</legend>
      <div className={classes.steps}>
        {STEPS.map((step, i) => (
          <label key={step} className={classes.step}>
            <input type="radio" name={name} value={step} defaultChecked={value === step} />
            <span>{words[i]}</span>
          </label>
        ))}
      </div>
    </fieldset>
  )
}
