import { useElementSize } from '@mantine/hooks'
import { useId, useRef } from 'react'
import type { Stage } from '#core/plan/result'
import { layRibbon, minuteAtPlace, type RibbonStage } from './ribbon-layout'
import { windowWord } from '#core/plan/window-word'
import { heatHeight, stageMatter, stageWord } from './stage-words'
import { useUnits } from '../units/units'
import classes from './heat-ribbon.module.css'

export interface HeatRibbonProps {
  stages: readonly Stage[]
  /** Start and end of each stage in minutes, in the stages' order. */
  times: readonly { start: number; end: number }[]
  /** The clock at a minute. */
  clockAt: (minute: number) => string
  /** Where now is, minutes; a line is drawn there. */
  nowMinute?: number
  /** The now-line is at this share of the width, and the ribbon slides under it. */
  nowAt?: number
  /** The cook's own name for a stage's heat. */
  placeOf?: (stage: Stage) => string | undefined
  height?: number
  /** Short stages are drawn as short as they are, to compare ribbons. */
  trueToTime?: boolean
  /** The serving hour can be moved, by so many minutes. */
  onServe?: ((minutes: number) => void) | undefined
  /** A minute can be looked into; undefined: none is. */
  scrub?: { minute: number | undefined; onMinute: (minute: number | undefined) => void; says: string }
}

const TOP = 40
const BOTTOM = 34
/** A piece narrower than this has no room for its words, px. */
const ROOM_FOR_WORD = 52
/** A heat lower than this has no room for minutes over what goes on in front of it, px. */
const ROOM_FOR_MINUTES = 60
/** The start's own hour needs so much room, px. */
const START_LABEL_PX = 70
const PX_PER_LETTER = 7.2
/** An hour as it is written over the ribbon, and how far it stays from the line of now, px. */
const HOUR_PX = 40
const FROM_NOW_PX = 10

/** Where an hour is written, so that the line of now does not cross it: beside it, on the nearer side. */
export function hourPlace(x: number, now: number | undefined): number {
  if (now === undefined || now <= x - FROM_NOW_PX || now >= x + HOUR_PX + FROM_NOW_PX) return x
  return now < x + HOUR_PX / 2 ? now + FROM_NOW_PX : now - FROM_NOW_PX - HOUR_PX
}

/** In which order stages are drawn, and which of them share their time with others. */
function arrangementOf(
  stages: readonly Stage[],
  times: readonly { start: number; end: number }[],
): { order: number[]; overlaps: (i: number) => boolean; silent: (i: number) => boolean } {
  const overlap = (i: number, o: number) =>
    times[o]!.start < times[i]!.end - 1e-6 && times[o]!.end > times[i]!.start + 1e-6
  return {
    // Hands-on work is drawn in front of heat at the same time.
    order: stages
      .map((_, i) => i)
      .sort((a, b) => Number(stages[a]!.heat === 'off') - Number(stages[b]!.heat === 'off') || a - b),
    overlaps: (i) => stages.some((_, o) => o !== i && overlap(i, o)),
    // Two hands-on steps at once have room for the words of one.
    silent: (i) =>
      stages[i]!.heat === 'off' && stages.some((s, o) => o < i && s.heat === 'off' && overlap(i, o)),
  }
}

