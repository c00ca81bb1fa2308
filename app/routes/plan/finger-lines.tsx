import {
  CartesianGrid,
  Legend,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import type { FingerStudy } from '#core/plan/finger-study'
import { useUnits } from '../../ui/units/units'

const AXIS = { stroke: 'var(--ink-2)', fontSize: 13 } as const

/** Water in the grain over the batch, with the range from firm to soft. */
export default function FingerLines({ study }: { study: FingerStudy }) {
  const { label, mass, say, number } = useUnits()
  const { points, firm, standard, soft } = study
  const top = Math.min(Math.max(soft * 1.6, points[0]!.deepAgain * 1.1), points[0]!.crease)
  const rows = points.map((p) => ({
    g: Math.round(p.dryG),
    crease: p.crease <= top * 1.02 ? Number(p.crease.toFixed(2)) : null,
    again: Number(p.deepAgain.toFixed(2)),
  }))
  return (
    <ResponsiveContainer width="100%" height={300} initialDimension={{ width: 500, height: 300 }}>
      <LineChart data={rows} margin={{ top: 8, right: 12, bottom: 18, left: 0 }}>
        <CartesianGrid stroke="var(--line)" vertical={false} />
        <ReferenceArea
          y1={firm}
          y2={soft}
          fill="var(--water)"
          fillOpacity={0.28}
          label={{ value: 'firm to soft', position: 'insideBottomRight', fill: 'var(--ink)', fontSize: 13 }}
        />
        <ReferenceLine y={standard} stroke="var(--water-deep)" strokeDasharray="5 4" />
        <XAxis
          dataKey="g"
          type="number"
          domain={['dataMin', 'dataMax']}
          {...AXIS}
          tickCount={6}
          label={{
            value: label('dry grain, g'),
            position: 'insideBottom',
            offset: -10,
            fill: 'var(--ink-2)',
            fontSize: 13,
          }}
        />
        <YAxis
          domain={[Math.max(0, firm * 0.5), Number(top.toFixed(1))]}
          {...AXIS}
          width={44}
          tickFormatter={(v: number) => number(v, 1)}
        />
        <Tooltip
          contentStyle={{ background: 'var(--enamel)', border: '1px solid var(--line)', color: 'var(--ink)' }}
          labelFormatter={(g) => `${mass(Number(g))} of grain`}
          formatter={(u, name) => [say(`${String(u)} times its weight`), name]}
        />
        <Legend
          verticalAlign="top"
          height={28}
          formatter={(text: string) => <span style={{ color: 'var(--ink)' }}>{text}</span>}
        />
        <Line
          name="your finger joint"
          dataKey="crease"
          stroke="var(--rim)"
          strokeWidth={3}
          dot={false}
          isAnimationActive={false}
        />
        <Line
          name="as deep as the grain"
          dataKey="again"
          stroke="var(--ember)"
          strokeWidth={2.5}
          strokeDasharray="3 5"
          dot={false}
          isAnimationActive={false}
        />
      </LineChart>
    </ResponsiveContainer>
  )
}
