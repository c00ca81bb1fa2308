import { Button, Checkbox, Group, NativeSelect, NumberInput, TextInput } from '@mantine/core'
import { useState } from 'react'
import { data, Form, Link, redirect, useNavigation } from 'react-router'
import { fieldError } from '#core/contract/field-error'
import { SCHEDULE_LIMITS } from '#core/schedule/limits'
import { inWords, VARIETIES, varietyOf, type VarietyId } from '#core/grain/varieties'
import { FOLLOW_LOCAL } from '#core/leftovers/guidance'
import { WEEK_DAYS, WEEK_LIMITS, type WeekWish } from '#core/leftovers/week'
import { amountIn, unitsOf } from '#core/units/system'
import { nowMs } from '#server/clock'
import { decimalMarkFor } from '#server/http/reader'
import { kitchen } from '#server/kitchen'
import { addDish, saveMeal } from '#server/commands/meals'
import { guidanceIn } from '#server/queries/guidance'
import { loadPlanningData } from '../../planning/planning-data.server'
import { formOf } from '../../ui/forms/read-form'
import { clockTime, dayOf } from '../../ui/time/clock-hour'
import { wallMs } from '../../ui/time/wall-time'
import { useUnits } from '../../ui/units/units'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/week'
import { portionsWord } from './container-words'
import { wishesIn, wishText, WISH_KEY } from './week-address'
import { weekDishes, weekOf } from './week-plan.server'
import classes from './week.module.css'
import { FormId } from '../../ui/forms/form-id'

export const meta: Route.MetaFunction = () => [{ title: 'Cook for the week · Omsel' }]

const HOUR = 3_600_000
const DAY = 24 * HOUR
const USUAL = { cooked: '19:00', eaten: '19:00' } as const

/** What the address asks: days, hours, pot and grains; what is missing or makes no sense is as usual. */
function askedOf(search: URLSearchParams, zone: string, now: number, vessels: readonly { id: string }[]) {
  const day = search.get('day') ?? dayOf(sundayFrom(now, zone), zone)
  const cooked = search.get('cooked') ?? USUAL.cooked
  const eaten = search.get('eaten') ?? USUAL.eaten
  const cookedMs = wallMs(day, cooked, zone)
  const eatenMs = wallMs(day, eaten, zone)
  const pot = search.get('pot')
  return {
    fields: { day, cooked, eaten, pot: vessels.some(({ id }) => id === pot) ? pot : null },
    wishes: wishesIn(search),
    cookedMs: cookedMs ?? sundayFrom(now, zone),
    hours: cookedMs === undefined || eatenMs === undefined ? 0 : (eatenMs - cookedMs) / HOUR,
  }
}

/** The next Sunday, today included. */
function sundayFrom(now: number, zone: string): number {
  const isSunday = (ms: number) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'short' }).format(ms) === 'Sun'
  let at = now
  while (!isSunday(at)) at += DAY
  return at
}

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  const now = nowMs()
  const { household, settings } = loadPlanningData(open)
  const asked = askedOf(new URL(request.url).searchParams, settings.zone, now, household.vessels)
  const guidance = guidanceIn(open)
  const containers = open.leftovers.containers()
  return {
    asked: { ...asked.fields, wishes: asked.wishes },
    ...weekOf({ ...asked, vesselId: asked.fields.pot }, household, { containers, guidance }, now),
    weekdays: Array.from({ length: WEEK_DAYS }, (_, n) => asked.cookedMs + n * DAY),
    eatenMs: asked.cookedMs + asked.hours * HOUR,
    people: Math.max(1, Math.round(household.eaters.reduce((sum, { appetite }) => sum + appetite, 0))) || 1,
    pots: household.vessels.map(({ id, name }) => ({ id, name })),
    guidance,
    hasContainers: containers.length > 0,
    clock: { zone: settings.zone, clock: settings.clock },
    measuresBy: unitsOf(settings, decimalMarkFor(request)),
  }
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  const open = kitchen()
  const now = nowMs()
  const { household, settings } = loadPlanningData(open)
  const search = new URLSearchParams(String(form.get('search') ?? ''))
  const asked = askedOf(search, settings.zone, now, household.vessels)
  const dishes = weekDishes({ ...asked, vesselId: asked.fields.pot }, household, guidanceIn(open), now)
  const [least, most] = [1, SCHEDULE_LIMITS.dishes]
  if (dishes.length < least || dishes.length > most)
    return data(
      {
        errors: fieldError(
          'week',
          `must come to ${least} to ${most} pots in one meal, got ${dishes.length}: take fewer portions or a larger pot`,
          dishes.length > most ? 'too-many' : 'too-few',
        ).errors,
      },
      { status: 422 },
    )
  const meal = saveMeal(
    open,
    { title: 'Cooking for the week', serve_ms: String(asked.cookedMs), cooks: '1', oven: '1', names: '' },
    now,
  )
  if (!meal.ok) return data({ errors: meal.errors }, { status: 422 })
  for (const dish of dishes) {
    const added = addDish(open, meal.value, dish)
    if (added.ok) continue
    // All of it or nothing.
    open.meals.drop(meal.value)
    return data({ errors: added.errors }, { status: 422 })
  }
  return redirect(`/meal/${meal.value}`)
}

