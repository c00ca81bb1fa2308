import type { PointerEvent } from 'react'
import { useUnits } from '../../ui/units/units'
import classes from './pot-section.module.css'

/** What the water handle needs. */
export interface WaterHold {
  pourG: number
  firmG: number
  standardG: number
  softG: number
  /** The pour for a water level. */
  pourAt: (levelMm: number) => number
  onPour: (pourG: number) => void
}

/** A handle on the surface, 44 px however large the pot. */
const HANDLE_PX = 44
/** Nearer than this to a mark the water snaps to it, g; never within what a finger means to move. */
const DETENT_G = 6
const STEP_G = 5
const FINE_G = 1
const LARGE_G = 25

/** The pour a drag means: snapped to firm, soft and the middle when it is close to one, whole grams otherwise. */
export function snapPour(
  pourG: number,
  { firmG, standardG, softG }: Pick<WaterHold, 'firmG' | 'standardG' | 'softG'>,
  fine: boolean,
): number {
  const whole = Math.max(0, Math.round(pourG))
  if (fine) return whole
  const near = [firmG, standardG, softG].find((mark) => Math.abs(mark - pourG) <= DETENT_G)
  return near === undefined ? whole : Math.round(near)
}

/** What a key does to the pour; undefined for a key that means nothing here. */
export function pourAfterKey(
  key: string,
  fine: boolean,
  hold: Pick<WaterHold, 'pourG' | 'firmG' | 'softG'>,
): number | undefined {
  const step = fine ? FINE_G : STEP_G
  const at = Math.round(hold.pourG)
  switch (key) {
    case 'ArrowUp':
    case 'ArrowRight':
      return at + step
    case 'ArrowDown':
    case 'ArrowLeft':
      return Math.max(0, at - step)
    case 'PageUp':
      return at + LARGE_G
    case 'PageDown':
      return Math.max(0, at - LARGE_G)
    case 'Home':
      return Math.round(hold.firmG)
    case 'End':
      return Math.round(hold.softG)
    default:
      return undefined
  }
}

/** The surface itself: drawn along by mouse, touch and keys, tapped over and under for a step. */
export default function WaterHandle({
  hold,
  y,
  reach,
  scale,
  top,
}: {
  hold: WaterHold
  y: number
  reach: number
  scale: number
  top: number
}) {
  const { waterIn } = useUnits()
  const size = HANDLE_PX * scale
  const levelUnder = (event: PointerEvent<SVGElement>): number => {
    const matrix = event.currentTarget.ownerSVGElement!.getScreenCTM()!.inverse()
    return -new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix).y
  }
  const move = (event: PointerEvent<SVGElement>) =>
    hold.onPour(snapPour(hold.pourAt(levelUnder(event)), hold, event.shiftKey))
  return (
    <>
      {/* A tap over or under the surface is a step. */}
      <rect
        x={-reach / 2}
        y={top}
        width={reach * 0.5 - size}
        height={Math.max(0, y - top)}
        className={classes.tap}
        onClick={(e) => hold.onPour(Math.round(hold.pourG) + (e.shiftKey ? FINE_G : STEP_G))}
      />
      <rect
        x={-reach / 2}
        y={y}
        width={reach * 0.5 - size}
        height={Math.max(0, -y)}
        className={classes.tap}
        onClick={(e) => hold.onPour(Math.max(0, Math.round(hold.pourG) - (e.shiftKey ? FINE_G : STEP_G)))}
      />
      <g
        role="slider"
        tabIndex={0}
        aria-label="Water in the pot"
        aria-orientation="vertical"
        aria-valuemin={0}
        aria-valuemax={Math.round(hold.softG * 2)}
        aria-valuenow={Math.round(hold.pourG)}
        aria-valuetext={waterIn(Math.round(hold.pourG))}
        className={classes.handle}
        onKeyDown={(event) => {
          const next = pourAfterKey(event.key, event.shiftKey, hold)
          if (next === undefined) return
          event.preventDefault()
          hold.onPour(next)
        }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          event.currentTarget.focus()
        }}
        onPointerMove={(event) => event.currentTarget.hasPointerCapture(event.pointerId) && move(event)}
        onPointerUp={(event) => event.currentTarget.releasePointerCapture(event.pointerId)}
      >
        <rect x={-size / 2} y={y - size / 2} width={size} height={size} className={classes.reach} />
        <path d={`M${-size * 0.36} ${y}h${size * 0.72}`} className={classes.grab} />
        <path
          d={`M0 ${y - size * 0.34}l${size * 0.11} ${size * 0.13}h${-size * 0.22}ZM0 ${y + size * 0.34}l${size * 0.11} ${-size * 0.13}h${-size * 0.22}Z`}
          className={classes.arrows}
        />
      </g>
    </>
  )
}
