import { Form, Link, useSubmit } from 'react-router'
import {
  Button,
  Checkbox,
  Fieldset,
  Group,
  NativeSelect,
  Textarea,
  TextInput,
  UnstyledButton,
} from '@mantine/core'
import { useState } from 'react'
import { USUAL_COMPANIONS } from '#core/schedule/companions'
import { taskLine } from '#core/schedule/read-tasks'
import { type Refused, errorAt } from '../../ui/forms/errors'
import type { Outbox } from '../../offline/outbox'
import { type BoardTask, dishLetter } from '../../ui/drawing/meal-board'
import { SendButton } from '../../ui/forms/send-button'
import classes from './meal.module.css'
import type { Meal, Schedule, MealPress } from './meal-data'
import type { CompanionRow } from '#server/store/companions'
import { Hands } from './cook-select'
import { FormId } from '../../ui/forms/form-id'

const EXAMPLE = 'Peel and cut the roots; 15; hands\nRoast them; 45; oven; look every 20'

export function DishList({
  meal,
  schedule,
  names,
  handAt,
  outbox,
  started,
  burners,
  tasks,
}: {
  meal: Meal
  schedule: Schedule
  names: string[]
  handAt: (dish: string, task: string) => number | undefined
  outbox: Outbox<MealPress>
  started: Set<string>
  burners: { id: string; name: string }[]
  tasks: BoardTask[]
}) {
  return (
    <ul className={classes.dishes}>
      {meal.dishes.map((dish, i) => {
        const scheduled = schedule?.dishes.find((d) => d.id === dish.id)
        return (
          <DishRow
            key={dish.id}
            dish={dish}
            at={i}
            planned={scheduled}
            meal={meal}
            names={names}
            handAt={handAt}
            outbox={outbox}
            started={started}
            burners={burners}
            tasks={tasks}
          />
        )
      })}
    </ul>
  )
}

/** One dish: when it is ready, who does it, and its moves while it has not begun. */
function DishRow({
  dish,
  at,
  planned,
  meal,
  names,
  handAt,
  outbox,
  started,
  burners,
  tasks,
}: {
  dish: Meal['dishes'][number]
  /** Its place among the dishes, from 0. */
  at: number
  planned: NonNullable<Schedule>['dishes'][number] | undefined
  meal: Meal
  names: string[]
  handAt: (dish: string, task: string) => number | undefined
  outbox: Outbox<MealPress>
  started: Set<string>
  burners: { id: string; name: string }[]
  tasks: BoardTask[]
}) {
  return (
    <li>
      <b className="figure">{dishLetter(at)}</b>
      <span>
        {dish.title}
        <span className="quiet small">
          {' '}
          {planned && planned.tasks.length > 0
            ? planned.held_minutes < 1
              ? 'ready on time'
              : `ready ${Math.round(planned.held_minutes)} min before`
            : ''}
        </span>
      </span>
      {dish.kind === 'plan' && <Link to={`/?${dish.search}`}>Plan</Link>}
      <span className={classes.controls}>
        {meal.cooks > 1 && (
          <Hands
            title={dish.title}
            names={names}
            hand={planned?.tasks.map((t) => handAt(dish.id, t.id)).find((h) => h !== undefined)}
            onGive={(hand) => outbox.press('hand', '', { dish: dish.id, amount: hand })}
          />
        )}
        {!started.has(dish.id) && (
          <Fix
            dish={dish}
            burners={burners}
            heated={tasks.some((t) => t.dish === at && burners.some((b) => b.id === t.track))}
            held={Math.round(planned?.held_minutes ?? 0)}
          />
        )}
        <Form method="post">
          <FormId />
          <input type="hidden" name="dish" value={dish.id} />
          <Button
            type="submit"
            size="compact-sm"
            variant="subtle"
            name="intent"
            value="drop"
            aria-label={`Remove ${dish.title}`}
          >
            take it off
          </Button>
        </Form>
      </span>
    </li>
  )
}

/** A dish that is no grain: its steps typed one a line, or put together by the form below them. */
export function OtherDishForm({
  adding,
  busy,
  dishes,
  companions,
}: {
  adding: Refused | undefined
  busy: boolean
  dishes: Meal['dishes']
  companions: readonly CompanionRow[]
}) {
  const [title, setTitle] = useState(adding?.typed.title ?? '')
  const [steps, setSteps] = useState(adding?.typed.tasks ?? '')
  const [from, setFrom] = useState('')
  const saved = companions.find(({ id }) => id === from)
  const start = (value: string) => {
    setFrom(value)
    const chosen =
      companions.find(({ id }) => id === value) ?? USUAL_COMPANIONS.find((c) => c.title === value)
    if (!chosen) return
    setTitle(chosen.title)
    setSteps(chosen.tasks)
  }
  return (
    <Form method="post" noValidate className={classes.screen}>
      <FormId />
      <input type="hidden" name="kind" value="companion" />
      <Group align="flex-end" gap="sm">
        <NativeSelect
          label="Start from"
          value={from}
          onChange={(event) => start(event.currentTarget.value)}
          data={[
            { value: '', label: 'nothing' },
            ...(companions.length > 0
              ? [
                  {
                    group: 'of this kitchen',
                    items: companions.map(({ id, title: label }) => ({ value: id, label })),
                  },
                ]
              : []),
            {
              group: 'usual dishes',
              items: USUAL_COMPANIONS.map((c) => ({ value: c.title, label: c.title })),
            },
          ]}
        />
        {saved && (
          <>
            <input type="hidden" name="companion" value={saved.id} />
            <Button type="submit" variant="subtle" name="intent" value="drop-companion">
              Take “{saved.title}” off the list
            </Button>
          </>
        )}
      </Group>
      <TextInput
        label="Other dish"
        name="title"
        placeholder="roast roots"
        value={title}
        onChange={(event) => setTitle(event.currentTarget.value)}
        error={errorAt(adding, 'title')}
      />
      <Textarea
        label="Steps, one per line"
        description="what; minutes; and hands, burner, oven, look every 20, after a dish"
        name="tasks"
        autosize
        minRows={3}
        placeholder={EXAMPLE}
        value={steps}
        onChange={(event) => setSteps(event.currentTarget.value)}
        error={errorAt(adding, 'tasks')}
      />
      <StepForm
        dishes={dishes}
        onAdd={(line) => setSteps((before) => (before.trim() === '' ? line : `${before.trimEnd()}\n${line}`))}
      />
      <Group align="flex-end" mt="xs">
        <TextInput
          label="Can wait, min"
          name="hold_max_minutes"
          inputMode="numeric"
          w={150}
          defaultValue={adding?.typed.hold_max_minutes ?? ''}
          error={errorAt(adding, 'hold_max_minutes')}
        />
        <Checkbox
          name="save"
          label="save for other meals"
          mb={8}
          error={errorAt(adding, 'save')}
          defaultChecked={adding?.typed.save !== undefined}
        />
        <SendButton type="submit" variant="default" name="intent" value="add" busy={busy}>
          Add dish
        </SendButton>
      </Group>
    </Form>
  )
}

