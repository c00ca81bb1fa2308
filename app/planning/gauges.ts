import { localText } from '#core/units/local-text'
import { lengthIn, massIn, measureOfCup } from '#core/units/system'
import { fieldUnit, readFromField } from '#core/units/field-units'
import type { Settings } from '#core/contract/settings'
import type { Plan } from '#core/plan/result'
import { CUPS } from '#core/units/cups'
import { inScoops, SCOOP_PARTS } from '#core/units/fractions'
import { inMeasure, inSpoonfuls, measureOf, type Measure } from '#core/units/measures'
import {
  bedDepthOf,
  pourAsDeepAgain,
  pourForDepth,
  pourForLevel,
  type PourContext,
} from '#core/vessel/pour-gauges'
import type { MeasureRow, VesselRow } from '#server/store/equipment'
import type { PlanState } from './plan-state'

/** One way of reading the water, and of telling what was poured. */
export interface Gauge {
  id: string
  word: string
  /** What an entered amount is counted in: "g", "scoops", "mm from the bottom". */
  unit: string
  grain: GaugeReading
  water: GaugeReading
  /** The pour that an entered amount means, g. */
  pourOf: (entered: number) => number
}

export interface GaugeReading {
  figure: string
  unit: string
  /** What the figure leaves out. */
  under: string
}

/** Off by less than this is level, mL. */
const LEVEL_ML = 3

/** Beside a large figure there is room for one word; which cup it is, the pressed gauge says. */
const lastWord = (name: string): string => name.split(' ').at(-1)!

/** "10.6 oz" as a figure and its unit. */
function readingOf(text: string, under = ''): GaugeReading {
  const [, figure = text, unit = ''] = /^(.*\S) (\S+)$/.exec(text) ?? []
  return { figure, unit, under }
}

/** A measure that has all its parts is said with its spoons; one that has not, as it can be scooped. */
function scooped(ml: number, measure: Measure, parts: readonly number[]): GaugeReading {
  if (SCOOP_PARTS.every((part) => parts.includes(part))) {
    const { text } = inMeasure(ml, measure)
    const [, figure = text, unit = '', rest = ''] = /^(\S+) ([^+]*[^+ ])(?: (\+ .*))?$/.exec(text) ?? []
    return { figure, unit: lastWord(unit), under: rest === '' ? 'level' : rest }
  }
  const { text, cups, error } = inScoops(ml / measure.ml, parts)
  const off = Math.round(error * measure.ml)
  return {
    figure: text,
    unit: lastWord(cups > 1 ? measure.many : measure.one),
    under: Math.abs(off) < LEVEL_ML ? 'level' : inSpoonfulsOff(off, measure),
  }
}

/** What level scoops are off by, in spoons. */
const inSpoonfulsOff = (ml: number, measure: Measure): string =>
  `${ml > 0 ? 'less' : '+'} ${inSpoonfuls(Math.abs(ml), measure)}`

/** The gauge that shows an amount as it was stated; none for people and for a weight. */
export const gaugeOfAmount = (amount: PlanState['amount']): string | undefined =>
  amount.basis !== 'measure'
    ? undefined
    : amount.measure.startsWith('own:')
      ? amount.measure.replace('own:', 'measure:')
      : 'cup'

