import { NativeSelect } from '@mantine/core'
import { useMounted } from '@mantine/hooks'
import { useState } from 'react'
import {
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from 'recharts'
import type { Compared } from '#core/learn/beliefs'
import { WET_DRY_WORDS, wordOf } from '#core/learn/rating'
import { useUnits } from '../../ui/units/units'
import classes from '../notebook/notebook.module.css'

interface ChartsProps {
  compared: readonly Pick<Compared, 'what' | 'expected' | 'value' | 'z'>[]
  outcomes: readonly { grain: string; grainName: string; vessel: string; ratio: number; wetDry: number }[]
  boils: readonly { vessel: string; grams: number; minutes: number }[]
}

const HEIGHT = 260
const tick = { fontSize: 12, fill: 'var(--ink-2)' }

/** Whether the figures foretell what then happens; water against outcome; time to the boil. */
export function Charts({ compared, outcomes, boils }: ChartsProps) {
  const { say, number } = useUnits()
  const tasted = compared.filter((c) => c.what === 'wet-dry')
  const within = tasted.filter((c) => Math.abs(c.z) < 1).length
  const pairs = [...new Map(outcomes.map((o) => [`${o.grainName}, ${o.vessel}`, o])).keys()]
  const [pair, setPair] = useState(pairs[0] ?? '')
  const shown = outcomes.filter((o) => `${o.grainName}, ${o.vessel}` === pair)
  const pots = [...new Set(boils.map((b) => b.vessel))]
  return (
    <div className={classes.charts} style={{ marginTop: 16 }}>
      {tasted.length > 2 && <PredictedChart within={within} tasted={tasted} />}
      {pairs.length > 0 && (
        <section className={`${classes.chart} basin`} aria-label="Water and how it came out">
          <h2 className="figure">Water and how it came out</h2>
          <NativeSelect
            size="xs"
            aria-label="Which grain in which pot"
            value={pair}
            onChange={(event) => setPair(event.currentTarget.value)}
            data={pairs}
          />
          <p>{say(outcomeSentence(shown))}</p>
          <Plot label={`Water and rating, ${shown.length} batches`}>
            <ScatterChart margin={{ top: 6, right: 12, bottom: 18, left: 22 }} accessibilityLayer={false}>
              <CartesianGrid stroke="var(--line)" />
              <XAxis
                type="number"
                dataKey="ratio"
                domain={['auto', 'auto']}
                tick={tick}
                stroke="var(--line)"
                tickFormatter={(n: number) => number(n, 2)}
                label={{
                  value: 'water, times the grain’s weight',
                  position: 'insideBottom',
                  offset: -8,
                  ...tick,
                }}
              />
              <YAxis
                type="number"
                dataKey="wetDry"
                domain={[-2, 2]}
                ticks={[-2, -1, 0, 1, 2]}
                tick={tick}
                stroke="var(--line)"
                tickFormatter={(n: number) => wordOf(WET_DRY_WORDS, n)}
                width={78}
              />
              <Scatter data={shown} fill="var(--grain-edge)" shape="diamond" isAnimationActive={false} />
            </ScatterChart>
          </Plot>
        </section>
      )}
      {boils.length > 2 && <BoilChart boils={boils} pots={pots} />}
    </div>
  )
}

function PredictedChart({
  within,
  tasted,
}: {
  within: number
  tasted: Pick<Compared, 'what' | 'expected' | 'value' | 'z'>[]
}) {
  const { number } = useUnits()
  return (
    <section className={`${classes.chart} basin`} aria-label="Predicted and tasted">
      <h2 className="figure">Predicted and tasted</h2>
      <p>{`${within} of ${tasted.length} batches came out as predicted.`}</p>
      <Plot label={`Predicted and tasted water, times the grain’s weight, ${tasted.length} batches`}>
        <ScatterChart margin={{ top: 6, right: 12, bottom: 18, left: -10 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--line)" />
          <XAxis
            type="number"
            dataKey="expected"
            tick={tick}
            stroke="var(--line)"
            tickFormatter={(n: number) => number(n, 2)}
            label={{
              value: 'predicted, times its weight',
              position: 'insideBottom',
              offset: -8,
              ...tick,
            }}
          />
          <YAxis
            type="number"
            dataKey="value"
            tick={tick}
            stroke="var(--line)"
            tickFormatter={(n: number) => number(n, 2)}
          />
          <ReferenceLine
            segment={[
              { x: -0.4, y: -0.4 },
              { x: 0.4, y: 0.4 },
            ]}
            stroke="var(--ink-2)"
            strokeDasharray="4 4"
            ifOverflow="hidden"
          />
          <Scatter data={[...tasted]} fill="var(--water-deep)" isAnimationActive={false} />
        </ScatterChart>
      </Plot>
    </section>
  )
}

function BoilChart({ boils, pots }: { boils: ChartsProps['boils']; pots: string[] }) {
  const { label } = useUnits()
  return (
    <section className={`${classes.chart} basin`} aria-label="Time to the boil">
      <h2 className="figure">Time to the boil</h2>
      <p>Fuller pots take longer; one symbol per pot.</p>
      <Plot label={`Weight in the pot and minutes to the boil, ${boils.length} batches`}>
        <ScatterChart margin={{ top: 6, right: 12, bottom: 18, left: -10 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--line)" />
          <XAxis
            type="number"
            dataKey="grams"
            tick={tick}
            stroke="var(--line)"
            label={{ value: label('grain and water, g'), position: 'insideBottom', offset: -8, ...tick }}
          />
          <YAxis type="number" dataKey="minutes" tick={tick} stroke="var(--line)" />
          {pots.map((pot, i) => (
            <Scatter
              key={pot}
              name={pot}
              data={boils.filter((b) => b.vessel === pot)}
              fill="var(--ember)"
              shape={SHAPES[i % SHAPES.length]!}
              isAnimationActive={false}
            />
          ))}
        </ScatterChart>
      </Plot>
      <p className="quiet small">
        {pots.map((pot, i) => `${SHAPE_WORDS[i % SHAPES.length]} ${pot}`).join(', ')}
      </p>
    </section>
  )
}

const SHAPES = ['circle', 'triangle', 'square', 'diamond', 'cross', 'star'] as const
const SHAPE_WORDS = ['●', '▲', '■', '◆', '✚', '★'] as const

function Plot({ label, children }: { label: string; children: React.ReactElement }) {
  const drawn = useMounted()
  return (
    <div role="img" aria-label={label} style={{ height: HEIGHT }}>
      {drawn && (
        <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 300, height: HEIGHT }}>
          {children}
        </ResponsiveContainer>
      )}
    </div>
  )
}

function outcomeSentence(shown: ChartsProps['outcomes']): string {
  const right = shown.filter((o) => o.wetDry === 0).map((o) => o.ratio)
  if (right.length === 0)
    return `${shown.length === 1 ? 'One batch' : `${shown.length} batches`}, none rated right yet.`
  const [low, high] = [Math.min(...right), Math.max(...right)]
  return low === high || right.length === 1
    ? `Right at ${low.toFixed(2)} times its weight.`
    : `Right from ${low.toFixed(2)} to ${high.toFixed(2)} times its weight; larger batches need less.`
}
