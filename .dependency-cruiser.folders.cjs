const { options } = require('./.dependency-cruiser.cjs')

/** Folders without their tests: two that need each other are one, or a file lies in the wrong one. */
module.exports = {
  forbidden: [
    {
      name: 'no-folder-circles',
      severity: 'error',
      scope: 'folder',
      // What a plan warns of is a part of the plan.
      from: { pathNot: '^core/plan(/cautions)?$' },
      to: { circular: true },
    },
  ],
  options: { ...options, exclude: { path: `${options.exclude.path}|\\.test\\.ts` } },
}