/** All the gauges of this household for one plan. */
export function gaugesFor(given: {
  plan: Plan
  context: PourContext
  settings: Settings
  measures: readonly MeasureRow[]
  printed?: readonly PrintedLine[] | null
}): Gauge[] {
  const { plan, context, settings, measures, printed } = given
  const { grain, water, gauges } = plan
  const { system } = settings
  const say = (text: string) => localText(text, settings)
  const grams = (g: number) => readingOf(system === 'us' ? massIn(g, system) : `${Math.round(g)} g`)
  const cup = CUPS[settings.cup]
  const grainGrams = grams(grain.mass_g)
  const byCup = (ml: number) => scooped(ml, measureOf(measureOfCup(settings.cup)), SCOOP_PARTS)
  const over = gauges.water_above_bed_mm
  const toCrease = Math.round(over - settings.crease_mm)
  return [
    {
      id: 'scale',
      word: 'scale',
      unit: fieldUnit('mass', system),
      grain: grainGrams,
      water: grams(water.pour_g),
      pourOf: (entered) => readFromField('mass', entered, system),
    },
    {
      id: 'cup',
      word: `${cup.short}s`,
      unit: `${cup.short}s`,
      grain: byCup(grain.volume_ml),
      water: byCup(water.pour_g),
      pourOf: (cups) => cups * cup.ml,
    },
    ...measures
      .filter((m) => Math.abs(m.ml - cup.ml) > 0.5)
      .map((m): Gauge => ({
        id: `measure:${m.id}`,
        word: m.name,
        unit: m.name,
        grain: scooped(grain.volume_ml, measureOf(m), m.parts),
        water: scooped(water.pour_g, measureOf(m), m.parts),
        pourOf: (measures) => measures * m.ml,
      })),
    {
      id: 'line',
      word: 'depth in the pot',
      unit: `${fieldUnit('length', system)} from the bottom`,
      grain: grainGrams,
      water: readingOf(
        lengthIn(gauges.fill_level_mm, system),
        `from the bottom with the grain in, ${say(`${Math.round(gauges.fill_line_ml / 5) * 5} mL`)}`,
      ),
      pourOf: (entered) => pourForLevel(context, readFromField('length', entered, system)),
    },
    {
      id: 'finger',
      word: 'finger',
      unit: `${fieldUnit('length', system)} over the grain`,
      grain: grainGrams,
      water:
        over <= 0
          ? { figure: 'none', unit: '', under: 'the water would not cover the grain' }
          : readingOf(lengthIn(over, system), `over the grain, ${say(creaseWords(toCrease))}`),
      pourOf: (entered) => pourForDepth(context, readFromField('length', entered, system)),
    },
    asDeepAgain(context, plan, grainGrams, say),
    ...(printed && printed.length > 0 ? [printedGauge(printed, context, plan, grainGrams, say)] : []),
  ]
}

/**
 * "As deep again as the grain": what it is here, against the plan's own water; read backwards as a share of
 * the grain's depth.
 */
function asDeepAgain(
  context: PourContext,
  plan: Plan,
  grain: GaugeReading,
  say: (text: string) => string,
): Gauge {
  const bed = bedDepthOf(context)
  const pour = Math.max(0, pourAsDeepAgain(context))
  const over = Math.round(pour - plan.water.pour_g)
  const times = plan.gauges.water_above_bed_mm / bed
  return {
    id: 'as-deep',
    word: 'as deep as the grain',
    unit: '× grain depth',
    grain,
    water: {
      figure: times > 0 ? times.toFixed(1) : 'none',
      unit: times > 0 ? '× its depth' : '',
      under: `as deep as the grain is ${(pour / plan.grain.volume_ml).toFixed(2)} by volume here, ${over === 0 ? 'just right' : say(`${Math.abs(over)} g too ${over > 0 ? 'much' : 'little'} water`)}`,
    },
    pourOf: (entered) => pourForDepth(context, entered * bed),
  }
}

export type PrintedLine = NonNullable<VesselRow['printed']>[number]

/**
 * The bowl's own lines. A line may count scoops of some grain and not what the bowl holds, so only its height
 * is believed.
 */
function printedGauge(
  lines: readonly PrintedLine[],
  context: PourContext,
  plan: Plan,
  grain: GaugeReading,
  say: (text: string) => string,
): Gauge {
  const level = plan.gauges.fill_level_mm
  const nearest = lines.toSorted((a, b) => Math.abs(a.level_mm - level) - Math.abs(b.level_mm - level))[0]!
  const off = Math.round(level - nearest.level_mm)
  return {
    id: 'printed',
    word: 'printed lines',
    unit: 'printed line',
    grain,
    water: {
      figure: nearest.name,
      unit: 'line',
      under: `${off === 0 ? 'at' : `${say(`${Math.abs(off)} mm`)} ${off > 0 ? 'over' : 'under'}`} line ${nearest.name} (made for white rice)`,
    },
    pourOf: (entered) => {
      const line = lines.find((l) => Number(l.name.replace(',', '.')) === entered)
      return line ? pourForLevel(context, line.level_mm) : pourForLevel(context, between(lines, entered))
    },
  }
}

/**
 * A place between two numbered lines, mm. NaN, which no pour is, where the lines bear no numbers or it lies
 * outside them.
 */
function between(lines: readonly PrintedLine[], mark: number): number {
  const numbered = lines
    .map((l) => ({ n: Number(l.name.replace(',', '.')), mm: l.level_mm }))
    .filter((l) => Number.isFinite(l.n))
  const i = numbered.findIndex((l) => l.n > mark)
  const [low, high] = [numbered[i - 1], numbered[i]]
  return low && high ? low.mm + ((mark - low.n) / (high.n - low.n)) * (high.mm - low.mm) : NaN
}

const creaseWords = (mm: number): string =>
  mm === 0
    ? 'at your finger joint'
    : mm < 0
      ? `${-mm} mm below your finger joint`
      : `${mm} mm above your finger joint`
