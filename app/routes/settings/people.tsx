import { Button, Checkbox, Group, NumberInput, SegmentedControl, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { data, Form } from 'react-router'
import { AVOIDABLE, AVOIDED_IDS, type AvoidedId } from '#core/eaters/avoid'
import type { Person } from '#core/eaters/party'
import { nowMs } from '#server/clock'
import { dropPerson, savePerson } from '#server/commands/people'
import { kitchen } from '#server/kitchen'
import { errorAt, typedOf, unknownIntent, type Refused } from '../../ui/forms/errors'
import { FormId } from '../../ui/forms/form-id'
import { formOf } from '../../ui/forms/read-form'
import { useUnits } from '../../ui/units/units'
import type { Route } from './+types/people'
import classes from './settings.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'People · Omsel' }]

export const loader = () => ({ people: kitchen().people.all() })

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request))
  const refuse = (errors: Refused['errors'], status: number) =>
    data({ errors, typed } satisfies Refused, { status })
  if (typed.intent !== 'save-eater' && typed.intent !== 'drop-eater')
    return refuse([unknownIntent(typed.intent)], 400)
  const stored =
    typed.intent === 'save-eater' ? savePerson(kitchen(), typed) : dropPerson(kitchen(), typed.id)
  return stored.ok ? { savedAt: nowMs() } : refuse(stored.errors, 422)
}

const FIRMNESS = [
  { value: '', label: 'no preference' },
  { value: '0.2', label: 'firm' },
  { value: '0.5', label: 'standard' },
  { value: '0.8', label: 'soft' },
]
const firmWord = (f: number | null) => (f === null ? '' : f < 0.4 ? 'firm' : f > 0.6 ? 'soft' : 'standard')

/** People here: how much, how firm, and what they avoid. The plan page reads their names. */
export default function PeoplePage({ loaderData: { people }, actionData }: Route.ComponentProps) {
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  // Another form after something was saved.
  const savedAt = actionData && 'savedAt' in actionData ? actionData.savedAt : undefined
  const [editing, setEditing] = useState<Person>()
  const typed = refused?.typed
  return (
    <section aria-labelledby="people">
      <h1 className="figure" id="people">
        People
      </h1>
      <div className={`${classes.sheet} basin`}>
        <ul className={classes.eaters}>
          {people.map((e) => (
            <PersonRow key={e.id} person={e} onEdit={setEditing} />
          ))}
          {people.length === 0 && (
            <li className="quiet">No people yet. Add names to type “Maren, Teo and two guests” in a plan.</li>
          )}
        </ul>
        <Form method="post" noValidate key={`${editing?.id ?? 'new'} ${savedAt ?? ''}`}>
          <FormId />
          <input type="hidden" name="id" value={typed?.id ?? editing?.id ?? ''} />
          <PersonFields typed={typed} editing={editing} refused={refused} setEditing={setEditing} />
        </Form>
      </div>
    </section>
  )
}

function PersonFields({
  typed,
  editing,
  refused,
  setEditing,
}: {
  typed: Record<string, string> | undefined
  editing: Person | undefined
  refused: Refused | undefined
  setEditing: (next: Person | undefined) => void
}) {
  return (
    <Stack gap="xs">
      <Group align="flex-start" gap="sm">
        <TextInput
          label="Name"
          name="name"
          w={180}
          defaultValue={typed?.name ?? editing?.name ?? ''}
          error={errorAt(refused, 'name')}
        />
        <NumberInput
          label="Portions"
          name="appetite"
          w={110}
          min={0.25}
          max={3}
          step={0.25}
          decimalScale={2}
          defaultValue={Number(typed?.appetite ?? editing?.appetite ?? 1)}
          error={errorAt(refused, 'appetite')}
        />
        <div>
          <span className={classes.label} id="firmness">
            Likes it
          </span>
          <Firmness typed={typed} editing={editing} />
        </div>
      </Group>
      <Avoids
        key={editing?.id ?? 'new'}
        first={
          (typed?.avoids?.split(',').filter(Boolean) as AvoidedId[] | undefined) ?? editing?.avoids ?? []
        }
      />
      <Group justify="flex-end">
        {editing && (
          <Button variant="subtle" onClick={() => setEditing(undefined)}>
            Cancel
          </Button>
        )}
        <Button type="submit" name="intent" value="save-eater">
          {editing ? 'Save' : 'Add person'}
        </Button>
      </Group>
    </Stack>
  )
}

function PersonRow({ person, onEdit }: { person: Person; onEdit: (person: Person) => void }) {
  const { say } = useUnits()
  return (
    <li>
      <b className="figure">{person.name}</b>
      <span className="quiet">
        {[
          person.appetite === 1 ? 'a usual portion' : say(`${person.appetite} of a portion`),
          firmWord(person.firmness) && `likes it ${firmWord(person.firmness)}`,
          person.avoids.length > 0 && `no ${person.avoids.map((a) => AVOIDABLE[a].word).join(', no ')}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </span>
      <Button
        size="compact-sm"
        variant="subtle"
        onClick={() => onEdit(person)}
        aria-label={`Edit ${person.name}`}
      >
        change
      </Button>
      <Form method="post">
        <FormId />
        <input type="hidden" name="id" value={person.id} />
        <Button
          type="submit"
          size="compact-sm"
          variant="subtle"
          name="intent"
          value="drop-eater"
          aria-label={`Remove ${person.name}`}
        >
          remove
        </Button>
      </Form>
    </li>
  )
}

function Firmness({
  typed,
  editing,
}: {
  typed: Record<string, string> | undefined
  editing: Person | undefined
}) {
  return (
    <SegmentedControl
      aria-labelledby="firmness"
      name="firmness"
      data={FIRMNESS}
      defaultValue={
        typed?.firmness ??
        (editing?.firmness === undefined || editing.firmness === null
          ? ''
          : FIRMNESS.find((f) => f.label === firmWord(editing.firmness))!.value)
      }
    />
  )
}

function Avoids({ first }: { first: readonly AvoidedId[] }) {
  const [avoids, setAvoids] = useState<readonly string[]>(first)
  return (
    <Checkbox.Group label="Avoids" value={[...avoids]} onChange={setAvoids}>
      <Group gap="md" mt={4}>
        {AVOIDED_IDS.map((id) => (
          <Checkbox key={id} value={id} label={AVOIDABLE[id].word} />
        ))}
      </Group>
      <input type="hidden" name="avoids" value={avoids.join(',')} />
    </Checkbox.Group>
  )
}
