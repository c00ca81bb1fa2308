import type { RequestHandler } from 'express'

/** First part of the path of version 1 and its name since version 2. */
const RENAMED: Readonly<Record<string, string>> = {
  by: 'ready-by',
  card: 'recipe-card',
  carry: 'transfer',
  dipstick: 'ruler',
  'dry-run': 'simulation',
  elsewhere: 'convert',
  enter: 'login',
  find: 'search',
  kept: 'leftovers',
  shelf: 'grains',
  supper: 'meal',
  trials: 'taste-tests',
}

/**
 * The present address of a path with its query; undefined where it has not been renamed.
 * @param url path and query as requested, for example "/meal/abc?x=1"
 */
export function renamedAddress(url: string): string | undefined {
  const [, first = '', rest = ''] = /^\/([^/?]*)(.*)$/s.exec(url) ?? []
  const name = Object.hasOwn(RENAMED, first) ? RENAMED[first] : undefined
  return name === undefined ? undefined : `/${name}${rest}`
}

/** Sends bookmarks of version 1 to the present address (308: the method and the body are kept). */
export const redirectRenamed: RequestHandler = (request, response, next) => {
  const address = renamedAddress(request.originalUrl)
  if (address === undefined) next()
  else response.redirect(308, address)
}
