import { LRUCache } from 'lru-cache'
import answerInThread from './worker'
import { runInWorker, takesLong } from './worker-pool'

/**
 * The same question has the same answer: no endpoint reads the clock, the household or unseeded chance. Sizes
 * in characters.
 */
const saved = new LRUCache<string, string>({
  maxSize: 4_000_000,
  maxEntrySize: 400_000,
  sizeCalculation: (json, asked) => json.length + asked.length,
})

/**
 * Answers as `ask` does, as it goes over the wire; what was asked before is not computed again, and what
 * takes long runs in a worker thread.
 * @param signal aborted when the client disconnects
 */
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
