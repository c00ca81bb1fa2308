import { UnstyledButton } from '@mantine/core'
import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import type { Settings } from '#core/contract/settings'
import type { Correction } from '#core/learn/corrections'
import type { Breakdown } from '#core/explain/pour'
import type { WaterMode } from '#core/methods/definition'
import type { Plan } from '#core/plan/result'
import type { PourContext } from '#core/vessel/pour-gauges'
import { waterIn } from '#core/units/system'
import type { MeasureRow } from '#server/store/equipment'
import type { PourMarkRow } from '#server/store/grain-bags'
import { useUnits } from '../../ui/units/units'
import { dayWord, spanWord } from '../../ui/time/clock-hour'
import { Aside } from '../../layout/aside'
import { gaugesFor, type Gauge, type GaugeReading, type PrintedLine } from '../../planning/gauges'
import type { RoomForErrorWords } from '../../planning/room-for-error'
import { Why } from './why'
import { whyDepth } from './explanations'
import classes from './measure.module.css'

export interface MeasureProps {
  plan: Plan
  context: PourContext
  settings: Settings
  measures: readonly MeasureRow[]
  /** Lines printed in this vessel. */
  printed: readonly PrintedLine[] | null
  /** Marks kept for this grain in this pot. */
  marks: readonly PourMarkRow[]
  learned: Correction | undefined
  /** How far the pour may be off. */
  roomForError: RoomForErrorWords | undefined
  now: number
  /** Where this method's water goes. */
  way: Way
  /** The pour as the sum it is. */
  why: () => Promise<Breakdown>
  /** The dry grain as the sum it is. */
  whyGrain: () => Promise<Breakdown>
  /** The time to the table as the sum it is. */
  whyMinutes: () => Promise<Breakdown>
  /** The gauge in hand. */
  gauge: string
  onGauge: (id: string) => void
  /** Water of the cook's own, and what it does. */
  ownWords: string | undefined
  onPoured: (pourG: number | null) => void
  onKeep: () => void
  /** The water before the last change, for some seconds. */
  wasPourG?: number | undefined
  /** The term of the balance that is pointed at. */
  lit?: string | undefined
  onLit?: (term: string | undefined) => void
}

/** Where the water goes; ladles: stock, given bit by bit. */
export type Way = WaterMode | 'ladles'
/** Gauges that say nothing where the grain does not lie in this water. */
const ON_THE_BED = new Set(['finger', 'as-deep', 'printed'])
const NOT_BY: Partial<Record<Way, ReadonlySet<string>>> = {
  excess: ON_THE_BED,
  boiler: ON_THE_BED,
  stock: new Set([...ON_THE_BED, 'line']),
  ladles: new Set([...ON_THE_BED, 'line']),
}
const POUR_TITLE: Record<Way, string> = {
  pot: 'Water to add',
  excess: 'Plenty of water',
  boiler: 'Under the basket',
  stock: 'Sprinkle',
  ladles: 'Hot stock',
}

/** Grain and water in the gauge at hand, the others a press away; and backwards: what a pour will do. */
export function Measure(props: MeasureProps) {
  const { say, length, number, kitchen } = useUnits()
  const { plan, learned, roomForError, now, settings, gauge, onGauge, ownWords, onPoured } = props
  const gauges = gaugesFor(props).filter((g) => !NOT_BY[props.way]?.has(g.id.split(':')[0]!))
  const at = gauges.find((g) => g.id === gauge) ?? gauges[0]!
  const { water } = plan
  const { way } = props
  const [opened, setOpened] = useState(false)
  const said = (grams: number) => waterIn(kitchen, grams)
  return (
    <div className={classes.measure}>
      <div className={classes.figures}>
        <Figure
          title="Dry grain"
          reading={at.grain}
          grams={plan.grain.mass_g}
          why={props.whyGrain}
          said={said}
          inGrams={settings.units === 'grams'}
        />
        <Figure
          title={ownWords ? 'You add' : POUR_TITLE[way]}
          reading={at.water}
          grams={water.pour_g}
          wet
          why={props.why}
          was={props.wasPourG}
          said={said}
          inGrams={settings.units === 'grams'}
        />
      </div>
      <p className={classes.time}>
        about <b className="figure">{spanWord(plan.total_minutes.expected)}</b>,{' '}
        {spanWord(plan.hands_on_minutes)} hands-on <Why question="Why so long?" sum={props.whyMinutes} />
      </p>
      <div className={classes.gauges}>
        <div role="group" aria-label="Measure by">
          {gauges.map((g) => (
            <UnstyledButton
              key={g.id}
              className="chip"
              aria-pressed={g.id === at.id}
              onClick={() => onGauge(g.id)}
            >
              {g.word}
            </UnstyledButton>
          ))}
        </div>
        <OwnPourForm key={at.id} {...props} at={at} />
      </div>
      {(at.id === 'finger' || at.id === 'line' || at.id === 'as-deep') &&
        plan.gauges.water_above_bed_mm > 0 && (
          <p className={classes.roomForError}>
            {at.id === 'finger' ? '' : `${length(plan.gauges.water_above_bed_mm)} over the grain `}
            <Why
              question={`Why ${length(plan.gauges.water_above_bed_mm)}?`}
              sum={() => whyDepth(props.context, water.pour_g)}
            />
            , <Link to={`/ruler?water=${Math.round(plan.gauges.water_above_bed_mm)}`}>full size</Link>
          </p>
        )}
      {ownWords ? (
        <p className={classes.learned} data-own>
          Your amount: {say(ownWords)}.{' '}
          <UnstyledButton className="link" onClick={() => onPoured(null)}>
            use the planned amount
          </UnstyledButton>
        </p>
      ) : (
        learned && <p className={classes.learned}>{say(learnedWords(learned, plan, now, settings))}</p>
      )}
      <details className={classes.more} onToggle={(event) => setOpened(event.currentTarget.open)}>
        <summary>
          {way === 'excess' || way === 'boiler'
            ? 'Cooking time sets the texture'
            : `Firm ${waterIn(kitchen, water.firm_pour_g)}, soft ${waterIn(kitchen, water.soft_pour_g)}`}
        </summary>
        <p className={classes.roomForError}>
          {number(water.ratio_by_volume, 2)} by volume, {number(water.ratio_by_mass, 2)} by mass
          {plan.boiler_dish &&
            `; ${plan.boiler_dish.name} steams off ${waterIn(kitchen, plan.boiler_dish.steams_off_g)}`}
          {water.boiler_g !== undefined &&
            !plan.boiler_dish &&
            `; and ${waterIn(kitchen, water.boiler_g)} under the basket`}
          {roomForError && (
            <>
              ; <span data-sure={roomForError.sure}>{roomForError.says}</span>
              {!roomForError.sure && ', estimated'}
            </>
          )}
        </p>
        {opened && (
          <Suspense>
            <WaterBeam water={water} lit={props.lit} {...(props.onLit ? { onLit: props.onLit } : {})} />
          </Suspense>
        )}
      </details>
    </div>
  )
}

