import type { Known, KnownFigures, PlanFor } from './corrections'
import { figuresOf, observationsOf, type Evidence } from './evidence'
import { FIGURE_KINDS, figureName, isFigureName, kindOf, priorSd, type OverrideKind } from './figures'
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
  widenTo,
  type GaussianState,
} from './kalman'

/** What changes a figure other than batches do. */
export interface FigureOverride {
  figure: string
  kind: OverrideKind
  /** Of a pin and a prior; logs as logs. */
  value: number
  /** Of a prior, one standard deviation; of a widening, at least so unsure. */
  sd?: number | null
  atMs: number
}

/** A figure after a batch that moved it. */
export interface FigureStep {
  cookId: string
  endedMs: number
  figure: string
  mean: number
  sd: number
}

/** What a batch was expected to show, and what it showed. */
export interface Compared {
  cookId: string
  endedMs: number
  what: ReturnType<typeof observationsOf>[number]['what']
  figure: string
  expected: number
  value: number
  z: number
}

export interface Beliefs {
  state: GaussianState
  /** How many batches showed something of a figure, and when the last one did. */
  observed: Map<string, { batches: number; lastMs: number }>
  steps: FigureStep[]
  compared: Compared[]
  pinned: Map<string, number>
}

/** A pinned figure is what was said, give or take nothing that matters. */
const PINNED_SD = 1e-4

/** The order in which batches are learned from: as they ended, then by id. */
const byEnd = (a: Evidence, b: Evidence): number => a.endedMs - b.endedMs || (a.cookId < b.cookId ? -1 : 1)

/** Beliefs after a number of batches, in their order, and after as many overrides. */
export interface BeliefsSoFar {
  batches: number
  overrides: number
  beliefs: Beliefs
}
export const nothingLearned = (): BeliefsSoFar => ({
  batches: 0,
  overrides: 0,
  beliefs: { state: emptyState(), observed: new Map(), steps: [], compared: [], pinned: new Map() },
})

/**
 * Learns from later batches only; those before them are not read again.
 * @param before is left as it is
 * @param batches those that follow, in their order
 * @param overrides all of them, in any order
 * @param untilMs overrides are applied up to here; left out: all of them
 */
export function learnFurther(
  before: BeliefsSoFar,
  batches: readonly Evidence[],
  overrides: readonly FigureOverride[],
  untilMs?: number,
): BeliefsSoFar {
  const beliefs: Beliefs = {
    state: copyOf(before.beliefs.state),
    observed: new Map(before.beliefs.observed),
    steps: [...before.beliefs.steps],
    compared: [...before.beliefs.compared],
    pinned: new Map(before.beliefs.pinned),
  }
  const inOrder = overrides
    .filter((o) => isFigureName(o.figure))
    .sort((a, b) => a.atMs - b.atMs || (a.figure < b.figure ? -1 : 1))
  let next = before.overrides
  const applyOverridesUntil = (ms: number) => {
    for (; next < inOrder.length && inOrder[next]!.atMs <= ms; next++) applyOverride(beliefs, inOrder[next]!)
  }
  for (const batch of batches) {
    applyOverridesUntil(batch.endedMs)
    learnFrom(beliefs, batch)
  }
  applyOverridesUntil(untilMs ?? Infinity)
  return { batches: before.batches + batches.length, overrides: next, beliefs }
}

/**
 * Everything that is believed, out of the records alone, in the order of the batches: the same records give the
 * same figures to the last bit.
 */
export const beliefsFrom = (
  evidence: readonly Evidence[],
  overrides: readonly FigureOverride[] = [],
): Beliefs => learnFurther(nothingLearned(), [...evidence].sort(byEnd), overrides).beliefs

function applyOverride(
  { state, observed, pinned }: Beliefs,
  { figure, kind, value, sd, atMs }: FigureOverride,
): void {
  switch (kind) {
    case 'pin':
      fixVariable(state, figure, value, PINNED_SD)
      pinned.set(figure, value)
      return
    case 'reset':
      fixVariable(state, figure, 0, priorSd(figure))
      pinned.delete(figure)
      observed.delete(figure)
      return
    case 'widen':
      if (!pinned.has(figure)) widenTo(state, figure, sd ?? priorSd(figure))
      return
    case 'prior':
      // What was seen here counts for more than what was seen elsewhere.
      if (observed.has(figure) || pinned.has(figure)) return
      fixVariable(state, figure, value, sd ?? priorSd(figure))
      observed.set(figure, { batches: 0, lastMs: atMs })
  }
}

function learnFrom({ state, observed, steps, compared, pinned }: Beliefs, batch: Evidence): void {
  const seen = observationsOf(batch)
  if (seen.length === 0) return
  for (const figure of figuresOf(batch)) addVariable(state, figure, priorSd(figure))
  const touched = new Set<string>()
  const before = state.names.map((figure, i) => ({
    mean: state.mean[i]!,
    sd: sdIn(state, figure, priorSd(figure)),
  }))
  for (const { what, seen: observation } of seen) {
    for (const figure of observation.weights.keys()) {
      if (!touched.has(figure) && !pinned.has(figure))
        addProcessNoise(state, figure, FIGURE_KINDS[kindOf(figure)].forgets)
      touched.add(figure)
    }
    const { expected, value, z } = update(state, observation)
    compared.push({
      cookId: batch.cookId,
      endedMs: batch.endedMs,
      what,
      figure: observation.weights.keys().next().value!,
      expected,
      value,
      z,
    })
  }
  const timeAt = state.at.get(figureName('time', batch.vesselId))!
  const grain = offsetExtraSteam(state, batch, pinned, state.mean[timeAt]! - before[timeAt]!.mean)
  if (grain) touched.add(grain)
  // Several things seen of one batch may push the same way: together as well they move no figure by its own
  // standard deviation.
  before.forEach(({ mean, sd }, i) => {
    const most = MAX_SHIFT * sd
    state.mean[i] = Math.min(mean + most, Math.max(mean - most, state.mean[i]!))
  })
  for (const figure of touched) {
    observed.set(figure, { batches: (observed.get(figure)?.batches ?? 0) + 1, lastMs: batch.endedMs })
    steps.push({
      cookId: batch.cookId,
      endedMs: batch.endedMs,
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
 * @param timeMoved the pot's time figure, by how much this batch moved it
 * @returns the name of the grain's figure where it was moved, or null
 */
function offsetExtraSteam(
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

/** Every figure of which a batch showed something, or which was pinned. */
export const knownFigures = ({ state, observed, pinned }: Beliefs): KnownFigures =>
  Object.fromEntries(
    state.names
      .filter((figure) => observed.has(figure) || pinned.has(figure))
      .map((figure) => [
        figure,
        {
          mean: meanOf(state, figure),
          sd: sdIn(state, figure, priorSd(figure)),
          cooks: observed.get(figure)?.batches ?? 0,
          lastMs: observed.get(figure)?.lastMs ?? 0,
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
    for (const { seen } of observationsOf(cook)) {
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
