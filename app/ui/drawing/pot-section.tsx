import { useElementSize } from '@mantine/hooks'
import { useId, type CSSProperties } from 'react'
import type { Variety } from '#core/grain/varieties'
import type { LidPosition } from '#core/heat/lid'
import type { HeatSource } from '#core/heat/sources'
import { millilitres, millimetres, type Millimetres } from '#core/units/units'
import { levelOf, diameterAt } from '#core/vessel/shape'
import { isPressureCooker, type Vessel } from '#core/vessel/vessel'
import { useUnits } from '../../ui/units/units'
import { KernelPattern } from './grain-pattern'
import { spreadLabels } from './spread-labels'
import WaterHandle, { type WaterHold } from './water-handle'
import classes from './pot-section.module.css'

/** Levels are millimetres above the inner base. */
export interface PotLevels {
  bed: number
  fill: number
  firm: number
  soft: number
  /** Left out where nothing marks it. */
  standard?: number
  swollen: number
  froth: number
  /** Height of a basket over the water; the grain is in it. */
  basket?: number | undefined
}

export interface PotSectionProps {
  vessel: Vessel
  variety: Variety
  /** What heats it. */
  heat?: HeatSource['kind']
  levels: PotLevels
  lid: LidPosition
  /** The cook's finger on the grain, with its joint this far up, mm. */
  crease?: number | undefined
  /** Lines the maker printed inside. */
  printed?: readonly { name: string; level_mm: number }[]
  /** The water can be held: its surface moves to a level. */
  hold?: WaterHold | undefined
  /** Cooked: the bed swollen, the water gone. */
  cooked?: boolean
  /** Water level before the last change, mm. */
  ghost?: number | undefined
  /** Cautions at their place in the drawing. */
  marks?: readonly PotMark[]
  /** Grows by one whenever grain is poured in: some kernels fall. */
  poured?: number
  title: string
}

export type MarkPlace = 'lid' | 'rim' | 'bed' | 'base'

/** A caution at its place in the drawing, with the one thing that mends it. */
export interface PotMark {
  code: string
  place: MarkPlace
  severity: 'note' | 'warn' | 'stop'
  says: string
  fix?: { text: string; act: () => void } | undefined
}

/** Text is this many pixels high on screen, however large the pot. */
const TEXT_PX = 13

/** From the wall to the ruler's figures, and to the labels, mm. */
const RULER_GAP = 28
const LABEL_GAP = 18
/** The longest figure on the ruler and the longest label, in text heights. */
const RULER_EMS = 1.9
const LABEL_EMS = { metric: 5.6, us: 7.8 } as const
/** The least frame a drawing fills, mm; a small pot is not blown up. */
const MIN_FRAME = 270

/** Millimetres to a pixel, when a drawing this wide and its words share a screen this wide. */
const mmPerPx = (drawnMm: number, px: number, labelEms: number): number =>
  Math.max(MIN_FRAME / px, drawnMm / Math.max(px * 0.3, px - (RULER_EMS + labelEms) * TEXT_PX))

/** The levels worth a label at the right, from the rim down. */
function labelsOf(
  { height: rim, capacity }: Vessel,
  levels: PotLevels,
  cooked: boolean,
  { system, length, capacity: holds }: Pick<ReturnType<typeof useUnits>, 'system' | 'length' | 'capacity'>,
): { level: number; text: string; kind: string }[] {
  const level = (mm: number) => (system === 'us' ? length(mm) : String(Math.round(mm)))
  const overBasket = levels.basket !== undefined
  const band = !overBasket && levels.soft - levels.firm > 0.3
  return [
    { level: rim, text: `rim, ${holds(capacity)}`, kind: 'rim' },
    ...(overBasket ? [] : [{ level: levels.froth, text: `foam to ${level(levels.froth)}`, kind: 'froth' }]),
    { level: levels.swollen, text: `cooked ${level(levels.swollen)}`, kind: 'swollen' },
    ...(cooked
      ? []
      : [
          ...(band ? [{ level: levels.soft, text: 'soft', kind: 'soft' }] : []),
          { level: levels.fill, text: `water ${level(levels.fill)}`, kind: 'fill' },
          ...(band ? [{ level: levels.firm, text: 'firm', kind: 'firm' }] : []),
          ...(overBasket ? [{ level: levels.basket!, text: 'basket', kind: 'basket' }] : []),
        ]),
  ]
}

