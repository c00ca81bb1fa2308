import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { presetsListing, varietiesListing } from '#core/contract/listings'
import { QUESTIONS } from '#core/contract/questions'
import type { FieldError } from '#core/contract/fields'
import packageJson from '../package.json'

const USAGE = `omsel: plan, simulate and schedule grain cooking

  omsel plan [FILE|-]     a plan for the request in FILE or on standard input
  omsel simulate [FILE|-] the same pot cooked without food: curves and a verdict
  omsel schedule [FILE|-] several dishes on the burners, appliances and hands there are, ready at one hour
  omsel backup [FOLDER]   a copy of the household, made while it is in use, in FOLDER or beside it
  omsel restore COPY      a copy in the household's place; what was there is moved aside
  omsel check [COPY]      looks the household, or a copy, over
  omsel export [FILE|-]   the household as one JSON document, or where FILE ends in .zip as a ZIP
  omsel import FILE       what a household or a pack would change here; with --merge or --as-new it is brought in
  omsel passphrase        sets what other devices are asked for (typed, or a line on standard input)
  omsel varieties         every grain and its figures
  omsel presets           vessels, heats and methods to start from

  --help, -h              this text
  --version, -v           which Omsel this is

A request that cannot be read ends with exit code 2 and {"errors":[...]} on standard error.
`
const MALFORMED = 2
const MAX_REQUEST = 1_000_000 // characters

const LISTINGS = new Map<string, () => unknown>([
  ['varieties', varietiesListing],
  ['presets', presetsListing],
])

interface Options {
  merge?: boolean
  'as-new'?: boolean
}

/** What is done with the household's own file; only these need the database, so only these load it. */
const KEEPERS = new Map<string, (paths: readonly string[], options: Options) => Promise<void>>([
  ...['backup', 'restore', 'check'].map(
    (name) =>
      [
        name,
        async (paths: readonly string[]) => (await import('./household')).keep(name, paths, failure),
      ] as const,
  ),
  ['export', async (paths) => (await import('./transfer')).transfer('export', paths, undefined, fail)],
  [
    'import',
    async (paths, { merge, 'as-new': asNew }) => {
      if (merge && asNew) failure('import takes --merge or --as-new, not both')
      const mode = merge ? 'merge' : asNew ? 'as-new' : undefined
      await (await import('./transfer')).transfer('import', paths, mode, fail)
    },
  ],
  ['passphrase', async (paths) => (await import('./passphrase')).passphrase(paths, fail)],
])

function fail(errors: FieldError[]): never {
  process.stderr.write(`${JSON.stringify({ errors })}\n`)
  process.exit(MALFORMED)
}

const failure = (message: string) => fail([{ path: '', message, code: 'invalid' }])

function parseRequest(file: string): unknown {
  let text: string
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (error) {
    return failure(`cannot read ${file === '-' ? 'standard input' : file}: ${(error as Error).message}`)
  }
  if (text.length > MAX_REQUEST)
    failure(`request must be at most ${MAX_REQUEST} characters, got ${text.length}`)
  try {
    return JSON.parse(text)
  } catch (error) {
    return failure(`request is not JSON: ${(error as Error).message}`)
  }
}

function parsedLine() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        help: { type: 'boolean', short: 'h' },
        version: { type: 'boolean', short: 'v' },
        merge: { type: 'boolean' },
        'as-new': { type: 'boolean' },
      },
    })
  } catch (error) {
    return failure(`${(error as Error).message.split('. ')[0]!}; “omsel --help” says what there is`)
  }
}

const {
  values: { help, version, ...options },
  positionals: [command, ...paths],
} = parsedLine()
const print = (value: unknown) => process.stdout.write(`${JSON.stringify(value, null, 2)}\n`)
const strange = Object.keys(options)[0]

if (version) {
  process.stdout.write(`${packageJson.version}\n`)
} else if (help || command === undefined || command === 'help') {
  process.stdout.write(USAGE)
} else if (strange !== undefined && command !== 'import') {
  failure(`${command} takes no --${strange}`)
} else if (KEEPERS.has(command)) {
  await KEEPERS.get(command)!(paths, options)
} else if (paths.length > 1) {
  failure(`${command} takes one file, got ${paths.length}`)
} else if (LISTINGS.has(command)) {
  print(LISTINGS.get(command)!())
} else if (QUESTIONS.has(command)) {
  const result = QUESTIONS.get(command)!(parseRequest(paths[0] ?? '-'))
  if (!result.ok) fail(result.errors)
  print(result.value)
} else {
  failure(
    `there is no command "${command}"; one of ${[...QUESTIONS.keys(), ...KEEPERS.keys(), ...LISTINGS.keys()].join(', ')}`,
  )
}
