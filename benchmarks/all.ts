import { table } from './say'

/**
 * `npm run bench`: every figure in one table, each with what it is measured against in the same run. Needs a
 * build, and some minutes of a quiet machine.
 */
for (const part of ['./index', './stream', './notebook', './transfer', './load', './presses', './paint'])
  await import(part)
console.log(table())
process.exit(0)
