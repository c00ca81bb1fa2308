import { Group, NumberInput, TextInput } from '@mantine/core'
import { data, Form, Link, redirect, useNavigation } from 'react-router'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { saveMeal } from '#server/commands/meals'
import { formOf } from '../../ui/forms/read-form'
import { errorAt, typedOf, type Refused } from '../../ui/forms/errors'
import { clockTime, dayOf, dayWord } from '../../ui/time/clock-hour'
import { wallMs } from '../../ui/time/wall-time'
import { PageLinks } from '../../ui/page-links'
import { pageOf } from '../../ui/pages'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/meals'
import classes from './meal.module.css'
import { FormId } from '../../ui/forms/form-id'

export const meta: Route.MetaFunction = () => [{ title: 'Meal · Omsel' }]

const ON_A_PAGE = 40

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  const at = pageOf(new URL(request.url).searchParams.get('page'), open.meals.count(), ON_A_PAGE)
  return {
    ...at,
    meals: open.meals.all(ON_A_PAGE, at.from).map(({ id, title, serve_ms, dishes }) => ({
      id,
      title,
      serve_ms,
      dishes: dishes.map((d) => d.title),
    })),
    settings: settingsOf(open),
    nowMs: nowMs(),
  }
}

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request))
  const open = kitchen()
  const refuse = (errors: Refused['errors'], status = 422) =>
    data({ errors, typed } satisfies Refused, { status })
  if (typed.intent !== 'begin')
    return refuse(
      [
        {
          path: 'intent',
          message: `intent must be an action of this page, got "${typed.intent ?? ''}"`,
          code: 'not-an-option',
        },
      ],
      400,
    )
  const serve = wallMs(typed.day ?? '', typed.hour ?? '', settingsOf(open).zone)
  if (serve === undefined)
    return refuse([
      {
        path: 'hour',
        message: `hour must be a day and an hour, like 2026-03-05 and 19:00, got "${typed.day ?? ''} ${typed.hour ?? ''}"`,
        code: 'wrong-format',
      },
    ])
  const saved = saveMeal(open, { ...typed, serve_ms: String(serve) }, nowMs())
  return saved.ok ? redirect(`/meal/${saved.value}`) : refuse(saved.errors)
}

/** Meals there were and will be, and a new one. */
export default function MealsPage({ loaderData, actionData }: Route.ComponentProps) {
  const { meals, settings, nowMs: now } = loaderData
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  const busy = useNavigation().state !== 'idle'
  return (
    <main className="place">
      <h1 className="figure">Meals</h1>
      <p className="place-lead">Several dishes, ready at the same time.</p>
      <Form method="post" noValidate className={`${classes.begin} basin`}>
        <FormId />
        <Group align="flex-start" gap="sm">
          <TextInput
            name="title"
            label="What it is"
            placeholder="e.g. Sunday dinner"
            defaultValue={refused?.typed.title ?? ''}
            error={errorAt(refused, 'title')}
          />
          <TextInput
            type="date"
            name="day"
            label="Day"
            defaultValue={refused?.typed.day ?? dayOf(now, settings.zone)}
            error={errorAt(refused, 'hour')}
          />
          <TextInput type="time" name="hour" label="Serve at" defaultValue={refused?.typed.hour ?? '19:00'} />
          <NumberInput
            name="cooks"
            label="People cooking"
            defaultValue={Number(refused?.typed.cooks ?? 1)}
            min={1}
            max={4}
            w={130}
            error={errorAt(refused, 'cooks')}
          />
          <SendButton type="submit" name="intent" value="begin" busy={busy} mt={25}>
            Create meal
          </SendButton>
        </Group>
      </Form>
      <ul className="place-list">
        {meals.map((s) => (
          <li key={s.id} className="basin">
            <Link to={`/meal/${s.id}`}>
              <b className="figure">{s.title}</b>
            </Link>
            <span>
              {dayWord(s.serve_ms, now, settings.zone)}, {clockTime(s.serve_ms, settings)}
            </span>
            <span className="quiet">{s.dishes.length === 0 ? 'no dishes yet' : s.dishes.join(', ')}</span>
          </li>
        ))}
      </ul>
      <PageLinks {...loaderData} before="later" after="earlier" />
    </main>
  )
}
