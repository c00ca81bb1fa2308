import { useMounted } from '@mantine/hooks'
import { Area, ComposedChart, Line, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { useUnits } from '../../ui/units/units'

export interface Point {
  cook: number
  mean: number
  sd: number
}

interface NarrowingProps {
  points: readonly Point[]
  unit: 'g/g' | 'times'
  /** How vague it was before any cook. */
  prior: number
  name: string
}

const HEIGHT = 150

/** A figure narrowing cook by cook: its line, and the band of one standard deviation around it. */
export function ConvergenceChart({ points, unit, prior, name }: NarrowingProps) {
  const { number } = useUnits()
  // Curves are drawn when visible; their meaning is in words from the start.
  const drawn = useMounted()
  const shown = (n: number) => (unit === 'times' ? Math.exp(n) : n)
  const first = points[0]!.cook === 1 ? [{ cook: 0, mean: 0, sd: prior }] : []
  const rows = [...first, ...points].map(({ cook, mean, sd }) => ({
    cook,
    mean: shown(mean),
    band: [shown(mean - sd), shown(mean + sd)],
  }))
  const last = rows.at(-1)!
  return (
    <div
      role="img"
      aria-label={`${name}, cook by cook: now ${number(last.mean, 2)}, between ${number(last.band[0]!, 2)} and ${number(last.band[1]!, 2)}`}
      style={{ height: HEIGHT }}
    >
      {drawn && (
        <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 300, height: HEIGHT }}>
          <ComposedChart
            data={rows}
            margin={{ top: 6, right: 8, bottom: 0, left: -14 }}
            accessibilityLayer={false}
          >
            <XAxis
              dataKey="cook"
              type="number"
              domain={['dataMin', 'dataMax']}
              allowDecimals={false}
              tick={{ fontSize: 12, fill: 'var(--ink-2)' }}
              stroke="var(--line)"
            />
            <YAxis
              width={56}
              tick={{ fontSize: 12, fill: 'var(--ink-2)' }}
              stroke="var(--line)"
              tickFormatter={(n: number) => number(n, 2)}
              domain={['auto', 'auto']}
            />
            <ReferenceLine y={shown(0)} stroke="var(--ink-2)" strokeDasharray="4 4" />
            <Area
              dataKey="band"
              stroke="none"
              fill="var(--water)"
              fillOpacity={0.35}
              isAnimationActive={false}
            />
            <Line
              dataKey="mean"
              stroke="var(--water-deep)"
              strokeWidth={2.5}
              dot={false}
              isAnimationActive={false}
            />
          </ComposedChart>
        </ResponsiveContainer>
      )}
    </div>
  )
}