const EMPTY_STEP = { title: '', minutes: '', hands: false, needs: 'none', look: '', after: '' }

/** One step by its fields; it is added to the lines above, where it can still be changed. */
function StepForm({ dishes, onAdd }: { dishes: Meal['dishes']; onAdd: (line: string) => void }) {
  const [step, setStep] = useState(EMPTY_STEP)
  const put = (change: Partial<typeof EMPTY_STEP>) => setStep({ ...step, ...change })
  const minutes = Number(step.minutes.replace(',', '.'))
  const ready = step.title.trim() !== '' && minutes >= 1
  return (
    <Fieldset legend="Add a step" variant="unstyled">
      <Group align="flex-end" gap="xs">
        <TextInput
          label="What is done"
          value={step.title}
          onChange={(event) => put({ title: event.currentTarget.value })}
        />
        <TextInput
          label="Minutes"
          inputMode="decimal"
          w={90}
          value={step.minutes}
          onChange={(event) => put({ minutes: event.currentTarget.value })}
        />
        <NativeSelect
          label="Needs"
          value={step.needs}
          onChange={(event) => put({ needs: event.currentTarget.value })}
          data={[
            { value: 'none', label: 'no heat' },
            { value: 'burner', label: 'a burner' },
            { value: 'oven', label: 'the oven' },
          ]}
        />
        <TextInput
          label="Look every, min"
          inputMode="numeric"
          w={120}
          value={step.look}
          onChange={(event) => put({ look: event.currentTarget.value })}
        />
        {dishes.length > 0 && (
          <NativeSelect
            label="Only after"
            value={step.after}
            onChange={(event) => put({ after: event.currentTarget.value })}
            data={[{ value: '', label: 'the step before' }, ...dishes.map((d) => d.title)]}
          />
        )}
        <Checkbox
          label="hands-on"
          mb={8}
          checked={step.hands}
          onChange={(event) => put({ hands: event.currentTarget.checked })}
        />
        <Button
          variant="default"
          disabled={!ready}
          onClick={() => {
            onAdd(
              taskLine(
                {
                  title: step.title.trim(),
                  minutes,
                  hands_on: step.hands,
                  needs: step.needs as 'none' | 'burner' | 'oven',
                  ...(Number(step.look) > 0 ? { look_in_every_min: Number(step.look) } : {}),
                },
                step.after === '' ? [] : [step.after],
              ),
            )
            setStep(EMPTY_STEP)
          }}
        >
          Add step
        </Button>
      </Group>
    </Fieldset>
  )
}

/** Moves a ribbon: to another burner, or earlier; what is fixed stays, and the rest goes round it. */
function Fix({
  dish,
  burners,
  heated,
  held,
}: {
  dish: { id: string; title: string; burner?: string; ready_before_minutes?: number }
  burners: readonly { id: string; name: string }[]
  heated: boolean
  held: number
}) {
  const submit = useSubmit()
  const fix = (burner: string, early: number | undefined) =>
    void submit(
      {
        intent: 'fix',
        dish: dish.id,
        burner,
        ready_before_minutes: early === undefined ? '' : String(early),
      },
      { method: 'post', preventScrollReset: true },
    )
  const early = dish.ready_before_minutes
  return (
    <span className={classes.fix}>
      {heated && (
        <NativeSelect
          size="xs"
          aria-label={`Burner for ${dish.title}`}
          value={dish.burner ?? ''}
          onChange={(event) => fix(event.currentTarget.value, early)}
          data={[{ value: '', label: 'any burner' }, ...burners.map((b) => ({ value: b.id, label: b.name }))]}
        />
      )}
      <UnstyledButton
        className="chip"
        aria-label={`${dish.title} five minutes earlier`}
        onClick={() => fix(dish.burner ?? '', Math.min(480, (early ?? held) + 5))}
      >
        −5
      </UnstyledButton>
      <UnstyledButton
        className="chip"
        aria-label={`${dish.title} five minutes later`}
        disabled={(early ?? held) < 5}
        onClick={() => fix(dish.burner ?? '', Math.max(0, (early ?? held) - 5))}
      >
        +5
      </UnstyledButton>
      {(early !== undefined || dish.burner !== undefined) && (
        <UnstyledButton
          className="link"
          aria-label={`Release ${dish.title}`}
          onClick={() => fix('', undefined)}
        >
          release
        </UnstyledButton>
      )}
    </span>
  )
}
