import { FIGURE_WORDS } from '#core/leftovers/guidance-words'
import { Button, Group, Radio, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { data, Form, useNavigation } from 'react-router'
import {
  AUTHORITIES,
  FIGURE_IDS,
  FOLLOW_LOCAL,
  guidanceOf,
  WHY_STRICT,
  type Authority,
} from '#core/leftovers/guidance'
import { saveGuidance } from '#server/commands/leftovers'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { useUnits } from '../../ui/units/units'
import { inBaseUnits, inKitchenUnits, shownField } from '../../ui/units/unit-form'
import { errorAt, typedOf, unknownIntent, type Refused } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { AUTHORITY_WORDS } from '../leftovers/guidance-line'
import type { Route } from './+types/food-safety'
import classes from './settings.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Keeping food · Omsel' }]

export const loader = () => kitchen().household.guidance()

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request))
  const refuse = (errors: Refused['errors'], status: number) =>
    data({ errors, typed } satisfies Refused, { status })
  if (typed.intent !== 'guidance') return refuse([unknownIntent(typed.intent)], 400)
  const units = settingsOf(kitchen())
  const stored = saveGuidance(kitchen(), inBaseUnits(typed, units))
  return stored.ok ? { saved: true as const } : refuse(inKitchenUnits(stored.errors, typed, units), 422)
}

/** Whose food-safety figures are counted with. They can be set stricter, never laxer, and never off. */
export default function FoodSafetyPage({ loaderData, actionData }: Route.ComponentProps) {
  const { guidance: authority, own } = loaderData
  const busy = useNavigation().state !== 'idle'
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  const saved = actionData !== undefined && 'saved' in actionData && !busy
  const units = useUnits()
  const [whose, setWhose] = useState<Authority>(
    (refused?.typed.guidance as Authority | undefined) ?? authority,
  )
  const published = guidanceOf(whose)
  return (
    <section aria-labelledby="keeping">
      <h1 className="figure" id="keeping">
        Keeping food
      </h1>
      <Form method="post" noValidate>
        <Stack gap="sm" className={`${classes.sheet} basin`}>
          <Radio.Group
            label="Guidance from"
            name="guidance"
            value={whose}
            onChange={(next) => setWhose(next as Authority)}
          >
            <Group gap="md" mt={6}>
              {AUTHORITIES.map((id) => (
                <Radio key={id} value={id} label={AUTHORITY_WORDS[id]} />
              ))}
            </Group>
          </Radio.Group>
          <p className="quiet small">
            {WHY_STRICT} {FOLLOW_LOCAL} Your own value is used if it is stricter.
          </p>
          <div className={classes.figures}>
            {FIGURE_IDS.map((id) => (
              <TextInput
                key={`${whose} ${id}`}
                size="xs"
                name={id}
                label={units.label(`${units.say(FIGURE_WORDS[id].name)}, ${FIGURE_WORDS[id].unit}`)}
                placeholder={shownField(id, published[id].value, units)}
                inputMode="decimal"
                defaultValue={
                  refused?.typed[id] ?? (own[id] === undefined ? '' : shownField(id, own[id], units))
                }
                error={errorAt(refused, id)}
                description={units.say(published[id].source)}
              />
            ))}
          </div>
          <Group justify="flex-end" gap="md">
            <span role="status" className="quiet">
              {saved && 'Saved; use-by times updated.'}
              {refused && 'Not saved yet: see above.'}
            </span>
            <Button type="submit" name="intent" value="guidance">
              Use these limits
            </Button>
          </Group>
        </Stack>
      </Form>
    </section>
  )
}
