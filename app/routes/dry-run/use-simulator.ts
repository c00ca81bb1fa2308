import { proxy, wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { Diagnosis, PastPot } from '#core/simulate/diagnose'
import type { Chances } from '#core/simulate/sweep'
import type { WhatIf } from '#core/simulate/what-if'
import type { Cooked, Simulator } from '../../workers/simulator'

const startWorker = () => new Worker(new URL('../../workers/simulator.ts', import.meta.url), { type: 'module' })

/** Pots cooked in a worker, the newest question's answer only. Undefined until the first is done. */
export function useCooked(request: PlanRequestJson, questions: readonly (WhatIf | null)[]): Cooked[] | undefined {
  const [cooked, setCooked] = useState<Cooked[]>()
  const worker = useRef<{ thread: Worker; remote: Remote<Simulator> } | undefined>(undefined)
  const asked = JSON.stringify([request, questions])
  useEffect(() => {
    const thread = startWorker()
    worker.current = { thread, remote: wrap<Simulator>(thread) }
    return () => thread.terminate()
  }, [])
  useEffect(() => {
    let current = true
    const [json, list] = JSON.parse(asked) as [PlanRequestJson, (WhatIf | null)[]]
    void (async () => {
      const runs: Cooked[] = []
      for (const question of list) runs.push(await worker.current!.remote.cook(json, question))
      if (current) setCooked(runs)
    })()
    return () => {
      current = false
    }
  }, [asked])
  return cooked
}

/** Asks about a past pot, in a worker that ends with its answer. */
export async function diagnoseInWorker(request: PlanRequestJson, told: Omit<PastPot, 'request'>): Promise<Diagnosis> {
  const thread = startWorker()
  try {
    return await wrap<Simulator>(thread).diagnose(request, told)
  } finally {
    thread.terminate()
  }
}

export interface SweepState {
  /** Pots done so far; undefined while nothing runs. */
  done: number | undefined
  chances: Chances | undefined
  start: () => void
  stop: () => void
}

export const SWEEP_RUNS = 400

/** A sweep in a worker of its own, so that stopping it is ending the worker. Another plan throws the old chances away. */
export function useSweep(request: PlanRequestJson): SweepState {
  const [state, setState] = useState<{ of: string; done?: number; chances?: Chances }>({ of: '' })
  const thread = useRef<Worker | undefined>(undefined)
  const asked = JSON.stringify(request)
  const stop = () => {
    thread.current?.terminate()
    thread.current = undefined
    setState({ of: asked })
  }
  useEffect(() => () => thread.current?.terminate(), [])
  const mine = state.of === asked ? state : { of: asked }
  const start = () => {
    thread.current?.terminate()
    const worker = startWorker()
    thread.current = worker
    setState({ of: asked, done: 0 })
    const remote = wrap<Simulator>(worker)
    void remote
      .sweep(request, null, { seed: 1, runs: SWEEP_RUNS }, proxy((done: number) => thread.current === worker && setState({ of: asked, done })))
      .then((chances) => {
        if (thread.current !== worker) return
        // A word on its way about progress comes too late now.
        thread.current = undefined
        worker.terminate()
        setState({ of: asked, chances })
      })
  }
  return { done: mine.done, chances: mine.chances, start, stop }
}
