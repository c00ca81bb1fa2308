import { NumberInput, TextInput } from '@mantine/core'
import { Form, Link, useNavigation } from 'react-router'
import type { OnTheTable } from '#core/compare/by-hour'
import { VARIETY_IDS, varietyOf } from '#core/grain/varieties'
import { LIMITS } from '#core/contract/plan-request'
import type { Settings } from '#core/contract/settings'
import { readyInWorker } from '#server/api/worker-pool'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { Kernel } from '../../ui/drawing/grain-pattern'
import { clockTime, hourAt, isClockHour, nextAt, spanWord } from '../../ui/time/clock-hour'
import { toSearch, withPresentKeys } from '../../planning/plan-address'
import { firstPlan } from '../../planning/plan-state'
import { loadPlanningData } from '../../planning/planning-data.server'
import { METHOD_WORDS } from '../../planning/plan-words'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/ready-by'
import { candidatesOf, type Choice } from '../../planning/candidates'
import classes from './ready-by.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'What can be ready by … · Omsel' }]

const FIRST_IN_MS = 60 * 60_000
const USUAL_PEOPLE = 4
const MAX_PEOPLE = 60

/** Works out the household's pots in a thread: hundreds of plans are too many for a phone by the stove. */
export async function loader({ request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams
  const now = nowMs()
  const { household, settings } = loadPlanningData(kitchen())
  const asked = search.get('at') ?? ''
  const wrongHour = asked !== '' && !isClockHour(asked)
  const hour = asked !== '' && !wrongHour ? asked : hourAt(now + FIRST_IN_MS, settings.zone)
  const people = Number((withPresentKeys(search).get('servings') ?? String(USUAL_PEOPLE)).replace(',', '.'))
  const wrongPeople = !(people >= LIMITS.amount.servings[0] && people <= MAX_PEOPLE)
  const eaters = wrongPeople ? USUAL_PEOPLE : people
  const tableMs = nextAt(hour, settings.zone, now)
  const minutes = (tableMs - now) / 60_000
  const only = VARIETY_IDS.find((id) => id === search.get('ways'))
  const candidates = candidatesOf(household, eaters, now)
  const others = only ? candidatesOf(household, eaters, now, only).filter((one) => !one.usual) : []
  const { ready, tooLate } = await readyInWorker([...candidates, ...others], minutes, request.signal)
  const first = firstPlan(household)
  const row = (one: OnTheTable<Choice>) => ({
    grain: one.of.state.grain,
    way: `${METHOD_WORDS[one.of.method]}, in ${one.of.vesselName}`,
    roomForError: one.roomForError,
    total: one.totalMinutes,
    handsOn: one.handsOnMinutes,
    startMs: tableMs - one.totalMinutes * 60_000,
    skipped: one.skipped,
    usual: one.usual,
    caution: one.warnings[0],
    address: `/?${toSearch({ ...one.of.state, soak: one.request.soak ? one.of.state.soak : null, rest: one.request.rest_minutes ?? null, at: one.roomForError >= 0 ? hour : null }, first).toString()}`,
  })
  type Row = ReturnType<typeof row>
  const grouped = (list: readonly OnTheTable<Choice>[]) => {
    const groups = new Map<string, { best: Row; others: Row[] }>()
    for (const one of list.map(row)) {
      const group = groups.get(one.grain)
      if (group) group.others.push(one)
      else groups.set(one.grain, { best: one, others: [] })
    }
    return [...groups.values()]
  }
  const inTime = new Set(ready.map((one) => one.of.state.grain))
  return {
    hour,
    eaters,
    minutes,
    settings,
    only: only ?? null,
    empty: candidates.length === 0,
    wrong: {
      at: wrongHour ? `Enter a time like 19:00, not “${asked.slice(0, 20)}”.` : undefined,
      for: wrongPeople
        ? `From ${LIMITS.amount.servings[0]} to ${MAX_PEOPLE} people, got ${(withPresentKeys(search).get('servings') ?? '').slice(0, 20)}.`
        : undefined,
    },
    ready: grouped(ready),
    tooLate: grouped(tooLate.filter((one) => !inTime.has(one.of.state.grain))),
  }
}
type Group = Awaited<ReturnType<typeof loader>>['ready'][number]

/** What can be served by an hour, with the household's grains and pots. */
export default function By({ loaderData }: Route.ComponentProps) {
  const { hour, eaters, minutes, ready, tooLate, settings, wrong, only, empty } = loaderData
  const busy = useNavigation().state !== 'idle'
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Ready by {hour}</h1>
        <Link to="/compare">compare methods</Link>
      </div>
      <Form method="get" className={classes.ask} noValidate>
        <TextInput key={hour} type="time" name="at" label="Serve at" defaultValue={hour} error={wrong.at} />
        <NumberInput
          key={eaters}
          name="servings"
          label="People"
          defaultValue={eaters}
          min={LIMITS.amount.servings[0]}
          max={MAX_PEOPLE}
          error={wrong.for}
        />
        <SendButton type="submit" variant="default" busy={busy}>
          Show options
        </SendButton>
        <p className="quiet">{spanWord(minutes)} from now</p>
      </Form>
      {empty && (
        <p>
          Add the grains you have under <Link to="/grains">Grains</Link> and your pots under{' '}
          <Link to="/pots">Pots</Link>: this page shows which of them can be ready by then.
        </p>
      )}
      {!empty && ready.length === 0 && (
        <p>Nothing can be ready by then. Try a later time, or see the quickest below.</p>
      )}
      <ul className={classes.list}>
        {ready.map((group) => (
          <GrainRow
            key={group.best.grain}
            {...group}
            minutes={minutes}
            settings={settings}
            open={only === group.best.grain}
            more={`?${new URLSearchParams({ at: hour, servings: String(eaters), ways: group.best.grain }).toString()}`}
          />
        ))}
      </ul>
      {tooLate.length > 0 && (
        <section aria-label="Not by then">
          <h2 className="place-part">Not by then</h2>
          <ul className={classes.others}>
            {tooLate.map(({ best }) => (
              <li key={best.grain}>
                <Link to={best.address}>{varietyOf(best.grain).name}</Link>: {spanWord(best.total)} at the
                earliest, {best.way}
                {best.skipped.length > 0 && ', even without its soak'}
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  )
}

/** One grain: the way a cook would choose, how much time is spare, and the other ways. */
function GrainRow({
  best,
  others,
  minutes,
  settings,
  open,
  more,
}: Group & { minutes: number; settings: Settings; open: boolean; more: string }) {
  return (
    <li className={`${classes.row} basin`} id={best.grain}>
      <Kernel variety={varietyOf(best.grain)} height={34} swell={1.2} />
      <div>
        <h2 className="figure">{varietyOf(best.grain).name}</h2>
        <p className={classes.way}>
          {best.way}
          {best.skipped.length > 0 && (
            <b>
              ; skipping{' '}
              {best.skipped.map((s) => (s === 'soak' ? 'its soak' : 'the long rest')).join(' and ')}
            </b>
          )}
        </p>
        {best.caution && <p className={classes.caution}>{best.caution}</p>}
        {open || others.length > 0 ? (
          <details open={open}>
            <summary>{open ? 'Other ways' : 'Other pots'}</summary>
            {others.length === 0 && <p className="quiet">No other way is ready by then.</p>}
            <ul className={classes.others}>
              {others.map((one) => (
                <li key={one.address}>
                  <Link to={one.address}>{one.way}</Link>, {spanWord(one.roomForError)} to spare
                  {one.skipped.length > 0 && `, without ${one.skipped.join(' and ')}`}
                </li>
              ))}
            </ul>
          </details>
        ) : null}
        {!open && (
          <Link to={more} preventScrollReset className="quiet small">
            Other ways
          </Link>
        )}
      </div>
      <RoomForError roomForError={best.roomForError} of={minutes} />
      <p className={classes.times}>
        <b className="figure">{spanWord(best.roomForError)}</b> spare
        <br />
        <span className="quiet">
          start by {clockTime(best.startMs, settings)}, {spanWord(best.handsOn)} hands-on
        </span>
        <br />
        <Link to={best.address}>plan it</Link>
      </p>
    </li>
  )
}

/** How much of the time until serving is needed, and how much is spare. */
const RoomForError = ({ roomForError, of }: { roomForError: number; of: number }) => (
  <svg
    viewBox="0 0 120 18"
    className={classes.roomForError}
    role="img"
    aria-label={`${spanWord(of - roomForError)} of ${spanWord(of)} used`}
  >
    <path d="M1 9H119" className={classes.whole} />
    <path d={`M${1 + (118 * Math.max(0, roomForError)) / Math.max(1, of)} 9H119`} className={classes.taken} />
    <path d="M119 1V17" className={classes.table} />
  </svg>
)
