import { useId } from 'react'
import type { Variety } from '#core/grain/varieties'
import { millilitres, millimetres } from '#core/units/units'
import { diameterAt, levelOf } from '#core/vessel/shape'
import type { Vessel } from '#core/vessel/vessel'
import { useUnits } from '../../ui/units/units'
import { KernelPattern } from './grain-pattern'
import classes from './pot-inside.module.css'

/** One moment of a pot. */
export interface Moment {
  /** g/g and 0..1, bottom first. */
  uptakeByLayer: readonly number[]
  centreByLayer: readonly number[]
  freeG: number
  bulkC: number
  bottomC: number
  /** g/min */
  steam: number
}

interface PotInsideProps {
  vessel: Vessel
  variety: Variety
  dryG: number
  moment: Moment
  title: string
  /** Letters as a share of half the pot's width. */
  letters?: number
}

/** Packed cooked grain in a pot, over loose grain in a cup. */
const PACKED = 1.15
const HOT_BOTTOM_C = 108

/**
 * A pot's inside at one moment: each layer as thick as it has swollen, hatched while its centre is raw, the
 * water as high as it stands.
 */
export function PotInside({ vessel, variety, dryG, moment, title, letters = 0.12 }: PotInsideProps) {
  const { temperature } = useUnits()
  const id = useId()
  const { uptakeByLayer, centreByLayer, freeG, bulkC, bottomC, steam } = moment
  const layers = uptakeByLayer.length
  const half = vessel.rimDiameter / 2
  const volumes = uptakeByLayer.map((u) => volumeOf(variety, dryG / layers, u))
  const levels = volumes
    .reduce<number[]>((list, v, i) => [...list, (list[i - 1] ?? 0) + v], [])
    .map((v) => levelOf(vessel, millilitres(v)))
  const bed = volumes.reduce((a, b) => a + b, 0)
  const voids = bed * (1 - variety.bulkDensity / variety.kernelDensity) * 0.8
  const surface =
    freeG <= 0
      ? 0
      : freeG < voids
        ? levelOf(vessel, millilitres((bed * freeG) / voids))
        : levelOf(vessel, millilitres(bed + freeG - voids))
  const at = (level: number) => diameterAt(vessel, millimetres(Math.min(level, vessel.height))) / 2
  const slab = (from: number, to: number) =>
    `M${-at(from)} ${-from}L${at(from)} ${-from}L${at(to)} ${-to}L${-at(to)} ${-to}Z`
  const puffs = Math.min(7, Math.round(steam / 2))
  return (
    <svg
      viewBox={`${-half - 18} ${-vessel.height - 46} ${half * 2 + 36} ${vessel.height + 74}`}
      role="img"
      aria-label={title}
      className={classes.pot}
    >
      <defs>
        {uptakeByLayer.map((u, l) => (
          <KernelPattern key={l} id={`${id}-${l}`} variety={variety} swell={1 + 0.16 * u} />
        ))}
        <pattern
          id={`${id}-raw`}
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V5" className={classes.raw} />
        </pattern>
      </defs>
      <path
        d={`M${-half} ${-vessel.height}L${-vessel.baseDiameter / 2} 0H${vessel.baseDiameter / 2}L${half} ${-vessel.height}Z`}
        className={classes.inside}
      />
      {surface > 0 && <path d={slab(0, Math.min(surface, vessel.height))} className={classes.water} />}
      {levels.map((top, l) => {
        const bottom = levels[l - 1] ?? 0
        const raw = 1 - centreByLayer[l]!
        return (
          <g key={l}>
            <path d={slab(bottom, top)} fill={`url(#${id}-${l})`} className={classes.layer} />
            {raw > 0.1 && (
              <path d={slab(bottom, top)} fill={`url(#${id}-raw)`} opacity={Math.min(1, raw * 1.1)} />
            )}
          </g>
        )
      })}
      {surface > 0 && (
        <path
          d={`M${-at(surface)} ${-Math.min(surface, vessel.height)}H${at(surface)}`}
          className={classes.surface}
        />
      )}
      <path
        d={`M${-half} ${-vessel.height}L${-vessel.baseDiameter / 2} 0H${vessel.baseDiameter / 2}L${half} ${-vessel.height}`}
        className={classes.wall}
      />
      <path
        d={`M${-vessel.baseDiameter / 2} 2H${vessel.baseDiameter / 2}`}
        className={bottomC > HOT_BOTTOM_C ? classes.hot : classes.base}
      />
      {Array.from({ length: puffs }, (_, i) => (
        <path
          key={i}
          d={`M${(i - (puffs - 1) / 2) * 16} ${-vessel.height - 4}q-7 -8 0 -17q7 -9 0 -18`}
          className={classes.steam}
        />
      ))}
      <text
        x={0}
        y={14 + half * letters * 0.65}
        textAnchor="middle"
        className={classes.words}
        fontSize={half * letters}
      >
        {temperature(bulkC)}
        {bottomC > bulkC + 3 ? `, bottom ${temperature(bottomC)}` : ''}
      </text>
    </svg>
  )
}

/** A layer's volume in the pot, mL: from settled dry grain to packed cooked grain as it drinks. */
function volumeOf({ bulkDensity, cookedDensity, uptake }: Variety, g: number, u: number): number {
  const done = Math.min(1, u / uptake.standard)
  const [dry, cooked] = [g / bulkDensity, (g * (1 + u)) / (PACKED * cookedDensity)]
  return dry * (1 - done) + cooked * done
}
