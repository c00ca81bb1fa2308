import type { PlanAddIn } from './plan-state'

export const WHEN_WORDS: Record<PlanAddIn['when'], string> = {
  first: 'fried first',
  'with-water': 'with the water',
  'on-top': 'on top, before the heat',
  'at-boil': 'at the boil',
  'fold-in': 'folded in after the rest',
  'at-table': 'when served',
}
export const OUT_WORDS: Record<PlanAddIn['out'], string> = {
  stays: 'stays in',
  'at-boil': 'removed when it boils',
  'after-rest': 'removed after resting',
}
