import { useId, useRef, useState, type KeyboardEvent } from 'react'
import { GOOD_OUTCOMES, OUTCOMES, type OutcomeWord } from '#core/simulate/outcome-word'
import type { OutcomeMap } from '#core/simulate/outcome-map'
import { useUnits } from '../../ui/units/units'
import classes from './outcome-chart.module.css'

interface OutcomeChartProps {
  map: OutcomeMap
  /** Takes the pot to a point of the chart. */
  onPick: (pourG: number, minutes: number) => void
}

const CELL = { w: 24, h: 19 }
const PAD = { left: 58, top: 8, bottom: 40, right: 8 }
const WORDS: Record<OutcomeWord, string> = {
  good: 'good',
  soft: 'good, soft',
  firm: 'good, firm',
  wet: 'wet',
  mush: 'mush',
  dry: 'dry',
  hard: 'hard in the middle',
  uneven: 'uneven',
  scorched: 'scorched',
}

/** The place in a list that comes nearest to a figure. */
const nearest = (list: readonly number[], to: number): number =>
  list.reduce((best, n, i) => (Math.abs(n - to) < Math.abs(list[best]! - to) ? i : best), 0)

/**
 * How the pot ends over water and minutes. Each outcome has a mark of its own besides its colour; the ring is
 * this pot.
 */
export function OutcomeChart({ map, onPick }: OutcomeChartProps) {
  const { label, say } = useUnits()
  const { pours, minutes, cells, at, stage } = map
  const id = useId()
  const grid = useRef<SVGGElement>(null)
  const [focus, setFocus] = useState({ x: nearest(pours, at.pourG), y: nearest(minutes, at.minutes) })
  const width = PAD.left + pours.length * CELL.w + PAD.right
  const height = PAD.top + minutes.length * CELL.h + PAD.bottom
  // Minutes grow upward.
  const left = (i: number) => PAD.left + i * CELL.w
  const top = (j: number) => PAD.top + (minutes.length - 1 - j) * CELL.h
  const place = (list: readonly number[], n: number) =>
    ((n - list[0]!) / (list.at(-1)! - list[0]!)) * (list.length - 1)
  const present = OUTCOMES.filter((word) => cells.some((row) => row.includes(word)))
  const move = (event: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key]
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      onPick(Math.round(pours[focus.x]!), minutes[focus.y]!)
    }
    if (!by) return
    event.preventDefault()
    const next = {
      x: Math.min(pours.length - 1, Math.max(0, focus.x + by[0]!)),
      y: Math.min(minutes.length - 1, Math.max(0, focus.y + by[1]!)),
    }
    setFocus(next)
    grid.current?.querySelector<SVGGElement>(`[data-at="${next.x}-${next.y}"]`)?.focus()
  }
  return (
    <figure className={classes.chart}>
      <svg viewBox={`0 0 ${width} ${height}`} className={classes.svg}>
        <defs>
          {OUTCOMES.map((word) => (
            <pattern key={word} id={`${id}-${word}`} width="8" height="8" patternUnits="userSpaceOnUse">
              <Mark word={word} />
            </pattern>
          ))}
        </defs>
        <g
          role="grid"
          aria-label={`How it ends, by water and by minutes of ${stage.toLowerCase()}`}
          ref={grid}
          onKeyDown={move}
        >
          <Cells
            cells={cells}
            minutes={minutes}
            pours={pours}
            focus={focus}
            onPick={onPick}
            setFocus={setFocus}
            left={left}
            top={top}
            id={id}
          />
        </g>
        <Ticks pours={pours} left={left} height={height} minutes={minutes} top={top} />
        <text
          x={PAD.left + (pours.length * CELL.w) / 2}
          y={height - 6}
          textAnchor="middle"
          className={classes.axis}
        >
          {label('water poured, g')}
        </text>
        <text
          transform={`translate(14 ${PAD.top + (minutes.length * CELL.h) / 2}) rotate(-90)`}
          textAnchor="middle"
          className={classes.axis}
        >
          {`${stage.toLowerCase().split(',')[0]!}, min`}
        </text>
        <circle
          cx={left(place(pours, at.pourG)) + CELL.w / 2}
          cy={top(place(minutes, at.minutes)) + CELL.h / 2}
          r={8}
          className={classes.here}
        />
      </svg>
      <figcaption className={classes.legend}>
        {present.map((word) => (
          <span key={word}>
            <svg viewBox="0 0 24 16" width="24" height="16" aria-hidden>
              <rect width="24" height="16" data-outcome={word} className={classes.ground} />
              <rect width="24" height="16" fill={`url(#${id}-${word})`} />
            </svg>
            {WORDS[word]}
          </span>
        ))}
        <span>
          <svg viewBox="0 0 24 16" width="24" height="16" aria-hidden>
            <circle cx="12" cy="8" r="6" className={classes.here} />
          </svg>
          this pot
        </span>
      </figcaption>
      <p>{say(roomWords(map))}</p>
    </figure>
  )
}

