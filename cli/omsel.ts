import { readFileSync } from 'node:fs'
import { presetsListing, varietiesListing } from '#core/contract/listings'
import { planWithOdds } from '#core/contract/plan-with-odds'
import { scheduleFrom } from '#core/contract/schedule'
import { simulateFrom } from '#core/contract/simulate'
import type { Result } from '#core/contract/plan-request'
import type { FieldError } from '#core/contract/fields'

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

A request that cannot be read ends with exit code 2 and {"errors":[...]} on standard error.
`
const MALFORMED = 2
const MAX_REQUEST = 1_000_000 // characters

const COMMANDS = new Map<string, (input: unknown) => Result<unknown>>([
  ['plan', planWithOdds],
  ['simulate', simulateFrom],
  ['schedule', scheduleFrom],
])
const LISTINGS = new Map<string, () => unknown>([
  ['varieties', varietiesListing],
  ['presets', presetsListing],
])

/** What is done with the household's own file; only these need the database, so only these load it. */
const KEEPERS = new Map<string, (args: readonly string[]) => Promise<void>>([
  ...['backup', 'restore', 'check'].map(
    (name) =>
      [
        name,
        async (args: readonly string[]) => (await import('./household')).keep(name, args, failure),
      ] as const,
  ),
  ...['export', 'import'].map(
    (name) =>
      [name, async (args: readonly string[]) => (await import('./carry')).carry(name, args, fail)] as const,
  ),
  [
    'passphrase',
    async (args: readonly string[]) => (await import('./passphrase')).passphrase(args, fail),
  ] as const,
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

const [command, file = '-', ...more] = process.argv.slice(2)
const print = (value: unknown) => process.stdout.write(`${JSON.stringify(value, null, 2)}\n`)

if (command === undefined || command === 'help' || command === '--help') {
  process.stdout.write(USAGE)
} else if (command !== undefined && KEEPERS.has(command)) {
  await KEEPERS.get(command)!(process.argv.slice(3))
} else if (more.length > 0) {
  failure(`${command} takes one file, got ${more.length + 1} arguments`)
} else if (LISTINGS.has(command)) {
  print(LISTINGS.get(command)!())
} else if (COMMANDS.has(command)) {
  const result = COMMANDS.get(command)!(parseRequest(file))
  if (!result.ok) fail(result.errors)
  print(result.value)
} else {
  failure(
    `there is no command "${command}"; one of ${[...COMMANDS.keys(), ...KEEPERS.keys(), ...LISTINGS.keys()].join(', ')}`,
  )
}
