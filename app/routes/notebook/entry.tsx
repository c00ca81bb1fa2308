import { data, redirect, useNavigation, Link, Form } from 'react-router'
import { Button } from '@mantine/core'
import { runningCookOf } from '#core/contract/running-cook'
import { replay, type CookView } from '#core/cook/replay'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import type { Plan } from '#core/plan/result'
import { endedAs } from '#core/troubleshoot/ended-as'
import type { FinishedCook } from '#server/store/cooks'
import { activeEvents } from '#core/event-log'
import { experimentsFor, type Compared } from '#core/learn/beliefs'
import { disagreementIn, type Disagreement } from '#core/learn/disagreement'
import type { FieldError } from '#core/contract/fields'
import { fieldInBase } from '#core/units/typed-field'
import { amountIn, waterIn } from '#core/units/system'
import { varietyOf } from '#core/grain/varieties'
import { becomesOf } from '#core/troubleshoot/other-uses'
import { kitchen } from '#server/kitchen'
import { currentBeliefs } from '#server/queries/beliefs'
import { settingsOf } from '#server/store/open-household'
import { nowMs } from '#server/clock'
import { rate } from '#server/commands/rate'
import { measureCook, removeCook } from '#server/commands/notebook'
import { savePhoto, dropPhoto } from '#server/photos/photos'
import { unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { useUnits } from '../../ui/units/units'
import type { Refused } from '../../ui/forms/errors'
import { dayWord, clockTime, spanWord } from '../../ui/time/clock-hour'
import { EVENT_WORDS } from '../../ui/event-words'
import type { Route } from './+types/entry'
import classes from './notebook.module.css'
import { Photos } from './batch-photos'
import { RatingForm } from './rating-form'
import { WeighedForm } from './weighed-form'
import { WhatWentWrong, type Trouble } from './what-went-wrong'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `${loaderData.title} · Notebook · Omsel` : 'Notebook · Omsel' },
]

export function loader({ params }: Route.LoaderArgs) {
  const open = kitchen()
  const cook = open.cooks.findFinished(params.cook)
  if (!cook) throw new Response('Batch not found, or still cooking.', { status: 404 })
  const events = open.cooks.events(cook.id)
  const running = runningCookOf(cook, events)
  const view = replay(running, events, cook.endedMs)
  const read = parsePlanRequest(cook.request)
  const { beliefs, known } = currentBeliefs(open)
  const grain = known[`grain ${cook.grainKey}`]
  const plan = {
    grainKey: cook.grainKey,
    bagId: cook.bagId,
    vesselId: cook.vesselId,
    heatId: cook.heatId ?? `own ${cook.vesselId}`,
  }
  return {
    id: cook.id,
    title: cook.title,
    vesselName: cook.vesselName,
    vesselId: cook.vesselId,
    heatName: cook.heatName,
    heatId: cook.heatId,
    grain: read.ok && read.value.grains.length === 1 ? read.value.grains[0]!.variety : undefined,
    grains: read.ok ? read.value.grains.map((g) => g.variety) : [],
    startedMs: cook.startedMs,
    endedMs: cook.endedMs,
    end: cook.end,
    grainG: cook.plan.grain.mass_g,
    grainMl: cook.plan.grain.volume_ml,
    pourG: running.plan.water.pour_g,
    pouredOtherwise: Math.round(running.plan.water.pour_g - cook.plan.water.pour_g),
    rating: cook.rating,
    trouble: troubleOf(cook, running.plan, view, open.notebook.pouredIn(cook.id)),
    lidLifts: view.lidLifts,
    lostSteamG: view.lostSteamG,
    measured: Object.fromEntries(
      open.notebook.measured(cook.id).map(({ kind, grams }) => [kind, grams]),
    ) as Partial<Record<string, number>>,
    steamG: cook.plan.water.evaporated_g,
    photos: open.photos.ofCook(cook.id).map(({ id, cue, width, height }) => ({ id, cue, width, height })),
    // Events that ended a stage are in the table of stages already.
    events: activeEvents(events)
      .filter((e) => e.kind !== 'cue' && e.kind !== 'finish')
      .map(({ id, kind, stage, atMs, amount, seconds }) => ({
        id,
        kind,
        atMs,
        amount,
        seconds,
        stage: running.plan.stages.find((s) => s.id === stage)?.title ?? stage,
      })),
    compared: beliefs.compared.filter((c) => c.cookId === cook.id),
    stages: running.plan.stages.map((stage, i) => ({
      id: stage.id,
      title: stage.title,
      planned: stage.minutes,
      took:
        view.stages[i]!.state === 'next'
          ? undefined
          : (Math.min(view.stages[i]!.endMs, cook.endedMs) - view.stages[i]!.startMs) / 60_000,
    })),
    learned: grain && { mean: grain.mean, sd: grain.sd, cooks: grain.cooks },
    disagreement: disagreementIn(open.notebook.evidenceOf(cook.grainKey, cook.vesselId), plan),
    published: cook.plan.water.uptake_target - (read.ok ? read.value.uptakeDelta : 0),
    // Offered once a week: with the batch that carries the offer.
    next: experimentsFor(beliefs, plan, {
      dryG: cook.plan.grain.mass_g,
      steamG: cook.plan.water.evaporated_g,
    }).find(({ id }) => id === cook.offer),
    settings: settingsOf(open),
    nowMs: nowMs(),
  }
}

