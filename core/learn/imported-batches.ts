import type { VarietyId } from '#core/grain/varieties'
import type { Rating } from './rating'

/** Cooks out of an old notebook, typed or pasted as a table. */
export const COPIED_COLUMNS = ['date', 'grain', 'dry', 'water', 'pot', 'outcome', 'note'] as const
export type CopiedColumn = (typeof COPIED_COLUMNS)[number]

/** What a column may be called. */
const CALLED: Record<CopiedColumn, readonly string[]> = {
  date: ['date', 'day', 'when', 'cooked on'],
  grain: ['grain', 'rice', 'variety', 'what'],
  dry: ['dry', 'dry g', 'grams', 'g', 'grain g', 'dry grams'],
  water: ['water', 'water g', 'pour', 'poured', 'water ml'],
  pot: ['pot', 'vessel', 'in'],
  outcome: ['outcome', 'how it was', 'came out', 'wet-dry', 'wet dry', 'result'],
  note: ['note', 'notes', 'remark', 'remarks'],
}
const NEEDED: readonly CopiedColumn[] = ['date', 'grain', 'dry', 'water', 'pot']
export const MAX_COPIED = 500

export interface CopiedCook {
  date: string
  variety: VarietyId
  dryG: number
  waterG: number
  vesselId: string
  /** Null when nobody said. */
  wetDry: Rating['wetDry'] | null
  note: string
}
export interface CopiedError {
  /** From 1, as one counts in a table; 0 for the heading. */
  row: number
  column: CopiedColumn | ''
  message: string
}

export interface ImportContext {
  grains: readonly { id: VarietyId; names: readonly string[] }[]
  vessels: readonly { id: string; name: string }[]
}

const plain = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[_\s]+/g, ' ')
const quoted = (text: string) => `"${text.length > 40 ? `${text.slice(0, 38)}…` : text}"`

/** The column that a heading's word stands for, where it is one of the usual ones. */
export const columnCalled = (word: string): CopiedColumn | undefined =>
  COPIED_COLUMNS.find((column) => CALLED[column].includes(plain(word)))

/** Which column is which, by a heading where there is one, else in the usual order. */
function columnsOf(table: readonly (readonly string[])[]): {
  at: Map<CopiedColumn, number>
  from: number
  errors: CopiedError[]
} {
  const heading = table[0]?.map(plain) ?? []
  const known = heading.map(columnCalled)
  // A row that names at least two columns is a heading, not a cook.
  if (known.filter(Boolean).length < 2)
    return { at: new Map(COPIED_COLUMNS.map((c, i) => [c, i])), from: 0, errors: [] }
  const at = new Map<CopiedColumn, number>()
  const errors: CopiedError[] = []
  known.forEach((column, i) => {
    if (column === undefined) {
      if (heading[i] !== '')
        errors.push({
          row: 0,
          column: '',
          message: `the heading has a column ${quoted(heading[i]!)} that is none of ${COPIED_COLUMNS.join(', ')}`,
        })
    } else if (at.has(column)) errors.push({ row: 0, column, message: `the heading names ${column} twice` })
    else at.set(column, i)
  })
  for (const column of NEEDED)
    if (!at.has(column)) errors.push({ row: 0, column, message: `the heading lacks ${column}` })
  return { at, from: 1, errors }
}

const OUTCOMES: readonly (readonly [RegExp, number])[] = [
  [/^(-2|−2|far too dry|too dry|very dry)$/, -2],
  [/^(-1|−1|a little dry|dry)$/, -1],
  [/^(0|right|good|just right|ok)$/, 0],
  [/^(\+?1|a little wet|wet|soggy)$/, 1],
  [/^(\+?2|far too wet|too wet|very wet)$/, 2],
]

/** A day as ISO writes it, out of 2025-11-03, 3.11.2025 or 3/11/2025 (day first). */
function dayOf(text: string): string | undefined {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text)
  const local = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(text)
  const parts = iso ? [iso[1], iso[2], iso[3]] : local ? [local[3], local[2], local[1]] : undefined
  if (!parts) return undefined
  const day = `${parts[0]}-${parts[1]!.padStart(2, '0')}-${parts[2]!.padStart(2, '0')}`
  const date = new Date(`${day}T12:00:00Z`)
  return Number.isFinite(date.getTime()) && date.toISOString().startsWith(day) ? day : undefined
}

