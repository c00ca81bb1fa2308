import { parsePlanRequest } from '#core/contract/plan-request'
import { runningCookOf } from '#core/contract/running-cook'
import { replay } from '#core/cook/replay'
import { evidenceOf } from '#core/learn/record'
import type { Evidence } from '#core/learn/evidence'
import type { MeasurementKind, NotebookLine } from '#server/store/notebook'
import type { createCookStore } from '#server/store/cooks'
import type { notebookIn } from '#server/store/notebook'
import type { Db } from '#server/store/open'
import { inOneWrite } from '../store/write'

interface Part {
  cooks: ReturnType<typeof createCookStore>
  notebook: ReturnType<typeof notebookIn>
}

/** Rebuilds a batch's notebook entry from its records; a running batch has none. */
export function note(kitchen: Part, cookId: string): void {
  const made = lineOf(kitchen, cookId)
  if (made) kitchen.notebook.put(made.line, made.evidence)
  else kitchen.notebook.drop(cookId)
}

export interface RebuiltEntry {
  line: NotebookLine
  /** Evidence it gives about this kitchen; null when it gives none. */
  evidence: Evidence | null
}

/** A cook's line and its evidence, from its records.  @returns nothing for a cook that is not over */
export function lineOf({ cooks, notebook }: Part, cookId: string): RebuiltEntry | undefined {
  const cook = cooks.findFinished(cookId)
  if (!cook) return undefined
  const events = cooks.events(cookId)
  const read = parsePlanRequest(cook.request)
  const running = runningCookOf(cook, events)
  const view = replay(running, events, cook.endedMs)
  const weighed = new Map(notebook.measured(cookId).map(({ kind, grams }) => [kind, grams]))
  const grams = (kind: MeasurementKind) => weighed.get(kind) ?? null
  const boiled = view.stages.find((s) => s.id === 'heat-up' && s.state === 'done')
  const found =
    read.ok && cook.end === 'finish'
      ? evidenceOf({
          cookId,
          endedMs: cook.endedMs,
          request: running.request,
          plan: running.plan,
          view,
          events,
          vesselId: cook.vesselId,
          heatId: cook.heatId ?? `own ${cook.vesselId}`,
          bagId: cook.bagId,
          bagDelta: cook.bagDelta,
          applied: cook.applied,
          rating: cook.rating,
          potBeforeG: grams('pot-before'),
          potAfterG: grams('pot-after'),
        })
      : null
  const speaks = found && (found.judged !== null || found.boilFactor !== null || found.steamFactor !== null)
  return {
    line: {
      cook_id: cookId,
      ended_ms: cook.endedMs,
      end: cook.end,
      title: cook.title,
      grain_key: cook.grainKey,
      vessel_id: cook.vesselId,
      vessel_name: cook.vesselName,
      method: read.ok ? read.value.method : 'covered-simmer',
      bag_id: cook.bagId,
      grain_g: cook.plan.grain.mass_g,
      pour_g: running.plan.water.pour_g,
      minutes: (cook.endedMs - cook.startedMs) / 60_000,
      planned_minutes: cook.plan.total_minutes.expected,
      wet_dry: cook.rating?.wetDry ?? null,
      hardness: cook.rating?.hardness ?? null,
      bottom: cook.rating?.bottom ?? null,
      note: cook.rating?.note ?? '',
      boil_minutes: boiled ? (boiled.endMs - boiled.startMs) / 60_000 : null,
    },
    evidence: speaks ? found : null,
  }
}

/** Lines that are not there, made: of a notebook written by an older version, or after they were lost. */
export function rebuildMissingEntries(kitchen: Part & { db: Db }): void {
  const missing = kitchen.notebook.missing()
  if (missing.length > 0) inOneWrite(kitchen.db, () => missing.forEach((id) => note(kitchen, id)))
}
