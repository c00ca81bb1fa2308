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
    'core/learn/(learn|taste-tests|next-pour)',
    'core/schedule/schedule',
  ],
  maxWorkers: 1,
}