/** What a batch that was not right is diagnosed by; only pots that simmer with the lid on are. */
function troubleOf(
  cook: FinishedCook,
  plan: Plan,
  view: CookView,
  pouredG: number | undefined,
): Trouble | undefined {
  const ended = cook.rating ? endedAs(cook.rating) : undefined
  const took = (kind: string) => {
    const i = plan.stages.findIndex((s) => s.kind === kind)
    const seen = view.stages[i]
    return seen && seen.state !== 'next'
      ? (Math.min(seen.endMs, cook.endedMs) - seen.startMs) / 60_000
      : undefined
  }
  const simmerMinutes = took('simmer')
  const covered = plan.stages.find((s) => s.kind === 'simmer')?.lid === 'on'
  if (!ended || !covered || simmerMinutes === undefined) return undefined
  const restMinutes = took('rest')
  return {
    request: cook.request as PlanRequestJson,
    plan,
    known: {
      pourG: pouredG ?? plan.water.pour_g,
      simmerMinutes,
      ...(restMinutes === undefined ? {} : { restMinutes }),
      ended,
    },
  }
}

export async function action({ request, params }: Route.ActionArgs) {
  const sent = await formOf(request)
  const form = Object.fromEntries(
    [...sent].filter((pair): pair is [string, string] => typeof pair[1] === 'string'),
  )
  const open = kitchen()
  const refused = (read: { errors: readonly FieldError[] }) =>
    data({ errors: read.errors, typed: form }, { status: read.errors[0]!.path === 'cook' ? 404 : 422 })
  switch (form.intent) {
    case 'judge': {
      const rated = rate(open, params.cook, form, nowMs())
      return rated.ok ? { saved: true as const } : refused(rated)
    }
    case 'measure': {
      const units = settingsOf(open)
      const grams = Object.fromEntries(
        Object.entries(form).map(([name, text]) => [name, fieldInBase('mass', text, units.system)]),
      )
      const measured = measureCook(open, params.cook, { ...grams, intent: form.intent })
      return measured.ok ? { measured: true as const } : refused(measured)
    }
    case 'photo': {
      const stored = await savePhoto(open, params.cook, sent.get('photo'), form.cue, nowMs())
      return stored.ok ? { photo: true as const } : refused(stored)
    }
    case 'drop-photo': {
      const id = form.photo ?? ''
      const own = open.photos.ofCook(params.cook).some((p) => p.id === id)
      if (!own)
        return refused({
          errors: [{ path: 'photo', message: 'photo must be a photo of this batch', code: 'not-found' }],
        })
      dropPhoto(open, id)
      return { photo: true as const }
    }
    case 'remove': {
      const removed = removeCook(open, params.cook)
      return removed.ok ? redirect('/notebook') : refused(removed)
    }
    default:
      return data(
        {
          errors: [unknownIntent(form.intent)],
          typed: form,
        },
        { status: 400 },
      )
  }
}

