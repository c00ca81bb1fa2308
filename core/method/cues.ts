/** What ends a stage when no clock does: seen, heard or felt. `yet` is what it looks like before. */
export const CUES = {
  measured: {
    text: 'the grain is measured out',
    key: 'Measured',
    now: 'level in the cup, or the scale says it',
    yet: 'heaped, or short',
  },
  'clear-enough': {
    text: 'the water runs clear enough',
    key: 'Clear enough',
    now: 'you see the grains through it',
    yet: 'white as thin milk',
  },
  drained: {
    text: 'it has stopped dripping',
    key: 'Drained',
    now: 'a drop now and then',
    yet: 'still running',
  },
  poured: {
    text: 'the water is in',
    key: 'Poured',
    now: 'still, and at its line',
    yet: 'short of its line',
  },
  seasoned: {
    text: 'it is in the water',
    key: 'It is in',
    now: 'stirred once, the salt gone',
    yet: 'crystals on the bottom',
  },
  added: {
    text: 'it is in and level',
    key: 'It is in',
    now: 'level, the lid back on',
    yet: 'in a heap, steam going',
  },
  loosened: {
    text: 'the grains lie loose',
    key: 'Loosened',
    now: 'apart, the steam gone off',
    yet: 'one block, wet on top',
  },
  'dressing-clear': {
    text: 'the sugar and salt are gone',
    key: 'It is clear',
    now: 'clear to the bottom',
    yet: 'grains on the bottom, cloudy',
  },
  dressed: {
    text: 'every grain shines',
    key: 'Folded in',
    now: 'glossy, nothing pools',
    yet: 'dull in places, a puddle below',
  },
  'water-boils': {
    text: 'the water rolls',
    key: 'It rolls',
    now: 'big bubbles over and over',
    yet: 'strings of small ones',
  },
  'kettle-boils': {
    text: 'the kettle boils',
    key: 'The kettle boils',
    now: 'rolling, steam at the spout',
    yet: 'it only sings',
  },
  'steady-steam': {
    text: 'steam comes steadily',
    key: 'It steams',
    now: 'a plume that does not stop',
    yet: 'a wisp, and gone',
  },
  bitten: {
    text: 'a grain bites with a firm heart',
    key: 'It bites right',
    now: 'soft, a trace of bite inside',
    yet: 'a white, chalky core',
  },
  'bends-not-breaks': {
    text: 'a grain bends, and is hard inside',
    key: 'It bends',
    now: 'bends, a thin white core',
    yet: 'snaps in two',
  },
  'smells-of-toast': {
    text: 'it smells of toast and ticks',
    key: 'It smells of toast',
    now: 'a dry tick, a nutty smell',
    yet: 'a wet hiss',
  },
  holes: {
    text: 'holes show and no water stands in them',
    key: 'Holes show',
    now: 'holes all over, dry inside',
    yet: 'water still bubbles in them',
  },
  'spoon-trail': {
    text: 'a spoon leaves a trail that closes slowly',
    key: 'It is thick enough',
    now: 'the trail stays a moment',
    yet: 'it runs together at once',
  },
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
