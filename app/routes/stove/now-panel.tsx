import type { ReactNode } from 'react'
import type { CookView, StageView } from '#core/cook/replay'
import { meanwhile, type Meanwhile } from '#core/cook/meanwhile'
import type { Purpose } from '#core/methods/definition'
import { LOOSEN_WAYS } from '#core/finish/loosen'
import type { Variety } from '#core/grain/varieties'
import { SIGN_WORDS } from '#core/methods/sign-words'
import type { Plan, Stage } from '#core/plan/result'
import { LOOKS } from '#core/cook/events'
import type { Retimed } from '#core/cook/retime'
import type { AfterPot } from '#core/cook/after-pot'
import type { Vessel } from '#core/vessel/vessel'
import { aimOf } from '#core/plan/scale-aim'
import { settingWords } from '#core/plan/setting-words'
import { useUnits } from '../../ui/units/units'
import { CuePair } from '../../ui/drawing/sign-pair'
import { knobWord, type Knob } from '../../ui/drawing/setting-word'
import { LoosenDrawing } from '../../ui/drawing/loosen-drawing'
import { PotInside } from '../../ui/drawing/pot-inside'
import { clockTime, type HouseholdClock } from '../../ui/time/clock-hour'
import { countdown } from '../../ui/time/countdown'
import { OwnPicture } from './own-photo'
import { pourWords, type DeviceReading } from './readings'
import { StageAmounts } from './stage-amounts'
import type { AtTheStove } from './use-pot-estimate'
import classes from './stove.module.css'

interface NowPanelProps {
  plan: Plan
  view: CookView
  now: number
  clock: HouseholdClock
  stage: Stage | undefined
  current: StageView | undefined
  title: string
  vesselName: string
  serveAtMs: number | null
  variety: Variety
  /** The burner with its knob's settings, where they are known. */
  knob: Knob | null
  /** The inside of the pot, once it is warm. */
  pot: AtTheStove | undefined
  /** Once the grain has left its pot. */
  after?: AfterPot | undefined
  vessel: Vessel
  /** Readings of the devices. */
  readings: readonly DeviceReading[]
  retimed: Retimed | undefined
  purpose: Purpose
  /** Left out: there is no pot to take pictures of. */
  cookId?: string
  /** The cook's own pictures of signs in this pot. */
  cuePhotos: Readonly<Record<string, string>>
  /** Content under the present step. */
  children?: ReactNode
}

/** One glance: what to do, what ends it, what comes next and when. */
export function NowPanel({
  plan,
  view,
  now,
  clock,
  stage,
  current,
  title,
  vesselName,
  serveAtMs,
  variety,
  knob,
  pot,
  after,
  vessel,
  readings,
  retimed,
  purpose,
  cookId,
  cuePhotos,
  children,
}: NowPanelProps) {
  const next = view.next && plan.stages.find((s) => s.id === view.next!.id)
  const place = stage && knobWord(stage, knob)
  const task = stage && current && meanwhile(plan, stage, purpose, waitLeft(stage, current, now))
  const table = clockTime(view.tableMs, clock)
  const slid = Math.round((view.tableMs - view.plannedTableMs) / 60_000)
  return (
    <section className={classes.now} aria-label="Now">
      <div className={classes.act}>
        <p className="eyebrow">
          {title}, {vesselName}
          <span className={classes.phoneTable}>serve {table}</span>
        </p>
        <h2 className={`${classes.title} figure`} data-act>
          {stage ? stage.title : next ? `Next: ${next.title}` : 'Serve'}
        </h2>
        {stage && current ? (
          <Clock stage={stage} current={current} now={now} plan={plan} readings={readings} />
        ) : (
          <p
            className={`${classes.count} figure`}
            {...(view.next
              ? { role: 'timer', 'aria-label': `begins in ${countdown(view.next.startMs - now)}` }
              : {})}
          >
            {view.next ? countdown(view.next.startMs - now) : table}
          </p>
        )}
        {stage?.id === 'pour' && <PourLine plan={plan} />}
        <Checks
          place={place}
          stage={stage}
          current={current}
          now={now}
          view={view}
          retimed={retimed}
          pot={pot}
          outOfPot={after !== undefined}
          task={task}
        />
        {children}
      </div>
      <div className={classes.aside}>
        {stage?.loosen && <LoosenDrawing way={stage.loosen} variety={variety} />}
        {stage?.cue_id && (
          <>
            <CuePair
              cue={stage.cue_id}
              variety={variety}
              yet={SIGN_WORDS[stage.cue_id].yet}
              now={SIGN_WORDS[stage.cue_id].now}
            />
            {cookId !== undefined && stage.power_w > 0 && (
              <OwnPicture cue={stage.cue_id} cookId={cookId} photo={cuePhotos[stage.cue_id]} />
            )}
          </>
        )}
        <NextAndServe
          next={next}
          view={view}
          stage={stage}
          clock={clock}
          table={table}
          slid={slid}
          plan={plan}
          serveAtMs={serveAtMs}
          pot={after ? undefined : pot}
          after={after}
          vessel={vessel}
          variety={variety}
          retimed={retimed}
        />
      </div>
    </section>
  )
}