/** A vessel cut open, drawn to scale from the plan's own figures. */
export function PotSection({
  vessel,
  variety,
  heat = 'gas',
  levels,
  lid,
  crease,
  printed = [],
  hold,
  cooked = false,
  ghost,
  marks: cautions = [],
  poured = 0,
  title,
}: PotSectionProps) {
  const units = useUnits()
  const { system } = units
  const grains = useId()
  const { ref, width } = useElementSize<HTMLDivElement>()
  const half = vessel.rimDiameter / 2
  const wall = Math.min(7, Math.max(2.4, vessel.heatCapacity / 230))
  const labelEms = LABEL_EMS[system]
  // The margins hold words, whose size in millimetres grows with the frame: solved together, so that none is
  // cut on a narrow screen.
  const scale = mmPerPx(2 * (half + wall) + RULER_GAP + LABEL_GAP, width || 540, labelEms)
  const text = TEXT_PX * scale
  const frame = {
    left: -half - wall - RULER_GAP - RULER_EMS * text,
    right: half + wall + LABEL_GAP + labelEms * text,
    top: -vessel.height - 46,
    bottom: wall + 22,
  }
  const frameWidth = Math.max(frame.right - frame.left, MIN_FRAME)
  const frameHeight = frame.bottom - frame.top
  const at = (level: number) => diameterAt(vessel, millimetres(level)) / 2
  const slab = (from: number, to: number) =>
    `M${-at(from)} ${-from}L${at(from)} ${-from}L${at(to)} ${-to}L${-at(to)} ${-to}Z`
  const rim = vessel.height
  const shown = (level: number) => Math.min(level, rim + 18)
  const litres = [0.5, 1, 1.5, 2, 3, 4, 5, 6, 7, 8].filter((l) => l * 1000 < vessel.capacity * 0.98)
  const sparse = vessel.capacity > 3600 ? litres.filter((l) => Number.isInteger(l)) : litres
  const marks = labelsOf(vessel, levels, cooked, units)
  const lines = spreadLabels(
    marks.map((m) => -shown(m.level)),
    text * 1.25,
    { from: frame.top + text, to: wall + 6 },
  )
  const bedTop = cooked ? Math.min(levels.swollen, rim) : Math.min((levels.basket ?? 0) + levels.bed, rim)
  const fillTop = Math.min(levels.fill, rim)
  return (
    <div ref={ref} className={classes.frame}>
      <svg
        viewBox={`${frame.left} ${frame.top} ${frameWidth} ${frameHeight}`}
        role={hold || cautions.length > 0 ? 'group' : 'img'}
        aria-label={title}
        className={classes.pot}
      >
        <defs>
          <KernelPattern
            id={grains}
            variety={variety}
            swell={cooked ? 1.35 : 1}
            wet={!cooked && levels.fill > 0}
          />
        </defs>
        <Heat kind={heat} base={vessel.baseDiameter / 2} wall={wall} />
        <Body vessel={vessel} wall={wall} />
        <PotFilling
          vessel={vessel}
          cooked={cooked}
          levels={levels}
          slab={slab}
          fillTop={fillTop}
          bedTop={bedTop}
          grains={grains}
          poured={poured}
          variety={variety}
          at={at}
          rim={rim}
          ghost={ghost}
          shown={shown}
          half={half}
          wall={wall}
          crease={crease}
          text={text}
        />
        <Ruler height={rim} edge={-half - wall - 19} text={text} />
        <WallMarks sparse={sparse} vessel={vessel} at={at} printed={printed} rim={rim} text={text} />
        {marks.map((mark, i) => (
          <g key={mark.kind} data-mark={mark.kind} className={classes.mark}>
            <path
              d={`M${at(shown(mark.level)) + wall + 1} ${-shown(mark.level)}L${half + wall + 12} ${lines[i]!}h4`}
            />
            <text x={half + wall + 18} y={lines[i]! + text * 0.34} fontSize={text}>
              {mark.text}
            </text>
          </g>
        ))}
        <Lid vessel={vessel} wall={wall} lid={lid} />
        {cautions.map((mark, i) => {
          const before = cautions.slice(0, i).filter((m) => m.place === mark.place).length
          const y = { lid: -rim - 22, rim: -rim + 4, bed: -bedTop / 2, base: -6 }[mark.place]
          return (
            <Mark
              key={mark.code}
              mark={mark}
              x={half * 0.66 - before * MARK_PX * 1.3 * scale}
              y={y}
              size={MARK_PX * scale}
            />
          )
        })}
        {hold && !cooked && (
          <WaterHandle hold={hold} y={-fillTop} reach={half * 2} scale={scale} top={-rim} />
        )}
      </svg>
    </div>
  )
}

