const fc = jest.requireActual('fast-check-itself')

const MAX_RUNS = 60
/**
 * A mutant is found by a few examples or not at all.
 * @param {unknown} property
 * @param {{ numRuns?: number }} [options]
 */
const assert = (property, options) =>
  fc.assert(property, { ...options, numRuns: Math.min(options?.numRuns ?? MAX_RUNS, MAX_RUNS) })

module.exports = { __esModule: true, default: { ...fc, assert } }
