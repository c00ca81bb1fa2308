import { Checkbox, Radio, Stack } from '@mantine/core'
import { useMemo, useState } from 'react'
import { data, Link, redirect, useNavigation, useSearchParams } from 'react-router'
import { localText } from '#core/units/local-text'
import { planFrom } from '#core/contract/plan'
import { MAX_CUPS } from '#core/learn/taste-tests'
import { methodsOf } from '#core/methods/usual-method'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { makeTasteTest } from '#server/commands/taste-tests'
import { unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { dayWord } from '../../ui/time/clock-hour'
import { fromSearch, toSearch } from '../../planning/plan-address'
import {
  correctionFor,
  firstPlan,
  grainKeyOfState,
  methodOfState,
  requestOf,
  vesselOfState,
  type PlanState,
} from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { grainWord, METHOD_WORDS } from '../../planning/plan-words'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/taste-tests'
import classes from './taste-tests.module.css'
import { useSubmitOnce } from '../../ui/forms/use-submit-once'

export const meta: Route.MetaFunction = () => [{ title: 'Taste tests · Omsel' }]

export function loader() {
  const open = kitchen()
  return {
    tasteTests: open.tasteTests.all().map(({ id, title, made_ms, cups }) => ({
      id,
      title,
      made_ms,
      cups: cups.length,
      tastings: open.tasteTests.tastings(id).length,
    })),
    ...loadPlanningData(open),
    nowMs: nowMs(),
  }
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  if (form.get('intent') !== 'make')
    return data({ errors: [unknownIntent(form.get('intent'))] }, { status: 400 })
  let given: unknown
  try {
    given = JSON.parse(String(form.get('tasteTest') ?? ''))
  } catch {
    return data({ errors: [{ path: 'tasteTest', message: 'tasteTest must be JSON' }] }, { status: 400 })
  }
  const made = makeTasteTest(kitchen(), given, nowMs())
  return made.ok ? redirect(`/taste-tests/${made.value}`) : data({ errors: made.errors }, { status: 422 })
}

interface Choice {
  id: string
  label: string
  state: PlanState
  delta: number
}
type Differs = 'water' | 'soak' | 'rest' | 'method'
const DIFFERS_WORDS: Record<Differs, string> = {
  water: 'the water',
  soak: 'the soak',
  rest: 'the rest',
  method: 'how it is cooked',
}
const WATER_STEPS = [-0.16, -0.08, 0, 0.08, 0.16] as const

/** Pots that differ in one thing, all else equal. */
export default function TasteTestsPage({ loaderData, actionData }: Route.ComponentProps) {
  const { tasteTests, household, settings, nowMs: now } = loaderData
  const [search] = useSearchParams()
  const submit = useSubmitOnce()
  const busy = useNavigation().state !== 'idle'
  const written = search.toString()
  const first = useMemo(() => firstPlan(household), [household])
  const base = useMemo(
    () => fromSearch(new URLSearchParams(written), first, household),
    [written, first, household],
  )
  const [differs, setDiffers] = useState<Differs>('water')
  const [picked, setPicked] = useState<readonly string[]>([])
  const [blind, setBlind] = useState(true)
  const choices = useMemo(() => choicesFor(differs, base, household, now), [differs, base, household, now])
  const taken = choices.filter((c) => picked.includes(c.id))
  const vessel = vesselOfState(base, household)
  const make = () =>
    void submit(
      {
        intent: 'make',

        tasteTest: JSON.stringify({
          title: `${grainWord(base, household)} in ${vessel.name}: ${DIFFERS_WORDS[differs]}`,
          differs,
          grain_key: grainKeyOfState(base),
          vessel_id: vessel.id,
          blind,
          cups: taken.map(({ label, state, delta }) => ({
            label,
            search: toSearch(state, first).toString(),
            delta,
          })),
        }),
      },
      { method: 'post' },
    )
  return (
    <main className="place">
      <p>
        <Link to="/notebook">Notebook</Link>
      </p>
      <h1 className="figure">Taste tests</h1>
      <p className="place-lead">
        Cook two to four pots that differ in one thing and taste them. Letters hide which is which; Omsel says
        whether the result is more than luck.
      </p>
      {tasteTests.length > 0 && (
        <ul className="place-list">
          {tasteTests.map((t) => (
            <li key={t.id} className="basin">
              <Link to={`/taste-tests/${t.id}`}>
                <b className="figure">{t.title}</b>
              </Link>
              <span className="quiet">
                {t.cups} cups,{' '}
                {t.tastings === 0
                  ? 'not tasted yet'
                  : t.tastings === 1
                    ? 'tasted once'
                    : `tasted ${t.tastings} times`}
                , {dayWord(t.made_ms, now, settings.zone)}
              </span>
            </li>
          ))}
        </ul>
      )}
      <section aria-label="New taste test" className={`${classes.sheet} basin`}>
        <h2 className="figure">
          New test: {grainWord(base, household)}, {vessel.name}
        </h2>
        <p className="quiet small">
          Everything else is as in the <Link to={`/?${written}`}>Plan</Link>; change it there and come back.
        </p>
        <Radio.Group
          label="What differs"
          value={differs}
          onChange={(next) => {
            setDiffers(next as Differs)
            setPicked([])
          }}
        >
          <div className={classes.row}>
            {(Object.keys(DIFFERS_WORDS) as Differs[]).map((id) => (
              <Radio key={id} value={id} label={DIFFERS_WORDS[id]} />
            ))}
          </div>
        </Radio.Group>
        <Stack gap={6} my="sm" role="group" aria-label="The pots">
          {choices.map((c) => (
            <Checkbox
              key={c.id}
              label={c.label}
              checked={picked.includes(c.id)}
              disabled={!picked.includes(c.id) && picked.length >= MAX_CUPS}
              onChange={(event) =>
                setPicked(
                  event.currentTarget.checked ? [...picked, c.id] : picked.filter((id) => id !== c.id),
                )
              }
            />
          ))}
        </Stack>
        <Checkbox
          label="blind: random letters"
          checked={blind}
          onChange={(event) => setBlind(event.currentTarget.checked)}
        />
        {actionData && 'errors' in actionData && <p role="alert">{actionData.errors[0]!.message}</p>}
        <p>
          <SendButton onClick={make} busy={busy} disabled={taken.length < 2}>
            {taken.length < 2 ? 'Choose at least two' : `Plan these ${taken.length}`}
          </SendButton>
        </p>
      </section>
    </main>
  )
}

/** What can differ, each as the plan it would be. */
function choicesFor(
  differs: Differs,
  base: PlanState,
  household: Parameters<typeof requestOf>[1],
  now: number,
): Choice[] {
  const of = (id: string, label: string, more: Partial<PlanState>, delta = 0): Choice => ({
    id,
    label,
    state: { ...base, at: null, ...more },
    delta,
  })
  switch (differs) {
    case 'water': {
      const read = planFrom(requestOf({ ...base, poured: null }, household, now))
      if (!read.ok) return []
      const { water, grain } = read.value
      const own = correctionFor(base, household)?.uptake ?? 0
      return WATER_STEPS.map((step) => {
        const pour = Math.round(water.pour_g + step * grain.mass_g)
        return of(
          String(step),
          localText(
            `${pour} g of water${step === 0 ? ', as planned' : `, ${Math.abs(Math.round(step * grain.mass_g))} g ${step < 0 ? 'less' : 'more'} water`}`,
            household,
          ),
          { poured: pour },
          own + step,
        )
      })
    }
    case 'soak':
      return [
        of('none', 'not soaked', { soak: null, wet: null }),
        ...[20, 30, 60, 120].map((minutes) =>
          of(`s${minutes}`, `soaked ${minutes} min`, {
            soak: { minutes, celsius: 20, water: 'drain' },
            wet: null,
          }),
        ),
      ]
    case 'rest':
      return [5, 10, 15, 20].map((rest) => of(`r${rest}`, `rested ${rest} min`, { rest }))
    case 'method': {
      const vessel = vesselOfState(base, household)
      const usual = methodOfState(base, vessel)
      return methodsOf(vessel.kind)
        .map((method) => of(method, METHOD_WORDS[method], { method, poured: null }))
        .sort((a, b) => Number(b.id === usual) - Number(a.id === usual))
    }
  }
}
