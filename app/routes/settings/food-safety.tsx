import { Button, Group, Radio, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Form } from 'react-router'
import {
  AUTHORITIES,
  FIGURE_IDS,
  FIGURES,
  FOLLOW_LOCAL,
  guidanceOf,
  WHY_STRICT,
  type Authority,
  type FigureId,
} from '#core/leftovers/guidance'
import { useUnits } from '../../ui/units/units'
import { shownField } from '../../ui/units/unit-form'
import { errorAt, type Refused } from '../../ui/forms/errors'
import { AUTHORITY_WORDS } from '../leftovers/guidance-line'
import classes from './settings.module.css'

interface KeepingProps {
  authority: Authority
  own: Partial<Record<FigureId, number>>
  refused: Refused | undefined
  saved: boolean
}

/** Whose food-safety figures are counted with. They can be set stricter, never laxer, and never off. */
export function FoodSafetySettings({ authority, own, refused, saved }: KeepingProps) {
  const units = useUnits()
  const [whose, setWhose] = useState<Authority>(
    (refused?.typed.guidance as Authority | undefined) ?? authority,
  )
  const published = guidanceOf(whose)
  return (
    <section aria-label="Storing food" id="keeping">
      <h2 className="place-part">Keeping food</h2>
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
                label={units.label(`${units.say(FIGURES[id].name)}, ${FIGURES[id].unit}`)}
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
