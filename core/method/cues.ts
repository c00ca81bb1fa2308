/** What ends a stage when no clock does: seen, heard or felt. `yet` is what it looks like before. */
export const CUES = {
  'rolling-boil': {
    text: 'steam pushes at the lid',
    key: 'It boils',
    now: 'steady steam, the lid trembles',
    yet: 'still, a wisp at most',
  },
  'bubbles-break': {
    text: 'bubbles break all over',
    key: 'It boils',
    now: 'big bubbles across the surface',
    yet: 'small ones at the rim only',
  },
  'steam-at-vent': {
    text: 'steam comes from the vent',
    key: 'It steams',
    now: 'a steady plume',
    yet: 'nothing, or a breath',
  },
  'switch-click': {
    text: 'the switch clicks over',
    key: 'It clicked',
    now: 'lever up, steam thinning',
    yet: 'lever down, steam going',
  },
  'pin-up': {
    text: 'the pin rises and seals',
    key: 'The pin is up',
    now: 'pin flush, no more hiss',
    yet: 'pin low, steam hissing past',
  },
  'pin-down': {
    text: 'the pin drops by itself',
    key: 'The pin dropped',
    now: 'pin low, lid moves freely',
    yet: 'pin still up',
  },
} as const satisfies Record<string, { text: string; key: string; now: string; yet: string }>

export type CueId = keyof typeof CUES
