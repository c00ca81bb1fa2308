import { planFrom } from '#core/contract/plan'
import { parsePlanRequest } from '#core/contract/plan-request'
import { mainGrain } from '#core/grain/varieties'
import type { loader } from '../routes/stove/stove'
import { localStart, sendStarts } from './local-starts'

type Stove = Awaited<ReturnType<typeof loader>>

/**
 * The stove of a batch that was started on this device: from the household, once it has it; until then from what the
 * device knows.
 * @param ask the household
 */
export async function localStove(id: string, ask: () => Promise<Stove>): Promise<Stove> {
  await sendStarts()
  const start = localStart(id)
  if (!start) return ask()
  const { request } = start.start
  const [read, planned] = [parsePlanRequest(request), planFrom(request)]
  if (!read.ok || !planned.ok) return ask()
  const { title, vesselName, knob, household } = start.shown
  const kept = { request, plan: planned.value, startedMs: start.startedMs }
  return {
    id,
    title,
    vesselName,
    serveAtMs: read.value.serveAtMs,
    kept,
    knob,
    variety: mainGrain(read.value.grains),
    events: [],
    lanes: [{ id, title, vesselName, kept, events: [] }],
    cooling: [],
    board: null,
    cuePhotos: {},
    offer: null,
    measured: {},
    household,
    nowMs: Date.now(),
  }
}
