import { Button, Group, SegmentedControl, Textarea } from '@mantine/core'
import { data, Form, Link, useNavigation } from 'react-router'
import { LONGEST_NOTE } from '#core/contract/kitchen'
import { readPlanRequest } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import { replay } from '#core/cook/replay'
import { BOTTOMS, HARDNESS_WORDS, STEPS, WET_DRY_WORDS } from '#core/learn/judgement'
import { learningKey } from '#core/learn/judged'
import { nowMs } from '#server/clock'
import { judge } from '#server/kitchen/judge'
import { kitchen, settingsOf } from '#server/kitchen/kitchen'
import { corrections } from '#server/kitchen/learned'
import { clockTime, dayWord, spanWord } from '../../time/clock-hour'
import type { Route } from './+types/page'
import classes from './notebook.module.css'

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: loaderData ? `${loaderData.title} · Notebook · Omsel` : 'Notebook · Omsel' }]

export function loader({ params }: Route.LoaderArgs) {
  const open = kitchen()
  const cook = open.cooks.findNoted(params.cook)
  if (!cook) throw new Response('There is no such cook in the notebook, or it is still on the stove.', { status: 404 })
  const events = open.cooks.events(cook.id)
  const running = runningCookOf(cook, events)
  const view = replay(running, events, cook.endedMs)
  const read = readPlanRequest(cook.request)
  const noted = open.cooks.noted()
  const key = learningKey(cook.grainKey, cook.vesselId)
  return {
    title: cook.title,
    vesselName: cook.vesselName,
    vesselId: cook.vesselId,
    heatName: cook.heatName,
    grain: read.ok ? read.value.grains[0]!.variety : undefined,
    startedMs: cook.startedMs,
    endedMs: cook.endedMs,
    end: cook.end,
    grainG: cook.plan.grain.mass_g,
    pourG: running.plan.water.pour_g,
    pouredOtherwise: Math.round(running.plan.water.pour_g - cook.plan.water.pour_g),
    judgement: cook.judgement,
    lidLifts: view.lidLifts,
    lostSteamG: view.lostSteamG,
    stages: cook.plan.stages.map((stage, i) => ({
      id: stage.id,
      title: stage.title,
      planned: stage.minutes,
      took: view.stages[i]!.state === 'next' ? undefined : (Math.min(view.stages[i]!.endMs, cook.endedMs) - view.stages[i]!.startMs) / 60_000,
    })),
    learned: corrections(noted)[key],
    settings: settingsOf(open),
    nowMs: nowMs(),
  }
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = Object.fromEntries(await request.formData())
  if (form.intent !== 'judge') return data({ errors: [{ path: 'intent', message: `intent must be judge, got "${String(form.intent)}"` }], typed: form }, { status: 400 })
  const judged = judge(kitchen(), params.cook, form, nowMs())
  if (!judged.ok) return data({ errors: judged.errors, typed: form }, { status: judged.errors[0]!.path === 'cook' ? 404 : 422 })
  return { saved: true as const }
}

