import {
  knownFigures,
  learnFurther,
  nothingLearned,
  type Beliefs,
  type BeliefsSoFar,
} from '#core/learn/beliefs'
import type { KnownFigures } from '#core/learn/corrections'
import { evidenceIn, type notebookIn } from '#server/store/notebook'
import { ALL, announce } from '#server/realtime/hub'

type Notebook = ReturnType<typeof notebookIn>

/** What is believed, and of which version of the notebook. */
interface Held {
  version: number
  beliefs: Beliefs
  known: KnownFigures
}

/** What was learned from all but the newest batches, and the very records it was learned from. */
interface Base {
  /** As stored, in their order. */
  records: readonly string[]
  overrides: string
  learned: BeliefsSoFar
}
const held = new WeakMap<Notebook, Held>()
const bases = new WeakMap<Notebook, Base>()

/** The newest batches change (they are rated, weighed, corrected): so many are learned from again. */
const NEWEST = 40

/** So many batches are learned from within a page; of more, pages wait for none: some hundred milliseconds. */
const AT_ONCE = 600

/**
 * What is believed now. Where records were added or the newest changed, only those are learned from again; the
 * figures are those of learning from all records, to the last bit. Where an old batch of a long notebook
 * changed, what was believed before stands for the seconds that learning it all again takes.
 */
export function currentBeliefs({ notebook }: { notebook: Notebook }): Held {
  const before = held.get(notebook)
  const version = notebook.version()
  if (before && before.version === version) return before
  const records = notebook.evidenceTexts()
  const overrides = notebook.overrides()
  if (before && records.length - stillGood(bases.get(notebook), records, overrides) > AT_ONCE) {
    learnInSlices(notebook)
    return before
  }
  const base = baseFor(bases.get(notebook), records, overrides)
  bases.set(notebook, base)
  const newest = records.slice(base.learned.batches).map(evidenceIn)
  const { beliefs } = learnFurther(base.learned, newest, overrides)
  const now = { version, beliefs, known: knownFigures(beliefs) }
  held.set(notebook, now)
  return now
}

/** How many records a base was learned from, where they are still those of the notebook; otherwise none. */
const stillGood = (
  base: Base | undefined,
  records: readonly string[],
  overrides: ReturnType<Notebook['overrides']>,
): number =>
  base !== undefined &&
  base.overrides === JSON.stringify(overrides) &&
  base.records.length <= records.length &&
  base.records.every((record, i) => record === records[i])
    ? base.records.length
    : 0

/** The base learned before where its records are still those of the notebook, brought up where it lies far back. */
function baseFor(
  before: Base | undefined,
  records: readonly string[],
  overrides: ReturnType<Notebook['overrides']>,
): Base {
  const from = stillGood(before, records, overrides)
  if (before && from === before.records.length && records.length - from <= 2 * NEWEST) return before
  return baseUpTo(before, records, overrides, Math.max(from, records.length - NEWEST))
}

/** What was learned from so many of the records, going on from a base where it still holds. */
function baseUpTo(
  before: Base | undefined,
  records: readonly string[],
  overrides: ReturnType<Notebook['overrides']>,
  until: number,
): Base {
  const from = before && stillGood(before, records, overrides) > 0 ? before.learned : nothingLearned()
  const batches = records.slice(from.batches, Math.max(from.batches, until)).map(evidenceIn)
  return {
    records: records.slice(0, Math.max(from.batches, until)),
    overrides: JSON.stringify(overrides),
    // Overrides between this batch and the next are applied with the next.
    learned: learnFurther(from, batches, overrides, batches.at(-1)?.endedMs ?? -Infinity),
  }
}

/** So many batches at a time: some ten milliseconds. */
const SLICE = 200
const slicing = new WeakSet<Notebook>()

/** Learns from a long notebook again, in slices between requests; then every screen loads what is new. */
function learnInSlices(notebook: Notebook): void {
  if (slicing.has(notebook)) return
  slicing.add(notebook)
  const read = () => ({
    version: notebook.version(),
    records: notebook.evidenceTexts(),
    overrides: notebook.overrides(),
  })
  let last: ReturnType<typeof read> | undefined
  const next = (): void => {
    if (!notebook.isOpen()) return
    // What is written meanwhile belongs to it.
    if (last?.version !== notebook.version()) last = read()
    const { records, overrides } = last
    const from = stillGood(bases.get(notebook), records, overrides)
    if (records.length - from > AT_ONCE) {
      bases.set(notebook, baseUpTo(bases.get(notebook), records, overrides, from + SLICE))
      setImmediate(next)
      return
    }
    slicing.delete(notebook)
    currentBeliefs({ notebook })
    announce(ALL)
  }
  setImmediate(next)
}
