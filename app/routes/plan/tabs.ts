/** On a phone one part of the plan is open at a time. */
export const TABS = [
  { id: 'water', word: 'Water' },
  { id: 'before', word: 'Rinse, soak, salt' },
  { id: 'heat', word: 'Heat' },
  { id: 'cautions', word: 'Cautions' },
] as const
export type Tab = (typeof TABS)[number]['id']
