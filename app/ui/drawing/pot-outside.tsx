import type { HeatLevel } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'
import type { Vessel } from '#core/vessel/vessel'
import { heatHeight } from './stage-words'
import classes from './pot-outside.module.css'

interface PotOutsideProps {
  vessel: Vessel
  lid: LidPosition
  level: HeatLevel
  /** g/min */
  steam: number
  title: string
}

const FLAMES = 7
const MAX_STRANDS = 6
const LID_MM = 9

/**
 * A pot as it stands on the stove: its own shape, how hot it is by how tall the heat is, the lid where it is,
 * and what steam gets out.
 */
export function PotOutside({ vessel, lid, level, steam, title }: PotOutsideProps) {
  const { rimDiameter: rim, baseDiameter: base, height } = vessel
  const half = rim / 2
  const strands = Math.min(MAX_STRANDS, Math.ceil(steam / 3))
  const heat = level === 'off' ? 0 : heatHeight({ heat: level, kind: 'simmer' }) * 34
  const lidAt = {
    on: 'translate(0 0)',
    ajar: `translate(${half * 0.16} -10) rotate(-9)`,
    off: `translate(${half + 22} ${-half * 0.86}) rotate(84) translate(0 ${height})`,
  }[lid]
  return (
    <svg
      viewBox={`${-half - 20} ${-height - 70} ${rim + 90} ${height + 118}`}
      role="img"
      aria-label={title}
      className={classes.pot}
    >
      {Array.from({ length: FLAMES }, (_, i) => {
        const x = ((i + 0.5) / FLAMES - 0.5) * base * 0.86
        return (
          heat > 0 && (
            <path
              key={i}
              d={`M${x - 6} 40Q${x - 7} ${40 - heat * 0.6} ${x} ${40 - heat}Q${x + 7} ${40 - heat * 0.6} ${x + 6} 40Z`}
              className={classes.heat}
            />
          )
        )
      })}
      <path d={`M${-base / 2 - 10} 41H${base / 2 + 10}`} className={classes.grate} />
      <path
        d={`M${-half} ${-height}L${-base / 2} 0H${base / 2}L${half} ${-height}Z`}
        className={classes.body}
      />
      <path d={`M${-half - 5} ${-height}H${half + 5}`} className={classes.rim} />
      {Array.from({ length: strands }, (_, i) => {
        const x = ((i + 0.5) / Math.max(1, strands) - 0.5) * rim * 0.8
        return <path key={i} d={`M${x} ${-height - 20}q-7 -10 0 -20t0 -20`} className={classes.steam} />
      })}
      <g transform={lidAt}>
        <path
          d={`M${-half} ${-height - 3}Q0 ${-height - LID_MM - 12} ${half} ${-height - 3}Z`}
          className={classes.lid}
        />
        <path d={`M-7 ${-height - LID_MM - 3}h14`} className={classes.knob} />
      </g>
    </svg>
  )
}
