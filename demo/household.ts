import type { ContainerJson } from '#core/contract/leftovers'
import type { Person } from '#core/eaters/party'
import type { ContainerRow } from '#server/store/leftovers'
import type { BagRow } from '#server/store/grain-bags'
import { heatRow, vesselRow, type FirstKitchen } from '#server/commands/begin-household'

/** The old weather station at Tarn Head: Maren, Teo and Pim, 1,120 m up. All of it is made up. */
/** Lines printed in the five-scoop bowl: for so many scoops of white grain, washed, up to here with the water. */
const SCOOP_LINES = [
  { name: '1', level_mm: 14 },
  { name: '2', level_mm: 25 },
  { name: '3', level_mm: 36 },
  { name: '4', level_mm: 47 },
  { name: '5', level_mm: 58 },
]

/** Pim eats half a plate and likes it soft; Teo likes it firm. */
export const TARN_HEAD_PEOPLE: Person[] = [
  { id: 'maren', name: 'Maren', appetite: 1, firmness: null, avoids: [] },
  { id: 'teo', name: 'Teo', appetite: 1.25, firmness: 0.2, avoids: [] },
  { id: 'pim', name: 'Pim', appetite: 0.5, firmness: 0.8, avoids: [] },
]

export const TARN_HEAD: FirstKitchen = {
  settings: {
    name: 'Tarn Head',
    units: 'grams',
    system: 'metric',
    cup: 'scoop',
    elevation_m: 1120,
    kitchen_c: 19,
    crease_mm: 24,
    clock: '24',
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    crystal: 'flaky',
  },
  vessels: [
    vesselRow('heavy-blue', 'heavy blue', 'heavy-3.5'),
    vesselRow('little-steel', 'little steel', 'steel-1.6'),
    vesselRow('clay', 'clay', 'clay-1.8'),
    { ...vesselRow('scoop-cooker', 'five-scoop cooker', 'cooker-5', 'cooker-5'), printed: SCOOP_LINES },
    vesselRow('pressure-pot', 'pressure pot', 'pressure-electric-5', 'pressure-5'),
    vesselRow('tall-pot', 'tall pot', 'basket-5'),
  ],
  heats: [
    {
      ...heatRow('small-gas', 'small gas', 'gas-small'),
      knob: [
        { name: 'candle', share: 0.2 },
        { name: 'half', share: 0.5 },
        { name: 'full', share: 1 },
      ],
    },
    {
      ...heatRow('big-gas', 'big gas', 'gas-large'),
      knob: [
        { name: 'smallest', share: 0.15 },
        { name: 'third', share: 0.33 },
        { name: 'roaring', share: 1 },
      ],
    },
    heatRow('plug-in', 'plug-in plate', 'induction'),
  ],
  measures: [
    { id: 'scoop', name: 'the scoop', ml: 180, parts: [1], how: 'known' },
    { id: 'station-mug', name: 'the station mug', ml: 312, parts: [1, 0.5], how: 'weighed' },
    { id: 'teo-glass', name: 'Teo’s glass', ml: 205, parts: [1], how: 'counted' },
  ],
  programmes: [
    {
      id: 'p-whole',
      vessel_id: 'pressure-pot',
      name: 'the whole grain key',
      pressure: 'high',
      minutes: 22,
      after_it: 'natural',
      known: 'timed',
    },
    {
      id: 'p-white',
      vessel_id: 'pressure-pot',
      name: 'the white grain key',
      pressure: 'low',
      minutes: 12,
      after_it: 'timed',
      known: 'guessed',
    },
  ],
}

/** Where they lived before the winter; the first pots up here were still cooked by it. */
export const VALLEY_M = 260