/** One cell for each water and minutes; they are walked by arrow keys. */
function Cells({
  cells,
  minutes,
  pours,
  focus,
  onPick,
  setFocus,
  left,
  top,
  id,
}: {
  cells: ('good' | 'soft' | 'firm' | 'wet' | 'mush' | 'dry' | 'hard' | 'uneven' | 'scorched')[][]
  minutes: number[]
  pours: number[]
  focus: { x: number; y: number }
  onPick: (pourG: number, minutes: number) => void
  setFocus: (next: { x: number; y: number }) => void
  left: (i: number) => number
  top: (j: number) => number
  id: string
}) {
  const { waterIn, number } = useUnits()
  return (
    <>
      {cells.map((row, j) => (
        <g role="row" key={minutes[j]}>
          {row.map((word, i) => (
            <g
              key={pours[i]}
              role="gridcell"
              data-at={`${i}-${j}`}
              tabIndex={focus.x === i && focus.y === j ? 0 : -1}
              aria-label={`${waterIn(Math.round(pours[i]!))}, ${number(minutes[j]!, 1)} min: ${WORDS[word]}`}
              className={classes.cell}
              onClick={() => onPick(Math.round(pours[i]!), minutes[j]!)}
              onFocus={() => setFocus({ x: i, y: j })}
            >
              <title>{`${waterIn(Math.round(pours[i]!))}, ${number(minutes[j]!, 1)} min: ${WORDS[word]}`}</title>
              <rect
                x={left(i)}
                y={top(j)}
                width={CELL.w}
                height={CELL.h}
                data-outcome={word}
                className={classes.ground}
              />
              <rect x={left(i)} y={top(j)} width={CELL.w} height={CELL.h} fill={`url(#${id}-${word})`} />
            </g>
          ))}
        </g>
      ))}
    </>
  )
}

/** Figures along both axes. */
function Ticks({
  pours,
  left,
  height,
  minutes,
  top,
}: {
  pours: number[]
  left: (i: number) => number
  height: number
  minutes: number[]
  top: (j: number) => number
}) {
  const { shown, number } = useUnits()
  return (
    <>
      {pours.map(
        (g, i) =>
          i % 3 === 0 && (
            <text
              key={g}
              x={left(i) + CELL.w / 2}
              y={height - PAD.bottom + 16}
              textAnchor="middle"
              className={classes.tick}
            >
              {shown('mass', Math.round(g))}
            </text>
          ),
      )}
      {minutes.map(
        (m, j) =>
          j % 2 === 0 && (
            <text
              key={m}
              x={PAD.left - 6}
              y={top(j) + CELL.h / 2 + 4}
              textAnchor="end"
              className={classes.tick}
            >
              {number(m, m < 10 ? 1 : 0)}
            </text>
          ),
      )}
    </>
  )
}

/** The row and the column through this pot, in words. */
function roomWords({ pours, minutes, cells, at }: OutcomeMap): string {
  const [x, y] = [nearest(pours, at.pourG), nearest(minutes, at.minutes)]
  const run = (good: (i: number) => boolean, from: number, n: number): [number, number] | undefined => {
    if (!good(from)) return undefined
    let [low, high] = [from, from]
    while (low > 0 && good(low - 1)) low--
    while (high < n - 1 && good(high + 1)) high++
    return [low, high]
  }
  const across = run((i) => GOOD_OUTCOMES.has(cells[y]![i]!), x, pours.length)
  const up = run((j) => GOOD_OUTCOMES.has(cells[j]![x]!), y, minutes.length)
  if (!across || !up) return 'This amount is outside the good area. Tap a point to move there.'
  return `With these minutes it ends well from ${Math.round(pours[across[0]]!)} to ${Math.round(pours[across[1]]!)} g water; with this amount from ${minutes[up[0]]!.toFixed(1)} to ${minutes[up[1]]!.toFixed(1)} min. Press a point to go there.`
}

/** Marks that distinguish outcomes without colour. */
function Mark({ word }: { word: OutcomeWord }) {
  switch (word) {
    case 'good':
      return null
    case 'firm':
      return <circle cx="4" cy="4" r="1" className={classes.dot} />
    case 'soft':
      return <path d="M1 4h6" className={classes.line} />
    case 'wet':
      return <path d="M0 4q2 -4 4 0t4 0" className={classes.line} />
    case 'mush':
      return <path d="M0 2q2 -4 4 0t4 0M0 6q2 -4 4 0t4 0" className={classes.line} />
    case 'dry':
      return <path d="M4 1v6" className={classes.line} />
    case 'hard':
      return <circle cx="4" cy="4" r="2.2" className={classes.line} />
    case 'uneven':
      return <path d="M0 8L8 0" className={classes.line} />
    case 'scorched':
      return <path d="M1 1l6 6M7 1l-6 6" className={classes.line} />
  }
}
