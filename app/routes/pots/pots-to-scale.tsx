import type { VesselRow } from '#server/store/equipment'
import classes from './pots.module.css'

const GAP = 46
const WALL = 4

/** All pots of the household, drawn to one scale. */
export function PotsToScale({ vessels }: { vessels: readonly VesselRow[] }) {
  const tallest = Math.max(...vessels.map((v) => v.height_mm))
  const places = vessels.reduce<{ row: VesselRow; x: number }[]>((list, row) => {
    const last = list[list.length - 1]
    return [...list, { row, x: last ? last.x + last.row.rim_diameter_mm + GAP : 0 }]
  }, [])
  const last = places[places.length - 1]
  const width = last ? last.x + last.row.rim_diameter_mm : 100
  return (
    <figure className={`${classes.scale} basin`}>
      <svg
        viewBox={`-16 ${-tallest - 30} ${width + 32} ${tallest + 64}`}
        role="img"
        aria-label={`To one scale: ${vessels.map((v) => v.name).join(', ')}`}
      >
        <path d={`M-16 ${WALL}H${width + 16}`} className={classes.shelfLine} />
        {places.map(({ row, x }) => {
          const middle = x + row.rim_diameter_mm / 2
          const [b, r, h] = [row.base_diameter_mm / 2, row.rim_diameter_mm / 2, row.height_mm]
          return (
            <g key={row.id}>
              <path
                d={`M${middle - r} ${-h}L${middle - b} -8Q${middle - b} 2 ${middle - b + 9} 2H${middle + b - 9}Q${middle + b} 2 ${middle + b} -8L${middle + r} ${-h}Z`}
                className={classes.body}
                data-kind={row.kind}
              />
              <path d={`M${middle - r - 3} ${-h}H${middle + r + 3}`} className={classes.rim} />
              <text x={middle} y={26} textAnchor="middle" fontSize={17}>
                {row.name}
              </text>
            </g>
          )
        })}
      </svg>
    </figure>
  )
}