/** The whole batch from its start to serving: height is heat, the top edge is the lid, a wavy end waits for a sign. */
export function HeatRibbon({
  stages,
  times,
  clockAt,
  nowMinute,
  placeOf: knobOf,
  onServe,
  scrub,
  trueToTime = false,
  nowAt,
  height = 168,
}: HeatRibbonProps) {
  const hatch = useId()
  const { ref, width: measured } = useElementSize<HTMLDivElement>()
  const width = measured || 1240
  const { pieces, placeOf } = layRibbon(
    stages.map((stage, i): RibbonStage => ({
      id: stage.id,
      ...times[i]!,
      wait: !stage.hands_on && stage.heat === 'off',
    })),
    trueToTime ? 0 : undefined,
    nowAt !== undefined && nowMinute !== undefined ? { minute: nowMinute, at: nowAt } : undefined,
  )
  const { say } = useUnits()
  const { order, overlaps, silent } = arrangementOf(stages, times)
  const floor = height - BOTTOM
  const tall = floor - TOP
  const table = width - 16
  const px = (share: number) => 8 + share * (table - 8)
  const ends = times.reduce((latest, t) => Math.max(latest, t.end), 0)
  const nowX = nowMinute === undefined ? undefined : px(placeOf(nowMinute))
  const spoken = stages.map((s) => `${stageWord(s)} ${say(windowWord(s.minutes, s.ends_on))}`).join(', ')
  return (
    <div ref={ref} className={classes.frame} style={{ height }}>
      <svg
        width={width}
        height={height}
        role={onServe || scrub ? 'group' : 'img'}
        aria-label={`From start to serving: ${spoken}`}
        className={classes.ribbon}
      >
        <Hatches hatch={hatch} />
        {order.map((i) => (
          <StagePiece
            key={stages[i]!.id}
            stage={stages[i]!}
            x={px(pieces[i]!.x)}
            right={px(pieces[i]!.x + pieces[i]!.width)}
            folded={pieces[i]!.folded}
            floor={floor}
            tall={tall}
            hatch={hatch}
            place={knobOf?.(stages[i]!)}
            silent={silent(i)}
            inFront={stages[i]!.heat !== 'off' && overlaps(i)}
          />
        ))}
        <text x={hourPlace(Math.max(8, px(pieces[0]?.x ?? 0)), nowX)} y={14} className={classes.minutes}>
          {clockAt(times[0]?.start ?? 0)}
        </text>
        {stages.map((stage, i) => {
          const hot = stage.power_w > 0 && !(stages[i - 1] && stages[i - 1]!.power_w > 0)
          return (
            hot &&
            px(pieces[i]!.x) > Math.max(8, px(pieces[0]!.x)) + START_LABEL_PX && (
              <text key={stage.id} x={hourPlace(px(pieces[i]!.x), nowX)} y={14} className={classes.hour}>
                {clockAt(times[i]!.start)}
              </text>
            )
          )
        })}
        <path d={`M8 ${floor}H${table}`} className={classes.floor} />
        {nowX !== undefined && (
          <g>
            <path d={`M${nowX} 6V${floor + 8}`} className={classes.now} />
            {nowAt !== undefined && <path d={`M${nowX - 7} 2h14l-7 9z`} className={classes.nowTip} />}
          </g>
        )}
        <path d={`M${table} 16V${floor + 10}M${table - 10} 16h20`} className={classes.table} />
        {scrub && (
          <Scrub
            {...scrub}
            left={px(0)}
            right={table - 26}
            xOf={(minute) => px(placeOf(minute))}
            minuteOf={(x) => minuteAtPlace(placeOf, (x - 8) / (table - 8), ends)}
            most={ends}
            floor={floor}
          />
        )}
        {onServe && <Hour x={table} height={height} said={clockAt(ends)} onServe={onServe} />}
        <text x={table - 14} y={14} textAnchor="end" className={classes.tableHour}>
          {`serve ${clockAt(ends)}`}
        </text>
      </svg>
    </div>
  )
}

/** Patterns for rest and for an end that may come early. */
function Hatches({ hatch }: { hatch: string }) {
  return (
    <defs>
      <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="7" height="7" className={classes.restFill} />
        <path d="M0 0V7" className={classes.restLine} />
      </pattern>
      <pattern
        id={`${hatch}-unsure`}
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(-45)"
      >
        <path d="M0 0V6" className={classes.unsure} />
      </pattern>
    </defs>
  )
}

