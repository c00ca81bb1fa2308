import type { Stage } from '#core/plan/result'
import type { HeatRibbonProps } from '../../ui/drawing/heat-ribbon'
import { windowWord } from '#core/plan/window-word'
import { heatHeight, stageMatter } from '../../ui/drawing/stage-words'
import { Range } from '../../ui/forms/range'
import { useUnits } from '../../ui/units/units'
import classes from './stage-list.module.css'

interface StagesUprightProps {
  stages: readonly Stage[]
  times: readonly { start: number; end: number }[]
  clockAt: (minute: number) => string
  placeOf?: (stage: Stage) => string | undefined
  /** A minute can be looked into. */
  scrub: NonNullable<HeatRibbonProps['scrub']>
}

/** The ribbon turned upright for a phone: time runs down, heat is width. */
export function StagesUpright({ stages, times, clockAt, placeOf, scrub }: StagesUprightProps) {
  const { say } = useUnits()
  const most = Math.round(times.reduce((latest, t) => Math.max(latest, t.end), 0))
  return (
    <>
      <div className={classes.look}>
        <span>See the pot at</span>
        <Range
          label="See the pot at minute"
          min={0}
          max={most}
          value={Math.round(scrub.minute ?? 0)}
          says={clockAt(scrub.minute ?? 0)}
          onChange={scrub.onMinute}
        />
      </div>
      <ol className={classes.list}>
        {stages.map((stage, i) => (
          <li key={stage.id} data-matter={stageMatter(stage)} data-ends={stage.ends_on}>
            <span className={classes.hour}>{clockAt(times[i]!.start)}</span>
            <span className={classes.heat} aria-hidden>
              <i style={{ width: `${Math.max(8, heatHeight(stage) * 100)}%` }} />
            </span>
            <span className={classes.words}>
              <b>{stage.title}</b>
              <span className="quiet">
                {say(windowWord(stage.minutes, stage.ends_on))}
                {stage.cue && `, until ${stage.cue}`}
                {placeOf?.(stage) && `, setting ${placeOf(stage)}`}
              </span>
            </span>
          </li>
        ))}
        <li className={classes.table}>
          <span className={classes.hour}>{clockAt(times[times.length - 1]?.end ?? 0)}</span>
          <span />
          <b>Serve</b>
        </li>
      </ol>
    </>
  )
}
