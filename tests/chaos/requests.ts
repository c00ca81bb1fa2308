import fc from 'fast-check'
import { SITUATIONS } from '#core/practice/situations'
import { VARIETY_IDS } from '#core/grain/varieties'

/** Every route of app/routes.ts, as it is written there; fuzz.test.ts holds this list to it. */
export const ROUTES = [
  '',
  'stove',
  'stove/:cook',
  'notebook',
  'notebook/learned',
  'notebook/copy',
  'notebook/:cook',
  'meal',
  'meal/split',
  'meal/:meal',
  'taste-tests',
  'taste-tests/:tasteTest',
  'compare',
  'simulation',
  'practice',
  'practice/:situation',
  'my-way',
  'model',
  'ready-by',
  'grains',
  'grains/:grain',
  'pots',
  'leftovers',
  'leftovers/put-away',
  'leftovers/week',
  'convert',
  'ruler',
  'pots/:pot/ruler',
  'settings',
  'settings/people',
  'settings/keeping',
  'settings/alerts',
  'settings/keys',
  'settings/about',
  'transfer',
  'devices',
  'login',
  'authority.pem',
  'household.json',
  'household.zip',
  'household.schema.json',
  'transfer/progress',
  'welcome',
  'search',
  'meal/:meal/calendar.ics',
  'meal/:meal/events',
  'photos/:photo',
  'leftovers/labels',
  'recipe-card',
  'recipe/:form',
  'notebook.csv',
  'api/v1/*',
  'cooks',
  'cooks/:cook/events',
  'cooks/:cook/changes',
  'cooks/:cook/again',
] as const

const KEYS = [
  'grain',
  'holds',
  'pictures',
  'bag',
  'timing',
  'who',
  'keep',
  'kept',
  'hold',
  'self',
  'dress',
  'under',
  'salt',
  'stock',
  'poured',
  'by',
  'finish',
  'share',
  'passes',
  'toasted',
  'stir',
  'foil',
  'as',
  'purpose',
  'pot',
  'on',
  'texture',
  'washes',
  'drain',
  'wet',
  'rest',
  'lid',
  'heat',
  'pressure',
  'release',
  'q',
  'beside',
  'with',
  'add',
  'water',
  'at',
  'for',
  'grams',
  'soak',
  'cook',
  'their-height',
  'their-heat',
  'their-pot',
  'was',
  'page',
  'if',
  'tasteTest',
  'ended',
  'limit',
  'offset',
  'text',
  'steps',
  'own-dressing',
  'bottle',
  'fry-tomorrow',
  'ways',
] as const
const INTENTS = [
  'start',
  'gauge',
  'keep-mark',
  'judge',
  'measure',
  'remove',
  'photo',
  'drop-photo',
  'pin',
  'reset',
  'unsay',
  'save',
  'guidance',
  'device',
  'save-eater',
  'drop-eater',
  'save-vessel',
  'save-heat',
  'save-measure',
  'save-programme',
  'drop-vessel',
  'drop-heat',
  'calibrate-boil',
  'calibrate-full',
  'calibrate-simmer',
  'save-bag',
  'drop-bag',
  'adopt-label',
  'put-away',
  'make-bottle',
  'take-from-bottle',
  'save-container',
  'drop-container',
  'tell',
  'forget',
  'begin',
  'add',
  'fix',
  'seen',
  'drop',
  'drop-companion',
  'copy',
  'make',
  'taste',
  'untaste',
  'adopt',
  'done',
  'look',
  'bring',
  'set-passphrase',
  'code',
  'send-away',
  'leave',
  'enter',
  'join',
  'dance',
] as const
const FIELDS = [
  'id',
  'form_id',
  'name',
  'kind',
  'title',
  'tasks',
  'hour',
  'day',
  'cooks',
  'names',
  'oven',
  'burner',
  'dish',
  'ready_before_minutes',
  'capacity_ml',
  'base_diameter_mm',
  'rim_diameter_mm',
  'height_mm',
  'empty_g',
  'material',
  'lining',
  'lid',
  'quick',
  'rated_w',
  'efficiency',
  'vessel_id',
  'heat_id',
  'grain_key',
  'variety',
  'wet_dry',
  'hardness',
  'bottom',
  'note',
  'figure',
  'value',
  'clock',
  'units',
  'cup',
  'zone',
  'elevation_m',
  'kitchen_c',
  'crease_mm',
  'crystal',
  'appetite',
  'firmness',
  'avoids',
  'guidance',
  'grams',
  'made_g',
  'style',
  'cook',
  'leftover',
  'doing',
  'table',
  'serve_ms',
  'order',
  'pot-before',
  'pot-after',
  'water',
  'minutes',
  'dry_g',
  'pour_g',
  'depth_mm',
  'gauge',
  'photo',
  'cue',
  'trusted',
  'on',
  'way',
  'enriched',
  'new_crop',
  'target',
  'event',
  'portions',
  'file',
  'how',
  'pots',
  'holds',
  'passphrase',
  'again',
  'code',
  'session',
] as const