/** What is cooked on one day for the week: how much, where each portion goes, and until when it is good. */
export default function Week({ loaderData, actionData }: Route.ComponentProps) {
  const { asked, batches, buy, hasContainers, guidance } = loaderData
  const { mass } = useUnits()
  const busy = useNavigation().state !== 'idle'
  return (
    <main className="place">
      <p>
        <Link to="/leftovers">Leftovers</Link>
      </p>
      <h1 className="figure">Cook for the week</h1>
      <WeekForm key={JSON.stringify(asked)} loaderData={loaderData} />
      {batches.length > 0 && (
        <section aria-label="The week">
          <ul className={classes.batches}>
            {batches.map((batch, i) => (
              <Batch key={i} batch={batch} loaderData={loaderData} />
            ))}
          </ul>
          {buy.length > 0 && (
            <p>To buy: {buy.map((b) => `${inWords(varietyOf(b.variety))}, ${mass(b.grams)}`).join('; ')}.</p>
          )}
          {!hasContainers && (
            <p className="quiet">
              Add your containers in <Link to="/leftovers">Leftovers</Link>, and this page says which to fill.
            </p>
          )}
          <p className="quiet small">
            From the fridge within {guidance.eat_h.value} h ({guidance.eat_h.source}). {FOLLOW_LOCAL}
          </p>
          <Form method="post">
            <FormId />
            <input type="hidden" name="search" value={searchOf(asked, asked.wishes)} />
            <SendButton type="submit" busy={busy}>
              Cook these, one after the other
            </SendButton>
          </Form>
          {actionData && 'errors' in actionData && <p role="alert">{actionData.errors[0]!.message}</p>}
        </section>
      )}
    </main>
  )
}

type Loaded = Route.ComponentProps['loaderData']
type Fields = Omit<Loaded['asked'], 'wishes'>

function searchOf({ day, cooked, eaten, pot }: Fields, wishes: readonly WeekWish[]): string {
  const search = new URLSearchParams({ day, cooked, eaten, ...(pot === null ? {} : { pot }) })
  for (const wish of wishes) search.append(WISH_KEY, wishText(wish))
  return search.toString()
}

