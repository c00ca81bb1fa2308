import { EventEmitter } from 'node:events'

declare global {
  var omselHub: EventEmitter | undefined
}

/** Notifies screens that a batch changed; they then load what is new. */
const hub = () => (globalThis.omselHub ??= new EventEmitter().setMaxListeners(200))

/** Topic of every batch. */
export const ALL = 'all'

export function announce(cookId: string): void {
  hub().emit(cookId)
  hub().emit(ALL)
}

/** Readings of a batch's devices, as sent to the screens. */
export interface CookReadings {
  cook: string
  kind: string
  atMs: number
  grams?: number
  celsius?: number
  clicked?: boolean
  ends: string | undefined
  amount?: number
}
const READINGS = 'readings'
export const announceReadings = (readings: readonly CookReadings[]): void =>
  void (readings.length > 0 && hub().emit(READINGS, readings))

/** Screens listening now. */
export const listeners = (): number =>
  hub()
    .eventNames()
    .reduce((sum, name) => sum + hub().listenerCount(name), 0)

/** @returns its own undo */
export function listen(cookId: string, tell: () => void): () => void {
  hub().on(cookId, tell)
  return () => void hub().off(cookId, tell)
}

const BEAT_MS = 20_000
/** How often a stream checks whether it may go on, ms. */
const LOOK_AGAIN_MS = 3000

/**
 * A stream of changes of one batch, with a heartbeat so that both ends notice a broken connection.
 * @param isSignedIn false once its session has ended: then the stream is closed, not cut off
 */
export function changesOf(
  cookId: string,
  signal: AbortSignal,
  isSignedIn: () => boolean = () => true,
): Response {
  const encoder = new TextEncoder()
  let stop = () => {}
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (text: string) => controller.enqueue(encoder.encode(text))
      say('retry: 2000\n\nevent: changed\ndata: {}\n\n')
      const undoChanges = listen(cookId, () => say('event: changed\ndata: {}\n\n'))
      const tellReadings = (readings: readonly CookReadings[]) =>
        say(`event: readings\ndata: ${JSON.stringify(readings)}\n\n`)
      if (cookId === ALL) hub().on(READINGS, tellReadings)
      const undo = () => {
        undoChanges()
        hub().off(READINGS, tellReadings)
      }
      const beat = setInterval(() => say(': beat\n\n'), BEAT_MS)
      const close = () => {
        stop()
        try {
          controller.close()
        } catch {
          // Already closed by the other end.
        }
      }
      const lookAgain = setInterval(() => isSignedIn() || close(), LOOK_AGAIN_MS)
      stop = () => {
        undo()
        clearInterval(beat)
        clearInterval(lookAgain)
      }
      signal.addEventListener('abort', close)
    },
    cancel: () => stop(),
  })
  return new Response(stream, {
    headers: {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    },
  })
}
