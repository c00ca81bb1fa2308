import { spokenAct, type SpokenAct } from './spoken-words'

/** Speech recognition as far as it is used here; the DOM's types do not have it yet. */
interface Recognition extends EventTarget {
  lang: string
  continuous: boolean
  processLocally: boolean
  onresult: ((event: { resultIndex: number; results: SpeechRecognitionResultList }) => void) | null
  onend: (() => void) | null
  start: () => void
  abort: () => void
}
interface RecognitionClass {
  new (): Recognition
  available?: (options: { langs: string[]; processLocally: true }) => Promise<string>
}

/** The app's own language: what is said to it is matched in that. */
const LANGUAGE = 'en-GB'

const recognitionClass = (): RecognitionClass | undefined =>
  typeof window === 'undefined'
    ? undefined
    : (window as { SpeechRecognition?: RecognitionClass }).SpeechRecognition

/**
 * Whether this browser recognises speech on the device itself. One that would send the kitchen's talk to
 * somebody's server, or has to fetch a model first, is not used.
 */
export async function canListen(): Promise<boolean> {
  const known = recognitionClass()
  if (!known?.available) return false
  return (await known.available({ langs: [LANGUAGE], processLocally: true }).catch(() => '')) === 'available'
}

/** Listens until it is stopped, and goes on after each pause.  @returns what stops it */
export function listen(onAct: (act: SpokenAct) => void): () => void {
  const known = recognitionClass()
  if (!known) return () => {}
  const recognition = new known()
  let stopped = false
  recognition.lang = LANGUAGE
  recognition.continuous = true
  recognition.processLocally = true
  recognition.onresult = (event) => {
    for (let i = event.resultIndex; i < event.results.length; i++) {
      const result = event.results[i]!
      const act = result.isFinal ? spokenAct(result[0]!.transcript) : undefined
      if (act) onAct(act)
    }
  }
  // It ends by itself after a while of silence.
  recognition.onend = () => {
    if (!stopped) setTimeout(() => !stopped && recognition.start(), PAUSE_MS)
  }
  recognition.start()
  return () => {
    stopped = true
    recognition.abort()
  }
}
const PAUSE_MS = 400
