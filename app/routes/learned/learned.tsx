import { UnstyledButton } from '@mantine/core'
import { data, Form, Link, useNavigation } from 'react-router'
import type { Result } from '#core/contract/plan-request'
import { VARIETIES } from '#core/grain/varieties'
import { FIGURE_KINDS, idOf, kindOf, priorSd, type FigureKind, type OverrideKind } from '#core/learn/figures'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { pinFigure, resetFigure, removeFigureOverride } from '#server/commands/notebook'
import { currentBeliefs } from '#server/queries/beliefs'
import { formOf } from '../../ui/forms/read-form'
import { errorAt, typedOf, type Refused } from '../../ui/forms/errors'
import { useUnits } from '../../ui/units/units'
import { dayWord } from '../../ui/time/clock-hour'
import classes from '../notebook/notebook.module.css'
import type { Route } from './+types/learned'
import { Charts } from './charts'
import { ConvergenceChart, type Point } from './convergence-chart'

export const meta: Route.MetaFunction = () => [{ title: 'What Omsel has learned · Omsel' }]

/** A curve of more cooks than this is thinned to its newest. */
const ON_A_CURVE = 60
const IN_A_SCATTER = 160

export function loader() {
  const open = kitchen()
  const { beliefs, known } = currentBeliefs(open)
  const overrides = open.notebook.overrides()
  const overrideOf = (figure: string, ...kinds: OverrideKind[]) =>
    overrides.find((o) => o.figure === figure && kinds.includes(o.kind))
  const pots = new Map(open.equipment.vessels().map((row) => [row.id, row.name]))
  const heats = new Map(open.equipment.heats().map((row) => [row.id, row.name]))
  const bags = new Map(open.grainBags.bags().map((row) => [row.id, row.name]))
  const nameOf = (figure: string): string => {
    const id = idOf(figure)
    switch (kindOf(figure)) {
      case 'grain':
        return id
          .split(' + ')
          .map((part) => VARIETIES.find((v) => v.id === part.split(' ')[0])?.name ?? part)
          .join(' and ')
      case 'bag':
        return bags.get(id) ?? 'deleted bag'
      case 'power':
        return id.startsWith('own ')
          ? (pots.get(id.slice(4)) ?? 'deleted appliance')
          : (heats.get(id) ?? 'deleted burner')
      default:
        return pots.get(id) ?? 'deleted pot'
    }
  }
  const steps = new Map<string, Point[]>()
  for (const step of beliefs.steps) {
    const list = steps.get(step.figure) ?? []
    list.push({ cook: list.length + 1, mean: step.mean, sd: step.sd })
    steps.set(step.figure, list)
  }
  const figures = [...new Set([...Object.keys(known), ...overrides.map((o) => o.figure)])]
    .map((figure) => ({
      figure,
      kind: kindOf(figure),
      name: nameOf(figure),
      override: overrideOf(figure, 'pin', 'reset')?.kind ?? null,
      lessSureSinceMs: overrideOf(figure, 'widen')?.atMs ?? null,
      elsewhere: overrideOf(figure, 'prior') !== undefined,
      ...(known[figure] ?? { mean: 0, sd: priorSd(figure), cooks: 0, lastMs: 0, pinned: false }),
      points: (steps.get(figure) ?? []).slice(-ON_A_CURVE),
    }))
    .sort(
      (a, b) =>
        ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) ||
        b.cooks - a.cooks ||
        a.name.localeCompare(b.name, 'en'),
    )
  const newest = open.notebook.lines({}, IN_A_SCATTER, 0)
  return {
    figures,
    compared: beliefs.compared
      .slice(-IN_A_SCATTER)
      .map(({ what, expected, value, z }) => ({ what, expected, value, z })),
    outcomes: newest.flatMap((line) =>
      line.wet_dry === null
        ? []
        : [
            {
              grain: line.grain_key,
              vessel: line.vessel_name,
              ratio: line.pour_g / line.grain_g,
              wetDry: line.wet_dry,
              grainName: line.title,
            },
          ],
    ),
    boils: newest.flatMap((line) =>
      line.boil_minutes === null
        ? []
        : [{ vessel: line.vessel_name, grams: line.grain_g + line.pour_g, minutes: line.boil_minutes }],
    ),
    settings: settingsOf(open),
    nowMs: nowMs(),
  }
}

const ORDER: FigureKind[] = ['grain', 'bag', 'steam', 'time', 'power']

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request))
  const open = kitchen()
  const acts = new Map<string, () => Result<unknown>>([
    ['pin', () => pinFigure(open, typed, nowMs())],
    ['reset', () => resetFigure(open, typed, nowMs())],
    ['undo', () => removeFigureOverride(open, typed)],
    ['undo-widening', () => removeFigureOverride(open, { ...typed, kind: 'widen' })],
  ])
  const act = acts.get(typed.intent ?? '')
  if (!act)
    return data(
      {
        errors: [
          {
            path: 'intent',
            message: `intent must be one of ${[...acts.keys()].join(', ')}, got "${typed.intent ?? ''}"`,
            code: 'not-an-option',
          },
        ],
        typed,
      } satisfies Refused,
      { status: 400 },
    )
  const done = act()
  if (!done.ok) return data({ errors: done.errors, typed } satisfies Refused, { status: 422 })
  return { done: typed.intent! }
}

