import { proxy, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { SimulateRequestJson } from '#core/contract/simulate'
import type { Diagnosis, PastPot } from '#core/simulate/diagnose'
import { MAP_SIZE, type OutcomeMap } from '#core/simulate/outcome-map'
import type { Chances } from '#core/simulate/sweep'
import type { WhatIf } from '#core/simulate/what-if'
import type { Cooked, Simulator } from '../../workers/simulator'
import { startSimulator, type Running } from '../../workers/start-simulator'

/** A cooked pot, and the question it answers; null is the plan's own. */
export type Answer = Cooked & { question: WhatIf | null }

/**
 * Pots cooked in a worker, one request at a time and always the newest: requests passed by while dragging are
 * skipped. Undefined until the first is done.
 */
export function useCooked(
  request: SimulateRequestJson,
  questions: readonly (WhatIf | null)[],
): Answer[] | undefined {
  const [cooked, setCooked] = useState<Answer[]>()
  const asked = JSON.stringify([request, questions])
  const at = useRef<{ running?: Running; busy: boolean; wanted: string; ended: boolean }>({
    busy: false,
    wanted: '',
    ended: false,
  })
  useEffect(() => {
    const here = at.current
    here.running = startSimulator()
    here.ended = false
    here.busy = false
    return () => {
      here.ended = true
      here.running?.end()
    }
  }, [])
  useEffect(() => {
    const here = at.current
    here.wanted = asked
    if (here.busy) return
    void (async () => {
      here.busy = true
      let done = ''
      while (done !== here.wanted && !here.ended) {
        done = here.wanted
        const [json, list] = JSON.parse(done) as [SimulateRequestJson, (WhatIf | null)[]]
        const runs: Answer[] = []
        for (const question of list)
          runs.push({ ...(await here.running!.remote.cook(json, question)), question })
        if (!here.ended) setCooked(runs)
      }
      here.busy = false
    })()
  }, [asked])
  return cooked
}

/** Asks about a past pot, in a worker that ends with its answer. */
export async function diagnoseInWorker(
  request: PlanRequestJson,
  past: Omit<PastPot, 'request'>,
): Promise<Diagnosis> {
  const { remote, end } = startSimulator()
  try {
    return await remote.diagnose(request, past)
  } finally {
    end()
  }
}

export interface LongRun<T> {
  /** Pots done so far; undefined while nothing runs. */
  done: number | undefined
  /** The answer to this very request. */
  answer: { value: T } | undefined
  start: () => void
  stop: () => void
}

/**
 * Many pots in a worker of their own, so that stopping them is ending the worker. Another request throws the
 * old answer away.
 */
function useLongRun<T>(
  request: SimulateRequestJson,
  run: (remote: Remote<Simulator>, json: SimulateRequestJson, tell: (done: number) => void) => Promise<T>,
): LongRun<T> {
  const [state, setState] = useState<{ of: string; done?: number; answer?: { value: T } }>({ of: '' })
  const running = useRef<Running | undefined>(undefined)
  const asked = JSON.stringify(request)
  const stop = () => {
    running.current?.end()
    running.current = undefined
    setState({ of: asked })
  }
  useEffect(() => () => running.current?.end(), [])
  const mine = state.of === asked ? state : { of: asked }
  const start = () => {
    running.current?.end()
    const mineNow = startSimulator()
    running.current = mineNow
    setState({ of: asked, done: 0 })
    void run(
      mineNow.remote,
      request,
      proxy((done: number) => running.current === mineNow && setState({ of: asked, done })),
    ).then((value) => {
      if (running.current !== mineNow) return
      // A word on its way about progress comes too late now.
      running.current = undefined
      mineNow.end()
      setState({ of: asked, answer: { value } })
    })
  }
  return { done: mine.done, answer: mine.answer, start, stop }
}

export const SWEEP_RUNS = 400
export const MAP_POTS = MAP_SIZE.pours * MAP_SIZE.minutes

export const useSweep = (request: SimulateRequestJson): LongRun<Chances> =>
  useLongRun(request, (remote, json, tell) => remote.sweep(json, { seed: 1, runs: SWEEP_RUNS }, tell))
export const useMap = (request: SimulateRequestJson): LongRun<OutcomeMap | undefined> =>
  useLongRun(request, (remote, json, tell) => remote.map(json, tell))