/** What stands on their shelf. */
export const TARN_HEAD_BAGS: readonly BagRow[] = [
  bag('valley-long', 'long-white', 'from the valley shop', {
    label: 'One part to one and three quarters of water, 15 minutes.',
    label_ratio: 1.75,
    left_g: 3400,
    opened_on: '2026-01-10',
  }),
  bag('basmati-sack', 'basmati', 'the big sack', {
    left_g: 6200,
    label: 'Soak 30 minutes. One and a half cups of water to a cup.',
    label_ratio: 1.5,
  }),
  bag('short', 'short-white', 'choir bag', { left_g: 2100, new_crop: 1 }),
  bag('brown', 'brown-short', 'brown', { left_g: 900 }),
  bag('mill-barley', 'barley-hulled', 'from the mill', { left_g: 1800, bought_on: '2026-02-02' }),
  bag('quinoa', 'quinoa', 'quinoa', { left_g: 640 }),
  bag('sticky', 'glutinous', 'sticky', { left_g: 1000 }),
  bag('couscous', 'couscous', 'couscous', { left_g: 500 }),
  bag('wild', 'wild', 'wild', { left_g: 210 }),
]

function bag(id: string, variety: BagRow['variety'], name: string, more: Partial<BagRow>): BagRow {
  return {
    id,
    variety,
    name,
    label: '',
    label_ratio: null,
    adopted_delta: null,
    bought_on: null,
    opened_on: null,
    new_crop: 0,
    enriched: 0,
    left_g: null,
    ...more,
  }
}

/** What they keep cooked grain in. */
export const TARN_HEAD_CONTAINERS: readonly ContainerRow[] = [
  { id: 'lunch-tin', name: 'the lunch tin', ml: 520, depth_mm: 45, many: 4 },
  { id: 'flat-tray', name: 'the flat tray', ml: 2600, depth_mm: 32, many: 1 },
  { id: 'blue-tub', name: 'the blue tub', ml: 2200, depth_mm: 80, many: 2 },
]

/** What lies in their fridge and freezer: hours ago it came off the heat. */
export const TARN_HEAD_LEFTOVER: readonly {
  hoursAgo: number
  container: Omit<ContainerJson, 'minutes_ago'>
}[] = [
  {
    hoursAgo: 144,
    container: {
      title: 'short-white from the choir',
      variety: 'short-white',
      grams: 720,
      portions: 4,
      water_share: 0.6,
      density_g_ml: 0.79,
      place: 'freezer',
      open: false,
      stacked: 1,
      containers: ['lunch-tin', 'lunch-tin'],
    },
  },
  {
    hoursAgo: 31,
    container: {
      title: 'basmati',
      variety: 'basmati',
      grams: 210,
      portions: 1,
      water_share: 0.64,
      density_g_ml: 0.62,
      place: 'fridge',
      open: true,
      stacked: 1,
      containers: ['lunch-tin'],
    },
  },
  {
    hoursAgo: 5,
    container: {
      title: 'long-white from noon',
      variety: 'long-white',
      grams: 380,
      portions: 2,
      water_share: 0.62,
      density_g_ml: 0.67,
      place: 'fridge',
      open: true,
      stacked: 1,
      containers: ['lunch-tin', 'lunch-tin'],
    },
  },
  {
    hoursAgo: 0.3,
    container: {
      title: 'barley for the week',
      variety: 'barley-hulled',
      grams: 1250,
      portions: 6,
      water_share: 0.64,
      density_g_ml: 0.7,
      place: 'fridge',
      open: true,
      stacked: 1,
      containers: ['flat-tray'],
    },
  },
]

/** Thursday's choir: what goes with the grain. */
export const CHOIR_COMPANIONS = [
  {
    title: 'roast roots',
    hold_max_minutes: '15',
    tasks: 'Peel and cut the roots; 15; hands\nRoast them; 45; oven; look every 20',
  },
  {
    title: 'nettle soup',
    hold_max_minutes: '40',
    tasks: 'Sweat the onions; 8; hands; burner\nSimmer them; 20; burner\nNettles in, blend; 5; hands',
  },
  {
    title: 'poached trout',
    hold_max_minutes: '10',
    tasks: 'Stock to a bare simmer; 10; burner\nPoach the trout; 12; burner\nLift it out, skin off; 5; hands',
  },
]
