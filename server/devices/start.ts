import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { watchStove } from './watch'

declare global {
  var omselWatch: (() => void) | undefined
}

/** The stove is watched from the first page on; once, however often the development server reloads its modules. */
export function startWatching(): void {
  globalThis.omselWatch?.()
  globalThis.omselWatch = watchStove(kitchen(), nowMs)
}
