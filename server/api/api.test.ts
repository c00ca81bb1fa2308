import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Ajv from 'ajv/dist/2020'
import fc from 'fast-check'
import { AMOUNT_BASES } from '#core/plan/request'
import { parsePlanRequest } from '#core/contract/plan-request'
import { planFrom } from '#core/contract/plan'
import { VARIETY_IDS } from '#core/grain/varieties'
import { METHOD_IDS } from '#core/methods/index'
import { beginHousehold, FIRST_KITCHEN } from '#server/commands/begin-household'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { answer } from './cached'
import { QUESTIONS } from '#core/contract/questions'
import { ask } from './handlers'
import { runInWorker, endThreads } from './worker-pool'
import { look } from './read-endpoints'
import { openApi } from './openapi'

interface Content {
  schema: { $ref: string }
  example: unknown
}
interface Document {
  paths: Record<
    string,
    {
      post?: {
        requestBody: { content: { 'application/json': Content } }
        responses: Record<string, { content?: { 'application/json': Content } }>
      }
      get?: { responses: Record<string, { content?: { 'application/json': Content } }> }
    }
  >
  components: { schemas: Record<string, object> }
}
const described = openApi() as unknown as Document
const ajv = new Ajv({
  strict: false,
  allErrors: false,
  formats: { 'date-time': (text: string) => Number.isFinite(Date.parse(text)) },
})
ajv.addSchema({ $id: 'omsel', components: described.components })
/** A schema of an address, its references as the document's. */
const fitsHere = (schema: object) =>
  ajv.compile(JSON.parse(JSON.stringify(schema).replaceAll('"#/', '"omsel#/')) as object)
const fits = (name: string) => ajv.compile({ $ref: `omsel#/components/schemas/${name}` })

