import { data, Link } from 'react-router'
import { CUPS } from '#core/units/cups'
import { inMeasure } from '#core/units/measures'
import { cupMeasure, lengthIn, unitsOf, type KitchenUnits, type UnitSystem } from '#core/units/system'
import { rulerLines, type RulerLine } from '#core/vessel/paper-ruler'
import { decimalMarkFor } from '#server/http/reader'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { vesselFromRow } from '../../planning/vessel-from-row'
import { PrintKey } from '../recipe-card/print-key'
import type { Route } from './+types/paper-ruler'
import classes from './paper-ruler.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Paper ruler · Omsel' }]

const STEPS_ML = [50, 100, 250, 500, 1000] as const
const STEPS_CUPS = [0.25, 0.5, 1, 2, 4] as const

export function loader({ params, request }: Route.LoaderArgs) {
  const open = kitchen()
  const vessel = open.equipment.vessels().find((row) => row.id === params.pot)
  if (!vessel) throw data('There is no such pot in this kitchen.', 404)
  const units = unitsOf(settingsOf(open), decimalMarkFor(request))
  const cupMl = CUPS[units.cup].ml
  const byCup = units.units === 'cups' || units.system === 'us'
  return {
    name: vessel.name,
    units,
    byCup,
    lines: rulerLines(vesselFromRow(vessel), byCup ? STEPS_CUPS.map((cups) => cups * cupMl) : STEPS_ML),
  }
}

const WIDTH_MM = 34
/** Over the topmost line so much of the strip is left to hold it by, mm. */
const HELD_MM = 16
/** Words nearer than this would run into each other, mm. */
const WORD_MM = 6
/** Drawn beside the strip, to see that the printer changed no size. */
const CHECK = { metric: { mm: 50, word: '50 mm' }, us: { mm: 50.8, word: '2 in' } } as const

/** A strip of paper in true size with this pot's own lines: held upright in the water, it says how much there is. */
export default function PaperRuler({ loaderData }: Route.ComponentProps) {
  const { name, lines, units, byCup } = loaderData
  return (
    <main className={classes.page}>
      <div className={classes.bar}>
        <Link to="/pots">Pots</Link>
        <h1 className="figure">Paper ruler: {name}</h1>
        <PrintKey />
      </div>
      <p className={classes.lead}>
        Print at 100 %, without fitting to the page. The bar beside the strip must measure{' '}
        {CHECK[units.system].word}. Cut the strip out, cover it with clear tape, and hold it upright on the
        bottom, before any grain is in.
      </p>
      <Strip name={name} lines={lines} system={units.system} word={(line) => wordOf(line, units, byCup)} />
    </main>
  )
}

const wordOf = ({ ml }: RulerLine, { cup }: KitchenUnits, byCup: boolean): string =>
  byCup ? inMeasure(ml, cupMeasure(cup)).text : ml >= 1000 ? `${ml / 1000} L` : `${ml} mL`

function Strip({
  name,
  lines,
  system,
  word,
}: {
  name: string
  system: UnitSystem
  lines: readonly RulerLine[]
  word: (line: RulerLine) => string
}) {
  const check = CHECK[system]
  const height = (lines.at(-1)?.mm ?? 0) + HELD_MM
  const y = (mm: number) => height - mm
  let lastWord = -Infinity
  const named = lines.map((line) => {
    const says = line.mm - lastWord >= WORD_MM
    if (says) lastWord = line.mm
    return { ...line, says }
  })
  return (
    <svg
      className={classes.strip}
      width={`${WIDTH_MM + 26}mm`}
      height={`${height + 1}mm`}
      viewBox={`-0.5 -0.5 ${WIDTH_MM + 26} ${height + 1}`}
      role="img"
      aria-label={`Strip for ${name}: ${lines.map((l) => `${word(l)} at ${lengthIn(l.mm, system)}`).join(', ')}`}
    >
      <path d={`M0 0H${WIDTH_MM}V${height}H0Z`} className={classes.edge} />
      <text x={2} y={8} className={classes.name}>
        {name}
      </text>
      {named.map((line) => (
        <g key={line.steps}>
          <path d={`M0 ${y(line.mm)}H${line.says ? 12 : 7}`} className={classes.line} data-ml={line.ml} />
          {line.says && (
            <text x={13} y={y(line.mm) + 1.3} className={classes.word}>
              {word(line)}
            </text>
          )}
        </g>
      ))}
      <path
        d={`M${WIDTH_MM + 8} ${height - check.mm}V${height}M${WIDTH_MM + 5} ${height - check.mm}h6M${WIDTH_MM + 5} ${height}h6`}
        className={classes.line}
      />
      <text x={WIDTH_MM + 11} y={height - check.mm / 2} className={classes.word}>
        {check.word}
      </text>
    </svg>
  )
}