const LONG = 'x'.repeat(6000)
const NASTY = [
  '',
  ' ',
  '0',
  '-0',
  '-1',
  '1e309',
  '-1e309',
  'NaN',
  'Infinity',
  'undefined',
  'null',
  'true',
  '[]',
  '{}',
  '[[[[[]]]]]',
  '"',
  "'; DROP TABLE cook; --",
  '__proto__',
  'constructor',
  'toString',
  '../../etc/passwd',
  '%00',
  '\u0000',
  '\uD800',
  '🍚'.repeat(40),
  LONG,
  '1,5',
  '１２',
  '999999999999',
  '0.0000001',
  '5',
  '300',
  '19:00',
  '25:99',
  '2026-03-05',
  '2026-02-31',
  '=1+1',
  '<script>',
  'a\r\nb',
  '1;2;3',
  '10-20-drain',
  'long-white:1',
  '~~~~~',
] as const

export interface Sent {
  path: string
  init: RequestInit
}

const oneOf = <T>(...of: readonly T[]): fc.Arbitrary<T> => fc.constantFrom(...of)
/** Arbitraries by how often each is taken. */
const often = <T>(
  ...of: readonly (readonly [weight: number, arbitrary: fc.Arbitrary<T>])[]
): fc.Arbitrary<T> => fc.oneof(...of.map(([weight, arbitrary]) => ({ weight, arbitrary })))

/** Lone halves of signs cannot be sent at all. */
const safe = (text: string): string => text.replace(/\p{Cs}/gu, '\uFFFD')
const deep = (most: number): fc.Arbitrary<string> => fc.nat(most).map((n) => '['.repeat(n))

/** A value nobody would send: a wrong kind, a wrong size, nothing, or by chance a right one. */
const valueOf = (ids: readonly string[]): fc.Arbitrary<string> =>
  often<string>(
    [60, oneOf(...NASTY)],
    [10, fc.integer({ min: -300, max: 700 }).map(String)],
    [5, fc.double().map(String)],
    [10, oneOf(...VARIETY_IDS)],
    [10, oneOf(...ids)],
    [5, fc.string({ unit: 'binary', maxLength: 30 })],
  )

const JSON_KEYS = [
  ...FIELDS,
  'grains',
  'amount',
  'basis',
  'request',
  'dishes',
  'burners',
  'serve_at',
  'events',
  'stage',
  'started_ms',
  'pressed_ms',
  'sent_ms',
  'ahead_ms',
  'seconds',
  'remedy',
  'heats',
  'lids',
  'pourG',
]

/** JSON of any shape. */
const jsonOf = (ids: readonly string[], maxDepth = 6): fc.Arbitrary<unknown> =>
  fc.letrec<{ node: unknown }>((tie) => ({
    node: fc.oneof(
      { maxDepth, depthSize: 'small' },
      {
        weight: 3,
        arbitrary: often<unknown>([6, oneOf<unknown>(null, true, 0, -1, 1.5, 1e308)], [1, valueOf(ids)]),
      },
      { weight: 2, arbitrary: fc.array(tie('node'), { maxLength: 3 }) },
      { weight: 5, arbitrary: fc.dictionary(oneOf(...JSON_KEYS), tie('node'), { maxKeys: 5 }) },
    ),
  })).node

const BREAKABLE = [
  'texture',
  'soak',
  'rinse',
  'method',
  'elevation_m',
  'add_ins',
  'id',
  'started_ms',
  'sent_ms',
]

/** A pot somebody really could have asked for, with one thing in it broken. */
function nearly(ids: readonly string[]): fc.Arbitrary<unknown> {
  const pot = fc.record({
    grains: oneOf(...VARIETY_IDS).map((variety) => [{ variety }]),
    amount: fc.constant({ basis: 'dry-mass', value: 300 }),
    vessel_id: oneOf(...ids),
    heat_id: oneOf(...ids),
    bag_id: fc.constant(null),
  })
  const names = ['grains', 'amount', 'vessel_id', 'heat_id', 'bag_id', ...BREAKABLE]
  const broken = fc
    .tuple(pot, oneOf(...names), jsonOf(ids, 3))
    .map(([whole, name, with_]) => ({ ...whole, [name]: with_ }))
  return fc
    .tuple(broken, fc.boolean(), oneOf(...ids), oneOf(...ids))
    .map(([request, bare, vessel_id, heat_id]) =>
      bare ? request : { request, vessel_id, heat_id, bag_id: null },
    )
}

const IN_ITS_PLACE = [
  'null',
  '-1',
  '1e309',
  '1e9',
  '"x"',
  '{}',
  '[]',
  'true',
  '""',
  '"=1+1"',
  '"../x"',
  '[[[]]]',
  '{"__proto__":1}',
  '0.5',
  JSON.stringify(LONG),
]

/** A value is what stands between a colon and the next comma or bracket. */
function withValue(text: string, at: number, other: string): string {
  const from = text.indexOf(':', at) + 1
  const till = text.slice(from).search(/[,}\]]/) + from
  return `${text.slice(0, from)}${other}${text.slice(till)}`
}

