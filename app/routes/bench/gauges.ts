import type { Settings } from '#core/contract/kitchen'
import type { Plan } from '#core/plan/result'
import { CUPS } from '#core/quantity/cups'
import { inScoops, SCOOP_PARTS } from '#core/quantity/fractions'
import { pourForDepth, pourForLevel, type PourContext } from '#core/vessel/pour-gauges'
import type { MeasureRow } from '#server/database/equipment'

/** One way of reading the water, and of telling what was poured. */
export interface Gauge {
  id: string
  word: string
  /** What a told amount is counted in: "g", "scoops", "mm up the wall". */
  unit: string
  grain: GaugeReading
  water: GaugeReading
  /** The pour that a told amount means, g. */
  pourOf: (told: number) => number
}

export interface GaugeReading {
  figure: string
  unit: string
  /** What the figure leaves out. */
  under: string
}

/** Off by less than this is level, mL. */
const LEVEL_ML = 3

function scooped(ml: number, cupMl: number, name: string, parts: readonly number[]): GaugeReading {
  const { text, cups, error } = inScoops(ml / cupMl, parts)
  const off = Math.round(error * cupMl)
  return {
    figure: text,
    unit: cups > 1 ? `${name}s` : name,
    under: Math.abs(off) < LEVEL_ML ? 'level' : off > 0 ? `less ${off} mL` : `and ${-off} mL`,
  }
}

/** All the gauges of this house for one plan. */
export function gaugesFor(given: { plan: Plan; context: PourContext; settings: Settings; measures: readonly MeasureRow[] }): Gauge[] {
  const { plan, context, settings, measures } = given
  const { grain, water, gauges } = plan
  const grams = (g: number): GaugeReading => ({ figure: String(Math.round(g)), unit: 'g', under: '' })
  const cup = CUPS[settings.cup]
  const grainGrams = grams(grain.mass_g)
  const byCup = (ml: number) => scooped(ml, cup.ml, cup.short, SCOOP_PARTS)
  const over = gauges.water_above_bed_mm
  const toCrease = Math.round(over - settings.crease_mm)
  return [
    { id: 'scale', word: 'scale', unit: 'g', grain: grainGrams, water: grams(water.pour_g), pourOf: (told) => told },
    { id: 'cup', word: `${cup.short}s`, unit: `${cup.short}s`, grain: byCup(grain.volume_ml), water: byCup(water.pour_g), pourOf: (told) => told * cup.ml },
    ...measures
      .filter((m) => Math.abs(m.ml - cup.ml) > 0.5)
      .map((m): Gauge => ({
        id: `measure:${m.id}`,
        word: m.name,
        unit: m.name,
        grain: scooped(grain.volume_ml, m.ml, 'full', m.parts),
        water: scooped(water.pour_g, m.ml, 'full', m.parts),
        pourOf: (told) => told * m.ml,
      })).map((g) => ({ ...g, grain: { ...g.grain, unit: 'full' }, water: { ...g.water, unit: 'full' } })),
    {
      id: 'line',
      word: 'line in the pot',
      unit: 'mm up the wall',
      grain: grainGrams,
      water: { figure: String(Math.round(gauges.fill_level_mm)), unit: 'mm', under: `up the wall with the grain in, ${Math.round(gauges.fill_line_ml / 5) * 5} mL` },
      pourOf: (told) => pourForLevel(context, told),
    },
    {
      id: 'finger',
      word: 'finger',
      unit: 'mm over the grain',
      grain: grainGrams,
      water: { figure: over <= 0 ? 'none' : String(Math.round(over)), unit: over <= 0 ? '' : 'mm', under: over <= 0 ? 'the water lies below the grain' : `over the grain, ${creaseWords(toCrease)}` },
      pourOf: (told) => pourForDepth(context, told),
    },
  ]
}

const creaseWords = (mm: number): string => (mm === 0 ? 'at your crease' : mm < 0 ? `${-mm} short of your crease` : `${mm} past your crease`)

/** A told amount as a number.  @returns what is wrong with it in words, or the number */
export function readTold(text: string): { told: number } | { wrong: string } {
  const trimmed = text.trim()
  if (trimmed === '') return { wrong: 'Say how much.' }
  if (!/^\d+([.,]\d+)?$/.test(trimmed)) return { wrong: `A number, like 2 or 2.5; not “${trimmed.slice(0, 20)}”.` }
  return { told: Number(trimmed.replace(',', '.')) }
}