/** Every figure that was learned, how surely, and how it got there; and the ways to overrule it. */
export default function Learned({ loaderData, actionData }: Route.ComponentProps) {
  const { figures, settings, nowMs: now } = loaderData
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  const busy = useNavigation().state !== 'idle'
  const { number } = useUnits()
  return (
    <main className={classes.notebook}>
      <p className={classes.back}>
        <Link to="/notebook">Notebook</Link>
      </p>
      <h1 className="figure">What Omsel has learned</h1>
      <p className="place-lead">
        Each value starts from published data and gets more exact with each batch. Measurements count more
        than ratings; one unusual batch changes little. You can fix a value yourself.
      </p>
      {figures.length === 0 && <p>Nothing yet. Rate two or three batches.</p>}
      <div className={classes.charts}>
        {figures.map((f) => {
          const mine = refused && refused.typed.figure === f.figure ? refused : undefined
          return (
            <section
              key={f.figure}
              className={`${classes.chart} basin`}
              aria-label={`${FIGURE_KINDS[f.kind].word}: ${f.name}`}
            >
              <p className="eyebrow">{FIGURE_KINDS[f.kind].word}</p>
              <h2 className="figure">{f.name}</h2>
              <p>
                {sentence(f)}
                {f.lastMs > 0 && (
                  <span className="quiet"> Last {dayWord(f.lastMs, now, settings.zone)}.</span>
                )}
              </p>
              {f.lessSureSinceMs !== null && (
                <Form method="post">
                  <input type="hidden" name="figure" value={f.figure} />
                  Less sure since {dayWord(f.lessSureSinceMs, now, settings.zone)}: it may have changed.{' '}
                  <UnstyledButton
                    type="submit"
                    className="link"
                    name="intent"
                    value="undo-widening"
                    disabled={busy}
                  >
                    it did not
                  </UnstyledButton>
                </Form>
              )}
              {f.points.length > 1 && (
                <ConvergenceChart
                  points={f.points}
                  unit={FIGURE_KINDS[f.kind].unit}
                  prior={priorSd(f.figure)}
                  name={f.name}
                />
              )}
              <Form method="post" className={classes.chartKeys}>
                <input type="hidden" name="figure" value={f.figure} />
                {f.override === null ? (
                  <>
                    <label className="small">
                      {FIGURE_KINDS[f.kind].unit}{' '}
                      <input
                        name="value"
                        aria-label={`Fix ${f.name}, ${FIGURE_KINDS[f.kind].word}`}
                        inputMode="decimal"
                        defaultValue={mine?.typed.value ?? number(shown(f.kind, f.mean), 2)}
                        className={classes.pin}
                      />
                    </label>
                    <button type="submit" className="link" name="intent" value="pin" disabled={busy}>
                      fix value
                    </button>
                    <button type="submit" className="link" name="intent" value="reset" disabled={busy}>
                      reset
                    </button>
                    {mine && <span role="alert">{errorAt(mine, 'value') ?? mine.errors[0]!.message}</span>}
                  </>
                ) : (
                  <button type="submit" className="link" name="intent" value="undo" disabled={busy}>
                    {f.override === 'pin' ? 'unfix' : 'use old batches again'}
                  </button>
                )}
              </Form>
            </section>
          )
        })}
      </div>
      <Charts compared={loaderData.compared} outcomes={loaderData.outcomes} boils={loaderData.boils} />
    </main>
  )
}

/** Logs are shown as factors. */
const shown = (kind: FigureKind, mean: number): number =>
  FIGURE_KINDS[kind].unit === 'times' ? Math.exp(mean) : mean

interface Said {
  kind: FigureKind
  mean: number
  sd: number
  cooks: number
  pinned: boolean
  /** It began with another kitchen's figure. */
  elsewhere: boolean
}
function sentence({ kind, mean, sd, cooks, pinned, elsewhere }: Said): string {
  const from = pinned
    ? 'Fixed by you.'
    : cooks === 0
      ? elsewhere
        ? 'From another kitchen, so less sure here.'
        : 'Reset.'
      : `From ${cooks === 1 ? 'one batch' : `${cooks} batches`}.`
  if (FIGURE_KINDS[kind].unit === 'g/g') {
    const grams = Math.round(mean * 100)
    const size =
      grams === 0
        ? 'the published water'
        : `${Math.abs(grams)} % of its weight ${grams < 0 ? 'less' : 'more'} water`
    return `Needs ${size} (± ${Math.round(sd * 100)} %). ${from}`
  }
  const percent = Math.round((Math.exp(mean) - 1) * 100)
  const words = {
    steam: ['It loses', 'more steam', 'less steam'],
    power: ['It gives', 'more heat', 'less heat'],
    time: ['It takes', 'longer', 'less time'],
  }[kind as 'steam' | 'power' | 'time']
  return Math.abs(percent) < 2
    ? `As expected (± ${Math.round(sd * 100)} %). ${from}`
    : `${words[0]} ${Math.abs(percent)} % ${percent > 0 ? words[1] : words[2]} than expected (± ${Math.round(sd * 100)}). ${from}`
}
