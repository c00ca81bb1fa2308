import { Button, NumberInput, Textarea, TextInput } from '@mantine/core'
import { useMemo, useState } from 'react'
import { data, Link, useFetcher } from 'react-router'
import { LIMITS } from '#core/contract/plan-request'
import { varietyOf } from '#core/grain/varieties'
import { amountText, liquidAmount } from '#core/plan/stage-amounts'
import { mainStep } from '#core/simulate/judge-steps'
import { outcomeWord, GOOD_OUTCOMES } from '#core/simulate/outcome-word'
import { nowMs } from '#server/clock'
import { deleteWay, saveWay } from '#server/commands/saved-ways'
import { kitchen } from '#server/kitchen'
import type { SavedWayRow } from '#server/store/saved-ways'
import { skipRevalidation } from '../../layout/skip-revalidation'
import { useAddress } from '../../layout/use-address'
import { fromSearch, toSearch } from '../../planning/plan-address'
import {
  changedPlan,
  firstPlan,
  requestOf,
  speakingOf,
  type PlanningData,
  type PlanState,
} from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { amountWord, grainWord } from '../../planning/plan-words'
import { formOf } from '../../ui/forms/read-form'
import { typedOf } from '../../ui/forms/errors'
import SaveWay from '../../ui/forms/save-way'
import { spanWord } from '../../ui/time/clock-hour'
import { useUnits } from '../../ui/units/units'
import type { JudgedWay } from '../../workers/simulator'
import type { SimulatorAnswer } from '../../workers/use-simulated'
import { PlanLine } from '../plan/plan-line'
import type { Route } from './+types/my-way'
import {
  addressOfSteps,
  cooksByStep,
  planOfWay,
  readText,
  readWater,
  stepsOfAddress,
  type MyWay,
} from './my-way-state'
import { StepRows } from './step-rows'
import { useJudgedWay } from './use-judged-way'
import classes from './my-way.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Does my way work? · Omsel' }]

export function loader() {
  const open = kitchen()
  return { ways: open.savedWays.all(), ...loadPlanningData(open), nowMs: nowMs() }
}

export const shouldRevalidate = skipRevalidation

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  const typed = typedOf(form)
  if (typed.intent === 'delete') return { deleted: deleteWay(kitchen(), typed.id ?? '') }
  if (typed.intent !== 'save')
    return data(
      { errors: [{ path: 'intent', message: 'intent must be save or delete', code: 'invalid' }], typed },
      { status: 400 },
    )
  const { name, search, steps } = typed
  const saved = saveWay(kitchen(), { name, search, steps }, nowMs())
  return saved.ok
    ? { saved: name!.trim(), replaced: saved.value.replaced }
    : data({ errors: saved.errors, typed }, { status: 422 })
}

/** The cook's own steps, cooked in the simulated pot: whether they work, and the smallest change that would help. */
export default function MyWayPage({ loaderData }: Route.ComponentProps) {
  const { household, settings, ways, nowMs: now } = loaderData
  const first = useMemo(() => firstPlan(household), [household])
  const { state, become } = useAddress<MyWay>({
    read: (search) => ({
      plan: fromSearch(search, first, household),
      ...stepsOfAddress(search.get('steps')),
    }),
    write: (way) => {
      const search = toSearch(way.plan, first)
      search.set('steps', addressOfSteps(way))
      return search
    },
  })
  const change = (next: Partial<PlanState>) => become({ ...state, plan: changedPlan(state.plan, next) })
  const nearest = planOfWay(state, household)
  const request = requestOf(nearest, household, now)
  const answer = useJudgedWay(request, cooksByStep(state, household) ? state.steps : null)
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Does my way work?</h1>
        <Link to={`/?${toSearch(state.plan, first).toString()}`}>back to the plan</Link>
      </div>
      <Tell before={state} household={household} onRead={become} />
      <div className={classes.line}>
        <PlanLine
          state={state.plan}
          change={change}
          household={household}
          clock={settings}
          now={now}
          without={['purpose', 'heat', 'hour']}
        />
      </div>
      <div className={classes.columns}>
        <div>
          <BeforeHeat plan={state.plan} household={household} change={change} />
          <StepRows {...state} change={(next) => become({ ...state, ...next })} />
        </div>
        <Verdict {...answer} way={state} become={become}>
          <Button component={Link} to={`/?${toSearch(nearest, first).toString()}`}>
            Plan it
          </Button>
          <SaveWay
            key={grainWord(state.plan, household)}
            search={toSearch(nearest, first).toString()}
            steps={addressOfSteps(state)}
          />
        </Verdict>
      </div>
      <Saved ways={ways} household={household} />
    </main>
  )
}

