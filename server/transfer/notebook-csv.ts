import Papa from 'papaparse'
import { VARIETIES } from '#core/grain/varieties'
import { COPIED_COLUMNS } from '#core/learn/imported-batches'
import { roundTo } from '#core/units/rounding'
import type { Kitchen } from '#server/store/open-household'
import { notebookLines } from '#server/queries/notebook-lines'

/** What a spreadsheet would take for a formula, also after blanks; a plain number is none. */
const FORMULA = /^(?![+-]?\d+(?:\.\d+)?$)\s*[=@+\-\t\r]/

/** How a spreadsheet on this computer reads a table. */
export interface CsvForm {
  /** A comma for decimals; then a semicolon is between the cells. */
  comma?: boolean
  /** The mark at the start by which some programs know UTF-8. */
  bom?: boolean
}

const grainsText = (key: string): string =>
  key
    .split(' + ')
    .map((part) => {
      const [id, share] = part.split(' ')
      const name = VARIETIES.find((v) => v.id === id)?.name ?? id!
      return share === undefined ? name : `${name} ${Math.round(Number(share) * 100)} %`
    })
    .join(' + ')

/**
 * The notebook as a table that can be imported again: one batch a row, days as ISO writes them, in the household's
 * time zone. Cells that a spreadsheet would take for a formula bear an apostrophe, which is taken off again when they
 * come back.
 */
export function notebookCsv(kitchen: Kitchen, { comma = false, bom = false }: CsvForm = {}): string {
  const figure = (n: number) => String(roundTo(n, 1)).replace('.', comma ? ',' : '.')
  const rows: string[][] = []
  for (const { line, day } of notebookLines(kitchen))
    if (line.end === 'finish')
      rows.push([
        day,
        grainsText(line.grain_key),
        figure(line.grain_g),
        figure(line.pour_g),
        line.vessel_name,
        line.wet_dry === null ? '' : String(line.wet_dry),
        line.note,
      ])
  const text = Papa.unparse(
    { fields: [...COPIED_COLUMNS], data: rows },
    { escapeFormulae: FORMULA, delimiter: comma ? ';' : ',' },
  )
  return bom ? `\uFEFF${text}` : text
}
