/** What ends a stage when no clock does: seen, heard or felt. What the stove says of each is in sign-words.ts. */
export const CUES = {
  measured: { text: 'the grain is measured out' },
  'clear-enough': { text: 'the water runs clear enough' },
  drained: { text: 'it has stopped dripping' },
  poured: { text: 'the water is in' },
  seasoned: { text: 'it is in the water' },
  added: { text: 'it is in and level' },
  loosened: { text: 'the grains are loose' },
  'dressing-clear': { text: 'sugar and salt are dissolved' },
  dressed: { text: 'every grain is glossy' },
  'water-boils': { text: 'the water is at a rolling boil' },
  'kettle-boils': { text: 'the kettle boils' },
  'steady-steam': { text: 'steam comes steadily' },
  'stirred-even': { text: 'it is even all through' },
  'stock-hot': { text: 'the stock steams' },
  bitten: { text: 'a grain is soft with a firm centre' },
  'bends-not-breaks': { text: 'a grain bends, and is hard inside' },
  'smells-of-toast': { text: 'it smells nutty and crackles' },
  'shared-out': { text: 'all of it is in shallow containers' },
  'runs-clean': { text: 'the water runs clean' },
  holes: { text: 'holes on top, no water in them' },
  'spoon-trail': { text: 'a spoon leaves a trail that closes slowly' },
  'rolling-boil': { text: 'steam pushes out at the lid' },
  'bubbles-break': { text: 'bubbles break all over' },
  'steam-at-vent': { text: 'steam comes from the vent' },
  'switch-click': { text: 'the switch clicks over' },
  'pin-up': { text: 'the pressure indicator rises' },
  'pin-down': { text: 'the indicator drops by itself' },
} as const satisfies Record<string, { text: string }>

export type CueId = keyof typeof CUES
export const isCue = (word: string): word is CueId => Object.hasOwn(CUES, word)
