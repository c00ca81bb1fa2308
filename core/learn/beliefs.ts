import type { Known, KnownFigures, PlanFor } from './corrections'
import { figuresOf, seenIn, type Evidence } from './evidence'
import { FIGURE_KINDS, figureName, isFigureName, kindOf, priorSd } from './figures'
import {
  copyOf,
  emptyState,
  addProcessNoise,
  addVariable,
  meanOf,
  MAX_SHIFT,
  sdIn,
  sdOfSum,
  update,
  fixVariable,
  type GaussianState,
} from './kalman'

/** What the cook has said of a figure: this is what it is, or forget what you thought. */
export interface Word {
  figure: string
  kind: 'pin' | 'reset'
  /** For a pin; logs as logs. */
  value: number
  atMs: number
}

/** A figure after a cook that moved it. */
export interface Step {
  cookId: string
  endedMs: number
  figure: string
  mean: number
  sd: number
}

/** What a cook was expected to say, and what it said. */
export interface Compared {
  cookId: string
  endedMs: number
  what: ReturnType<typeof seenIn>[number]['what']
  figure: string
  expected: number
  value: number
  z: number
}

export interface Beliefs {
  state: GaussianState
  /** How many cooks spoke of a figure, and when the last one did. */
  spoken: Map<string, { cooks: number; lastMs: number }>
  steps: Step[]
  compared: Compared[]
  pinned: Map<string, number>
}

/** A pinned figure is what was said, give or take nothing that matters. */
const PINNED_SD = 1e-4

/**
 * Everything that is believed, out of the records alone, in the order of the cooks: the same records give the
 * same figures to the last bit.
 */
export function beliefsFrom(evidence: readonly Evidence[], words: readonly Word[] = []): Beliefs {
  const state = emptyState()
  const beliefs: Beliefs = { state, spoken: new Map(), steps: [], compared: [], pinned: new Map() }
  const cooks = [...evidence].sort((a, b) => a.endedMs - b.endedMs || (a.cookId < b.cookId ? -1 : 1))
  const said = [...words]
    .filter((w) => isFigureName(w.figure))
    .sort((a, b) => a.atMs - b.atMs || (a.figure < b.figure ? -1 : 1))
  let next = 0
  const applyWordsUntil = (untilMs: number) => {
    for (; next < said.length && said[next]!.atMs <= untilMs; next++) {
      const word = said[next]!
      if (word.kind === 'pin') {
        fixVariable(state, word.figure, word.value, PINNED_SD)
        beliefs.pinned.set(word.figure, word.value)
      } else {
        fixVariable(state, word.figure, 0, priorSd(word.figure))
        beliefs.pinned.delete(word.figure)
        beliefs.spoken.delete(word.figure)
      }
    }
  }
  for (const cook of cooks) {
    applyWordsUntil(cook.endedMs)
    learnFrom(beliefs, cook)
  }
  applyWordsUntil(Infinity)
  return beliefs
}

function learnFrom({ state, spoken, steps, compared, pinned }: Beliefs, cook: Evidence): void {
  const seen = seenIn(cook)
  if (seen.length === 0) return
  for (const figure of figuresOf(cook)) addVariable(state, figure, priorSd(figure))
  const touched = new Set<string>()
  const before = state.names.map((figure, i) => ({
    mean: state.mean[i]!,
    sd: sdIn(state, figure, priorSd(figure)),
  }))
  for (const { what, seen: thing } of seen) {
    for (const figure of thing.weights.keys()) {
      if (!touched.has(figure) && !pinned.has(figure))
        addProcessNoise(state, figure, FIGURE_KINDS[kindOf(figure)].forgets)
      touched.add(figure)
    }
    const { expected, value, z } = update(state, thing)
    compared.push({
      cookId: cook.cookId,
      endedMs: cook.endedMs,
      what,
      figure: thing.weights.keys().next().value!,
      expected,
      value,
      z,
    })
  }
  const timeAt = state.at.get(figureName('time', cook.vesselId))!
  const grain = keepWaterSide(state, cook, pinned, state.mean[timeAt]! - before[timeAt]!.mean)
  if (grain) touched.add(grain)
  // Several things seen of one cook may push the same way: together as well they move no figure by its own
  // standard deviation.
  before.forEach(({ mean, sd }, i) => {
    const most = MAX_SHIFT * sd
    state.mean[i] = Math.min(mean + most, Math.max(mean - most, state.mean[i]!))
  })
  for (const figure of touched) {
    const spokenBefore = spoken.get(figure)
    spoken.set(figure, { cooks: (spokenBefore?.cooks ?? 0) + 1, lastMs: cook.endedMs })
    steps.push({
      cookId: cook.cookId,
      endedMs: cook.endedMs,
      figure,
      mean: meanOf(state, figure),
      sd: sdIn(state, figure, priorSd(figure)),
    })
  }
}

