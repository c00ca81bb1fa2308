import type { FigureId } from './guidance'

/** What each food-safety figure is called, and its unit. */
export const FIGURE_WORDS: Record<FigureId, { name: string; unit: string }> = {
  hold_hot_c: { name: 'held hot at', unit: '°C' },
  cool_min: { name: 'cooled to 21 °C within', unit: 'min' },
  chill_min: { name: 'then to 5 °C within', unit: 'min' },
  fridge_c: { name: 'in the fridge at', unit: '°C or less' },
  eat_h: { name: 'eaten from the fridge within', unit: 'h' },
  thawed_h: { name: 'eaten after thawing within', unit: 'h' },
  room_min: { name: 'at room temperature, no longer than', unit: 'min' },
  reheat_c: { name: 'reheated to', unit: '°C' },
  reheats: { name: 'reheated no more than', unit: 'times' },
}
