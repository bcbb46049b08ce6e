/** Layers point one way: app routes -> features -> store, workers, ui -> core. See docs/architecture.md. */
const only = (name, from, allowed, comment) => ({
  name,
  severity: 'error',
  comment,
  from: { path: from },
  to: { path: '^(app|src|core|formats|server|demo|e2e|bench|scripts|headless)/', pathNot: allowed },
});
module.exports = {
  forbidden: [
    only(
      'core-stands-alone',
      '^core/',
      '^core/',
      'The core knows nothing of the interface, storage or demo.',
    ),
    only(
      'formats-use-core',
      '^formats/(?!.*[.]test[.]ts$)',
      '^(formats|core)/',
      'Tables, calendars and archives: packages on one side, the core on the other.',
    ),
    only('demo-uses-core', '^demo/', '^(demo|core)/', 'The demo scenario is made from the core only.'),
    only('ui-uses-core', '^src/ui/', '^(src/ui|core)/', 'The kit does not know the store.'),
    only(
      'workers-use-core',
      '^src/workers/',
      '^(src/workers|core|formats)/',
      'A worker is a door to one core function.',
    ),
    only(
      'store-below-features',
      '^src/store/',
      '^(src/store|src/workers|core|demo)/',
      'The store does not know screens.',
    ),
    only(
      'features-below-routes',
      '^src/features/',
      '^(src/(features|store|workers|ui)|core|formats)/',
      'Features do not import routes.',
    ),
    only('routes-are-thin', '^app/', '^(app|src/features)/', 'A route imports its feature and nothing else.'),
    only(
      'headless-uses-core',
      '^headless/(?!.*[.]test[.]ts$)',
      '^(headless|core|formats)/',
      'The headless face is a thin command over the core; its tests may read the demo.',
    ),
    only(
      'server-serves',
      '^server/',
      '^(server/|core/(monitor/|random\\.ts))',
      'The server serves the built files and holds no data; what a device sends it checks by the rules of the core.',
    ),
    {
      name: 'features-are-separate',
      severity: 'error',
      comment: 'What two features share moves to ui, store or core.',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/([^/]+)/', pathNot: '^src/features/($1|shell)/' },
    },
    {
      name: 'core-has-no-platform',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$|^core/testing/' },
      to: { path: '^node_modules/', pathNot: '^node_modules/zod/' },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
