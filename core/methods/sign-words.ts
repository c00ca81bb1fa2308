import type { CueId } from './signs'

/** The words of a sign at the stove: its key, how it looks before, and when it has come. */
export const SIGN_WORDS = {
  measured: {
    key: 'Measured',
    now: 'the right amount',
    yet: 'heaped, or short',
  },
  'clear-enough': {
    key: 'Clear enough',
    now: 'you see the grains through it',
    yet: 'white as thin milk',
  },
  drained: {
    key: 'Drained',
    now: 'a drop now and then',
    yet: 'still running',
  },
  poured: {
    key: 'Poured',
    now: 'still, and at its line',
    yet: 'short of its line',
  },
  seasoned: {
    key: 'It is in',
    now: 'stirred once, salt dissolved',
    yet: 'crystals on the bottom',
  },
  added: {
    key: 'It is in',
    now: 'level, the lid back on',
    yet: 'in a heap, steam going',
  },
  loosened: {
    key: 'Loosened',
    now: 'separate, steamed dry',
    yet: 'one block, wet on top',
  },
  'dressing-clear': {
    key: 'It is clear',
    now: 'clear to the bottom',
    yet: 'grains on the bottom, cloudy',
  },
  dressed: {
    key: 'Folded in',
    now: 'glossy, no liquid left',
    yet: 'dull in places, a puddle below',
  },
  'water-boils': {
    key: 'It rolls',
    now: 'big bubbles over and over',
    yet: 'strings of small ones',
  },
  'kettle-boils': {
    key: 'The kettle boils',
    now: 'rolling, steam at the spout',
    yet: 'it hisses but does not boil',
  },
  'steady-steam': {
    key: 'It steams',
    now: 'a plume that does not stop',
    yet: 'a wisp, then none',
  },
  'stirred-even': {
    key: 'Stirred',
    now: 'one thickness, top to bottom',
    yet: 'thick below, thin on top',
  },
  'stock-hot': {
    key: 'It steams',
    now: 'steaming, a bubble at the rim',
    yet: 'still, no steam',
  },
  bitten: {
    key: 'It bites right',
    now: 'soft with a little bite',
    yet: 'a white, chalky core',
  },
  'bends-not-breaks': {
    key: 'It bends',
    now: 'bends, a thin white core',
    yet: 'snaps in two',
  },
  'smells-of-toast': {
    key: 'It smells of toast',
    now: 'a dry crackle, a nutty smell',
    yet: 'a wet hiss',
  },
  'shared-out': {
    key: 'Shared out',
    now: 'level, a finger or two deep',
    yet: 'heaped in one pot',
  },
  'runs-clean': {
    key: 'It runs clean',
    now: 'no dust, no froth',
    yet: 'dusty, or frothing',
  },
  holes: {
    key: 'Holes show',
    now: 'holes all over, dry inside',
    yet: 'water still bubbles in them',
  },
  'spoon-trail': {
    key: 'It is thick enough',
    now: 'the trail stays a moment',
    yet: 'it runs together at once',
  },
  'rolling-boil': {
    key: 'It boils',
    now: 'steady steam, the lid trembles',
    yet: 'still, only a wisp',
  },
  'bubbles-break': {
    key: 'It boils',
    now: 'big bubbles across the surface',
    yet: 'small ones at the rim only',
  },
  'steam-at-vent': {
    key: 'It steams',
    now: 'a steady plume',
    yet: 'nothing or very little',
  },
  'switch-click': {
    key: 'It clicked',
    now: 'lever up, steam thinning',
    yet: 'lever down, steam going',
  },
  'pin-up': {
    key: 'The pressure indicator is up',
    now: 'indicator up, hissing has stopped',
    yet: 'indicator down, steam hissing',
  },
  'pin-down': {
    key: 'The pressure indicator dropped',
    now: 'indicator down, lid moves freely',
    yet: 'indicator still up',
  },
} as const satisfies Record<CueId, { key: string; now: string; yet: string }>