function Checks({
  place,
  stage,
  current,
  now,
  view,
  retimed,
  pot,
  outOfPot,
  task,
}: {
  place: string | undefined
  stage: Stage | undefined
  current: StageView | undefined
  now: number
  view: CookView
  retimed: Retimed | undefined
  pot: AtTheStove | undefined
  outOfPot: boolean
  task: Meanwhile | undefined
}) {
  const { say } = useUnits()
  return (
    <ul className={classes.checks}>
      {stage && <SettingLine stage={stage} place={place} />}
      {stage?.checks
        .filter((check) => !stage.loosen || check !== LOOSEN_WAYS[stage.loosen].how)
        .map((check) => (
          <li key={check}>{check}</li>
        ))}
      {stage &&
        current &&
        lateHelp(stage, (now - current.startMs) / 60_000).map((help) => <li key={help}>{help}</li>)}
      {current && current.liftedMinutes > 0 && <li>{say(liftedWords(view, current))}</li>}
      {retimed && retimed.stage === stage?.id && <li>{retimedWords(retimed, pot)}</li>}
      {task && <li>While you wait: {say(task.says)}</li>}
      {!stage && !outOfPot && pot?.holding && <li>{holdingWords(pot.holding)}</li>}
    </ul>
  )
}

function NextAndServe({
  next,
  view,
  stage,
  clock,
  table,
  slid,
  plan,
  serveAtMs,
  pot,
  vessel,
  variety,
  retimed,
  after,
}: {
  next: Stage | undefined
  view: CookView
  stage: Stage | undefined
  clock: HouseholdClock
  table: string
  slid: number
  plan: Plan
  serveAtMs: number | null
  pot: AtTheStove | undefined
  vessel: Vessel
  variety: Variety
  retimed: Retimed | undefined
  after: AfterPot | undefined
}) {
  const { say } = useUnits()
  return (
    <div className={classes.below}>
      <p className={classes.next}>
        {next && view.next && (
          <>
            <span className="quiet">
              next, {stage?.ends_on === 'cue' ? 'about ' : ''}
              {clockTime(view.next.startMs, clock)}
            </span>
            <b>{next.title}</b>
          </>
        )}
        <span className="quiet">serve</span>
        <b className="figure">{table}</b>
        <span className="quiet small">{tableWords(slid, view, plan, serveAtMs, clock, retimed)}</span>
      </p>
      {after && (
        <ul className={classes.place} aria-label="Where the grain is">
          {afterPotWords(after).map((line) => (
            <li key={line}>{say(line)}</li>
          ))}
        </ul>
      )}
      {pot && (
        <div className={classes.pot}>
          <PotInside
            vessel={vessel}
            variety={variety}
            dryG={pot.estimate.pot.dryG}
            moment={pot.moment}
            title={say(insideWords(pot))}
            letters={0.2}
          />
        </div>
      )}
    </div>
  )
}

