import { useElementSize } from '@mantine/hooks'
import { useId, useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { SIMULATE_LIMITS } from '#core/contract/simulate'
import type { Changes, StageChange } from '#core/simulate/changes'
import { stageWord } from '../../ui/drawing/stage-words'
import { useUnits } from '../../ui/units/units'
import type { CookedStage } from './stage-times'
import classes from './edit-heat.module.css'

interface HeatInHandProps {
  stages: readonly CookedStage[]
  changes: Changes
  /** All the source has, W. */
  fullW: number
  /** The minute shown, and the last one. */
  minute: number
  longest: number
  selected: string | undefined
  onSelect: (stage: string) => void
  onChange: (stage: string, change: StageChange) => void
}

const HEIGHT = 132
const TOP = 26
const FLOOR = HEIGHT - 24
/** Steps of a hand, and of a key as a share of full power. */
const W_STEP = 10
const KEY_SHARE = 0.05
const MINUTE_STEP = 0.5
const PAGE = 5
/** Heat that is off is drawn this high, so that it can be dragged, px. */
const STUB = 6
const PX_PER_LETTER = 7.4
/** Stages shorter than this have no room for their name, px. */
const EDGE = 9

const stepped = (n: number, step: number, [min, max]: readonly [number, number]): number =>
  Math.min(max, Math.max(min, Math.round(n / step) * step))

/**
 * The heat of a dry run, to be taken hold of: a stage's top is drawn up for more heat and down for less, its
 * end to make it longer or shorter. Under it lies the slider of minutes, to the same scale.
 */
export function EditHeat({
  stages,
  changes,
  fullW,
  minute,
  longest,
  selected,
  onSelect,
  onChange,
}: HeatInHandProps) {
  const { number } = useUnits()
  const { ref, width: measured } = useElementSize<HTMLDivElement>()
  const width = measured || 900
  const id = useId()
  const x = (t: number) => (t / Math.max(1e-6, longest)) * width
  const y = (w: number) => FLOOR - Math.max(STUB, (Math.min(w, fullW) / fullW) * (FLOOR - TOP))
  return (
    <div ref={ref} className={classes.frame}>
      <svg width={width} height={HEIGHT} role="group" aria-label="Set the heat" className={classes.ribbon}>
        <defs>
          <pattern id={id} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V7" className={classes.restLine} />
          </pattern>
        </defs>
        {stages.map(({ stage, start, end }) => {
          const change = Object.hasOwn(changes, stage.id) ? changes[stage.id]! : {}
          const powerW = change.powerW ?? stage.power_w
          const lid = change.lid ?? stage.lid
          const [left, right, top] = [x(start), x(end), y(powerW)]
          const word = stageWord(stage)
          const minutes = end - start
          const power = (w: number) => onChange(stage.id, { powerW: stepped(w, W_STEP, [0, fullW]) })
          const last = (m: number) =>
            onChange(stage.id, { minutes: stepped(m, MINUTE_STEP, SIMULATE_LIMITS.minutes) })
          return (
            <g
              key={stage.id}
              className={classes.stage}
              data-on={powerW > 0}
              data-selected={selected === stage.id}
              data-changed={Object.keys(change).length > 0}
              onPointerDown={() => onSelect(stage.id)}
            >
              <title>{stage.title}</title>
              {powerW !== stage.power_w && (
                <path d={`M${left} ${y(stage.power_w)}H${right}`} className={classes.planned} />
              )}
              <path d={`M${left} ${FLOOR}V${top}H${right}V${FLOOR}Z`} className={classes.body} />
              {powerW === 0 && (
                <path d={`M${left} ${FLOOR}V${top}H${right}V${FLOOR}Z`} fill={`url(#${id})`} />
              )}
              {lid !== 'off' && (
                <path
                  d={`M${left} ${top}H${right}`}
                  className={lid === 'ajar' ? classes.lidAjar : classes.lidOn}
                />
              )}
              {word.length * PX_PER_LETTER < right - left - EDGE && (
                <text x={left + 5} y={top - 7} className={classes.word}>
                  {word}
                </text>
              )}
              {right - left > 34 && (
                <text x={left + 5} y={HEIGHT - 8} className={classes.minutes}>
                  {number(minutes, 1)}
                </text>
              )}
              <Grip
                label={`Heat of ${stage.title}`}
                now={Math.round(powerW)}
                max={Math.round(fullW)}
                said={powerW === 0 ? 'off' : `${Math.round(powerW)} W`}
                upright
                box={{ x: left, y: top - 12, width: Math.max(2, right - left - EDGE), height: 24 }}
                start={powerW}
                perPx={-fullW / (FLOOR - TOP)}
                keyStep={fullW * KEY_SHARE}
                onMove={power}
              />
              <Grip
                label={`Minutes of ${stage.title}`}
                now={Number(minutes.toFixed(1))}
                max={SIMULATE_LIMITS.minutes[1]}
                said={`${number(minutes, 1)} minutes`}
                box={{ x: right - EDGE, y: TOP, width: EDGE * 2, height: FLOOR - TOP }}
                start={minutes}
                perPx={longest / width}
                keyStep={MINUTE_STEP}
                onMove={last}
              />
            </g>
          )
        })}
        <path d={`M0 ${FLOOR}H${width}`} className={classes.floor} />
        <path d={`M${x(minute)} 4V${FLOOR}`} className={classes.now} />
      </svg>
    </div>
  )
}

interface GripProps {
  label: string
  now: number
  max: number
  said: string
  box: { x: number; y: number; width: number; height: number }
  /** Its value, and how much a pixel moves it. */
  start: number
  perPx: number
  keyStep: number
  upright?: boolean
  onMove: (to: number) => void
}

/** A handle of the ribbon that can be dragged, or moved with the arrow keys. */
function Grip({ label, now, max, said, box, start, perPx, keyStep, upright = false, onMove }: GripProps) {
  const held = useRef<{ at: number; start: number; perPx: number } | undefined>(undefined)
  const place = (event: PointerEvent) => (upright ? event.clientY : event.clientX)
  const key = (event: KeyboardEvent) => {
    const up = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: PAGE, PageDown: -PAGE }[
      event.key
    ]
    if (up === undefined) return
    event.preventDefault()
    onMove(start + up * keyStep)
  }
  return (
    <rect
      {...box}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={now}
      aria-valuemin={0}
      aria-valuemax={max}
      aria-valuetext={said}
      aria-orientation={upright ? 'vertical' : 'horizontal'}
      className={upright ? classes.gripUp : classes.gripSide}
      onKeyDown={key}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        // The scale may change while dragging; the drag keeps the one it began with.
        held.current = { at: place(event), start, perPx }
      }}
      onPointerMove={(event) => {
        const { current } = held
        if (current) onMove(current.start + (place(event) - current.at) * current.perPx)
      }}
      onPointerUp={() => (held.current = undefined)}
      onPointerCancel={() => (held.current = undefined)}
    />
  )
}