describe('questions', () => {
  test('are answered as at the command line, whatever the question', () => {
    const request = { grains: [{ variety: 'quinoa' }], amount: { basis: 'dry-mass', value: 300 } }
    expect(ask('plan', JSON.stringify(request))).toEqual({
      status: 200,
      body: (planFrom(request) as { value: unknown }).value,
    })
    expect(ask('simulate', JSON.stringify(request)).body).toHaveProperty('verdict')
  })

  test('asked twice, the answer is the same to the letter, and another question is never given it', async () => {
    const [rice, quinoa] = ['short-white', 'quinoa'].map((variety) =>
      JSON.stringify({ grains: [{ variety }], amount: { basis: 'dry-mass', value: 300 } }),
    ) as [string, string]
    for (const [question, text] of [
      ['plan', rice],
      ['plan', quinoa],
      ['simulate', rice],
      ['plan', rice],
      ['simulate', rice],
      ['simulate', '{}'],
      ['plan', '{'],
      ['plan', rice],
    ] as const) {
      const { status, body } = ask(question, text)
      expect(await answer(question, text)).toEqual({ status, json: JSON.stringify(body) })
    }
  })

  test('what is no JSON, no request, or no question is refused in words, with one shape', () => {
    expect(ask('plan', '{')).toMatchObject({
      status: 400,
      body: { errors: [{ path: '', message: expect.stringMatching(/^request is not JSON/) as string }] },
    })
    expect(ask('plan', '{"grains":[]}')).toMatchObject({
      status: 422,
      body: {
        errors: expect.arrayContaining([
          { path: 'grains', message: 'grains needs at least one grain', code: 'too-few' },
        ]) as unknown,
      },
    })
    expect(ask('bake', '{}')).toEqual({
      status: 404,
      body: {
        errors: [
          { path: '', message: 'there is no "bake"; one of plan, simulate, schedule', code: 'not-found' },
        ],
      },
    })
    expect(ask('__proto__', '{}').status).toBe(404)
  })

  test('no text of any kind breaks them', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('plan', 'schedule'),
        fc.oneof(fc.string(), fc.json(), fc.json({ maxDepth: 6 }), fc.constant('['.repeat(20_000))),
        (question, text) => {
          const { status, body } = ask(question, text)
          expect([200, 400, 422]).toContain(status)
          if (status !== 200)
            expect(
              (body as { errors: { message: string }[] }).errors.every(
                (e) => typeof e.message === 'string' && e.message !== '',
              ),
            ).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('a question that takes long', () => {
  const kitchens = (runs: number, seed = 1) =>
    JSON.stringify({
      grains: [{ variety: 'brown-long' }],
      amount: { basis: 'dry-mass', value: 300 },
      runs,
      seed,
    })
  afterAll(endThreads)

  test('runs in a worker thread: a press meanwhile is answered', async () => {
    let ticks = 0
    const keys = setInterval(() => ticks++, 1)
    expect((await runInWorker('simulate', kitchens(2000))).status).toBe(200)
    clearInterval(keys)
    expect(ticks).toBeGreaterThan(20)
  })

  test('is cancelled when the client leaves, and the next is answered', async () => {
    const gone = new AbortController()
    const asked = runInWorker('simulate', kitchens(2000, 2), gone.signal)
    setTimeout(() => gone.abort(), 100)
    expect((await asked).status).toBe(408)
    expect((await runInWorker('simulate', kitchens(2))).status).toBe(200)
  })

  test('waits its turn, up to a number of them; then it is refused in words', async () => {
    const answers = await Promise.all(
      Array.from({ length: 40 }, (_, seed) => runInWorker('simulate', kitchens(20, seed))),
    )
    const statuses = answers.map((a) => a.status)
    expect(new Set(statuses)).toEqual(new Set([200, 429]))
    expect(statuses.filter((s) => s === 200).length).toBeGreaterThanOrEqual(16)
    expect(answers.find((a) => a.status === 429)!.json).toContain('ask again in a moment')
  })
})

describe('the description', () => {
  test('names every question, and its examples are requests that are answered', () => {
    expect(
      Object.keys(described.paths)
        .filter((path) => described.paths[path]!.post && QUESTIONS.has(path.slice(1)))
        .map((path) => path.slice(1))
        .sort(),
    ).toEqual([...QUESTIONS.keys()].sort())
    for (const [path, { post }] of Object.entries(described.paths)) {
      if (!post) continue
      const { schema, example } = post.requestBody.content['application/json']
      expect([path, fits(schema.$ref.split('/').at(-1)!)(example)]).toEqual([path, true])
      if (QUESTIONS.has(path.slice(1)))
        expect([path, ask(path.slice(1), JSON.stringify(example)).status]).toEqual([path, 200])
    }
  })

  test('every answer that is shown fits its schema, and so does every answer that is given', () => {
    for (const [path, { post, get }] of Object.entries(described.paths))
      for (const [status, { content }] of Object.entries((post ?? get)!.responses)) {
        if (!content) continue
        const { schema, example } = content['application/json']
        const check = fitsHere(schema)
        expect([path, status, check(example), check.errors]).toEqual([path, status, true, null])
      }
    const { example } = described.paths['/simulate']!.post!.requestBody.content['application/json']
    for (const variety of VARIETY_IDS.slice(0, 8)) {
      const text = JSON.stringify({ ...(example as object), grains: [{ variety }], runs: 3 })
      for (const [question, name] of [
        ['plan', 'Plan'],
        ['simulate', 'Simulated'],
      ] as const) {
        const check = fits(name)
        expect([variety, name, check(ask(question, text).body), check.errors]).toEqual([
          variety,
          name,
          true,
          null,
        ])
      }
    }
  })

  test('each operation has an id of its own', () => {
    const ids = Object.values(described.paths).flatMap(({ post, get }) =>
      [post, get].flatMap((one) => (one ? [(one as { operationId?: string }).operationId] : [])),
    )
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids).not.toContain(undefined)
  })

  test('never refuses what is answered, and refuses wrong kinds and unknown words', () => {
    const check = fits('PlanRequest')
    const request = fc.record(
      {
        grains: fc.array(
          fc.record({
            variety: fc.constantFrom(...VARIETY_IDS),
            share: fc.double({ min: 0.01, max: 10, noNaN: true }),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        amount: fc.record({
          basis: fc.constantFrom(...AMOUNT_BASES),
          value: fc.double({ min: 20, max: 150, noNaN: true }),
        }),
        method: fc.constantFrom(...METHOD_IDS),
        texture: fc.double({ min: -1, max: 2, noNaN: true }),
        elevation_m: fc.integer({ min: -600, max: 7000 }),
        rinse: fc.record({ washes: fc.integer({ min: -1, max: 14 }) }),
        soak: fc.option(fc.record({ minutes: fc.integer({ min: -10, max: 4000 }) })),
      },
      { requiredKeys: ['grains', 'amount'] },
    )
    let taken = 0
    fc.assert(
      fc.property(request, (json) => {
        if (!parsePlanRequest(json).ok) return
        taken++
        expect(check(json)).toBe(true)
      }),
      { numRuns: 300 },
    )
    expect(taken).toBeGreaterThan(50)
    const base = { grains: [{ variety: 'quinoa' }], amount: { basis: 'dry-mass', value: 300 } }
    for (const fieldError of [
      { ...base, texture: 'soft' },
      { ...base, method: 'microwave' },
      { ...base, elevation_m: 9000 },
      { ...base, grains: [] },
      { amount: base.amount },
    ])
      expect(check(fieldError)).toBe(false)
  })
})

describe('looks', () => {
  let folder: string
  let kitchen: Kitchen
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'omsel-api-'))
    kitchen = openKitchen(join(folder, 'omsel.sqlite'))
    beginHousehold(kitchen, FIRST_KITCHEN)
  })
  afterAll(() => {
    kitchen.db.close()
    rmSync(folder, { recursive: true })
  })
  const at = (sight: string, query = '') => look(kitchen, sight, new URLSearchParams(query), 0)

  test('an empty kitchen has an empty notebook and no leftovers', () => {
    expect(at('notebook')).toEqual({ status: 200, body: { total: 0, cooks: [] } })
    expect(at('leftovers')).toEqual({ status: 200, body: { leftovers: [] } })
    expect(at('kept')).toEqual({ status: 200, body: { kept: [] } })
    expect(at('openapi.json').body).toHaveProperty('openapi', '3.1.0')
  })

  test('limits are named with what was asked', () => {
    expect(at('notebook', 'limit=500')).toEqual({
      status: 422,
      body: {
        errors: [
          {
            path: 'limit',
            message: 'limit must be a whole number from 1 to 200, got "500"',
            code: 'out-of-range',
          },
        ],
      },
    })
    expect(at('notebook', 'limit=ten&offset=-1')).toMatchObject({
      status: 422,
      body: { errors: [{ path: 'limit' }, { path: 'offset' }] },
    })
    expect(at('diary').status).toBe(404)
  })
})
