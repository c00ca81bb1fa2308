import type { Variety } from '#core/grain/varieties'
import { KernelPattern } from './grain-pattern'
import classes from './container-section.module.css'

interface ContainerSectionProps {
  variety: Variety
  /** Depth of the grain, mm. */
  depthMm: number
  /** How wide the container is drawn, mm. */
  widthMm: number
  open: boolean
  /** Its time is over. */
  past: boolean
  frozen: boolean
}

/** px for a millimetre: all containers of a page are drawn to one scale. */
const SCALE = 0.75
const WIDEST = 150
const HIGHEST = 76

const patternOf = (variety: Variety): string => `container-${variety.id}`

/** The grains that the containers of a page are filled with, once for all of them. */
export const ContainerGrains = ({ varieties }: { varieties: readonly Variety[] }) => (
  <svg width={0} height={0} className={classes.grains} aria-hidden>
    <defs>
      {[...new Set(varieties)].map((variety) => (
        <KernelPattern key={variety.id} id={patternOf(variety)} variety={variety} swell={1.4} />
      ))}
    </defs>
  </svg>
)

/**
 * A container cut open, to scale: the depth of the grain decides how fast it cools. Its page has
 * {@link ContainerGrains}.
 */
export function ContainerSection({ variety, depthMm, widthMm, open, past, frozen }: ContainerSectionProps) {
  const width = Math.max(46, Math.min(WIDEST, widthMm * SCALE))
  const fill = Math.max(5, Math.min(HIGHEST - 14, depthMm * SCALE))
  const x = (WIDEST - width) / 2
  const floor = HIGHEST + 8
  const top = floor - fill - 8
  return (
    <svg
      viewBox={`0 0 ${WIDEST} ${HIGHEST + 14}`}
      className={classes.drawing}
      aria-hidden
      data-past={past || undefined}
    >
      <rect x={x + 2} y={floor - fill} width={width - 4} height={fill} fill={`url(#${patternOf(variety)})`} />
      <path
        d={`M${x} ${top}V${floor - 4}Q${x} ${floor} ${x + 4} ${floor}H${x + width - 4}Q${x + width} ${floor} ${x + width} ${floor - 4}V${top}`}
        className={classes.wall}
      />
      {open ? (
        <path
          d={`M${x + width * 0.3} ${top - 3}q-4 -5 0 -10M${x + width * 0.5} ${top - 3}q-4 -5 0 -10M${x + width * 0.7} ${top - 3}q-4 -5 0 -10`}
          className={classes.steam}
        />
      ) : (
        <path d={`M${x - 3} ${top}H${x + width + 3}`} className={classes.lid} />
      )}
      {frozen && (
        <path
          d={`M${WIDEST - 14} 4v16M${WIDEST - 21} 8l14 8M${WIDEST - 7} 8l-14 8`}
          className={classes.frost}
        />
      )}
      {past && (
        <path
          d={`M${x} ${floor}L${x + width} ${top}M${x} ${top}L${x + width} ${floor}`}
          className={classes.cross}
        />
      )}
    </svg>
  )
}
