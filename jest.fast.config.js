import config from './jest.config.js'

/** All tests but the suites that cook hundreds of pots: for a quick look while working. */
export default {
  ...config,
  testPathIgnorePatterns: [
    '/node_modules/',
    'core/simulate/',
    'core/practice/',
    'core/rescue/',
    'core/plan/(plan|laws|after-the-pot|boiler-dish|finger-study|start-later)',
    'core/learn/(learn|trials)',
    'core/(supper|schedule)/(supper|live|split)',
    'core/contract/plan-with-odds',
    'core/explain/(course|pour)',
    'core/keep/holding',
    'core/cook/',
    'core/method/method.test',
    'demo/',
    'study/',
    'chaos/',
    'server/kitchen/(supper-live|notebook)',
    'server/devices/',
  ],
}