function Figure({
  title,
  reading,
  grams,
  wet = false,
  why,
  was,
  said,
  inGrams,
}: {
  title: string
  reading: GaugeReading
  grams: number
  wet?: boolean
  why?: () => Promise<Breakdown>
  was?: number | undefined
  /** An earlier amount in this kitchen's words. */
  said: (grams: number) => string
  /** Whether the grams are said beside another gauge. */
  inGrams: boolean
}) {
  const { mass } = useUnits()
  const words = reading.unit !== 'g' && reading.unit !== 'oz' && reading.unit !== 'lb'
  return (
    <div>
      <div className={classes.title}>
        <h2 className="eyebrow">{title}</h2>
        {why && <Why question={`Why ${words ? said(grams) : mass(Math.round(grams))}?`} sum={why} />}
        {was !== undefined && Math.round(was) !== Math.round(grams) && (
          <span className={classes.was}>was {said(was)}</span>
        )}
      </div>
      <p className={`${classes.big} ${wet ? classes.water : ''} figure`}>
        {reading.figure}
        <small> {reading.unit}</small>
      </p>
      <p className={classes.under}>
        {words && inGrams
          ? `${reading.under}${reading.under ? '; ' : ''}${mass(Math.round(grams))}`
          : reading.under}
      </p>
    </div>
  )
}

const WaterBeam = lazy(() => import('./water-beam'))
const loadPoured = () => import('./own-pour')
const Poured = lazy(loadPoured)

/** "I poured this much": any gauge, read backwards; and a pour worth keeping. */
function OwnPourForm({ at, plan, marks, onPoured, onKeep }: MeasureProps & { at: Gauge }) {
  const { length, mass } = useUnits()
  return (
    <div className={classes.reading}>
      <Aside word="other amount" className="link" width={344} piece={loadPoured}>
        {() => <Poured at={at} onPoured={onPoured} />}
      </Aside>
      <UnstyledButton className="link" onClick={onKeep} title="Remember this amount for this grain and pot">
        save my line
      </UnstyledButton>
      {marks.slice(0, 2).map((mark) => (
        <UnstyledButton
          key={mark.id}
          className="chip"
          onClick={() =>
            onPoured(Math.round(mark.pour_g + (plan.grain.mass_g - mark.dry_g) * (mark.pour_g / mark.dry_g)))
          }
        >
          {mark.name}: {length(mark.depth_mm)} above {mass(Math.round(mark.dry_g))} of grain
        </UnstyledButton>
      ))}
    </div>
  )
}

/**
 * What the notebook changed, in words: "29 g less water than usual, from 6 batches, most recently Sunday;
 * this pot loses 10 % less". How sure that is stands with what was learned.
 */
function learnedWords(
  { uptake, steam, time, power, lastMs, cooks }: Correction,
  { grain }: Plan,
  now: number,
  settings: MeasureProps['settings'],
): string {
  const since = lastMs > 0 ? `, most recently ${dayWord(lastMs, now, settings.zone)}` : ''
  const from = cooks === 0 ? 'your value' : `${cooks === 1 ? 'one batch' : `${cooks} batches`}${since}`
  const differsG = uptake * grain.mass_g
  const water =
    cooks === 0 && uptake === 0
      ? ''
      : Math.abs(differsG) < 1
        ? `the usual water is right, from ${from}`
        : `${waterIn(settings, Math.abs(differsG))} ${differsG < 0 ? 'less' : 'more'} water than usual, from ${from}`
  // There is room for the one thing of the pot that matters most; the page of what was learned says the rest.
  const other = [
    { log: steam, says: more(steam, 'this pot loses', 'more', 'less') },
    { log: time, says: more(time, 'boiling takes', 'longer', 'shorter') },
    { log: power, says: more(power, 'this burner gives', 'more', 'less') },
  ].sort((one, two) => Math.abs(two.log) - Math.abs(one.log))[0]!.says
  return [water, other].filter(Boolean).join('; ')
}
const more = (log: number, word: string, up: string, down: string): string => {
  const percent = Math.round((Math.exp(log) - 1) * 100)
  return Math.abs(percent) < 2 ? '' : `${word} ${Math.abs(percent)} % ${percent > 0 ? up : down}`
}