export default function CookPage({ loaderData, actionData }: Route.ComponentProps) {
  const { say, kitchen } = useUnits()
  const { settings, stages, rating, learned, end, measured, photos, events, compared } = loaderData
  const stillGoodFor = rating ? becomesOf(rating, loaderData.grains.map(varietyOf)) : []
  const busy = useNavigation().state !== 'idle'
  const failed = actionData && 'errors' in actionData ? (actionData as Refused) : undefined
  const of = (intent: string) => (failed?.typed.intent === intent ? failed : undefined)
  const error = (path: string, intent = 'judge') => of(intent)?.errors.find((e) => e.path === path)?.message
  return (
    <main className={classes.notebook}>
      <p className={classes.back}>
        <Link to="/notebook">Notebook</Link>
      </p>
      <h1 className="figure">{loaderData.title}</h1>
      <p className="place-lead">
        {amountIn(kitchen, loaderData.grainG, loaderData.grainMl)} in {waterIn(kitchen, loaderData.pourG)} of
        water, {loaderData.vesselName}, {loaderData.heatName};{' '}
        {loaderData.pouredOtherwise !== 0 &&
          `${waterIn(kitchen, Math.abs(loaderData.pouredOtherwise))} ${loaderData.pouredOtherwise < 0 ? 'less' : 'more'} than planned, by what was seen before the pour; `}
        {dayWord(loaderData.endedMs, loaderData.nowMs, settings.zone)},{' '}
        {clockTime(loaderData.startedMs, settings)} to {clockTime(loaderData.endedMs, settings)}
        {loaderData.lidLifts > 0 &&
          say(
            `; lid lifted ${loaderData.lidLifts === 1 ? 'once' : `${loaderData.lidLifts} times`}, ${loaderData.lostSteamG.toFixed(1)} g of steam lost`,
          )}
      </p>
      <p>
        Again: <Link to={`/cooks/${loaderData.id}/again?water=same`}>exactly as before</Link>, or{' '}
        <Link to={`/cooks/${loaderData.id}/again`}>with what was learned</Link>.
      </p>
      <div className={classes.columns}>
        <section aria-label="Planned and actual">
          <h2 className={classes.h2}>Planned and actual</h2>
          <PlannedAndActual stages={stages} />
          {events.length > 0 && (
            <>
              <h2 className={classes.h2}>Events</h2>
              <ul>
                {events.map((e) => (
                  <li key={e.id}>
                    {clockTime(e.atMs, settings)}, {EVENT_WORDS[e.kind]}
                    {e.amount !== undefined && `, ${Math.round(e.amount * 10) / 10}`}
                    {e.seconds !== undefined && `, ${Math.round(e.seconds)} s`}{' '}
                    <span className="quiet">({e.stage})</span>
                  </li>
                ))}
              </ul>
            </>
          )}
          {end === 'finish' && (
            <WeighedForm measured={measured} of={of} error={error} loaderData={loaderData} />
          )}
          <Photos photos={photos} error={error('photo', 'photo') ?? error('cue', 'photo')} busy={busy} />
        </section>
        {end === 'finish' && (
          <section aria-label="How it was">
            <h2 className={classes.h2}>How it was</h2>
            <RatingForm rating={rating} of={of} error={error} busy={busy} actionData={actionData} />
            <WhatWentWrong trouble={loaderData.trouble} />
            {stillGoodFor.length > 0 && (
              <p className={classes.learned}>You can still use it for {stillGoodFor.join('; ')}.</p>
            )}
            <p>
              <Link to={`/leftovers/put-away?cook=${loaderData.id}`}>Store the leftovers</Link>
            </p>
            {learned && rating && (
              <p className={classes.learned}>
                {nextWords(learned, loaderData.published)}{' '}
                <Link to={`/cooks/${loaderData.id}/again`}>Plan it again</Link>
              </p>
            )}
            {rating && loaderData.disagreement && (
              <p className={classes.learned}>{disagreementWords(loaderData.disagreement)}</p>
            )}
            {compared.length > 0 && (
              <ul className="quiet small">
                {compared.map((c) => (
                  <li key={c.what}>{surpriseWords(c)}</li>
                ))}
              </ul>
            )}
            {loaderData.next && loaderData.next.nowG - loaderData.next.thenG > 2 && (
              <p className={classes.learned}>
                Most useful to measure next time: {loaderData.next.says.toLowerCase()}. The water is now known
                to ± {waterIn(kitchen, Math.round(loaderData.next.nowG))}; it would be ±{' '}
                {waterIn(kitchen, Math.round(loaderData.next.thenG))}.
              </p>
            )}
          </section>
        )}
      </div>
      <Form
        method="post"
        className={classes.danger}
        onSubmit={(event) =>
          !window.confirm('Delete this batch? What Omsel has learned from it goes too.') &&
          event.preventDefault()
        }
      >
        <Button type="submit" variant="subtle" size="compact-sm" name="intent" value="remove">
          Delete this batch
        </Button>
      </Form>
    </main>
  )
}

