import type { UnitSystem } from '#core/units/system'
import { useUnits } from '../../ui/units/units'
import classes from './ruler.module.css'

export interface Level {
  mm: number
  /** What stands there. */
  word: string
  kind: 'water' | 'crease' | 'grain'
}

interface StickProps {
  pxPerMm: number
  levels: readonly Level[]
  /** As high as the stick is drawn, mm. */
  topMm: number
}

const WIDTH = 340
const LEFT = 70
/** Room for the topmost figure, px. */
const PAD = 12

/** A ruler's marks, long ones at whole centimetres or inches; `mark` is a length in px. */
function marksOf(topMm: number, system: UnitSystem): { mm: number; mark: number; number?: number }[] {
  const [stepMm, whole, half, named] = system === 'us' ? [25.4 / 16, 16, 8, 1] : [1, 10, 5, 10]
  return Array.from({ length: Math.floor(topMm / stepMm) + 1 }, (_, i) => ({
    mm: i * stepMm,
    mark: i % whole === 0 ? 30 : i % half === 0 ? 20 : 11,
    ...(i % whole === 0 ? { number: (i / whole) * named } : {}),
  }))
}

/** A stick in true size: its foot is the grain's surface, or the pot's floor. */
export function Stick({ pxPerMm, levels, topMm }: StickProps) {
  const { length, system } = useUnits()
  const height = topMm * pxPerMm + PAD
  const water = levels.find((l) => l.kind === 'water')?.mm ?? 0
  const y = (mm: number) => height - mm * pxPerMm
  return (
    <svg
      className={classes.stick}
      width={WIDTH}
      height={height + 34}
      role="img"
      aria-label={`A stick in true size: ${levels.map((l) => `${l.word} at ${length(l.mm)}`).join(', ')}`}
      data-px-per-mm={pxPerMm}
    >
      {marksOf(topMm, system).map(({ mm, mark, number }) => (
        <g key={mm}>
          <path d={`M${LEFT - mark} ${y(mm)}H${LEFT}`} className={classes.tick} data-mm={mm} />
          {number !== undefined && number > 0 && (
            <text x={LEFT - 36} y={y(mm) + 5} textAnchor="end" className={classes.number}>
              {number}
            </text>
          )}
        </g>
      ))}
      <path d={`M${LEFT} 0V${height}`} className={classes.edge} />
      {levels.map((level) => (
        <g key={level.kind} data-kind={level.kind} className={classes.level}>
          <path d={`M${LEFT} ${y(level.mm)}H${WIDTH}`} data-level={level.kind} />
          <text x={LEFT + 12} y={y(level.mm) + (level.kind !== 'water' && level.mm < water ? 18 : -7)}>
            {level.word}, {length(level.mm)}
          </text>
        </g>
      ))}
      <path d={`M0 ${height}H${WIDTH}`} className={classes.foot} data-foot />
      <text x={LEFT + 12} y={height + 22} className={classes.footWord}>
        hold this line level with the grain
      </text>
    </svg>
  )
}
