import { memo } from 'react'
import type { Variety } from '#core/grain/varieties'
import { kernelPath, kernelTile } from './scatter-grains'
import classes from './grain-pattern.module.css'

/** Which of the grain hues a variety wears. */
export const hueOf = (variety: Variety): 'dark' | 'red' | 'green' | 'ivory' | 'tan' =>
  variety.id === 'black' || variety.id === 'wild'
    ? 'dark'
    : variety.id === 'red'
      ? 'red'
      : variety.family === 'pulse'
        ? 'green'
        : variety.family === 'white rice' ||
            variety.family === 'sticky rice' ||
            variety.id === 'couscous' ||
            variety.id === 'fonio'
          ? 'ivory'
          : 'tan'

/** The variety's own kernels, settled, as a pattern in millimetres. */
export const KernelPattern = memo(function KernelPattern({
  id,
  variety,
  swell = 1,
  wet = false,
}: {
  id: string
  variety: Variety
  swell?: number
  wet?: boolean
}) {
  const { side, shades } = kernelTile(variety.kernel, swell)
  return (
    <pattern
      id={id}
      width={side}
      height={side}
      patternUnits="userSpaceOnUse"
      className={wet ? `${classes.kernels} ${classes.wet}` : classes.kernels}
      data-hue={hueOf(variety)}
    >
      <rect width={side} height={side} className={classes.gap} />
      {shades.map((path, shade) => (
        <path key={shade} d={path} data-shade={shade} />
      ))}
    </pattern>
  )
})

/** One kernel by itself, dry or swollen. */
export function Kernel({
  variety,
  swell = 1,
  split = false,
  height,
}: {
  variety: Variety
  swell?: number
  split?: boolean
  height: number
}) {
  const { lengthMm, widthMm } = variety.kernel
  const [w, h] = [lengthMm * 1.9, Math.max(widthMm * 2.2, lengthMm * 0.8)]
  return (
    <svg
      viewBox={`${-w / 2} ${-h / 2} ${w} ${h}`}
      height={height}
      className={classes.kernels}
      data-hue={hueOf(variety)}
      aria-hidden
    >
      <g transform="rotate(-18)">
        <path d={kernelPath(variety.kernel, swell)} data-shade={1} />
        {split && (
          <path
            d={`M${-lengthMm * 0.3} 0Q0 ${-widthMm * 0.22} ${lengthMm * 0.32} ${widthMm * 0.08}`}
            className={classes.split}
          />
        )}
      </g>
    </svg>
  )
}