/** Minutes until the cook may be needed: the clock's end, or the first moment a sign may come. */
const waitLeft = (stage: Stage, current: StageView, now: number): number =>
  stage.ends_on === 'clock'
    ? (current.endMs - now) / 60_000
    : stage.minutes.low - (now - current.startMs) / 60_000

/** "1", "2 to 4": a range only where its ends differ as rounded. */
function rangeWord(low: number, high: number): string {
  const [from, to] = [Math.max(1, Math.round(low)), Math.max(1, Math.round(high))]
  return from === to ? String(from) : `${from} to ${to}`
}

/** A clock counts down to its end. A sign counts up, next to the minutes it may take. */
function Clock({
  stage,
  current,
  now,
  plan,
  readings,
}: {
  stage: Stage
  current: StageView
  now: number
  plan: Plan
  readings: readonly DeviceReading[]
}) {
  const { temperature, mass, system } = useUnits()
  const celsius = readings.find((r) => r.celsius !== undefined)?.celsius
  const probe = celsius === undefined ? '' : `, ${temperature(celsius, 1)}`
  if (stage.ends_on === 'clock')
    return (
      <p
        className={`${classes.count} figure`}
        role="timer"
        aria-label={`${countdown(current.endMs - now)} left`}
      >
        {countdown(current.endMs - now)}
      </p>
    )
  const minutes = (now - current.startMs) / 60_000
  const { low, high } = stage.minutes
  const where = minutes < low ? 'on time' : minutes <= high ? 'due now' : 'overdue: check'
  const amount = aimOf(stage, plan)
  const grams = readings.find((r) => r.kind === 'scale')?.grams
  const live = amount !== undefined && grams !== undefined ? pourWords(grams, amount, system) : undefined
  const measured = amount !== undefined || (stage.amounts?.length ?? 0) > 0
  return (
    <>
      {live ? (
        <p
          className={`${classes.count} figure`}
          role="timer"
          data-word={/[a-z]/.test(live.figure) || undefined}
        >
          {live.figure}
          <small> {live.unit}</small>
        </p>
      ) : measured ? (
        <StageAmounts stage={stage} plan={plan} />
      ) : (
        <p className={`${classes.count} figure`} role="timer">
          {countdown(now - current.startMs)}
        </p>
      )}
      <p className={classes.until}>
        until {stage.cue}{' '}
        <span className="quiet">
          · {measured ? `${countdown(now - current.startMs)} so far, ` : ''}
          {rangeWord(low, high)} min, {where}
          {probe}
          {live && `; ${mass(grams!)} of ${mass(Math.round(amount!))} on the scale`}
        </span>
      </p>
    </>
  )
}

function tableWords(
  slid: number,
  view: CookView,
  plan: Plan,
  serveAtMs: number | null,
  clock: HouseholdClock,
  retimed: Retimed | undefined,
): string {
  const asked = serveAtMs === null ? '' : `asked for ${clockTime(serveAtMs, clock)}`
  if (slid === 0) return asked
  const worst = [...view.slips].sort((a, b) => Math.abs(b.minutes) - Math.abs(a.minutes))[0]
  const stretched = retimed ? retimed.isMinutes - retimed.wasMinutes : 0
  const byRetiming = Math.abs(stretched) > Math.abs(worst?.minutes ?? 0)
  const cause = byRetiming ? { stage: retimed!.stage, minutes: stretched } : worst
  const reason = cause && plan.stages.find((s) => s.id === cause.stage)?.title
  const moved = `${Math.abs(slid)} min ${slid > 0 ? 'later' : 'sooner'}`
  return [
    moved,
    reason && `“${reason}” ${byRetiming ? 'takes' : 'took'} ${cause.minutes > 0 ? 'longer' : 'less'}`,
    asked,
  ]
    .filter(Boolean)
    .join('; ')
}

/** The pot as it should be, for those who do not see it. */
const insideWords = ({ moment: { bulkC, freeG, centreByLayer } }: AtTheStove): string =>
  `Expected now: ${Math.round(bulkC)} °C, ${Math.round(freeG)} g water left, centres ${Math.round((100 * centreByLayer.reduce((a, b) => a + b, 0)) / centreByLayer.length)} % done`