/** A household's document with something in it broken: a wrong type, a piece cut out, or bytes that are no text. */
const spoilt = (bundle: string): fc.Arbitrary<Blob> =>
  often<Blob>(
    [1, oneOf(...NASTY).map((text) => new Blob([text]))],
    [1, fc.uint8Array({ minLength: 400, maxLength: 400 }).map((bytes) => new Blob([Uint8Array.from(bytes)]))],
    [1, fc.nat(bundle.length).map((end) => new Blob([bundle.slice(0, end)]))],
    [1, deep(200_000).map((brackets) => new Blob(['{"format":"omsel.household","tables":', brackets]))],
    [
      6,
      fc
        .array(fc.tuple(fc.nat(bundle.length - 1), oneOf(...IN_ITS_PLACE)), { minLength: 1, maxLength: 3 })
        .map((edits) => new Blob([edits.reduce((text, [at, other]) => withValue(text, at, other), bundle)])),
    ],
  )

/** A file that is looked at or brought in. */
const upload = (ids: readonly string[], bundle: string): fc.Arbitrary<Sent> =>
  fc
    .record({
      intent: oneOf('look', 'bring', 'photo', 'dance'),
      // In the place of the house only what nobody could take: the others' rows must stay.
      how: oneOf('merge', 'merge', 'sideways'),
      what: oneOf('pots', 'shelf', 'cooks', 'settings'),
      whose: oneOf('ours', 'theirs', 'both', 'none'),
      field: often<string>([9, fc.constant('file')], [1, fc.constant('photo')]),
      file: spoilt(bundle),
      path: often<string>(
        [3, fc.constant('/transfer')],
        [1, fc.constant('/transfer.data')],
        [1, oneOf(...ids).map((id) => `/notebook/${encodeURIComponent(id)}`)],
      ),
    })
    .map(({ intent, how, what, whose, field, file, path }) => {
      const body = new FormData()
      body.set('intent', intent)
      body.set('how', how)
      body.set(what, whose)
      body.set(field, file, 'x.json')
      return { path, init: { method: 'POST', body } }
    })

/** An address of any route, its parts filled with what is there or with what nobody would write. */
function addressOf(ids: readonly string[]): fc.Arbitrary<{ route: string; address: string }> {
  const odd = valueOf(ids).map((text) => encodeURIComponent(safe(text)))
  return fc
    .record({
      route: oneOf<string>(...ROUTES),
      situation: often<string>([7, oneOf(...SITUATIONS.map(({ id }) => id))], [3, odd]),
      form: oneOf('recipe.json', 'recipe.md', 'recipe.ics', 'recipe.exe'),
      name: often<string>([7, oneOf(...ids).map(encodeURIComponent)], [3, odd]),
      rest: often<string>(
        [6, oneOf('plan', 'simulate', 'schedule', 'notebook', 'kept', 'openapi.json')],
        [1, odd],
      ),
      data: often<string>([3, fc.constant('.data')], [7, fc.constant('')]),
      search: fc.array(fc.tuple(oneOf(...KEYS), valueOf(ids).map(safe)), { maxLength: 5 }),
    })
    .map(({ route, situation, form, name, rest, data, search }) => {
      const path = `/${route
        .replace(':situation', () => situation)
        .replace(':form', form)
        .replace(/:\w+/, () => name)
        .replace('*', () => rest)}`
      const asked = new URLSearchParams(search).toString()
      return { route, address: `${path}${data}${asked && '?'}${asked}` }
    })
}

/** A request over any route: a look, JSON, or a form. */
export function requestOf(ids: readonly string[], bundle: string): fc.Arbitrary<Sent> {
  const json = fc.oneof(nearly(ids), jsonOf(ids)).map((of) => JSON.stringify(of))
  const field = fc.tuple(oneOf(...FIELDS), often<string>([1, json], [3, valueOf(ids).map(safe)]))
  const form = fc
    .tuple(
      often<string>([9, oneOf(...INTENTS)], [1, valueOf(ids).map(safe)]),
      fc.array(field, { maxLength: 8 }),
    )
    .map(([intent, fields]) => new URLSearchParams([['intent', intent], ...fields]))
  const init = often<RequestInit>(
    [45, oneOf('GET', 'GET', 'GET', 'HEAD').map((method) => ({ method }))],
    [
      22,
      often<string>([15, deep(50_000)], [85, json]).map((body) => ({
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body,
      })),
    ],
    [
      33,
      fc
        .tuple(oneOf('POST', 'POST', 'POST', 'PUT', 'DELETE'), form)
        .map(([method, body]) => ({ method, body })),
    ],
  )
  const plain = fc.tuple(addressOf(ids), init, fc.boolean()).map(([{ route, address }, sent, index]) => ({
    path: index && route === '' && sent.body instanceof URLSearchParams ? '/?index' : address,
    init: sent,
  }))
  return often<Sent>([4, upload(ids, bundle)], [96, plain])
}
