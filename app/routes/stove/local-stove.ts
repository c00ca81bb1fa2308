import { planFrom } from '#core/contract/plan'
import { parsePlanRequest } from '#core/contract/plan-request'
import { mainGrain } from '#core/grain/varieties'
import { localStart, sendStarts } from '../../offline/local-starts'
import type { StoveShown } from '../../planning/stove-shown'

/**
 * The stove of a batch that was started on this device, from what the device knows; undefined once the household has
 * it.
 */
export async function localStove(id: string) {
  await sendStarts()
  const start = localStart<StoveShown>(id)
  if (!start) return undefined
  const { request } = start.start
  const [read, planned] = [parsePlanRequest(request), planFrom(request)]
  if (!read.ok || !planned.ok) return undefined
  const { title, vesselName, knob, household } = start.shown
  const cook = { request, plan: planned.value, startedMs: start.startedMs }
  return {
    id,
    title,
    vesselName,
    serveAtMs: read.value.serveAtMs,
    cook,
    knob,
    variety: mainGrain(read.value.grains),
    events: [],
    lanes: [{ id, title, vesselName, cook, events: [] }],
    cooling: [],
    board: null,
    cuePhotos: {},
    offer: null,
    measured: {},
    household,
    nowMs: Date.now(),
  }
}
