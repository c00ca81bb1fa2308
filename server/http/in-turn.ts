import type { RequestHandler } from 'express'
import pLimit from 'p-limit'
import { importWritten } from '#server/commands/transfer'
import { COMPUTED } from './public-demo'

/** A page that waits for a worker, or for a slow line, gives up its turn after this, ms. */
const LONGEST_TURN_MS = 250
/**
 * Rounds of the event loop between two pages. The loop takes one new connection a round, so that with a single
 * one a press over a new connection would wait for a page of each client that came before it. A round in which
 * nothing comes is some microseconds.
 */
const ROUNDS_BETWEEN = 64
/** Streams, files and answers for programs are not pages. */
const NOT_PAGES = /^\/(api|photos)\/|\/(changes|events|progress)$|\.(csv|ics|json|pem|zip)$/

const afterRounds = (rounds: number, next: () => void): void =>
  void setImmediate(() => (rounds > 1 ? afterRounds(rounds - 1, next) : next()))

/**
 * Pages are made one after the other, each when the one before has been sent; what is pressed at the stove is
 * done between two of them and never waits for those that are waiting.
 * @param longestMs how long a page may keep its turn
 */
export function inTurnFor(longestMs: number): RequestHandler {
  // A page takes the whole thread: two at once would only wait for each other, and presses for both.
  const turns = pLimit(1)
  return (request, response, next) => {
    if (request.method !== 'GET' || NOT_PAGES.test(request.path)) return next()
    void turns(
      () =>
        new Promise<void>((done) => {
          // Who waited too long has left.
          if (response.destroyed) return done()
          const over = setTimeout(done, longestMs)
          response.once('close', () => {
            clearTimeout(over)
            done()
          })
          afterRounds(ROUNDS_BETWEEN, next)
        }),
    )
  }
}

export const inTurn = inTurnFor(LONGEST_TURN_MS)

/** While an import is being written, who reads goes on, and who would write waits for it without holding up others. */
export const afterImport: RequestHandler = (request, _response, next) => {
  const written = request.method === 'POST' && !COMPUTED.test(request.path) ? importWritten() : undefined
  if (written) void written.then(() => next())
  else next()
}