/** Day, hours, pot, and for each grain how many portions on which days. */
function WeekForm({ loaderData: { asked, weekdays, people, pots, clock } }: { loaderData: Loaded }) {
  const [wishes, setWishes] = useState<readonly WeekWish[]>(
    asked.wishes.length > 0 ? asked.wishes : [{ variety: 'long-white', portions: people, days: [1, 2, 3] }],
  )
  const put = (at: number, change: Partial<WeekWish>) =>
    setWishes(wishes.map((wish, i) => (i === at ? { ...wish, ...change } : wish)))
  return (
    <Form method="get" className={`${classes.form} basin`}>
      <Group align="flex-end" gap="sm">
        <TextInput type="date" name="day" label="Cooked on" defaultValue={asked.day} />
        <TextInput type="time" name="cooked" label="Done by" defaultValue={asked.cooked} />
        <TextInput type="time" name="eaten" label="Eaten at about" defaultValue={asked.eaten} />
        <NativeSelect
          name="pot"
          label="In"
          defaultValue={asked.pot ?? ''}
          data={[
            { value: '', label: 'the usual pot' },
            ...pots.map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
      </Group>
      {wishes.map((wish, at) => (
        <fieldset key={at} className={classes.wish}>
          <legend className="figure">{varietyOf(wish.variety).name}</legend>
          <input type="hidden" name={WISH_KEY} value={wishText(wish)} />
          <NativeSelect
            label="Grain"
            value={wish.variety}
            onChange={(event) => put(at, { variety: event.currentTarget.value as VarietyId })}
            data={VARIETIES.map((v) => ({ value: v.id, label: v.name }))}
          />
          <NumberInput
            label="Portions each time"
            value={wish.portions}
            min={WEEK_LIMITS.portions[0]}
            max={WEEK_LIMITS.portions[1]}
            allowNegative={false}
            w={150}
            onChange={(n) => put(at, { portions: Number(n) || 1 })}
          />
          <Checkbox.Group
            label="Eaten on"
            value={wish.days.map(String)}
            onChange={(days) => put(at, { days: days.map(Number).sort((a, b) => a - b) })}
          >
            <Group gap="sm" mt={6}>
              {weekdays.map((ms, day) => (
                <Checkbox key={day} value={String(day)} label={weekday(ms, clock.zone)} />
              ))}
            </Group>
          </Checkbox.Group>
          {wishes.length > 1 && (
            <Button
              variant="subtle"
              size="compact-sm"
              onClick={() => setWishes(wishes.filter((_, i) => i !== at))}
            >
              take it off
            </Button>
          )}
        </fieldset>
      ))}
      <Group>
        <Button type="submit">Work it out</Button>
        {wishes.length < WEEK_LIMITS.wishes && (
          <Button
            variant="default"
            onClick={() => setWishes([...wishes, { variety: 'quinoa', portions: people, days: [] }])}
          >
            Another grain
          </Button>
        )}
      </Group>
    </Form>
  )
}

const weekday = (ms: number, zone: string): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'short' }).format(ms)

/** One batch: how much, and where each portion goes. */
function Batch({
  batch: { variety, portions, plan, meals, use, withoutPortions },
  loaderData: { weekdays, eatenMs, clock, measuresBy },
}: {
  batch: Loaded['batches'][number]
  loaderData: Loaded
}) {
  const { say } = useUnits()
  const thawMs = (day: number, hours: number) => eatenMs + day * DAY - hours * HOUR
  return (
    <li className={`${classes.batch} basin`}>
      <h2 className="figure">{varietyOf(variety).name}</h2>
      {plan && (
        <p>
          {portionsWord(portions)} from <b>{amountIn(measuresBy, plan.dryG, plan.dryMl)}</b> dry,{' '}
          {plan.rounds > 1 && `in ${plan.rounds} rounds of `}about {plan.minutes} min
        </p>
      )}
      <ul>
        {meals.map(({ day, portions: each, from, thawHoursBefore }) => (
          <li key={day}>
            <b>{weekday(weekdays[day]!, clock.zone)}</b> {portionsWord(each)}{' '}
            {from === 'pot' ? 'as it is done' : `from the ${from}`}
            {thawHoursBefore !== null &&
              `: into the fridge ${weekday(thawMs(day, thawHoursBefore), clock.zone)} ${clockTime(thawMs(day, thawHoursBefore), clock)}`}
          </li>
        ))}
      </ul>
      {use.length > 0 && (
        <p className="quiet">
          Fill {use.map(({ name, times }) => `${name}${times > 1 ? ` ${times} times` : ''}`).join(', ')}.
        </p>
      )}
      {withoutPortions > 0 && <p role="status">No container is left for {portionsWord(withoutPortions)}.</p>}
      {plan?.caution && <p role="status">{say(plan.caution)}</p>}
    </li>
  )
}
