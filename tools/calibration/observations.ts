import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import type { VarietyId } from '#core/grain/varieties'

/** A published figure a variety is fitted to: the middle of its usual range and a quarter of its width. */
export interface Observation {
  variety: VarietyId
  /** What was observed; see predict.ts for what each kind means. */
  kind: string
  value: number
  sd: number
  source: string
}

/** Reads the observations beside this file. */
export function parseObservations(): Observation[] {
  const text = readFileSync(new URL('observations.csv', import.meta.url), 'utf8')
  return Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data.map((row) => ({
    variety: row.variety as VarietyId,
    kind: row.kind!,
    value: Number(row.value),
    sd: Number(row.sd),
    source: row.source!,
  }))
}