/** Litres and the maker’s printed lines on the wall. */
function WallMarks({
  sparse,
  vessel,
  at,
  printed,
  rim,
  text,
}: {
  sparse: number[]
  vessel: Vessel
  at: (level: number) => number
  printed: NonNullable<PotSectionProps['printed']>
  rim: Millimetres
  text: number
}) {
  return (
    <>
      {sparse.map((l) => {
        const level = levelOf(vessel, millilitres(l * 1000))
        return <path key={l} d={`M${at(level)} ${-level}h${-5}`} className={classes.litre} />
      })}
      {printed
        .filter((line) => line.level_mm < rim)
        .map((line) => (
          <g key={line.name} className={classes.printed}>
            <path d={`M${-at(line.level_mm)} ${-line.level_mm}h6`} />
            <text x={-at(line.level_mm) + 8} y={-line.level_mm + text * 0.3} fontSize={text * 0.8}>
              {line.name}
            </text>
          </g>
        ))}
    </>
  )
}

/** Grain, water and foam at their levels. */
function PotFilling({
  vessel,
  cooked,
  levels,
  slab,
  fillTop,
  bedTop,
  grains,
  poured,
  variety,
  at,
  rim,
  ghost,
  shown,
  half,
  wall,
  crease,
  text,
}: {
  vessel: Vessel
  cooked: boolean
  levels: PotLevels
  slab: (from: number, to: number) => string
  fillTop: number
  bedTop: number
  grains: string
  poured: number
  variety: Variety
  at: (level: number) => number
  rim: Millimetres
  ghost: number | undefined
  shown: (level: number) => number
  half: number
  wall: number
  crease: number | undefined
  text: number
}) {
  return (
    <>
      <g key={`${vessel.rimDiameter} ${vessel.height}`} className={classes.flows}>
        {!cooked && levels.fill > 0 && <path d={slab(0, fillTop)} className={classes.water} />}
        <path d={slab(levels.basket ?? 0, bedTop)} fill={`url(#${grains})`} className={classes.bed} />
      </g>
      {poured > 0 && (
        <Falling key={poured} variety={variety} half={at(bedTop)} from={-rim - 40} to={-bedTop} />
      )}
      {ghost !== undefined && !cooked && ghost < rim && (
        <path d={`M${-at(ghost)} ${-ghost}H${at(ghost)}`} className={classes.ghost} />
      )}
      {levels.basket !== undefined && (
        <path
          d={`M${-at(levels.basket) + 2} ${-levels.basket + 1.5}H${at(levels.basket) - 2}`}
          className={classes.basket}
        />
      )}
      {!cooked && <path d={`M${-at(fillTop)} ${-fillTop}H${at(fillTop)}`} className={classes.surface} />}
      <path
        d={`M${-at(shown(levels.swollen))} ${-shown(levels.swollen)}H${at(shown(levels.swollen))}`}
        className={classes.swollen}
      />
      {levels.basket === undefined && (
        <path d={foam(at(shown(levels.froth)), -shown(levels.froth))} className={classes.froth} />
      )}
      {!cooked && levels.basket === undefined && (
        <path
          d={`M${at(levels.firm) - 3.2} ${-shown(levels.firm)}L${at(levels.soft) - 3.2} ${-shown(levels.soft)}`}
          className={classes.band}
        />
      )}
      {!cooked && levels.standard !== undefined && (
        <path d={`M${at(levels.standard) - 7} ${-shown(levels.standard)}h7`} className={classes.detent} />
      )}
      {levels.fill > rim && !cooked && <Spill half={half} wall={wall} rim={rim} />}
      {crease !== undefined && !cooked && (
        <Finger bed={bedTop} crease={crease} x={-half * 0.42} text={text} />
      )}
    </>
  )
}

/** A mark is this many pixels across, and can be pressed. */
const MARK_PX = 26

