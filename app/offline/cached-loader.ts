import { useEffect } from 'react'
import { isRouteErrorResponse } from 'react-router'

/** The last loader data of each page, by the page's key. */
const cached = new Map<string, unknown>()

const SHUT_OUT = 401

/**
 * An answer that is meant: a redirect, a page that is not there. All else is a line that was cut, a server
 * that is gone for a while, or a device that was signed out in the middle of a cook.
 */
export const isAnswer = (error: unknown): boolean =>
  error instanceof Response ||
  (isRouteErrorResponse(error) && error.status < 500 && error.status !== SHUT_OUT)

/**
 * Loads from the server, or returns the last cached data where it cannot be reached: a batch is not lost with
 * the connection.
 * @param key what names this page and its thing
 * @throws what the server answered, or the failure where nothing was cached
 */
export async function orCached<T>(key: string, ask: () => Promise<T>): Promise<T> {
  try {
    const data = await ask()
    cached.set(key, data)
    return data
  } catch (error) {
    if (isAnswer(error) || !cached.has(key)) throw error
    return cached.get(key) as T
  }
}

/** The first reading comes with the page itself, not by asking. */
export function useLastKnown(key: string, data: unknown): void {
  useEffect(() => {
    cached.set(key, data)
  }, [key, data])
}
