import type { Evidence } from '#core/learn/evidence'
import type { OverrideKind } from '#core/learn/figures'
import type { FigureOverride } from '#core/learn/beliefs'
import { OUTCOME_FILTERS, type Rating, type OutcomeFilter } from '#core/learn/rating'
import type { Db } from './open'

/** A line of the notebook. */
export interface NotebookLine {
  cook_id: string
  ended_ms: number
  end: 'finish' | 'stop'
  title: string
  grain_key: string
  vessel_id: string
  vessel_name: string
  method: string
  bag_id: string | null
  grain_g: number
  pour_g: number
  minutes: number
  planned_minutes: number
  wet_dry: number | null
  hardness: number | null
  bottom: Rating['bottom'] | null
  note: string
  boil_minutes: number | null
}

export interface NotebookFilter {
  grain?: string
  vessel?: string
  method?: string
  bag?: string
  /** "right", "wet", "dry", "unrated", "aside" */
  outcome?: string
  /** Words of title, pot and note. */
  text?: string
}

export const MEASUREMENTS = ['pot-before', 'pot-after', 'drained', 'cooked'] as const
export type MeasurementKind = (typeof MEASUREMENTS)[number]

const LINE =
  'cook_id, ended_ms, end, title, grain_key, vessel_id, vessel_name, method, bag_id, grain_g, pour_g, minutes, planned_minutes, wet_dry, hardness, bottom, note, boil_minutes'
const QUALIFIED = LINE.replace(/\w+/g, 'n.$&')
const OUTCOMES: Record<OutcomeFilter, string> = {
  right: 'n.wet_dry = 0',
  wet: 'n.wet_dry > 0',
  dry: 'n.wet_dry < 0',
  unrated: "n.wet_dry IS NULL AND n.end = 'finish'",
  aside: "n.end = 'stop'",
}

/** Each filter with the column it asks; one of them leads the index, the others sift. */
const COLUMNS = { grain: 'n.grain_key', vessel: 'n.vessel_id', method: 'n.method', bag: 'n.bag_id' } as const

/** Words as the text index takes them: every one, as the start of a word. Signs are not operators here. */
const wordsOf = (text: string): string =>
  text
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')
    .slice(0, 8)
    .map((word) => `"${word}"*`)
    .join(' ')

/** Evidence as it is stored: with the field names of version 1. */
const storedEvidence = ({ extraUptake, ...rest }: Evidence): string =>
  JSON.stringify({ ...rest, heldOver: extraUptake })

/** The inverse of `storedEvidence`. */
export function evidenceIn(text: string): Evidence {
  const { heldOver, ...rest } = JSON.parse(text) as Omit<Evidence, 'extraUptake'> & {
    heldOver: number | null
  }
  return { ...rest, extraUptake: heldOver }
}

/** What changed figures other than batches, and what was weighed. */
function overridesIn(db: Db, changed: () => void) {
  const overrides = db.prepare('SELECT figure, kind, value, sd, at_ms AS atMs FROM belief_override')
  const setOverride = db.prepare(
    'INSERT INTO belief_override (figure, kind, value, sd, at_ms) VALUES (@figure, @kind, @value, @sd, @atMs) ON CONFLICT (figure, kind) DO UPDATE SET value = @value, sd = @sd, at_ms = @atMs',
  )
  const removeOverride = db.prepare('DELETE FROM belief_override WHERE figure = ? AND kind = ?')
  const measured = db.prepare('SELECT kind, grams FROM measurement WHERE cook_id = ?')
  const measure = db.prepare(
    'INSERT INTO measurement (cook_id, kind, grams) VALUES (@cookId, @kind, @grams) ON CONFLICT (cook_id, kind) DO UPDATE SET grams = @grams',
  )
  const unmeasure = db.prepare('DELETE FROM measurement WHERE cook_id = ? AND kind = ?')
  return {
    overrides: () => overrides.all() as FigureOverride[],
    setOverride: (override: FigureOverride) => {
      // Fixed is not reset, and the other way round.
      if (override.kind === 'pin') removeOverride.run(override.figure, 'reset')
      if (override.kind === 'reset') removeOverride.run(override.figure, 'pin')
      setOverride.run({ sd: null, ...override })
      changed()
    },
    removeOverride: (figure: string, kind: OverrideKind) => {
      changed()
      return removeOverride.run(figure, kind).changes > 0
    },
    measured: (cookId: string) => measured.all(cookId) as { kind: MeasurementKind; grams: number }[],
    measure: (cookId: string, kind: MeasurementKind, grams: number | null) =>
      void (grams === null ? unmeasure.run(cookId, kind) : measure.run({ cookId, kind, grams })),
    /** The query plan of what is read of a batch is tested. */
    measuredSource: measured.source,
  }
}

/** What is stored of a batch in the notebook, as columns. */
export const ENTRY_COLUMNS = `${LINE}, evidence`

