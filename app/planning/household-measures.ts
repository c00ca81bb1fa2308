import type { CupId } from '#core/units/cups'
import {
  measureOf,
  STANDARD_MEASURE_IDS,
  type OwnMeasure,
  type StandardMeasureId,
} from '#core/units/measures'
import { measureOfCup } from '#core/units/system'
import type { Quantity } from '#core/units/parse-quantity'
import { volumeOfQuantity } from '#core/units/quantity-volume'
import type { MeasureRow } from '#server/store/equipment'

/** A measure an amount may be stated in: by "cup" the household's own, by an id a standard cup or one it owns. */
export interface MeasureChoice {
  id: string
  /** As it is picked: "US cup", "mug". */
  label: string
  measure: StandardMeasureId | OwnMeasure
}

const STANDARD_LABELS: Record<StandardMeasureId, string> = {
  'us-cup': 'US cup (237 mL)',
  'metric-cup': 'metric cup (250 mL)',
  'rice-cooker-cup': 'rice-cooker cup (180 mL)',
}

/** Every measure of this household: its cup first, then its own, then the cups everybody knows. */
export function measureChoices({
  cup,
  measures,
}: {
  cup: CupId
  measures: readonly MeasureRow[]
}): MeasureChoice[] {
  const usual = measureOfCup(cup)
  return [
    { id: 'cup', label: `cup (${Math.round(measureOf(usual).ml)} mL)`, measure: usual },
    ...measures.map((m) => ({ id: `own:${m.id}`, label: m.name, measure: { name: m.name, ml: m.ml } })),
    ...STANDARD_MEASURE_IDS.filter((id) => id !== usual).map((id) => ({
      id,
      label: STANDARD_LABELS[id],
      measure: id,
    })),
  ]
}

/** The measure an amount's id names; the household's cup where it is not owned any more. */
export function measureNamed(
  id: string,
  household: Parameters<typeof measureChoices>[0],
): MeasureChoice['measure'] {
  const choices = measureChoices(household)
  return (choices.find((c) => c.id === id) ?? choices[0]!).measure
}

/** How much an amount in mL, spoons, cups or an own measure holds, mL; undefined for what has no volume. */
export const volumeOf = (
  quantity: Quantity,
  { cup, measures }: Parameters<typeof measureChoices>[0],
): number | undefined => volumeOfQuantity(quantity, measureOf(measureOfCup(cup)), measures)