/** One stage of the ribbon: its body, lid, end, words and minutes. Lengths in px. */
function StagePiece({
  stage,
  x,
  right,
  folded,
  floor,
  tall,
  hatch,
  place,
  silent,
  inFront,
}: {
  stage: Stage
  x: number
  right: number
  folded: boolean
  floor: number
  tall: number
  /** The id of the hatch pattern. */
  hatch: string
  /** The knob's setting, where it is known. */
  place: string | undefined
  silent: boolean
  /** Something hands-on is drawn in front of this heat. */
  inFront: boolean
}) {
  const w = right - x
  const matter = stageMatter(stage)
  const y = floor - Math.max(8, heatHeight(stage) * tall)
  const room = w > ROOM_FOR_WORD && !silent
  const named = place === undefined ? stageWord(stage) : `${stageWord(stage)}, setting ${place}`
  const word = named.length * PX_PER_LETTER < w - 6 ? named : stageWord(stage)
  const { say } = useUnits()
  const minutes = say(windowWord(stage.minutes, stage.ends_on))
  return (
    <g data-matter={matter} className={classes.stage}>
      <title>{`${stage.title}: ${minutes}`}</title>
      <path
        d={
          stage.ends_on === 'clock' ? `M${x} ${floor}V${y}H${right}V${floor}Z` : openEnded(x, y, right, floor)
        }
        className={classes.body}
        fill={matter === 'rest' ? `url(#${hatch})` : undefined}
      />
      <LidEdge lid={stage.lid} x={x} right={right} y={y} hot={matter === 'heat' || matter === 'rest'} />
      {stage.ends_on === 'clock' && <path d={`M${right} ${y}V${floor}`} className={classes.closed} />}
      {w > 0 && (
        <Unsure stage={stage} x={x} right={right} y={y} floor={floor} fill={`url(#${hatch}-unsure)`} />
      )}
      {folded && <Tear x={x + w / 2} y={y} floor={floor} />}
      {stage.hands_on && <path d={`M${x + 3} ${floor + 4}H${right - 3}`} className={classes.hands} />}
      {room && (
        <text x={x + 6} y={Math.min(y - 7, floor - 18)} className={classes.word}>
          {word.length * PX_PER_LETTER < w - 6 ? word : ''}
        </text>
      )}
      {minutes.length * PX_PER_LETTER < w - 4 && !silent && !(inFront && floor - y < ROOM_FOR_MINUTES) && (
        <text x={x + 6} y={inFront ? y + 18 : floor + 20} className={classes.minutes}>
          {minutes}
        </text>
      )}
    </g>
  )
}

/** The end of a stage that may come early: hatched from the earliest to the expected. */
function Unsure({
  stage,
  x,
  right,
  y,
  floor,
  fill,
}: {
  stage: Stage
  x: number
  right: number
  y: number
  floor: number
  fill: string
}) {
  const { low, expected } = stage.minutes
  if (stage.heat === 'off' || !(expected > 0) || expected - low < 0.5) return null
  return (
    <path
      d={`M${right - ((expected - low) / expected) * (right - x)} ${y}H${right}V${floor}H${right - ((expected - low) / expected) * (right - x)}Z`}
      fill={fill}
    />
  )
}

/** Minutes a serving hour moves by, at a key and for each stretch of a drag. */
const HOUR_STEP = 5
const PX_PER_STEP = 14

/** Drags the serving time: left is sooner, right later. */
function Hour({
  x,
  height,
  said,
  onServe,
}: {
  x: number
  height: number
  said: string
  onServe: (minutes: number) => void
}) {
  const from = useRef<number | undefined>(undefined)
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label="Serving time"
      aria-valuenow={0}
      aria-valuetext={said}
      className={classes.serve}
      onKeyDown={(event) => {
        const step = {
          ArrowLeft: -HOUR_STEP,
          ArrowDown: -HOUR_STEP,
          ArrowRight: HOUR_STEP,
          ArrowUp: HOUR_STEP,
          PageDown: -60,
          PageUp: 60,
        }[event.key]
        if (step === undefined) return
        event.preventDefault()
        onServe(step)
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        from.current = event.clientX
      }}
      onPointerMove={(event) => {
        if (from.current === undefined) return
        const steps = Math.trunc((event.clientX - from.current) / PX_PER_STEP)
        if (steps === 0) return
        from.current += steps * PX_PER_STEP
        onServe(steps * HOUR_STEP)
      }}
      onPointerUp={() => (from.current = undefined)}
    >
      <rect x={x - 24} y={0} width={40} height={height} className={classes.serveReach} />
    </g>
  )
}

