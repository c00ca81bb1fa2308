import config from './jest.config.js'

/** All tests but the suites that cook hundreds of pots: for a quick look while working. */
export default {
  ...config,
  testPathIgnorePatterns: [
    '/node_modules/',
    'core/simulate/',
    'core/practice/',
    'core/troubleshoot/',
    'core/plan/(plan|stage-lines|cooks-rules|finish-and-hold|boiler-dish|finger-study|start-later)',
    'core/learn/(learn|taste-tests|next-pour)',
    'core/schedule/(schedule|reschedule)',
    'core/compare/split',
    'core/contract/plan-with-odds',
    'core/explain/(course|pour)',
    'core/leftovers/simulate-hold-time',
    'core/cook/',
    'core/methods/definition.test',
    'demo/',
    'tools/learning-study/',
    'tests/chaos/',
    'server/queries/running-meal',
    'server/commands/notebook-projection',
    'server/devices/',
  ],
}