/** Longer on the heat, a pot boils off more: water by which a pour grows with its minutes, as a share of its steam. */
const STEAM_WITH_MINUTES = 2.5

/**
 * Minutes learned from hardness change the water as well, by what boils off in them. Where that would go against
 * the same rating, wetter after too wet or drier after too dry, the grain's own figure takes it back.
 * @param timeMoved the pot's time figure, by how much this cook moved it
 * @returns the name of the grain's figure where it was moved, or null
 */
function keepWaterSide(
  state: GaussianState,
  { judged, grainKey, steamPerDry }: Evidence,
  pinned: ReadonlyMap<string, number>,
  timeMoved: number,
): string | null {
  const grain = figureName('grain', grainKey)
  const place = state.at.get(grain)
  if (!judged || place === undefined || pinned.has(grain) || judged.wetDry * timeMoved <= 0) return null
  state.mean[place] = state.mean[place]! - STEAM_WITH_MINUTES * steamPerDry * timeMoved
  return grain
}

/** Every figure someone has spoken of. */
export const knownFigures = ({ state, spoken, pinned }: Beliefs): KnownFigures =>
  Object.fromEntries(
    state.names
      .filter((figure) => spoken.has(figure) || pinned.has(figure))
      .map((figure) => [
        figure,
        {
          mean: meanOf(state, figure),
          sd: sdIn(state, figure, priorSd(figure)),
          cooks: spoken.get(figure)?.cooks ?? 0,
          lastMs: spoken.get(figure)?.lastMs ?? 0,
          pinned: pinned.has(figure),
          ...covariancesOf(state, figure),
        },
      ]),
  )

/** With what else a figure of the water moves: only these are tasted together. */
function covariancesOf(state: GaussianState, figure: string): Pick<Known, 'covaries'> {
  if (!WATER_KINDS.has(kindOf(figure))) return {}
  const row = state.covariance[state.at.get(figure)!]!
  const covaries = Object.fromEntries(
    state.names.flatMap((other, i) =>
      other !== figure && WATER_KINDS.has(kindOf(other)) && row[i] !== 0 ? [[other, row[i]!]] : [],
    ),
  )
  return Object.keys(covaries).length > 0 ? { covaries } : {}
}
const WATER_KINDS: ReadonlySet<ReturnType<typeof kindOf>> = new Set(['grain', 'bag', 'steam'])

/** What the next ordinary meal could be asked, and how much surer its water would be then. */
export interface Experiment {
  id: 'judge' | 'weigh' | 'double' | 'half'
  says: string
  /** One standard deviation of the water to pour for this pot, g: now, and after. */
  nowG: number
  thenG: number
}

/**
 * The one change in the next meal that would teach most about this pot's water, and what plain tasting would:
 * by what each would see.
 * @param dryG of that meal
 * @param steamG computed with
 */
export function experimentsFor(
  beliefs: Beliefs,
  plan: PlanFor,
  { dryG, steamG }: { dryG: number; steamG: number },
): Experiment[] {
  const water = [
    figureName('grain', plan.grainKey),
    ...(plan.bagId === null ? [] : [figureName('bag', plan.bagId)]),
  ]
  const pour = new Map([
    ...water.map((figure) => [figure, dryG] as const),
    [figureName('steam', plan.vesselId), steamG] as const,
  ])
  const now = sdOfSum(beliefs.state, pour, priorSd)
  const after = (changes: Partial<Evidence>, factor: number): number => {
    const state = copyOf(beliefs.state)
    const cook: Evidence = {
      cookId: '',
      endedMs: 0,
      ...plan,
      extraUptake: 0,
      steamPerDry: steamG / (dryG * factor),
      applied: { uptake: 0, steam: 0, power: 0, time: 0 },
      judged: { wetDry: 0, hardness: 0 },
      heated: null,
      boilFactor: null,
      steamFactor: null,
      ...changes,
    }
    for (const figure of figuresOf(cook)) addVariable(state, figure, priorSd(figure))
    // As expected: only how sure one then is counts.
    for (const { seen } of seenIn(cook)) {
      let expected = 0
      for (const [figure, weight] of seen.weights) expected += weight * meanOf(state, figure)
      update(state, { ...seen, value: expected })
    }
    return sdOfSum(state, pour, priorSd)
  }
  const all: Experiment[] = [
    { id: 'judge', says: 'Rate it', nowG: now, thenG: after({}, 1) },
    {
      id: 'weigh',
      says: 'Weigh the full pot with lid before heating and when done',
      nowG: now,
      thenG: after({ steamFactor: 1 }, 1),
    },
    { id: 'double', says: 'Cook twice as much in the same pot and rate it', nowG: now, thenG: after({}, 2) },
    {
      id: 'half',
      says: 'Cook half as much in the same pot, and say how it was',
      nowG: now,
      thenG: after({}, 0.5),
    },
  ]
  return all.sort((a, b) => a.thenG - b.thenG)
}
