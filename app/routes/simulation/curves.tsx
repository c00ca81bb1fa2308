import { memo, useMemo } from 'react'
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import { shownInField } from '#core/units/field-units'
import { useUnits } from '../../ui/units/units'
import type { Cooked } from '../../workers/simulator'
import { stageWord } from '../../ui/drawing/stage-words'
import { stageTimes, type CookedStage } from './stage-times'
import classes from './simulation.module.css'

interface CurvesProps {
  cooked: readonly Cooked[]
  names: readonly string[]
  minute: number
}

const AXIS = { stroke: 'var(--ink-2)', fontSize: 13 } as const
/** Runs differ by their dashes as well as by their colour. */
const DASHES = [undefined, '7 4', '2 4'] as const
const PENS = ['var(--rim)', 'var(--ember)', 'var(--plum)'] as const
const POINTS = 90

type Row = { t: number } & Record<string, number>

/** Temperature, free water and cooked share over the minutes, every run in each. */
export default memo(function Curves({ cooked, names, minute }: CurvesProps) {
  const { label, unit, system } = useUnits()
  const longest = Math.max(...cooked.map((run) => run.series.tMin.at(-1)!))
  const rows = useMemo(
    () =>
      Array.from({ length: POINTS + 1 }, (_, i): Row => {
        const t = (i * longest) / POINTS
        const row: Row = { t: Number(t.toFixed(2)) }
        cooked.forEach(({ series }, r) => {
          const at = series.tMin.findIndex((m) => m >= t)
          if (at < 0) return
          row[`bulk${r}`] = Number(shownInField('temperature', series.bulkC[at]!, system).toFixed(1))
          row[`free${r}`] = Number(shownInField('mass', series.freeG[at]!, system).toFixed(1))
          row[`cooked${r}`] = Math.round(
            (100 * series.centreByLayer.reduce((sum, layer) => sum + layer[at]!, 0)) /
              series.centreByLayer.length,
          )
        })
        return row
      }),
    [cooked, longest, system],
  )
  const stages = useMemo(() => stageTimes(cooked[0]!), [cooked])
  return (
    <div className={classes.curves}>
      <Curve
        title={label('inside the rice, °C')}
        unit={unit('temperature')}
        rows={rows}
        names={names}
        of="bulk"
        minute={minute}
        stages={stages}
        longest={longest}
      />
      <Curve
        title={label('water not absorbed, g')}
        unit={unit('mass')}
        rows={rows}
        names={names}
        of="free"
        minute={minute}
        stages={stages}
        longest={longest}
      />
      <Curve
        title="centres cooked, %"
        unit="%"
        rows={rows}
        names={names}
        of="cooked"
        minute={minute}
        stages={stages}
        longest={longest}
        most={100}
      />
    </div>
  )
})

interface CurveProps {
  title: string
  unit: string
  rows: Row[]
  names: readonly string[]
  of: string
  minute: number
  stages: readonly CookedStage[]
  longest: number
  most?: number
}

/** Room the chart keeps for its left axis and its right edge, px; the stages under it keep the same. */
const AXIS_PX = 46
const LEFT_PX = -8
const RIGHT_PX = 8

function Curve({ title, unit, rows, names, of, minute, stages, longest, most }: CurveProps) {
  const { number, say } = useUnits()
  return (
    <figure className={classes.curve}>
      <figcaption className="quiet small">{title}</figcaption>
      <ResponsiveContainer width="100%" height={190} initialDimension={{ width: 360, height: 190 }}>
        <LineChart data={rows} margin={{ top: 4, right: RIGHT_PX, bottom: 4, left: LEFT_PX }}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis
            dataKey="t"
            type="number"
            domain={[0, 'dataMax']}
            {...AXIS}
            tickCount={6}
            tickFormatter={(t: number) => String(Math.round(t))}
          />
          <YAxis {...AXIS} width={AXIS_PX} domain={[0, most ?? 'auto']} />
          <Tooltip
            contentStyle={{
              background: 'var(--enamel)',
              border: '1px solid var(--line)',
              color: 'var(--ink)',
            }}
            labelFormatter={(t) => `${number(Number(t), 1)} min`}
            formatter={(v, name) => [say(`${String(v)} ${unit}`), name]}
          />
          {stages.slice(0, -1).map(({ stage, end }) => (
            <ReferenceLine key={stage.id} x={end} stroke="var(--line)" strokeDasharray="2 3" />
          ))}
          <ReferenceLine x={minute} stroke="var(--ink-2)" />
          {names.map((name, r) => (
            <Line
              key={name}
              name={name}
              dataKey={`${of}${r}`}
              stroke={PENS[r]!}
              strokeWidth={2.4}
              {...(DASHES[r] ? { strokeDasharray: DASHES[r] } : {})}
              dot={false}
              isAnimationActive={false}
              connectNulls
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
      <div
        className={classes.under}
        style={{ marginLeft: AXIS_PX + LEFT_PX, marginRight: RIGHT_PX }}
        aria-hidden
      >
        {stages.map(({ stage, start, end }) => (
          <span
            key={stage.id}
            style={{ left: `${(100 * start) / longest}%`, width: `${(100 * (end - start)) / longest}%` }}
            data-hot={stage.power_w > 0}
          >
            {stageWord(stage)}
          </span>
        ))}
      </div>
    </figure>
  )
}
