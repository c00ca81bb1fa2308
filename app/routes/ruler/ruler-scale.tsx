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

/** A stick in true millimetres: its foot is the grain's surface, or the pot's floor. */
export function Stick({ pxPerMm, levels, topMm }: StickProps) {
  const height = topMm * pxPerMm + PAD
  const water = levels.find((l) => l.kind === 'water')?.mm ?? 0
  const y = (mm: number) => height - mm * pxPerMm
  return (
    <svg
      className={classes.stick}
      width={WIDTH}
      height={height + 34}
      role="img"
      aria-label={`A stick in true millimetres: ${levels.map((l) => `${l.word} at ${Math.round(l.mm)} mm`).join(', ')}`}
      data-px-per-mm={pxPerMm}
    >
      {Array.from({ length: Math.floor(topMm) + 1 }, (_, mm) => (
        <path
          key={mm}
          d={`M${LEFT - (mm % 10 === 0 ? 30 : mm % 5 === 0 ? 20 : 11)} ${y(mm)}H${LEFT}`}
          className={classes.tick}
          data-mm={mm}
        />
      ))}
      {Array.from({ length: Math.floor(topMm / 10) + 1 }, (_, i) => i * 10)
        .slice(1)
        .map((mm) => (
          <text key={mm} x={LEFT - 36} y={y(mm) + 5} textAnchor="end" className={classes.number}>
            {mm}
          </text>
        ))}
      <path d={`M${LEFT} 0V${height}`} className={classes.edge} />
      {levels.map((level) => (
        <g key={level.kind} data-kind={level.kind} className={classes.level}>
          <path d={`M${LEFT} ${y(level.mm)}H${WIDTH}`} data-level={level.kind} />
          <text x={LEFT + 12} y={y(level.mm) + (level.kind !== 'water' && level.mm < water ? 18 : -7)}>
            {level.word}, {Math.round(level.mm)} mm
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