interface ScrubProps extends NonNullable<HeatRibbonProps['scrub']> {
  left: number
  right: number
  xOf: (minute: number) => number
  minuteOf: (x: number) => number
  most: number
  floor: number
}

/** A look into a minute: drawn along the ribbon, or by arrow keys; Escape goes show the water. */
function Scrub({ minute, onMinute, says, left, right, xOf, minuteOf, most, floor }: ScrubProps) {
  const drawing = useRef(false)
  const clamp = (m: number) => Math.max(0, Math.min(most, m))
  const x = xOf(minute ?? 0)
  const under = (event: { clientX: number; currentTarget: SVGElement }) =>
    clamp(minuteOf(event.clientX - event.currentTarget.ownerSVGElement!.getBoundingClientRect().left))
  return (
    <>
      <rect
        x={left}
        y={18}
        width={Math.max(0, right - left)}
        height={floor}
        className={classes.scrubReach}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          drawing.current = true
          onMinute(under(event))
        }}
        onPointerMove={(event) => drawing.current && onMinute(under(event))}
        onPointerUp={() => (drawing.current = false)}
      />
      <g
        role="slider"
        tabIndex={0}
        aria-label="See the pot at minute"
        aria-valuemin={0}
        aria-valuemax={Math.round(most)}
        aria-valuenow={Math.round(minute ?? 0)}
        aria-valuetext={says}
        className={classes.scrub}
        data-on={minute !== undefined || undefined}
        onKeyDown={(event) => {
          const step = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -10, PageUp: 10 }[
            event.key
          ]
          const to =
            step !== undefined
              ? clamp(Math.round(minute ?? 0) + step)
              : event.key === 'Home'
                ? 0
                : event.key === 'End'
                  ? most
                  : event.key === 'Escape'
                    ? undefined
                    : null
          if (to === null) return
          event.preventDefault()
          onMinute(to)
        }}
      >
        {minute !== undefined && <path d={`M${x} 18V${floor}`} className={classes.scrubLine} />}
        <path d={`M${x} ${floor - 9}l7 9h-14Z`} className={classes.scrubTip} />
      </g>
    </>
  )
}

/** A stage that waits for a sign has no right wall: its end runs out in waves. */
function openEnded(x: number, y: number, right: number, floor: number): string {
  const waves = Math.max(1, Math.round((floor - y) / 12))
  const h = (floor - y) / waves
  const bite = Math.min(4, (right - x) / 4)
  return (
    `M${x} ${floor}V${y}H${right}` +
    `q${-bite} ${h / 4} 0 ${h / 2}q${bite} ${h / 4} 0 ${h / 2}`.repeat(waves) +
    'Z'
  )
}

function LidEdge({
  lid,
  x,
  right,
  y,
  hot,
}: {
  lid: Stage['lid']
  x: number
  right: number
  y: number
  hot: boolean
}) {
  if (!hot || lid === 'off') return null
  return <path d={`M${x} ${y}H${right}`} className={lid === 'ajar' ? classes.lidAjar : classes.lidOn} />
}

const Tear = ({ x, y, floor }: { x: number; y: number; floor: number }) => (
  <g className={classes.tear}>
    <path
      d={`M${x - 5} ${y - 5}l4 ${(floor - y + 8) / 3}l-4 ${(floor - y + 8) / 3}l4 ${(floor - y + 8) / 3}h8l-4 ${-(floor - y + 8) / 3}l4 ${-(floor - y + 8) / 3}l-4 ${-(floor - y + 8) / 3}Z`}
    />
  </g>
)
