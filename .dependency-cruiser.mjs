/** Who may import whom between the folders of the project. */
const no = (name, from, to, comment) => ({ name, severity: 'error', comment, from, to })

export default {
  forbidden: [
    no('no-cycles', {}, { circular: true }, 'No cycles.'),
    no(
      'core-stands-alone',
      { path: '^core/' },
      { path: '^(app|server|shared|cli|demo)/' },
      'The core knows nothing around it.',
    ),
    no(
      'core-through-its-index',
      { path: '^(app|server|shared|cli|demo)/' },
      { path: '^core/', pathNot: '^core/index\\.ts$' },
      'Only the public face of the core is used outside it.',
    ),
    no(
      'app-not-server',
      { path: '^app/' },
      { path: '^server/' },
      'The interface speaks to the server over HTTP.',
    ),
    no(
      'server-not-app',
      { path: '^server/' },
      { path: '^app/' },
      'The server knows nothing of the interface.',
    ),
    no(
      'shared-knows-core-only',
      { path: '^shared/' },
      { path: '^(app|server|cli|demo)/' },
      'Schemas stand on core types alone.',
    ),
    no(
      'api-through-services',
      { path: '^server/api/' },
      { path: '^server/(repositories|db)/' },
      'Routes call services.',
    ),
    no(
      'services-through-repositories',
      { path: '^server/services/' },
      { path: '^server/(db|api)/', pathNot: '^server/db/(client|files|room|transaction)\\.ts$' },
      'Services call repositories.',
    ),
    no(
      'repositories-know-the-schema-only',
      { path: '^server/repositories/' },
      { path: '^server/(api|services|utils)/' },
      'Repositories take the database as an argument.',
    ),
    no(
      'worker-alone',
      { path: '^app/workers/' },
      { path: '^app/(?!workers/)' },
      'The worker uses the core and its protocol.',
    ),
    no(
      'app-takes-types-from-the-core',
      { path: '^app/(?!workers/)' },
      { path: '^core/', dependencyTypesNot: ['type-only'] },
      'The interface takes figures from the worker and tables from shared/catalogue; of the core it knows types.',
    ),
    no(
      'only-the-worker-computes',
      { path: '^app/(?!workers/)' },
      { path: '^app/workers/calc\\.worker' },
      'The interface speaks to the worker through its client.',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(\\.test\\.ts$|\\.nuxt|migrations)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.cruise.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.mjs', '.js', '.vue'] },
  },
}
