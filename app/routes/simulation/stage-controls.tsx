import { Button, NumberInput, UnstyledButton } from '@mantine/core'
import { SIMULATE_LIMITS } from '#core/contract/simulate'
import { deliveredPower, type HeatLevel, type HeatSource } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'
import type { StageChange } from '#core/simulate/changes'
import type { CookedStage } from './stage-times'
import classes from './simulation.module.css'

interface StageKeysProps {
  at: CookedStage
  change: StageChange | undefined
  source: HeatSource
  /** Of the pot at the boil, W. */
  standingLossW: number
  onChange: (change: StageChange | null) => void
}

const LEVELS: readonly HeatLevel[] = ['off', 'lowest', 'low', 'medium', 'high']
const LIDS: readonly LidPosition[] = ['on', 'ajar', 'off']
const LID_WORDS: Record<LidPosition, string> = { on: 'lid on', ajar: 'lid ajar', off: 'lid off' }
/** A sealed vessel has its lid shut. */
const SEALED = new Set(['pressure-up', 'pressure', 'release'])
/** Power is taken for a level when it is this near, W. */
const NEAR_W = 8

/** One stage's form: its heat, its lid, its minutes; everything that can be dragged on the ribbon. */
export function StageKeys({
  at: { stage, start, end },
  change,
  source,
  standingLossW,
  onChange,
}: StageKeysProps) {
  const powerW = change?.powerW ?? stage.power_w
  const lid = change?.lid ?? stage.lid
  return (
    <div className={classes.keys} role="group" aria-label={stage.title}>
      <p className={classes.keysTitle}>
        <b>{stage.title}</b>{' '}
        <span className="quiet">
          {Math.round(powerW)} W
          {change?.minutes === undefined && stage.ends_on === 'cue' ? ', until the sign' : ''}
        </span>
      </p>
      <div className="chips" role="group" aria-label="Its heat">
        {LEVELS.map((level) => {
          const w = deliveredPower(source, level, standingLossW)
          return (
            <UnstyledButton
              key={level}
              className="chip"
              aria-pressed={Math.abs(w - powerW) < NEAR_W}
              onClick={() => onChange({ powerW: Math.round(w) })}
            >
              {level}
            </UnstyledButton>
          )
        })}
      </div>
      {!SEALED.has(stage.kind) && (
        <div className="chips" role="group" aria-label="Its lid">
          {LIDS.map((position) => (
            <UnstyledButton
              key={position}
              className="chip"
              aria-pressed={lid === position}
              onClick={() => onChange({ lid: position })}
            >
              {LID_WORDS[position]}
            </UnstyledButton>
          ))}
        </div>
      )}
      <NumberInput
        size="xs"
        w={104}
        aria-label={`Minutes of ${stage.title}`}
        suffix=" min"
        decimalScale={1}
        allowNegative={false}
        max={SIMULATE_LIMITS.minutes[1]}
        step={1}
        value={Number((change?.minutes ?? end - start).toFixed(1))}
        onChange={(value) =>
          typeof value === 'number' &&
          value !== Number((end - start).toFixed(1)) &&
          onChange({ minutes: value })
        }
      />
      {change && (
        <Button size="xs" variant="default" onClick={() => onChange(null)}>
          As planned
        </Button>
      )}
    </div>
  )
}
