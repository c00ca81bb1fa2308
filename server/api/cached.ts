import { LRUCache } from 'lru-cache'
import answerInThread from './worker'
import { runInWorker, takesLong } from './worker-pool'

/**
 * The same question has the same answer: none of them knows the hour, the house or chance without a seed.
 * Sizes in characters.
 */
const saved = new LRUCache<string, string>({
  maxSize: 16_000_000,
  maxEntrySize: 400_000,
  sizeCalculation: (json, asked) => json.length + asked.length,
})

/** Answers as `ask` does, as it goes over the wire; what was asked before is not reckoned again, and what
 * takes long is reckoned beside.
 *  @param signal says when nobody waits any more */
export async function answer(
  question: string,
  text: string,
  signal?: AbortSignal,
): Promise<{ status: number; json: string }> {
  const asked = `${question} ${text}`
  const known = saved.get(asked)
  if (known !== undefined) return { status: 200, json: known }
  const { status, json } = takesLong(question, text)
    ? await runInWorker(question, text, signal)
    : answerInThread({ question, text })
  if (status === 200) saved.set(asked, json)
  return { status, json }
}
