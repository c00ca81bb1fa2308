import { planFrom } from '#core/contract/plan'

/** Plans that are kept: those of the page that is open, and on the server of a few pages. */
const MOST = 48
const cache = new Map<string, ReturnType<typeof planFrom>>()

/** Plans as `planFrom` does; the same request is not planned again. What it returns is read, never changed. */
export function rememberedPlan(request: Parameters<typeof planFrom>[0]): ReturnType<typeof planFrom> {
  const key = JSON.stringify(request)
  const read = cache.get(key) ?? planFrom(request)
  // The one asked for last is the last to go.
  cache.delete(key)
  cache.set(key, read)
  if (cache.size > MOST) cache.delete(cache.keys().next().value!)
  return read
}