export default function CookPage({ loaderData, actionData }: Route.ComponentProps) {
  const { settings, stages, judgement, learned, end } = loaderData
  const busy = useNavigation().state !== 'idle'
  const failed = actionData && 'errors' in actionData ? actionData : undefined
  const error = (path: string) => failed?.errors.find((e) => e.path === path)?.message
  const typedNote = failed?.typed.note
  const again = loaderData.grain && `/?${new URLSearchParams({ grain: loaderData.grain, grams: String(Math.round(loaderData.grainG)), pot: loaderData.vesselId }).toString()}`
  return (
    <main className={classes.notebook}>
      <p className={classes.back}>
        <Link to="/notebook">Notebook</Link>
      </p>
      <h1 className="figure">{loaderData.title}</h1>
      <p className={classes.lead}>
        {Math.round(loaderData.grainG)} g in {Math.round(loaderData.pourG)} g of water, {loaderData.vesselName}, {loaderData.heatName};{' '}
        {loaderData.pouredOtherwise !== 0 && `${Math.abs(loaderData.pouredOtherwise)} g ${loaderData.pouredOtherwise < 0 ? 'less' : 'more'} than planned, by what was seen before the pour; `}
        {dayWord(loaderData.endedMs, loaderData.nowMs, settings.zone)}, {clockTime(loaderData.startedMs, settings)} to {clockTime(loaderData.endedMs, settings)}
        {loaderData.lidLifts > 0 && `; lid lifted ${loaderData.lidLifts === 1 ? 'once' : `${loaderData.lidLifts} times`}, ${loaderData.lostSteamG.toFixed(1)} g of steam gone`}
      </p>
      <div className={classes.columns}>
        <section aria-label="Planned beside happened">
          <h2 className={classes.h2}>Planned, and as it went</h2>
          <table className={classes.table}>
            <thead>
              <tr>
                <th scope="col">Stage</th>
                <th scope="col" className={classes.number}>Planned</th>
                <th scope="col" className={classes.number}>Took</th>
              </tr>
            </thead>
            <tbody>
              {stages.map((stage) => (
                <tr key={stage.id}>
                  <td>{stage.title}</td>
                  <td className={classes.number}>
                    {Math.round(stage.planned.low) === Math.round(stage.planned.high) ? spanWord(stage.planned.expected) : `${Math.round(stage.planned.low)}–${Math.round(stage.planned.high)} min`}
                  </td>
                  <td className={classes.number}>{stage.took === undefined ? 'not reached' : stage.took < 10 ? `${stage.took.toFixed(1)} min` : spanWord(stage.took)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        {end === 'finish' && (
          <section aria-label="How it was">
            <h2 className={classes.h2}>How it was</h2>
            <Form method="post" className={`${classes.judge} basin`}>
              <Scale name="wet_dry" legend="Dry to wet" words={WET_DRY_WORDS} value={judgement?.wetDry ?? 0} />
              <Scale name="hardness" legend="Hard to overdone" words={HARDNESS_WORDS} value={judgement?.hardness ?? 0} />
              <div>
                <span className={classes.legend} id="bottom">The bottom</span>
                <SegmentedControl fullWidth name="bottom" aria-labelledby="bottom" defaultValue={judgement?.bottom ?? 'clean'} data={BOTTOMS.map((b) => ({ value: b, label: b }))} />
              </div>
              <Textarea
                name="note"
                label="Note"
                description={`up to ${LONGEST_NOTE} characters`}
                defaultValue={typeof typedNote === 'string' ? typedNote : (judgement?.note ?? '')}
                autosize
                minRows={2}
                error={error('note')}
              />
              <Group justify="space-between">
                <span role="status" className="quiet">
                  {failed && !busy ? (error('wet_dry') ?? error('hardness') ?? error('bottom') ?? error('intent') ?? 'Not written yet: see above.') : ''}
                  {actionData && 'saved' in actionData && !busy ? 'Written down.' : ''}
                </span>
                <Button type="submit" name="intent" value="judge" loading={busy}>
                  {judgement ? 'Change it' : 'Write it down'}
                </Button>
              </Group>
            </Form>
            {learned && judgement && (
              <p className={classes.learned}>
                {nextWords(learned.uptakeDelta, learned.uptakeSd, learned.cooks)} {again && <Link to={again}>Plan it again</Link>}
              </p>
            )}
          </section>
        )}
      </div>
    </main>
  )
}

/** Five steps from one end to the other; the middle is right. */
function Scale({ name, legend, words, value }: { name: string; legend: string; words: readonly string[]; value: number }) {
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

function nextWords(delta: number, sd: number, cooks: number): string {
  const grams = Math.round(delta * 100)
  const moved = grams === 0 ? 'the published water' : `${Math.abs(grams)} g ${grams < 0 ? 'less' : 'more'} per 100 g than published`
  return `From ${cooks === 1 ? 'this cook' : `${cooks} cooks`} in this pot, the next one gets ${moved}, give or take ${Math.round(sd * 100)} g.`
}
