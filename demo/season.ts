import type { VarietyId } from '#core/grain/varieties'
import type { Judgement } from '#core/learn/judgement'

/** One cook of the season, as it was cooked and told. */
export interface SeasonCook {
  daysAgo: number
  /** Local hour it was started, as a decimal. */
  hour: number
  grain: VarietyId
  grams: number
  vesselId: string
  heatId: string
  /** Still by the valley's figures. */
  valley?: true
  soak?: { minutes: number; celsius: number; water: 'drain' | 'keep' }
  /** How this burner really did against its plate; 1 is as planned. */
  slow: number
  lidLifts?: number
  stopped?: true
  judged?: Judgement & { note: string }
}

const told = (wetDry: number, hardness: number, bottom: Judgement['bottom'], note = '') => ({ wetDry, hardness, bottom, note })
const overnight = { minutes: 600, celsius: 5, water: 'drain' } as const

/** A season at Tarn Head, good and bad, from the winter they moved up. */
export const SEASON: readonly SeasonCook[] = [
  { daysAgo: 118, hour: 18.2, grain: 'long-white', grams: 260, vesselId: 'heavy-blue', heatId: 'big-gas', valley: true, slow: 1.1, judged: told(0, -2, 'clean', 'Hard in the middle. Same pot, same water as in the valley.') },
  { daysAgo: 115, hour: 18, grain: 'long-white', grams: 260, vesselId: 'heavy-blue', heatId: 'big-gas', valley: true, slow: 1.08, lidLifts: 3, judged: told(-1, -2, 'clean', 'Worse. Pim kept looking.') },
  { daysAgo: 112, hour: 17.8, grain: 'short-white', grams: 300, vesselId: 'clay', heatId: 'big-gas', valley: true, slow: 1.2, judged: told(0, -1, 'stuck') },
  { daysAgo: 108, hour: 17.5, grain: 'brown-short', grams: 280, vesselId: 'heavy-blue', heatId: 'big-gas', valley: true, slow: 1.12, judged: told(1, -2, 'clean', 'Chalk. Teo says it is the height: water boils at 96 here.') },
  { daysAgo: 104, hour: 18.1, grain: 'long-white', grams: 260, vesselId: 'heavy-blue', heatId: 'big-gas', slow: 1.04, judged: told(0, -1, 'clean', 'With the height told, nearly there.') },
  { daysAgo: 97, hour: 17.4, grain: 'brown-short', grams: 280, vesselId: 'pressure-pot', heatId: 'big-gas', slow: 1, judged: told(0, 0, 'clean', 'The pressure pot does not care how high we live.') },
  { daysAgo: 90, hour: 18.3, grain: 'short-white', grams: 300, vesselId: 'clay', heatId: 'big-gas', slow: 1.15, judged: told(1, 0, 'clean') },
  { daysAgo: 83, hour: 18, grain: 'quinoa', grams: 220, vesselId: 'little-steel', heatId: 'small-gas', slow: 1.06, judged: told(1, 0, 'clean', 'Rinsed till it stopped frothing. A bit wet still.') },
  { daysAgo: 76, hour: 6.4, grain: 'barley-hulled', grams: 300, vesselId: 'heavy-blue', heatId: 'big-gas', soak: overnight, slow: 1.02, judged: told(0, 0, 'clean', 'From the mill, soaked in the cellar.') },
  { daysAgo: 69, hour: 18.2, grain: 'short-white', grams: 300, vesselId: 'clay', heatId: 'big-gas', slow: 1.1, judged: told(1, 0, 'clean', 'Still a touch wet in the clay.') },
  { daysAgo: 62, hour: 18.4, grain: 'basmati', grams: 250, vesselId: 'heavy-blue', heatId: 'plug-in', soak: { minutes: 20, celsius: 19, water: 'drain' }, slow: 0.97, judged: told(0, 0, 'clean', 'Long and apart.') },
  { daysAgo: 55, hour: 18, grain: 'long-white', grams: 320, vesselId: 'little-steel', heatId: 'small-gas', slow: 1.18, judged: told(-1, 0, 'scorched', 'Thin pot, walked away.') },
  { daysAgo: 48, hour: 17.6, grain: 'short-white', grams: 520, vesselId: 'heavy-blue', heatId: 'big-gas', slow: 1.05, judged: told(1, 0, 'clean', 'Choir, first time.') },
  { daysAgo: 41, hour: 17.9, grain: 'short-white', grams: 520, vesselId: 'heavy-blue', heatId: 'big-gas', slow: 1.03, judged: told(0, 0, 'clean', 'Choir. Nobody said a word about it, so it was right.') },
  { daysAgo: 37, hour: 18.1, grain: 'quinoa', grams: 220, vesselId: 'little-steel', heatId: 'small-gas', slow: 1.02, judged: told(0, 0, 'clean') },
  { daysAgo: 33, hour: 17.2, grain: 'wild', grams: 160, vesselId: 'heavy-blue', heatId: 'small-gas', slow: 1.1, stopped: true },
  { daysAgo: 27, hour: 16.9, grain: 'wild', grams: 160, vesselId: 'heavy-blue', heatId: 'big-gas', slow: 1.02, judged: told(1, 1, 'clean', 'All burst. Pretty, too soft.') },
  { daysAgo: 20, hour: 18.2, grain: 'short-white', grams: 300, vesselId: 'clay', heatId: 'big-gas', slow: 1.09, judged: told(0, 0, 'clean', 'The clay has it now.') },
  { daysAgo: 13, hour: 6.9, grain: 'brown-short', grams: 280, vesselId: 'scoop-cooker', heatId: 'big-gas', soak: overnight, slow: 1, judged: told(-1, 0, 'stuck', 'Clicked early.') },
  { daysAgo: 9, hour: 18.3, grain: 'long-white', grams: 260, vesselId: 'heavy-blue', heatId: 'big-gas', slow: 1.01, judged: told(0, 0, 'clean') },
  { daysAgo: 6, hour: 17.8, grain: 'short-white', grams: 390, vesselId: 'heavy-blue', heatId: 'big-gas', slow: 1.02, judged: told(1, 0, 'clean', 'A spoon less would do.') },
  { daysAgo: 2, hour: 18.1, grain: 'basmati', grams: 250, vesselId: 'heavy-blue', heatId: 'plug-in', soak: { minutes: 20, celsius: 19, water: 'drain' }, slow: 0.98, judged: told(-1, 0, 'clean', 'Pim wants it softer.') },
]
