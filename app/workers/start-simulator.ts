import { wrap, type Remote } from 'comlink'
import type { Simulator } from './simulator'

export interface Running {
  remote: Remote<Simulator>
  end: () => void
}

/** A simulator in a thread of its own; ending it stops whatever it is at. */
export function startSimulator(): Running {
  const thread = new Worker(new URL('./simulator.ts', import.meta.url), { type: 'module' })
  return { remote: wrap<Simulator>(thread), end: () => thread.terminate() }
}
