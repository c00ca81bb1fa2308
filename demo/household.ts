import { heatRow, vesselRow, type FirstKitchen } from '#server/kitchen/begin-household'

/** The old weather station at Tarn Head: Maren, Teo and Pim, 1,120 m up. All of it is made up. */
export const TARN_HEAD: FirstKitchen = {
  settings: {
    name: 'Tarn Head', units: 'grams', cup: 'scoop', elevation_m: 1120, kitchen_c: 19, crease_mm: 24, clock: '24',
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  },
  vessels: [
    vesselRow('heavy-blue', 'heavy blue', 'heavy-3.5'),
    vesselRow('little-steel', 'little steel', 'steel-1.6'),
    vesselRow('clay', 'clay', 'clay-1.8'),
    vesselRow('scoop-cooker', 'five-scoop cooker', 'cooker-5', 'cooker-5'),
    vesselRow('pressure-pot', 'pressure pot', 'pressure-electric-5', 'pressure-5'),
    vesselRow('tall-pot', 'tall pot', 'basket-5'),
  ],
  heats: [
    heatRow('small-gas', 'small gas', 'gas-small'),
    heatRow('big-gas', 'big gas', 'gas-large'),
    heatRow('plug-in', 'plug-in plate', 'induction'),
  ],
}

/** Where they lived before the winter; the first pots up here were still cooked by it. */
export const VALLEY_M = 260
