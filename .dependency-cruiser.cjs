/** Arrows run one way, through types too: app → features → server, core; ui knows no feature; core knows nobody. */
const only = (name, from, to, comment) => ({ name, severity: 'error', comment, from: { path: from }, to });
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    only('core-imports-core-only', '^src/core', { path: '^src/(?!core)' }, 'The core is a library: nothing of the application in it.'),
    only(
      'core-needs-no-platform',
      '^src/core',
      { path: 'node_modules/(react|react-dom|next|styled-components|mysql2|react-aria-components)/|^(fs|path|crypto|http|os)$' },
      'No interface, no database, no file system in the core.',
    ),
    only('server-knows-no-screen', '^src/server', { path: '^src/(app|features|ui|workers)' }, 'The server side knows no screen.'),
    only('ui-knows-no-feature', '^src/ui', { path: '^src/(app|features|server|core)' }, 'The kit knows no feature.'),
    only('features-know-no-server', '^src/features', { path: '^src/server' }, 'What crosses the wire stands in src/contract, with its schema.'),
    only('a-contract-knows-the-core-only', '^src/contract', { path: '^src/(app|features|server|ui|workers)' }, 'Both sides of the wire know it.'),
    only('the-design-knows-nobody', '^src/design', { path: '^src/(?!design)' }, 'Tones and measures, for screen and paper.'),
    only('features-know-no-route', '^src/features', { path: '^src/app' }, 'Features do not know the routes.'),
    only('workers-run-the-core', '^src/workers', { path: '^src/(app|features|server|ui)' }, 'Workers run the core.'),
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, pathNot: '^src/app|proxy\\.ts$|\\.d\\.ts$|\\.test\\.ts$' },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.tsx?$' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};