/** What helps when a sign is overdue. */
function lateHelp(stage: Stage, minutes: number): string[] {
  if (stage.ends_on !== 'cue' || minutes <= stage.minutes.high) return []
  switch (stage.kind) {
    case 'heat-up':
    case 'boil':
      return ['Still not boiling? Heat all the way up, lid on', 'Boiling over? Lid ajar, heat down']
    case 'pressure-up':
      return ['No pressure? Check gasket and valve (see the manual)']
    default:
      return []
  }
}

function retimedWords({ wasMinutes, isMinutes, because }: Retimed, pot: AtTheStove | undefined): string {
  const burner =
    pot && Math.abs(pot.estimate.burner - 1) > 0.08
      ? `: your burner is weaker than assumed (${Math.round(pot.estimate.burner * 100)} %)`
      : ''
  const why = LOOKS.has(because.kind)
    ? 'from what you saw'
    : because.kind === 'cue'
      ? `from the boil time${burner}`
      : 'from what happened'
  return `${Math.round(isMinutes)} min, not ${Math.round(wasMinutes)}; ${why}`
}

const ENDS_BY = {
  safety: 'then it gets too cool: eat it or chill it',
  drying: 'then the top dries',
  softness: 'then it gets too soft',
} as const
const holdingWords = ({ minutes, endsBy }: NonNullable<AtTheStove['holding']>): string =>
  minutes === Infinity
    ? 'It keeps well with the lid on'
    : `With the lid on it keeps for ${Math.round(minutes)} min; ${ENDS_BY[endsBy]}`

/** Where the water comes to in this pot, for who pours by the wall or by a finger. */
function PourLine({ plan: { gauges, water } }: { plan: Plan }) {
  const { length } = useUnits()
  if (water.boiler_g !== undefined || water.drained_off_g > 0 || !(gauges.water_above_bed_mm > 0)) return null
  return (
    <p className={classes.checks}>
      In this pot: water to {length(gauges.fill_level_mm)}, {length(gauges.water_above_bed_mm)} over the grain
    </p>
  )
}

/** What to set on the burner or the appliance, and which place of the knob that is. */
function SettingLine({ stage, place }: { stage: Stage; place: string | undefined }) {
  const { say } = useUnits()
  const parts = [stage.set && settingWords(stage.set), place && `knob “${place}”`].filter(Boolean)
  return parts.length > 0 && <li>{say(parts.join(', '))}</li>
}

const PLACES = {
  tray: 'On the tray',
  bowl: 'In the bowl',
  containers: 'In the containers',
  sieve: 'Rinsed cold',
  'warm-drawer': 'In the warm drawer',
  pan: 'In the pan',
} as const

/** Where the grain is, about how warm, and how long it may lie there. */
function afterPotWords({ place, celsius, eatWithinMin, chillWithinMin }: AfterPot): string[] {
  if (place === 'warm-drawer') return [`${PLACES[place]}: keep it at ${celsius} °C or more`]
  if (place === 'pan') return [`${PLACES[place]}: serve it at ${celsius} °C or more all through`]
  const where = `${PLACES[place]}, about ${Math.round(celsius)} °C`
  if (eatWithinMin === 0) return [where, 'Out too long: do not keep or eat it']
  return [
    where,
    chillWithinMin === 0
      ? `Too late to keep it: eat it within ${eatWithinMin} min`
      : `Eat it within ${eatWithinMin} min, or chill it within ${chillWithinMin}`,
  ]
}

/** What looking under the lid has cost this stage. */
function liftedWords({ lidLifts, lostSteamG }: CookView, { liftedMinutes }: StageView): string {
  const looks = lidLifts === 1 ? 'Lid lifted once' : `${lidLifts} looks`
  const minutes =
    liftedMinutes < 0.5 ? 'under half a minute' : `${liftedMinutes.toFixed(liftedMinutes < 3 ? 1 : 0)} min`
  return `${looks}: ${minutes} more, ${lostSteamG < 1 ? 'little' : `${Math.round(lostSteamG)} g of`} steam lost`
}
