import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { Plan } from '#core/plan/result'

/** A pot a batch could go into, with its burner. */
export interface SplitPot {
  id: string
  name: string
  capacityMl: number
  /** Pots on one burner cannot cook at once; an appliance brings its own. */
  place: string
  /** The request for so many grams in this pot. */
  request: (grams: number) => PlanRequestJson
}

export interface SplitShare {
  pot: SplitPot
  grams: number
  plan: Plan
}
export interface SplitOption {
  shares: SplitShare[]
  /** Cooked one after another in the same pot. */
  rounds: number
  /** Minutes from the start to serving, and hands-on minutes. */
  minutes: number
  handsOn: number
  /** The deepest bed, mm: the deeper, the less even. */
  bedMm: number
}

const MAX_POTS = 3
const STEP_G = 5
/** A pot that would get less than this is not worth washing, g. */
const MIN_G = 60

const unfit = (plan: Plan): boolean => plan.cautions.some((c) => c.severity === 'stop')

/**
 * Ways to cook a batch in the pots there are: in one, in two or three with each its own water and time, or in
 * rounds; those that fit, the soonest first, then the fewest minutes of hands, then the shallowest bed.
 */
export function splitBatch(grams: number, pots: readonly SplitPot[]): SplitOption[] {
  const options: SplitOption[] = []
  for (const set of subsets(pots, MAX_POTS)) {
    if (new Set(set.map((p) => p.place)).size < set.length) continue
    const shares = shared(grams, set)
    if (shares) options.push(optionOf(shares, 1))
  }
  for (const pot of pots) {
    const half = Math.round(grams / 2 / STEP_G) * STEP_G
    const one = half >= MIN_G ? planned(pot, half) : undefined
    if (one) options.push(optionOf([{ pot, grams: half, plan: one }], 2))
  }
  return options.sort((a, b) => a.minutes - b.minutes || a.handsOn - b.handsOn || a.bedMm - b.bedMm)
}

function planned(pot: SplitPot, grams: number): Plan | undefined {
  const read = planFrom(pot.request(grams))
  return read.ok && !unfit(read.value) ? read.value : undefined
}

/** Shares by what each pot holds, so that the beds are about as deep; all of them fit, or none is taken. */
function shared(grams: number, set: readonly SplitPot[]): SplitShare[] | undefined {
  const room = set.reduce((sum, p) => sum + p.capacityMl, 0)
  let left = grams
  const shares: SplitShare[] = []
  for (const [i, pot] of set.entries()) {
    const own = i === set.length - 1 ? left : Math.round((grams * pot.capacityMl) / room / STEP_G) * STEP_G
    left -= own
    if (set.length > 1 && own < MIN_G) return undefined
    const plan = planned(pot, own)
    if (!plan) return undefined
    shares.push({ pot, grams: own, plan })
  }
  return shares
}

function optionOf(shares: SplitShare[], rounds: number): SplitOption {
  const hands = shares.reduce((sum, s) => sum + s.plan.hands_on_minutes, 0) * rounds
  const longest = Math.max(...shares.map((s) => s.plan.total_minutes.expected))
  // One cook: the pots after the first wait for them. A second round is washed while the first cooks.
  const waits = shares.slice(1).reduce((sum, s) => sum + s.plan.hands_on_minutes / 2, 0)
  const again = shares[0]!.plan.stages
    .filter((s) => s.power_w > 0 || s.kind === 'rest')
    .reduce((sum, s) => sum + s.minutes.expected, 0)
  return {
    shares,
    rounds,
    minutes: longest + waits + (rounds - 1) * again,
    handsOn: hands,
    bedMm: Math.max(...shares.map((s) => s.plan.gauges.swollen_level_mm)),
  }
}

function* subsets<T>(list: readonly T[], most: number, from = 0, taken: T[] = []): Generator<T[]> {
  if (taken.length > 0) yield [...taken]
  if (taken.length === most) return
  for (let i = from; i < list.length; i++) yield* subsets(list, most, i + 1, [...taken, list[i]!])
}
