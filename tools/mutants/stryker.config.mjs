/**
 * Changes one operator, figure or branch at a time and asks whether the tests of the same folder notice:
 * `MUTANTS=core/water npm run mutants`. Texts and tables are left alone: other tests hold those.
 * @type {import('@stryker-mutator/api/core').PartialStrykerOptions}
 */
const folder = process.env.MUTANTS ?? 'core/water'

export default {
  testRunner: 'jest',
  jest: { configFile: 'tools/mutants/jest.config.js', enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  mutate: [`${folder}/**/*.ts`, `!${folder}/**/*.test.ts`],
  mutator: { excludedMutations: ['StringLiteral', 'ObjectLiteral', 'ArrayDeclaration', 'Regex'] },
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 8_000,
  timeoutFactor: 2,
  reporters: ['clear-text', 'progress-append-only'],
  clearTextReporter: { allowColor: false, logTests: false },
  tempDirName: '.mutants',
}