/** An apostrophe that keeps a table program from taking a cell for a formula is none of its words. */
const unescaped = (text: string): string => text.replace(/^'(?=\s*[=@+\-\t\r])/, '')

const numberOf = (text: string): number =>
  /^\d+([.,]\d+)?\s*(g|ml)?$/i.test(text) ? Number(text.replace(/\s*(g|ml)$/i, '').replace(',', '.')) : NaN

/**
 * Reads a table of past batches. Whatever is wrong is told with its row and column, and then nothing of it is
 * taken.
 * @param today no batch is later, ISO day
 */
export function parseCopied(
  table: readonly (readonly string[])[],
  household: ImportContext,
  today: string,
): { ok: true; cooks: CopiedCook[] } | { ok: false; errors: CopiedError[] } {
  const { at, from, errors } = columnsOf(table)
  if (errors.length > 0) return { ok: false, errors }
  const rows = table
    .slice(from)
    .map((row, i) => ({ row, n: i + 1 }))
    .filter(({ row }) => row.some((cell) => cell.trim() !== ''))
  if (rows.length === 0) return { ok: false, errors: [{ row: 0, column: '', message: 'no batches found' }] }
  if (rows.length > MAX_COPIED) {
    const message = `${rows.length} batches are too many at once; the limit is ${MAX_COPIED}`
    return { ok: false, errors: [{ row: 0, column: '', message }] }
  }
  const cooks = rows.flatMap(({ row, n }) => {
    const cell = (column: CopiedColumn) => unescaped((row[at.get(column) ?? -1] ?? '').trim())
    const got = parseRow(cell, household, today)
    errors.push(
      ...got.errors.map(({ column, message }) => ({
        row: n,
        column,
        message: `${column} ${message}, got ${quoted(cell(column))}`,
      })),
    )
    return got.cook ?? []
  })
  return errors.length > 0 ? { ok: false, errors } : { ok: true, cooks }
}

function parseRow(
  cell: (column: CopiedColumn) => string,
  household: ImportContext,
  today: string,
): { cook?: CopiedCook; errors: { column: CopiedColumn; message: string }[] } {
  const errors: { column: CopiedColumn; message: string }[] = []
  const wrong = (column: CopiedColumn, message: string) => void errors.push({ column, message })
  const date = dayOf(cell('date'))
  if (!date) wrong('date', 'must be a day like 2025-11-03 or 3.11.2025')
  else if (date > today) wrong('date', 'is in the future')
  const grain = grainNamed(cell('grain'), household)
  if (!grain) wrong('grain', 'must be the name of a grain')
  const vessel = vesselNamed(cell('pot'), household)
  if (!vessel) wrong('pot', `must be one of ${household.vessels.map((v) => v.name).join(', ')}`)
  const [dryG, waterG] = [numberOf(cell('dry')), numberOf(cell('water'))]
  if (!(dryG >= 5 && dryG <= 20_000)) wrong('dry', 'must be from 5 to 20000 g')
  if (!(waterG >= 0 && waterG <= 60_000)) wrong('water', 'must be from 0 to 60000 g')
  const said = plain(cell('outcome'))
  const wetDry = said === '' ? null : OUTCOMES.find(([pattern]) => pattern.test(said))?.[1]
  if (wetDry === undefined)
    wrong('outcome', 'must be right, a little wet, a little dry, too wet or too dry, or from −2 to 2')
  const note = cell('note')
  if (note.length > 2000) wrong('note', 'must be at most 2000 characters')
  if (!date || !grain || !vessel || wetDry === undefined) return { errors }
  return { cook: { date, variety: grain.id, dryG, waterG, vesselId: vessel.id, wetDry, note }, errors }
}

const grainNamed = (text: string, { grains }: ImportContext) =>
  grains.find(
    ({ id, names }) => id === text.toLowerCase() || names.some((name) => plain(name) === plain(text)),
  )

const vesselNamed = (text: string, { vessels }: ImportContext) =>
  vessels.find(
    ({ id, name }) => id === text || plain(name).replace(/^the /, '') === plain(text).replace(/^the /, ''),
  )
