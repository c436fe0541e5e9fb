/** Who may import whom between the folders of the project. */
const no = (name, from, to, comment) => ({ name, severity: 'error', comment, from, to })

export default {
  forbidden: [
    no('no-cycles', {}, { circular: true }, 'No cycles.'),
    no(
      'core-stands-alone',
      { path: '^core/' },
      { path: '^(app|server|shared|words|cli|demo)/' },
      'The core knows nothing around it.',
    ),
    no(
      'core-through-its-index',
      { path: '^(app|server|shared|words|cli|demo)/' },
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
      'features-apart',
      { path: '^app/features/([^/]+)/' },
      { path: '^app/features/', pathNot: '^app/features/$1/' },
      'What two features need stands in sheet, ui, compute, sync or words.',
    ),
    no(
      'pages-are-thin',
      { path: '^app/pages/' },
      { path: '^app/', pathNot: '^app/features/' },
      'A page is a route and its feature.',
    ),
    no(
      'sheet-under-features',
      { path: '^app/sheet/' },
      { path: '^app/(features|pages)/' },
      'The sheet that every view stands on knows no view.',
    ),
    no(
      'ui-is-for-all',
      { path: '^app/ui/' },
      { path: '^app/(features|pages|sheet|sync)/' },
      'Building blocks know neither the open sheet nor where things are kept.',
    ),
    no(
      'sync-keeps',
      { path: '^app/sync/' },
      { path: '^app/(features|pages|sheet|ui|compute)/' },
      'Keeping knows nothing of what is shown.',
    ),
    no(
      'compute-computes',
      { path: '^app/compute/' },
      { path: '^app/(?!compute/)' },
      'The workers and their client use the core and their protocol.',
    ),
    no(
      'only-the-worker-computes',
      { path: '^app/(?!compute/)' },
      { path: '^app/compute/(calc\\.worker|serve)' },
      'The interface speaks to the worker through its client.',
    ),
    no(
      'words-of-figures',
      { path: '^words/' },
      { path: '^(app|server|cli|demo)/' },
      'Sentences are functions of what the core found and of the units.',
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
