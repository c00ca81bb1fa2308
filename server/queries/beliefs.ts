import {
  knownFigures,
  learnFurther,
  nothingLearned,
  type Beliefs,
  type BeliefsSoFar,
} from '#core/learn/beliefs'
import type { KnownFigures } from '#core/learn/corrections'
import { evidenceIn, type notebookIn } from '#server/store/notebook'
import type { Kitchen } from '#server/store/open-household'

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

/**
 * What is believed now. Where records were added or the newest changed, only those are learned from again; the
 * figures are those of learning from all records, to the last bit.
 */
export function currentBeliefs({ notebook }: { notebook: Notebook }): Held {
  const before = held.get(notebook)
  const version = notebook.version()
  if (before && before.version === version) return before
  const records = notebook.evidenceTexts()
  const overrides = notebook.overrides()
  const base = baseFor(bases.get(notebook), records, overrides)
  bases.set(notebook, base)
  const newest = records.slice(base.learned.batches).map(evidenceIn)
  const { beliefs } = learnFurther(base.learned, newest, overrides)
  const now = { version, beliefs, known: knownFigures(beliefs) }
  held.set(notebook, now)
  return now
}

/** The base learned before where its records are still those of the notebook, brought up where it lies far back. */
function baseFor(
  before: Base | undefined,
  records: readonly string[],
  overrides: ReturnType<Notebook['overrides']>,
): Base {
  const said = JSON.stringify(overrides)
  const holds =
    before !== undefined &&
    before.overrides === said &&
    before.records.length <= records.length &&
    before.records.every((record, i) => record === records[i])
  if (holds && records.length - before.records.length <= 2 * NEWEST) return before
  const from = holds ? before.learned : nothingLearned()
  const until = Math.max(from.batches, records.length - NEWEST)
  const batches = records.slice(from.batches, until).map(evidenceIn)
  return {
    records: records.slice(0, until),
    overrides: said,
    // Overrides between this batch and the next are applied with the next.
    learned: learnFurther(from, batches, overrides, batches.at(-1)?.endedMs ?? -Infinity),
  }
}

/** So many batches at a time: some ten milliseconds. */
const SLICE = 200

/** Learns from a long notebook in slices, between requests, so that the first page does not wait for all of it. */
export function learnInSlices({ db, notebook }: Kitchen): void {
  const records = notebook.evidenceTexts()
  const next = (until: number) => {
    if (!db.open || held.has(notebook)) return
    bases.set(notebook, baseFor(bases.get(notebook), records.slice(0, until), notebook.overrides()))
    if (until < records.length) setImmediate(next, until + SLICE)
  }
  if (records.length > SLICE) setImmediate(next, SLICE)
}
