import { randomUUID } from 'node:crypto'
import * as v from 'valibot'
import { between, flag, oneOf, quoted } from '#core/contract/fields'
import { nameText } from '#core/contract/texts'
import { readerOf } from '#core/contract/settings'
import type { Result } from '#core/contract/plan-request'
import { figureName, isFigureName } from '#core/learn/figures'
import { MAX_CUPS, MAX_TASTINGS } from '#core/learn/taste-tests'
import { randomOf } from '#core/random'
import { seedOf } from '#core/cook/true-pot'
import { DIFFERS } from '#server/store/taste-tests'
import type { Kitchen } from '#server/store/open-household'
import { fieldError } from '#core/contract/field-error'

const LETTERS = ['A', 'B', 'C', 'D'] as const

const parseTasteTest = readerOf(
  v.object({
    title: nameText(120, 'is empty'),
    differs: oneOf(DIFFERS),
    grain_key: v.pipe(
      v.string('is required'),
      v.check((key) => isFigureName(figureName('grain', key)), 'must be a grain'),
      v.maxLength(200, 'is too long'),
    ),
    vessel_id: v.pipe(v.string('is required'), v.nonEmpty('is required')),
    blind: flag,
    cups: v.pipe(
      v.array(
        v.object({
          label: v.pipe(v.string('is required'), v.nonEmpty('is empty'), v.maxLength(120, 'is too long')),
          search: v.pipe(v.string('is required'), v.maxLength(2000, 'is too long')),
          delta: between(-2, 2, 'g/g'),
        }),
        (issue) => `must be a list, got ${quoted(issue.input)}`,
      ),
      v.minLength(2, 'needs two at least'),
      v.maxLength(MAX_CUPS, (issue) => `holds at most ${MAX_CUPS}, got ${issue.input.length}`),
    ),
  }),
)

/** Plans a trial. Tasted blind, which letter is which is drawn by lot.  @returns its id */
export function makeTasteTest(
  { tasteTests, equipment }: Kitchen,
  input: unknown,
  nowMs: number,
): Result<string> {
  const read = parseTasteTest(input)
  if (!read.ok) return read
  const { cups, blind, ...rest } = read.value
  if (!equipment.vessels().some((row) => row.id === rest.vessel_id))
    return fieldError('vessel_id', `must be a pot of this kitchen, got "${rest.vessel_id}"`, 'not-found')
  const id = randomUUID()
  const random = randomOf(seedOf(id))
  const lots = cups.map((cup) => ({ cup, lot: blind ? random() : 0 })).sort((a, b) => a.lot - b.lot)
  tasteTests.add({
    id,
    made_ms: Math.round(nowMs),
    ...rest,
    blind: blind ? 1 : 0,
    cups: lots.map(({ cup }, i) => ({ ...cup, letter: LETTERS[i]! })),
  })
  return { ok: true, value: id }
}

const parseTasting = readerOf(
  v.object({
    id: v.pipe(v.string('is required'), v.regex(/^[\w-]{1,64}$/, 'must be letters, digits and dashes')),
    who: v.pipe(v.optional(v.string(), ''), v.trim(), v.maxLength(60, 'must be at most 60 characters')),
    ranking: v.string('is required'),
  }),
)

/** Writes a tasting down: every cup once, the best first. */
export function taste(
  { tasteTests }: Kitchen,
  tasteTestId: string,
  input: unknown,
  nowMs: number,
): Result<null> {
  const tasteTest = tasteTests.find(tasteTestId)
  if (!tasteTest)
    return fieldError('tasteTest', `must be a taste test of this kitchen, got "${tasteTestId}"`, 'not-found')
  const read = parseTasting(input)
  if (!read.ok) return read
  const ranking = [...read.value.ranking]
  const letters = tasteTest.cups.map((cup) => cup.letter)
  if (ranking.length !== letters.length || !letters.every((letter) => ranking.includes(letter)))
    return fieldError(
      'ranking',
      `must name each of ${letters.join(', ')} once, got ${quoted(read.value.ranking)}`,
    )
  if (tasteTests.tastings(tasteTestId).length >= MAX_TASTINGS)
    return fieldError('ranking', `is one too many: ${MAX_TASTINGS} tastings are the most`, 'too-many')
  tasteTests.taste({
    id: read.value.id,
    taste_test_id: tasteTestId,
    at_ms: Math.round(nowMs),
    who: read.value.who,
    ranking,
  })
  return { ok: true, value: null }
}

/** Makes a sample's water the household's own for this grain, as a pinned figure. */
export function adoptCup(
  { tasteTests, notebook }: Kitchen,
  tasteTestId: string,
  letter: unknown,
  nowMs: number,
): Result<null> {
  const tasteTest = tasteTests.find(tasteTestId)
  if (!tasteTest)
    return fieldError('tasteTest', `must be a taste test of this kitchen, got "${tasteTestId}"`, 'not-found')
  const cup = tasteTest.cups.find((c) => c.letter === letter)
  if (!cup) return fieldError('letter', `must be a sample of this taste test, got ${quoted(letter)}`)
  if (tasteTest.differs !== 'water')
    return fieldError('letter', 'can only be adopted from a taste test of water; bookmark the others')
  notebook.setOverride({
    figure: figureName('grain', tasteTest.grain_key),
    kind: 'pin',
    value: Math.max(-0.8, Math.min(0.8, cup.delta)),
    atMs: Math.round(nowMs),
  })
  return { ok: true, value: null }
}
