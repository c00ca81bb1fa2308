import Papa from 'papaparse'
import { VARIETIES } from '#core/grain/varieties'
import { COPIED_COLUMNS } from '#core/learn/imported-batches'
import type { Kitchen } from '#server/store/open-household'
import { notebookLines } from '#server/queries/notebook-lines'

/** What a spreadsheet would take for a formula, also after blanks; a plain number is none. */
const FORMULA = /^(?![+-]?\d+(?:\.\d+)?$)\s*[=@+\-\t\r]/

/**
 * The notebook as a table that can be imported again: one batch a row, days in the household's time zone.
 * Cells that a spreadsheet would take for a formula bear an apostrophe, which is taken off again when they
 * come back. Cooks of several grains bear the first one's name and the others in the note.
 */
export function notebookCsv(kitchen: Kitchen): string {
  const rows: string[][] = []
  for (const { line, day } of notebookLines(kitchen)) {
    if (line.end !== 'finish') continue
    const [first, ...others] = line.grain_key
      .split(' + ')
      .map((part) => VARIETIES.find((v) => v.id === part.split(' ')[0])?.name ?? part)
    const note = [others.length > 0 ? `with ${others.join(' and ')}` : '', line.note]
      .filter(Boolean)
      .join('; ')
    rows.push([
      day,
      first!,
      String(Math.round(line.grain_g)),
      String(Math.round(line.pour_g)),
      line.vessel_name,
      line.wet_dry === null ? '' : String(line.wet_dry),
      note,
    ])
  }
  return Papa.unparse({ fields: [...COPIED_COLUMNS], data: rows }, { escapeFormulae: FORMULA })
}
