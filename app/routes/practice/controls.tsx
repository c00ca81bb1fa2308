import { SegmentedControl, UnstyledButton } from '@mantine/core'
import { HEAT_LEVELS, type HeatLevel } from '#core/heat/sources'
import { LID_POSITIONS, type LidPosition } from '#core/heat/lid'
import type { Act } from '#core/practice/player-actions'
import type { PracticeConditions, Situation } from '#core/practice/situation'
import type { RunningCook } from '#core/cook/replay'
import { useUnits } from '../../ui/units/units'
import { PotOutside } from '../../ui/drawing/pot-outside'
import type { Practice } from './use-practice'
import classes from './practice.module.css'

const LEVEL_WORDS: Record<HeatLevel, string> = {
  off: 'off',
  lowest: 'lowest',
  low: 'low',
  medium: 'medium',
  high: 'full',
}
const LID_WORDS: Record<LidPosition, string> = { on: 'on', ajar: 'ajar', off: 'off' }
const POURS = [-50, -5, 5, 50] as const

/** The present settings, from the last action. */
export const settingsNow = (
  acts: readonly Act[],
): { level: HeatLevel; lid: LidPosition; putIn: boolean; vented: boolean } => ({
  level: acts.findLast((a) => a.kind === 'heat')?.level ?? 'off',
  lid: acts.findLast((a) => a.kind === 'lid')?.lid ?? 'on',
  putIn: acts.some((a) => a.kind === 'put-in'),
  vented: acts.some((a) => a.kind === 'vent'),
})

/** The player's controls: heat, lid and water. The stove shows the card's steps; the pot obeys only these. */
export function Controls({
  practice,
  kitchen,
  situation,
  pouring,
}: {
  practice: Practice
  kitchen: PracticeConditions
  situation: Situation
  pouring: boolean
}) {
  const { waterIn } = useUnits()
  const { acts, act, signs, handled, pourG, pour, press, running } = practice
  const { real, card } = kitchen
  const now = settingsNow(acts)
  const { kind } = real.source
  const own = kind === 'cooker' || kind === 'pressure'
  const inPot = handled !== undefined
  // An appliance turns itself off; the switch then pops up.
  const level = own && handled && handled.powerW === 0 && now.level === 'high' ? 'off' : now.level
  const sealed = handled?.sealed ?? 'open'
  const aim = Math.round(card.water.pour_g)
  return (
    <section className={classes.hands} aria-label="Your actions">
      <div className={classes.outside}>
        <PotOutside
          vessel={real.vessel}
          lid={sealed === 'open' ? now.lid : 'on'}
          level={level}
          steam={signs?.steam ?? 0}
          title={`The pot: heat ${LEVEL_WORDS[level]}, lid ${LID_WORDS[now.lid]}`}
        />
      </div>
      <p role="status" className={classes.signs}>
        <span className="quiet">What you notice</span>
        <b>{signs ? signs.says.join('. ') : pouring ? `${waterIn(pourG)} measured` : 'The pot is empty'}</b>
      </p>
      <div className={classes.hold}>
        {pouring && <PourKeys pour={pour} pourG={pourG} aim={aim} />}
        {!pouring && <HeatControl own={own} level={level} act={act} inPot={inPot} kind={kind} />}
        {!pouring && kind !== 'pressure' && (
          <div className={classes.control}>
            <span id="lid">Lid</span>
            <SegmentedControl
              aria-labelledby="lid"
              value={now.lid}
              onChange={(value) => act({ kind: 'lid', lid: value as LidPosition })}
              disabled={!inPot}
              data={LID_POSITIONS.map((value) => ({ value, label: LID_WORDS[value] }))}
            />
          </div>
        )}
        <PotKeys
          situation={situation}
          inPot={inPot}
          now={now}
          act={act}
          sealed={sealed}
          press={press}
          running={running}
        />
      </div>
      {sealed !== 'open' && (
        <p className={`quiet small ${classes.never}`}>
          It does not open while the pressure indicator is up. On a real one, never force the lid, keep face
          and hands out of the steam, and do as its maker says.
        </p>
      )}
    </section>
  )
}

/** Keys that depend on the situation: put it in, release the pressure, serve. */
function PotKeys({
  situation,
  inPot,
  now,
  act,
  sealed,
  press,
  running,
}: {
  situation: Situation
  inPot: boolean
  now: ReturnType<typeof settingsNow>
  act: (what: Omit<Act, 'id' | 'atMs'>) => void
  sealed: 'open' | 'rising' | 'held' | 'falling'
  press: Practice['press']
  running: RunningCook
}) {
  return (
    <>
      {situation.hands?.includes('put-in') && inPot && (
        <UnstyledButton className={classes.step} disabled={now.putIn} onClick={() => act({ kind: 'put-in' })}>
          {now.putIn ? `${situation.aside}: done` : situation.aside}
        </UnstyledButton>
      )}
      {situation.hands?.includes('vent') && sealed !== 'open' && (
        <UnstyledButton className={classes.step} disabled={now.vented} onClick={() => act({ kind: 'vent' })}>
          Quick release
        </UnstyledButton>
      )}
      {inPot && (
        <UnstyledButton
          className={classes.step}
          disabled={sealed !== 'open'}
          onClick={() => press('finish', running.plan.stages.at(-1)!.id)}
        >
          Serve now
        </UnstyledButton>
      )}
    </>
  )
}

function PourKeys({ pour, pourG, aim }: { pour: (grams: number) => void; pourG: number; aim: number }) {
  const { waterIn, label, system } = useUnits()
  return (
    <fieldset className={classes.pour}>
      <legend>{label('Pour, g')}</legend>
      {POURS.map((g) => (
        <UnstyledButton
          key={g}
          className={classes.step}
          onClick={() => pour(pourG + g)}
          aria-label={g > 0 ? `${waterIn(g)} more` : `${waterIn(-g)} less`}
        >
          {system === 'us' ? `${g > 0 ? '+' : '−'}${waterIn(Math.abs(g))}` : g > 0 ? `+${g}` : `−${-g}`}
        </UnstyledButton>
      ))}
      <UnstyledButton className={classes.step} onClick={() => pour(aim)}>
        as on the card {waterIn(aim)}
      </UnstyledButton>
    </fieldset>
  )
}

function HeatControl({
  own,
  level,
  act,
  inPot,
  kind,
}: {
  own: boolean
  level: 'off' | 'lowest' | 'low' | 'medium' | 'high'
  act: (what: Omit<Act, 'id' | 'atMs'>) => void
  inPot: boolean
  kind: 'gas' | 'electric' | 'cooker' | 'pressure' | 'oven'
}) {
  return (
    <div className={classes.control}>
      <span id="knob">{own ? 'Switch' : 'Heat'}</span>
      <SegmentedControl
        aria-labelledby="knob"
        value={level}
        onChange={(value) => act({ kind: 'heat', level: value as HeatLevel })}
        disabled={!inPot}
        data={(own ? (['off', 'high'] as const) : HEAT_LEVELS).map((value) => ({
          value,
          label: own
            ? value === 'off'
              ? 'off'
              : kind === 'pressure'
                ? 'lid locked, start'
                : 'pressed'
            : LEVEL_WORDS[value],
        }))}
      />
    </div>
  )
}