/** A mark whose shape says how grave it is; pressed, it applies the fix. */
function Mark({
  mark: { code, severity, says, fix },
  x,
  y,
  size,
}: {
  mark: PotMark
  x: number
  y: number
  size: number
}) {
  const r = size / 2
  const shape =
    severity === 'stop'
      ? `M${-r * 0.9} ${-r * 0.9}h${r * 1.8}v${r * 1.8}h${-r * 1.8}Z`
      : severity === 'warn'
        ? `M0 ${-r}L${r * 1.1} ${r * 0.85}H${-r * 1.1}Z`
        : `M${-r} 0a${r} ${r} 0 1 1 ${2 * r} 0a${r} ${r} 0 1 1 ${-2 * r} 0Z`
  const drawn = (
    <>
      <title>{fix ? `${says} ${fix.text}` : says}</title>
      <path d={shape} />
      <path d={`M0 ${-r * 0.42}V${r * 0.24}M0 ${r * 0.5}v0.1`} className={classes.stroke} />
    </>
  )
  const place = {
    transform: `translate(${x} ${y})`,
    className: classes.caution,
    'data-severity': severity,
    'data-caution': code,
  }
  if (!fix)
    return (
      <g {...place} role="img" aria-label={says}>
        {drawn}
      </g>
    )
  return (
    <g
      {...place}
      role="button"
      tabIndex={0}
      aria-label={`${says} ${fix.text}`}
      onClick={fix.act}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return
        event.preventDefault()
        fix.act()
      }}
    >
      {drawn}
    </g>
  )
}

const FALLING = 26

/** Kernels on their way into the pot: seen for half a second, and not at all by those who want stillness. */
function Falling({
  variety: { kernel },
  half,
  from,
  to,
}: {
  variety: Variety
  half: number
  from: number
  to: number
}) {
  return (
    <g aria-hidden data-falling>
      {Array.from({ length: FALLING }, (_, i) => {
        const x = (((i * 37) % FALLING) / FALLING - 0.5) * 1.7 * half
        return (
          <g
            key={i}
            className={classes.falling}
            style={
              { '--fall': `${to - from}px`, animationDelay: `${((i * 53) % 100) * 4}ms` } as CSSProperties
            }
          >
            <ellipse
              cx={x}
              cy={from}
              rx={kernel.lengthMm * 0.62}
              ry={kernel.widthMm * 0.62}
              transform={`rotate(${(i * 71) % 180} ${x} ${from})`}
            />
          </g>
        )
      })}
    </g>
  )
}

/** Too full looks it: water runs down the outside. */
const Spill = ({ half, wall, rim }: { half: number; wall: number; rim: number }) => (
  <g className={classes.spill}>
    {[-1, 1].map((side) => (
      <path
        key={side}
        d={`M${side * (half + wall + 3)} ${-rim - 2}q${side * 5} 8 ${side * 2} ${rim * 0.35}q${side * -1} 10 ${side * 2} ${rim * 0.2}`}
      />
    ))}
  </g>
)

const foam = (half: number, y: number): string => {
  const bubbles = Math.max(4, Math.round(half / 7))
  const w = (2 * half) / bubbles
  return `M${-half} ${y}` + `a${w / 2} ${w / 3} 0 0 1 ${w} 0`.repeat(bubbles)
}

function Body({ vessel, wall }: { vessel: Vessel; wall: number }) {
  const [b, r, h] = [vessel.baseDiameter / 2, vessel.rimDiameter / 2, vessel.height]
  const corner = 9
  const outer = `M${-r - wall} ${-h}L${-b - wall} ${-corner}Q${-b - wall} ${wall} ${-b + corner} ${wall}H${b - corner}Q${b + wall} ${wall} ${b + wall} ${-corner}L${r + wall} ${-h}Z`
  const inner = `M${-r} ${-h}L${-b} 0H${b}L${r} ${-h}Z`
  const y = -h * 0.76
  const grip = vessel.kind === 'pot' || vessel.kind === 'pressure-stovetop' || vessel.kind === 'oven-dish'
  return (
    <g>
      {grip &&
        [-1, 1].map((side) => (
          <path
            key={side}
            d={`M${side * (r + wall - 1)} ${y - 6}h${side * 9}q${side * 5} 0 ${side * 5} 5v${4}q0 5 ${side * -5} 5h${side * -9}`}
            className={classes.grip}
          />
        ))}
      {!grip && <Housing r={r} h={h} wall={wall} />}
      <path d={outer} className={classes.wall} />
      <path d={inner} className={classes.inside} />
      {[-1, 1].map((side) => (
        <path key={side} d={`M${side * (r - 1.5)} ${-h}H${side * (r + wall + 2)}`} className={classes.rim} />
      ))}
    </g>
  )
}

