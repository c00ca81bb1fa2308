import { useMemo } from 'react'
import type { Variety } from '#core/grain/varieties'
import { celsius } from '#core/units/units'
import { soakCurve } from '#core/water/soak-curve'
import { soakVerdict, soakWindow } from '#core/water/soak-window'
import { useUnits } from '../../ui/units/units'
import { Range } from '../../ui/forms/range'
import type { PlanState } from '../../planning/plan-state'
import classes from './soak-curve.module.css'

const [WIDTH, HEIGHT] = [240, 46]
const POINTS = 24
const WORDS = {
  'too-short': 'too short to make a difference',
  right: 'right',
  fragile: 'fully soaked, grains may break',
  souring: 'it would turn sour',
} as const

/**
 * What the grain drinks over time at this warmth, where it is worth it and where it ends; the minutes are
 * moved along it.
 */
export default function SoakCurve({
  variety,
  soak,
  onMinutes,
}: {
  variety: Variety
  soak: NonNullable<PlanState['soak']>
  onMinutes: (minutes: number) => void
}) {
  const { temperature } = useUnits()
  const warm = celsius(soak.celsius)
  const window = useMemo(() => soakWindow(variety, celsius(soak.celsius)), [variety, soak.celsius])
  const most = Math.min(
    1440,
    Math.max(60, Math.round((window.from * 4) / 10) * 10, Math.ceil(soak.minutes / 60) * 60),
  )
  const curve = useMemo(
    () =>
      soakCurve(
        { ...variety, most: variety.uptake.most },
        celsius(soak.celsius),
        Array.from({ length: POINTS + 1 }, (_, i) => (i * most) / POINTS),
      ),
    [variety, soak.celsius, most],
  )
  const now = soakCurve({ ...variety, most: variety.uptake.most }, warm, [soak.minutes])[0]!
  const x = (minutes: number) => (Math.min(minutes, most) / most) * WIDTH
  const y = (u: number) => HEIGHT - 3 - (u / variety.soakLimit) * (HEIGHT - 8)
  const end = Math.min(window.fragileFrom, window.souringFrom)
  const said = WORDS[soakVerdict(window, soak.minutes)]
  return (
    <div className={classes.soak}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`${soak.minutes} minutes: ${Math.round(now * 100)} % of its weight absorbed, ${said}`}
      >
        <rect
          x={x(window.from)}
          y={0}
          width={Math.max(0, x(end) - x(window.from))}
          height={HEIGHT}
          className={classes.right}
        />
        <path
          d={curve
            .map((u, i) => `${i === 0 ? 'M' : 'L'}${((i / POINTS) * WIDTH).toFixed(1)} ${y(u).toFixed(1)}`)
            .join('')}
          className={classes.curve}
        />
        <circle cx={x(soak.minutes)} cy={y(now)} r={4.5} className={classes.now} />
      </svg>
      <Range
        label="Minutes of soaking"
        value={Math.min(soak.minutes, most)}
        min={5}
        max={most}
        step={most > 240 ? 30 : 5}
        says={`${soak.minutes} minutes`}
        onChange={onMinutes}
      />
      <p>
        {soak.minutes < 120 ? `${soak.minutes} min` : `${Math.round(soak.minutes / 6) / 10} h`} at{' '}
        {temperature(soak.celsius)}: {Math.round(now * 100)} % of its weight absorbed, {said}
      </p>
    </div>
  )
}
