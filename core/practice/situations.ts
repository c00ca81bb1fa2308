import type { Situation } from './situation'

/** Twice what 100 g of hulled barley take in the heavy blue at Tarn Head, as their own plan has it, g. */
export const DOUBLED_POUR_G = 2 * 326

/**
 * Pots worth having cooked once without food. One situation is one row; its trap is what the card, or someone
 * in the kitchen, leads one into.
 */
export const SITUATIONS: readonly Situation[] = [
  {
    id: 'first-pot-at-height',
    title: 'First batch at altitude',
    description:
      'A mountain hut at 2,650 m, with the pot and recipe from the valley, where it always worked.',
    card: {
      grains: [{ variety: 'brown-short' }],
      amount: { basis: 'dry-mass', value: 300 },
      vessel: 'heavy-3.5',
      heat: 'gas-large',
      kitchen_c: 18,
    },
    here: { elevation_m: 2650 },
    about: 'minutes',
    trap: 'The card assumes 100 °C. Water boils at 91 °C up here, so each minute cooks less.',
    learned: 'Higher up, water boils cooler: the same batch needs more minutes and a little more water.',
  },
  {
    id: 'double-batch',
    title: 'Twice the grain',
    description: 'For two instead of one: someone has doubled everything on the card, the water too.',
    card: {
      grains: [{ variety: 'barley-hulled' }],
      amount: { basis: 'dry-mass', value: 200 },
      method: 'covered-simmer',
      vessel: 'heavy-3.5',
      heat: 'induction',
      elevation_m: 1120,
      kitchen_c: 18,
      pour_override_g: DOUBLED_POUR_G,
    },
    here: {},
    about: 'pour',
    trap: 'Absorbed water grows with the grain, but steam depends on pot and time. Twice the grain does not steam twice as much.',
    learned:
      'Twice the grain needs less than twice the water: what boils off depends on the pot, not on the grain.',
  },
  {
    id: 'the-lid-lifter',
    title: 'Is it done yet?',
    description:
      'A small pot in the wide pan, and three hungry people round it. Everybody would like to see.',
    card: {
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: 160 },
      vessel: 'wide-3',
      heat: 'gas-medium',
      elevation_m: 1120,
      kitchen_c: 18,
    },
    here: {},
    asked: [
      { stage: 'simmer', afterMin: 1, says: 'Pim: let me see it boil' },
      { stage: 'simmer', afterMin: 5, says: 'Teo: take the lid off, it smells ready' },
      { stage: 'simmer', afterMin: 9, says: 'Maren: leave it open a moment, I am coming' },
      { stage: 'rest', afterMin: 1, says: 'Pim: is it done yet?' },
    ],
    about: 'lid',
    trap: 'The lowest heat holds a boil under a lid, not under the open air: the pot cools, and its minutes stop counting.',
    learned: 'A short look costs half a minute; with the lid off it does not boil, and nothing cooks.',
  },
  {
    id: 'the-thin-pan',
    title: 'The thin pan',
    description:
      'The heavy blue is in use. The little steel on the plug-in plate will do. The card is the heavy blue’s: keep it boiling on medium until the water is absorbed, then off.',
    card: {
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: 250 },
      heat_style: 'boil-then-off',
      vessel: 'heavy-3.5',
      heat: 'gas-large',
      elevation_m: 1120,
      kitchen_c: 18,
    },
    here: { vessel: 'steel-1.6', heat: 'induction' },
    about: 'minutes',
    trap: 'Thin steel stores little heat, and the plate is stronger than the burner: the pot runs dry before the card’s minutes are over, and the bottom burns at once.',
    learned:
      'In a thin pan, listen: when bubbling turns to crackling the water is absorbed. Turn the heat off.',
  },
  {
    id: 'the-beep',
    title: 'The click',
    description:
      'A borrowed 10-cup rice cooker with little in it, and guests waiting. The manual says: ready at the click.',
    card: {
      grains: [{ variety: 'basmati' }],
      amount: { basis: 'dry-mass', value: 200 },
      method: 'switch-cooker',
      vessel: 'cooker-10',
      heat: 'cooker-10',
      elevation_m: 1120,
      kitchen_c: 18,
      rest_minutes: 20,
    },
    here: {},
    about: 'rest',
    trap: 'The click means the bottom is dry. Centres and top are still cooking.',
    learned: 'Rest 10 more minutes after the click to finish the centres.',
  },
  {
    id: 'wet-grain',
    title: 'Soaked since noon',
    description: 'The grain has soaked since noon: 300 g dry, 404 g wet. The card is for unsoaked grain.',
    card: {
      grains: [{ variety: 'short-white' }],
      amount: { basis: 'dry-mass', value: 300 },
      vessel: 'heavy-3.5',
      heat: 'gas-large',
      elevation_m: 1120,
      kitchen_c: 18,
      rinse: { washes: 0, drain: 'none' },
    },
    here: {
      rinse: { washes: 3, drain: 'sieve' },
      soak: { minutes: 300, celsius: 18, water: 'drain', wet_mass_g: 404 },
    },
    about: 'pour',
    trap: 'The extra weight is water already in the grain. Adding it again is too much.',
    learned: 'Water already on the grain counts: weigh it wet and add that much less.',
  },
  {
    id: 'slow-and-fast',
    title: 'Brown and white',
    description:
      'Half brown, half white, for a lighter dish. The white grain waits in its own bowl. The card is for white.',
    card: {
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: 300 },
      vessel: 'heavy-3.5',
      heat: 'gas-large',
      elevation_m: 1120,
      kitchen_c: 18,
    },
    here: { grains: [{ variety: 'brown-short' }, { variety: 'long-white' }], blend_timing: 'add-later' },
    hands: ['put-in'],
    aside: 'White in',
    about: 'put-in',
    trap: 'Brown needs three times as long as white. Together, one is raw or the other overdone.',
    learned: 'Start the slow grain; add the fast one when its own cooking time is left.',
  },
  {
    id: 'sticky-by-steam',
    title: 'Sticky, by steam',
    description: 'Glutinous grain over steam. The card says to soak it four hours; guests are coming in one.',
    card: {
      grains: [{ variety: 'glutinous' }],
      amount: { basis: 'dry-mass', value: 300 },
      method: 'steam',
      vessel: 'basket-5',
      heat: 'gas-large',
      elevation_m: 1120,
      kitchen_c: 18,
      soak: { minutes: 240, celsius: 18, water: 'drain' },
    },
    here: { soak: null },
    hands: ['put-in'],
    aside: 'Basket on',
    asked: [{ stage: 'soak', afterMin: 8, says: 'Teo: it has had ten minutes, go on' }],
    about: 'soak',
    trap: 'Steam adds hardly any water, so the grain must absorb enough in the soak.',
    learned: 'For steaming, the soak replaces the water.',
  },
  {
    id: 'let-out-at-once',
    title: 'Quick release',
    description:
      'The pressure cooker has finished, still under pressure. The recipe says natural release, and everybody is waiting.',
    card: {
      grains: [{ variety: 'brown-short' }],
      amount: { basis: 'dry-mass', value: 400 },
      method: 'pressure-electric',
      vessel: 'pressure-electric-5',
      heat: 'pressure-5',
      elevation_m: 1120,
      kitchen_c: 18,
      hurry: true,
    },
    here: {},
    hands: ['vent'],
    asked: [{ stage: 'release', afterMin: 1, says: 'Pim: can we not just release the steam?' }],
    about: 'vent',
    trap: 'Cooking continues while pressure falls; the recipe relies on it. A quick release loses that.',
    learned: 'Natural release still cooks: with quick release, cook longer under pressure.',
  },
  {
    id: 'first-bubbles',
    title: 'First bubbles',
    description:
      'The small burner, a big pot, and a card that says: lowest heat from the boil. Bubbles already rise at the wall.',
    card: {
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'dry-mass', value: 400 },
      vessel: 'heavy-3.5',
      heat: 'gas-large',
      elevation_m: 1120,
      kitchen_c: 18,
    },
    here: { heat: 'gas-small' },
    about: 'heat',
    trap: 'The first bubbles are air, at about 70 °C. Turn down then and it hardly cooks.',
    learned:
      'The boil is a rolling one with steam at the lid; minutes counted from the first bubbles are not cooking minutes.',
  },
]

export const situationOf = (id: string): Situation | undefined => SITUATIONS.find((s) => s.id === id)