/** An appliance's outside, around its pot. */
const Housing = ({ r, h, wall }: { r: number; h: number; wall: number }) => (
  <path
    d={`M${-r - wall - 9} ${-h + 2}V${wall + 6}q0 8 8 8H${r + wall + 1}q8 0 8 -8V${-h + 2}Z`}
    className={classes.housing}
  />
)

function Heat({ kind, base, wall }: { kind: HeatSource['kind']; base: number; wall: number }) {
  if (kind !== 'gas')
    return <path d={`M${-base * 0.7} ${wall + 6}H${base * 0.7}`} className={classes.plate} />
  const flames = Math.round(base / 9)
  return (
    <g className={classes.flames}>
      {Array.from({ length: flames * 2 + 1 }, (_, i) => {
        const x = ((i - flames) / flames) * base * 0.78
        return <path key={i} d={`M${x} ${wall + 15}q-3.4 -4.6 0 -10q3.4 5.4 0 10`} />
      })}
      <path d={`M${-base * 0.86} ${wall + 17.5}H${base * 0.86}`} className={classes.grate} />
    </g>
  )
}

function Lid({ vessel, wall, lid }: { vessel: Vessel; wall: number; lid: LidPosition }) {
  if (lid === 'off') return null
  const r = vessel.rimDiameter / 2 + wall
  const y = -vessel.height
  const sealed = isPressureCooker(vessel.kind)
  const dome = sealed ? 17 : 13
  return (
    <g transform={lid === 'ajar' ? `rotate(-5 ${-r} ${y})` : undefined} className={classes.lid}>
      <path
        d={`M${-r - 2} ${y - 2.4}Q${-r * 0.9} ${y - dome} ${-r * 0.3} ${y - dome}H${r * 0.3}Q${r * 0.9} ${y - dome} ${r + 2} ${y - 2.4}Z`}
      />
      {sealed ? (
        <path d={`M${-5} ${y - dome}v-7h10v7M${r * 0.42} ${y - dome + 1}v-6`} />
      ) : (
        <path
          d={`M${-4} ${y - dome}v-4M4 ${y - dome}v-4M${-8} ${y - dome - 6}h16`}
          className={classes.knob}
        />
      )}
    </g>
  )
}

/** Millimetres above the inner base, beside the pot. */
function Ruler({ height, edge, text }: { height: number; edge: number; text: number }) {
  const { system } = useUnits()
  // In US units every half inch, a figure at whole inches.
  const unit = system === 'us' ? 25.4 : 1
  const [step, every] =
    system === 'us' ? (height > 120 ? [1, 2] : [0.5, 1]) : height > 120 ? [20, 40] : [10, 20]
  const ticks = Array.from({ length: Math.floor(height / (step * unit)) + 1 }, (_, i) => i * step)
  return (
    <g className={classes.ruler}>
      <path d={`M${edge} 0V${-height}`} />
      {ticks.map((tick) => {
        const long = tick % every === 0
        const y = -tick * unit
        return (
          <g key={tick}>
            <path d={`M${edge} ${y}h${long ? -6 : -3}`} />
            {long && (
              <text x={edge - 9} y={y + text * 0.34} fontSize={text * 0.92} textAnchor="end">
                {tick}
              </text>
            )}
          </g>
        )
      })}
    </g>
  )
}

/** A finger set on the grain, its first crease marked. */
function Finger({ bed, crease, x, text }: { bed: number; crease: number; x: number; text: number }) {
  const [w, top] = [8, -bed - crease - 46]
  return (
    <g className={classes.finger}>
      <path d={`M${x - w} ${top}V${-bed - w}a${w} ${w} 0 0 0 ${w * 2} 0V${top}`} />
      <path d={`M${x - w} ${-bed - crease}q${w} 3 ${w * 2} 0`} className={classes.crease} />
      <text x={x + w + 3} y={-bed - crease + text * 0.34} fontSize={text * 0.92}>
        your finger joint
      </text>
    </g>
  )
}