/** One text that describes a way; what was understood fills the fields below. */
function Tell({
  before,
  household,
  onRead,
}: {
  before: MyWay
  household: PlanningData
  onRead: (way: MyWay) => void
}) {
  const [text, setText] = useState('')
  const [unread, setUnread] = useState<string>()
  const read = () => {
    if (text.trim() === '') return
    const { way, unread: not, notes } = readText(text, before, household)
    setUnread(
      [...(not.length > 0 ? [`Not understood: ${not.map((p) => `“${p}”`).join(', ')}.`] : []), ...notes].join(
        ' ',
      ) || 'Read; check it below.',
    )
    onRead(way)
  }
  return (
    <div className={classes.tell}>
      <Textarea
        label="What you do"
        placeholder="1 cup basmati, 1½ cups water, boil, lid on, low 12 min, off 10 min"
        autosize
        minRows={2}
        maxLength={600}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || event.shiftKey) return
          event.preventDefault()
          read()
        }}
      />
      <div className={classes.do}>
        <Button variant="default" onClick={read}>
          Read it
        </Button>
        <span role="status" className="quiet">
          {unread ?? 'Or set it below, step by step.'}
        </span>
      </div>
    </div>
  )
}

/** Water, rinses and soak of the way. */
function BeforeHeat({
  plan,
  household,
  change,
}: {
  plan: PlanState
  household: PlanningData
  change: (next: Partial<PlanState>) => void
}) {
  const { say } = useUnits()
  const speaking = speakingOf(plan, household)
  const shown =
    plan.poured === null ? '' : say(amountText(liquidAmount('water', plan.poured, speaking), speaking))
  const [wrong, setWrong] = useState<string>()
  const tell = (text: string) => {
    if (text === shown) return
    const read = readWater(text, household)
    setWrong(read.wrong)
    if (read.wrong === undefined) change({ poured: read.grams })
  }
  return (
    <div className={classes.fields}>
      <TextInput
        key={`water ${plan.poured}`}
        label="Water"
        w={150}
        placeholder="as planned"
        defaultValue={shown}
        error={wrong}
        onBlur={(event) => tell(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
      <WholeNumber
        label="Rinses"
        value={plan.washes ?? varietyOf(plan.grain).washes}
        limits={LIMITS.washes}
        onChange={(washes) => change({ washes })}
      />
      <WholeNumber
        label="Soak, min"
        value={plan.soak?.minutes ?? 0}
        limits={[0, LIMITS.soak_minutes[1]]}
        onChange={(minutes) =>
          change({
            soak:
              minutes === 0
                ? null
                : { ...(plan.soak ?? { celsius: household.kitchen_c, water: 'drain' }), minutes },
          })
        }
      />
    </div>
  )
}

/** A whole number within its limits; nothing beyond them can be typed. */
const WholeNumber = ({
  label,
  value,
  limits: [min, max],
  onChange,
}: {
  label: string
  value: number
  limits: readonly [number, number]
  onChange: (value: number) => void
}) => (
  <NumberInput
    label={label}
    w={110}
    value={value}
    min={min}
    max={max}
    clampBehavior="strict"
    allowDecimal={false}
    allowNegative={false}
    onChange={(typed) => typed !== '' && onChange(Number(typed))}
  />
)

const ENDS = {
  good: 'It works',
  soft: 'It works, on the soft side',
  firm: 'It works, on the firm side',
  wet: 'It ends too wet',
  mush: 'It ends overcooked',
  dry: 'It ends too dry',
  hard: 'It stays hard in the middle',
  uneven: 'It ends uneven',
  scorched: 'It scorches',
} as const

/** From this share of kitchens on, nothing needs to be said. */
const RELIABLE = 0.9

function Verdict({
  value: judged,
  wrong,
  way,
  become,
  children,
}: SimulatorAnswer<JudgedWay> & {
  way: MyWay
  become: (way: MyWay) => void
  children: React.ReactNode
}) {
  const { say } = useUnits()
  const word = judged && outcomeWord(judged.verdict)
  const small = judged?.smallest_change
  return (
    <section aria-label="How it ends" className={`${classes.verdict} basin`}>
      <div role="status">
        <h2 className="figure">
          {wrong !== undefined
            ? 'This cannot be cooked'
            : word === undefined
              ? 'Cooking it …'
              : GOOD_OUTCOMES.has(word) && judged!.good < RELIABLE
                ? 'It works, but not reliably'
                : ENDS[word]}
        </h2>
        {wrong !== undefined && <p>{say(wrong)}</p>}
        {judged && (
          <p>
            Good in {Math.round(100 * judged.good)} of 100 kitchens. About {spanWord(judged.minutes)} from the
            cold pot.
          </p>
        )}
      </div>
      {judged && (
        <ul>
          {judged.reasons.map((reason) => (
            <li key={reason}>{say(reason)}</li>
          ))}
        </ul>
      )}
      {small && (
        <p>
          <b>Smallest change that helps: {say(small.says)}</b> (good in {Math.round(100 * small.good)} of
          100).{' '}
          <Button size="xs" variant="default" onClick={() => become(changedWay(way, small))}>
            Change it
          </Button>
        </p>
      )}
      {children}
      <p className="quiet small">
        Cooked in the simulated pot. Steam and hot pots scald; follow the maker’s manual of an appliance.
      </p>
    </section>
  )
}

/** The way after its smallest change. */
function changedWay(way: MyWay, small: NonNullable<JudgedWay['smallest_change']>): MyWay {
  const main = mainStep(way.steps)
  const resting = way.steps.findLastIndex((step) => step.heat === 'off')
  const [at, minutes] =
    small.rest_minutes === undefined ? [main, small.minutes] : [resting, small.rest_minutes]
  return {
    ...way,
    plan: small.pour_g === undefined ? way.plan : { ...way.plan, poured: small.pour_g },
    steps:
      small.steps ??
      (minutes !== undefined && at >= 0
        ? way.steps.map((step, i) => (i === at ? { ...step, minutes: Math.round(minutes) } : step))
        : way.steps),
  }
}

/** Ways of this kitchen that have a name. */
function Saved({ ways, household }: { ways: readonly SavedWayRow[]; household: PlanningData }) {
  const fetcher = useFetcher()
  const first = firstPlan(household)
  if (ways.length === 0) return null
  return (
    <section aria-label="Saved ways">
      <h2 className="place-part">Saved ways</h2>
      <ul className={classes.saved}>
        {ways.map(({ id, name, search, steps }) => {
          const plan = fromSearch(new URLSearchParams(search), first, household)
          const check = new URLSearchParams(search)
          if (steps !== null) check.set('steps', steps)
          return (
            <li key={id}>
              <Link to={`/?${search}`}>
                <b>{name}</b>
              </Link>
              <span className="quiet">
                {grainWord(plan, household)}, {amountWord(plan, household).replace(/^For/, 'for')}
              </span>
              <Link to={`/my-way?${check.toString()}`}>check it</Link>
              <Link to={`/recipe-card?${search}`}>card</Link>
              <fetcher.Form method="post" action="/my-way">
                <input type="hidden" name="intent" value="delete" />
                <input type="hidden" name="id" value={id} />
                <Button
                  type="submit"
                  onClick={(event) => {
                    if (!window.confirm(`Delete “${name}”? This cannot be undone.`)) event.preventDefault()
                  }}
                  size="compact-xs"
                  variant="subtle"
                  color="gray"
                  aria-label={`Delete ${name}`}
                >
                  delete
                </Button>
              </fetcher.Form>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
