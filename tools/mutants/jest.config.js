import { createRequire } from 'node:module'
import config from '../../jest.config.js'

const folder = process.env.MUTANTS ?? 'core/water'

/** The tests of one folder, without those that cook hundreds of pots: each would be run for each mutant. */
export default {
  ...config,
  rootDir: '../..',
  testMatch: [`<rootDir>/${folder}/**/*.test.ts`],
  testPathIgnorePatterns: [
    '/node_modules/',
    'core/leftovers/simulate-hold-time',
    'core/learn/next-pour',
    'core/schedule/schedule',
  ],
  moduleNameMapper: {
    ...config.moduleNameMapper,
    '^fast-check$': '<rootDir>/tools/mutants/few-runs.cjs',
    '^fast-check-itself$': createRequire(import.meta.url).resolve('fast-check'),
  },
  maxWorkers: 1,
}
