/** The layers of docs/architecture.md, held up by the lint step: a wrong import fails it. */
const rule = (name, from, to, comment) => ({ name, severity: 'error', comment, from, to });

module.exports = {
  forbidden: [
    rule(
      'no-circles',
      {},
      { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
      'Modules do not import each other in a circle.',
    ),
    rule(
      'core-is-pure',
      { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      {
        pathNot: [
          '^src/core/',
          '^node_modules/(culori|zod|nanoid|fast-png|fflate|iobuffer|saxes|jsonc-parser|papaparse|css-tree|exceljs|liquidjs|@types/(culori|papaparse|css-tree))/',
        ],
      },
      'The core imports only itself and its few libraries.',
    ),
    rule(
      'ui-knows-no-server',
      { path: '^src/(ui|stages|workers)/' },
      { path: ['^src/(server|app|cli)/', '^node_modules/(sequelize|pg|umzug|iron-session|pino)/'] },
      'What runs in the page never reaches for the server.',
    ),
    rule(
      'ui-knows-no-stage',
      { path: '^src/(ui|workers)/' },
      { path: '^src/stages/' },
      'Stages stand on the shared interface, not under it.',
    ),
    rule(
      'stages-are-apart',
      { path: '^src/stages/([^/]+)/' },
      { path: '^src/stages/', pathNot: '^src/stages/$1/' },
      'A stage never imports another.',
    ),
    rule(
      'server-knows-no-page',
      { path: '^src/server/' },
      { path: ['^src/(ui|stages|app|cli|workers)/', '^node_modules/(react|react-dom|@chakra-ui)/'] },
      'The server knows the core, never React.',
    ),
    rule(
      'cli-needs-no-server',
      { path: '^src/cli/' },
      { path: '^src/(server|ui|stages|app|workers)/' },
      'The command line works without either.',
    ),
    rule(
      'screens-stand-alone',
      { path: '^stand-ins/' },
      { pathNot: ['^stand-ins/', '^\\.\\./charts\\.js$'] },
      'A simulated screen imports nothing of Breakwater.',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};