/** Lines of the notebook, their evidence, and what was said of beliefs. */
export function notebookIn(db: Db) {
  const put = db.prepare(`
    INSERT INTO notebook_entry (${LINE}, evidence) VALUES (${LINE.replace(/\w+/g, '@$&')}, @evidence)`)
  const drop = db.prepare('DELETE FROM notebook_entry WHERE cook_id = ?')
  const missing = db
    .prepare(
      'SELECT x.cook_id FROM cook_end x WHERE NOT EXISTS (SELECT 1 FROM notebook_entry n WHERE n.cook_id = x.cook_id)',
    )
    .pluck()
  const evidence = db
    .prepare(
      'SELECT evidence FROM notebook_entry INDEXED BY notebook_entry_evidence WHERE evidence IS NOT NULL ORDER BY ended_ms, cook_id',
    )
    .pluck()
  const unrated = db.prepare(
    `SELECT ${LINE} FROM notebook_entry WHERE wet_dry IS NULL AND end = 'finish' AND ended_ms > ? ORDER BY ended_ms DESC LIMIT 3`,
  )
  const poured = db.prepare('SELECT pour_g FROM notebook_entry WHERE cook_id = ?').pluck()
  const grains = db.prepare('SELECT DISTINCT grain_key FROM notebook_entry').pluck()
  const methods = db.prepare('SELECT DISTINCT method FROM notebook_entry').pluck()
  const evidenceOf = db
    .prepare(
      'SELECT evidence FROM notebook_entry WHERE grain_key = ? AND vessel_id = ? AND evidence IS NOT NULL ORDER BY ended_ms DESC LIMIT 30',
    )
    .pluck()
  const counted = new Map<
    string,
    { list: ReturnType<Db['prepare']>; count: ReturnType<Db['prepare']>; strip: ReturnType<Db['prepare']> }
  >()
  let version = 0
  const { measuredSource, ...own } = overridesIn(db, () => void version++)

  /** A statement for each set of filters, prepared once. */
  const statementsFor = (filter: NotebookFilter) => {
    const asked = (Object.keys(COLUMNS) as (keyof typeof COLUMNS)[]).filter(
      (key) => filter[key] !== undefined,
    )
    const outcome = OUTCOME_FILTERS.find((o) => o === filter.outcome)
    const text = filter.text !== undefined && wordsOf(filter.text) !== ''
    const key = [...asked, outcome ?? '', text ? 'text' : ''].join()
    const known = counted.get(key)
    if (known) return known
    const where = [
      ...asked.map((k) => `${COLUMNS[k]} = @${k}`),
      ...(outcome ? [OUTCOMES[outcome]!] : []),
      ...(text ? ['n.rowid IN (SELECT rowid FROM notebook_text WHERE notebook_text MATCH @text)'] : []),
    ]
    // The index of the time serves the order; a filter that names a column has an index of its own.
    const from = `FROM notebook_entry n ${where.length > 0 ? `WHERE ${where.join(' AND ')}` : ''}`
    const made = {
      list: db.prepare(`SELECT ${QUALIFIED} ${from} ORDER BY n.ended_ms DESC LIMIT @limit OFFSET @offset`),
      count: db.prepare(`SELECT count(*) ${from}`).pluck(),
      strip: db.prepare(
        `SELECT n.cook_id, n.ended_ms, n.title, n.wet_dry, n.hardness, n.bottom ${from} ${where.length > 0 ? 'AND' : 'WHERE'} n.wet_dry IS NOT NULL ORDER BY n.ended_ms DESC LIMIT @limit`,
      ),
    }
    counted.set(key, made)
    return made
  }
  const bound = (filter: NotebookFilter, more: Record<string, number> = {}) => ({
    ...Object.fromEntries(
      (Object.keys(COLUMNS) as (keyof typeof COLUMNS)[]).flatMap((key) =>
        filter[key] === undefined ? [] : [[key, filter[key]]],
      ),
    ),
    ...(filter.text !== undefined && wordsOf(filter.text) !== '' ? { text: wordsOf(filter.text) } : {}),
    ...more,
  })
  return {
    put: (line: NotebookLine, found: Evidence | null) => {
      drop.run(line.cook_id)
      put.run({ ...line, evidence: found && storedEvidence(found) })
      version++
    },
    drop: (cookId: string) => {
      version++
      return drop.run(cookId).changes > 0
    },
    missing: () => missing.all() as string[],
    /** As stored, in the order it is learned from. */
    evidenceTexts: () => evidence.all() as string[],
    /** The newest batches of a grain in a pot, the oldest first. */
    evidenceOf: (grainKey: string, vesselId: string) =>
      (evidenceOf.all(grainKey, vesselId) as string[]).map(evidenceIn).reverse(),
    evidence: () => (evidence.all() as string[]).map(evidenceIn),
    lines: (filter: NotebookFilter, limit: number, offset: number) =>
      statementsFor(filter).list.all(bound(filter, { limit, offset })) as NotebookLine[],
    count: (filter: NotebookFilter) => statementsFor(filter).count.get(bound(filter)) as number,
    /** The newest rated batches, for the season strip. */
    strip: (filter: NotebookFilter, limit: number) =>
      statementsFor(filter).strip.all(bound(filter, { limit })) as Pick<
        NotebookLine,
        'cook_id' | 'ended_ms' | 'title' | 'wet_dry' | 'hardness' | 'bottom'
      >[],
    unrated: (sinceMs: number) => unrated.all(sinceMs) as NotebookLine[],
    /** Water of a finished batch, g. */
    pouredIn: (cookId: string) => poured.get(cookId) as number | undefined,
    grains: () => grains.all() as string[],
    methods: () => methods.all() as string[],
    ...own,
    /** Grows with everything that could move a belief. */
    isOpen: () => db.open,
    version: () => version,
    /** Something was written past the statements above. */
    changed: () => void version++,
    /** Query plans of every statement of the notebook, for the test that none of them scans a whole table. */
    prepared: () =>
      [...counted.values()]
        .flatMap((s) => [s.list.source, s.count.source, s.strip.source])
        .concat([evidence.source, unrated.source, drop.source, measuredSource]),
  }
}
