import { onTheTableBy, type Candidate, type OnTheTable } from '#core/compare/by-hour'
import { PROGRESS_CHANNEL, prepareImport, type Preparation } from '#server/commands/prepare-import'
import { writeImport, type ImportWrite } from '#server/commands/write-import'
import { ask } from './handlers'

/** Answers a question in the thread it is called in, as it goes over the wire. */
export default function answerInThread({ question, text }: { question: string; text: string }): {
  status: number
  json: string
} {
  const { status, body } = ask(question, text)
  return { status, json: JSON.stringify(body) }
}

/** What of all that could be cooked is ready in so many minutes. */
export function readyBy<T>({ candidates, minutes }: { candidates: Candidate<T>[]; minutes: number }): {
  ready: OnTheTable<T>[]
  tooLate: OnTheTable<T>[]
} {
  return onTheTableBy(candidates, minutes)
}

/** Reads and lays out a file that comes in, and says on a channel how far it is. */
export async function prepare(preparation: Preparation): ReturnType<typeof prepareImport> {
  const channel = new BroadcastChannel(PROGRESS_CHANNEL)
  try {
    return await prepareImport(preparation, (done, total) => channel.postMessage({ done, total }))
  } finally {
    channel.close()
  }
}

/** Writes what was prepared, over a connection of this thread. */
export const write = (wanted: ImportWrite): ReturnType<typeof writeImport> => writeImport(wanted)