/** Ratings that pull both ways, in words, and what can be done. */
const disagreementWords = ({ batches, dry, wet }: Disagreement): string =>
  `Of the last ${batches} ratings of this grain in this pot, ${dry} say too dry and ${wet} too wet, ` +
  'at about the same water. If two of you like it differently, this water lies between; ' +
  'for both, cook two pots, one firm and one soft.'

/** Each step’s minutes as planned and as they were. */
function PlannedAndActual({ stages }: { stages: Route.ComponentProps['loaderData']['stages'] }) {
  const { number } = useUnits()
  return (
    <table className={classes.table}>
      <thead>
        <tr>
          <th scope="col">Step</th>
          <th scope="col" className={classes.number}>
            Planned
          </th>
          <th scope="col" className={classes.number}>
            Took
          </th>
        </tr>
      </thead>
      <tbody>
        {stages.map((stage) => (
          <tr key={stage.id}>
            <td>{stage.title}</td>
            <td className={classes.number}>
              {Math.round(stage.planned.low) === Math.round(stage.planned.high)
                ? spanWord(stage.planned.expected)
                : `${Math.round(stage.planned.low)}–${Math.round(stage.planned.high)} min`}
            </td>
            <td className={classes.number}>
              {stage.took === undefined
                ? 'not reached'
                : stage.took < 10
                  ? `${number(stage.took, 1)} min`
                  : spanWord(stage.took)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

const nextWords = (
  { mean, sd, cooks }: { mean: number; sd: number; cooks: number },
  published: number,
): string =>
  `Water, times the grain’s weight: ${(published + mean).toFixed(2)} (usual ${published.toFixed(2)}), ± ${sd.toFixed(2)}, from ${cooks === 1 ? 'one batch' : `${cooks} batches`}.`

const WHAT_WORDS: Record<Compared['what'], string> = {
  boil: 'time to the boil',
  weighed: 'steam by the scale',
  'wet-dry': 'wet or dry',
  hardness: 'hard or overdone',
}

/** What a cook said against what was expected of it. */
const surpriseWords = ({ what, z }: Compared): string =>
  `${WHAT_WORDS[what]}: ${Math.abs(z) < 1 ? 'about as expected' : Math.abs(z) < 2 ? 'a little off what was expected' : 'unusual, so it counts less until confirmed'}`
