import { beliefsFrom, knownFigures, type Beliefs } from '#core/learn/beliefs'
import type { KnownFigures } from '#core/learn/corrections'
import type { notebookIn } from '#server/store/notebook'

/** What is believed, and of which version of the notebook. */
interface Held {
  version: number
  beliefs: Beliefs
  known: KnownFigures
}
const held = new WeakMap<object, Held>()

/** What is believed now. Made from the records again whenever one of them changed. */
export function currentBeliefs({ notebook }: { notebook: ReturnType<typeof notebookIn> }): Held {
  const before = held.get(notebook)
  const version = notebook.version()
  if (before && before.version === version) return before
  const beliefs = beliefsFrom(notebook.evidence(), notebook.words())
  const now = { version, beliefs, known: knownFigures(beliefs) }
  held.set(notebook, now)
  return now
}
