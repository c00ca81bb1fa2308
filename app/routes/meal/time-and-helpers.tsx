import { Form } from 'react-router'
import { Group, TextInput, NumberInput, Button } from '@mantine/core'
import { type Refused, errorAt } from '../../ui/forms/errors'
import { dayOf, hourOf } from '../../ui/time/clock-hour'
import type { Meal, Settings } from './meal-data'
import { SendButton } from '../../ui/forms/send-button'
import classes from './meal.module.css'

/** Title, day, hour and helpers of the meal. */
export function TimeAndHelpers({
  edit,
  meal,
  settings,
  busy,
}: {
  edit: Refused | undefined
  meal: Meal
  settings: Settings
  busy: boolean
}) {
  return (
    <Form method="post" noValidate className={classes.screen}>
      <h2 className="place-part">Time and helpers</h2>
      <Group align="flex-end" gap="sm">
        <TextInput
          name="title"
          label="What it is"
          defaultValue={edit?.typed.title ?? meal.title}
          error={errorAt(edit, 'title')}
        />
        <TextInput
          type="date"
          name="day"
          label="Day"
          defaultValue={edit?.typed.day ?? dayOf(meal.serve_ms, settings.zone)}
          error={errorAt(edit, 'hour')}
        />
        <TextInput
          type="time"
          name="hour"
          label="Serve at"
          defaultValue={edit?.typed.hour ?? hourOf(meal.serve_ms, settings.zone)}
        />
        <TextInput
          name="names"
          label="Who does it"
          placeholder="names, with commas"
          w={160}
          defaultValue={edit?.typed.names ?? meal.names.join(', ')}
          error={errorAt(edit, 'names')}
        />
        <NumberInput
          name="cooks"
          label="People cooking"
          defaultValue={Number(edit?.typed.cooks ?? meal.cooks)}
          min={1}
          max={4}
          w={80}
          error={errorAt(edit, 'cooks')}
        />
        <SendButton type="submit" name="intent" value="save" busy={busy}>
          Save
        </SendButton>
        <Button
          type="submit"
          variant="subtle"
          name="intent"
          value="remove"
          onClick={(event) => {
            const dishes = meal.dishes.length
            const what = dishes === 0 ? '' : dishes === 1 ? ' and its dish' : ` and its ${dishes} dishes`
            if (!window.confirm(`Delete “${meal.title}”${what}? This cannot be undone.`))
              event.preventDefault()
          }}
        >
          Delete this meal
        </Button>
      </Group>
    </Form>
  )
}
