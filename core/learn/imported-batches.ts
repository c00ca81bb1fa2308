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
  /** One, or a blend by shares of its dry mass. */
  grains: { variety: VarietyId; share: number }[]
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

/** How days like 3/11/2025 are meant. */
export const DAY_ORDERS = ['day-month', 'month-day'] as const
export type DayOrder = (typeof DAY_ORDERS)[number]

const MAX_GRAINS = 4

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

const SLASHED = /^(\d{1,2})\/(\d{1,2})\/(\d{4})$/

/**
 * What the days with slashes of a table say about their order.
 * @returns the one order that all of them allow; "either" where each could be read both ways; undefined where there
 *   are none, or where they contradict each other
 */
function orderOf(days: readonly string[]): DayOrder | 'either' | undefined {
  const read = days.flatMap((text) => SLASHED.exec(text.trim()) ?? []).length
  if (read === 0) return undefined
  const fits = DAY_ORDERS.filter((order) =>
    days.every((text) => !SLASHED.test(text.trim()) || dayOf(text.trim(), order) !== undefined),
  )
  return fits.length === 2 ? 'either' : fits[0]
}

/** A day as ISO writes it, out of 2025-11-03, 3.11.2025 (day first) or, in the order that is known, 3/11/2025. */
function dayOf(text: string, order: DayOrder): string | undefined {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text)
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text)
  const slashed = SLASHED.exec(text)
  const parts = iso
    ? [iso[1], iso[2], iso[3]]
    : dotted
      ? [dotted[3], dotted[2], dotted[1]]
      : slashed
        ? order === 'day-month'
          ? [slashed[3], slashed[2], slashed[1]]
          : [slashed[3], slashed[1], slashed[2]]
        : undefined
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
 * Reads a table of past batches. Whatever is wrong is reported with its row and column, and then nothing of it is
 * taken.
 * @param today no batch is later, ISO day
 * @param dayOrder of days with slashes, where the table does not say it and somebody did
 * @returns asksDayOrder where every such day could be read both ways and nobody said
 */
export function parseCopied(
  table: readonly (readonly string[])[],
  household: ImportContext,
  today: string,
  dayOrder?: DayOrder,
): { ok: true; cooks: CopiedCook[] } | { ok: false; errors: CopiedError[]; asksDayOrder?: true } {
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
  const cellOf = (row: readonly string[], column: CopiedColumn) =>
    unescaped((row[at.get(column) ?? -1] ?? '').trim())
  const found = orderOf(rows.map(({ row }) => cellOf(row, 'date')))
  const order = found === 'either' ? dayOrder : (found ?? 'day-month')
  if (order === undefined) {
    const first = rows.map(({ row }) => cellOf(row, 'date')).find((text) => SLASHED.test(text))!
    const message = `dates like ${first} can be read in two ways: say whether the day or the month comes first`
    return { ok: false, errors: [{ row: 0, column: 'date', message }], asksDayOrder: true }
  }
  const cooks = rows.flatMap(({ row, n }) => {
    const cell = (column: CopiedColumn) => cellOf(row, column)
    const got = parseRow(cell, household, today, order)
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
  order: DayOrder,
): { cook?: CopiedCook; errors: { column: CopiedColumn; message: string }[] } {
  const errors: { column: CopiedColumn; message: string }[] = []
  const wrong = (column: CopiedColumn, message: string) => void errors.push({ column, message })
  const date = dayOf(cell('date'), order)
  if (!date) wrong('date', 'must be a day like 2025-11-03 or 3.11.2025')
  else if (date > today) wrong('date', 'is in the future')
  const grains = grainsNamed(cell('grain'), household)
  if (!grains)
    wrong('grain', 'must be the name of a grain, or of several like “Basmati 75 % + Wild rice 25 %”')
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
  if (!date || !grains || !vessel || wetDry === undefined) return { errors }
  return { cook: { date, grains, dryG, waterG, vesselId: vessel.id, wetDry, note }, errors }
}

const SHARE = /\s+(\d{1,2}(?:[.,]\d+)?)\s*%$/

/** One grain by its name, or several with their shares; undefined where one is not known or they do not add up. */
function grainsNamed(text: string, household: ImportContext): CopiedCook['grains'] | undefined {
  const parts = text.split(/\s+\+\s+/)
  if (parts.length === 1) {
    const only = grainNamed(text, household)
    return only && [{ variety: only.id, share: 1 }]
  }
  if (parts.length > MAX_GRAINS) return undefined
  const grains = parts.map((part) => {
    const share = SHARE.exec(part)?.[1]?.replace(',', '.')
    const grain = grainNamed(part.replace(SHARE, ''), household)
    return grain && share !== undefined ? { variety: grain.id, share: Number(share) / 100 } : undefined
  })
  if (!grains.every((grain) => grain !== undefined)) return undefined
  const total = grains.reduce((sum, { share }) => sum + share, 0)
  return Math.abs(total - 1) < ROUNDED ? grains : undefined
}
/** What the rounding of four shares to whole percents may leave. */
const ROUNDED = 0.021

const grainNamed = (text: string, { grains }: ImportContext) =>
  grains.find(
    ({ id, names }) => id === text.toLowerCase() || names.some((name) => plain(name) === plain(text)),
  )

const vesselNamed = (text: string, { vessels }: ImportContext) =>
  vessels.find(
    ({ id, name }) => id === text || plain(name).replace(/^the /, '') === plain(text).replace(/^the /, ''),
  )
