/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      comment: 'core imports core and Valibot, nothing else',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^core/|^node_modules/valibot/' },
    },
    {
      name: 'core-arrows-point-down',
      comment: 'units and grain know nothing of plans; plan knows nothing of cooks',
      severity: 'error',
      from: { path: '^core/(units|grain|vessel|heat|water|pot)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/(plan|methods|simulate|cook|learn|contract)/' },
    },
    {
      name: 'plan-before-cook',
      severity: 'error',
      from: { path: '^core/(plan|methods)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/(cook|learn)/' },
    },
    {
      name: 'server-knows-no-screens',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^app/' },
    },
    {
      name: 'no-database-in-the-browser',
      comment: 'a worker that reaches a server module would build without complaint',
      severity: 'error',
      from: { path: '^app/(workers|ui|alerts|keyboard|offline)/' },
      to: { path: '\\.server\\.|^server/', reachable: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(build|\\.react-router|node_modules/\\.cache)/|\\+types/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
