/** The layers of docs/architecture.md, held up by the lint step: a wrong import fails it. */
const rule = (name, from, to, comment) => ({ name, severity: 'error', comment, from, to });

/** Rooms of the core, each with those that it may import; tests may look anywhere. */
const rooms = (allowed) =>
  Object.entries(allowed).map(([room, below]) =>
    rule(
      `room-${room}`,
      { path: `^src/core/${room}/`, pathNot: '\\.test\\.ts$' },
      { path: '^src/core/', pathNot: [room, ...below].map((one) => `^src/core/${one}/`) },
      `core/${room} imports ${below.length === 0 ? 'no other room' : `only ${below.join(', ')}`}: rooms only point down.`,
    ),
  );

module.exports = {
  forbidden: [
    rule('no-circles', {}, { circular: true }, 'Modules do not import each other in a circle.'),
    rule(
      'no-orphans',
      {
        orphan: true,
        pathNot: [
          // What Next.js, the browser, a page or a process begins with; what only types say; what a test reads as a file.
          '^src/app/',
          '^src/(proxy|instrumentation-client)\\.ts$',
          '\\.(worker|program)\\.ts$',
          '\\.d\\.ts$',
          '^stand-ins/',
          '^ops/',
          '\\.test\\.ts$',
          '^tests/[^/]+\\.(cjs|mjs)$',
        ],
      },
      {},
      'A module that nothing imports, and that imports nothing, is dead.',
    ),
    rule(
      'app-is-on-top',
      { pathNot: '^src/app/' },
      { path: '^src/app/' },
      'Pages and routes stand on top: nothing imports them.',
    ),
    rule(
      'app-is-thin',
      { path: '^src/app/' },
      { path: ['^src/(cli|reader|workers)/', '^(tests|ops|demo|stand-ins)/'] },
      'A route parses, authorises and calls the server; a page shows what ui and stages have.',
    ),
    rule(
      'workers-know-the-core',
      { path: '^src/workers/' },
      { path: '^src/', pathNot: '^src/(core|workers)/' },
      'A worker is functions of the core behind a typed message.',
    ),
    rule(
      'organisation-is-a-page',
      { path: '^src/organisation/' },
      { path: '^src/', pathNot: '^src/(organisation|ui|workers|core)/' },
      'The page of the organisation stands on the shared interface, like a stage.',
    ),
    rule(
      'the-product-knows-no-test',
      { path: '^src/', pathNot: '\\.test\\.tsx?$' },
      { path: '^(tests|ops|demo)/' },
      'What is shipped imports neither tests nor what builds and measures it.',
    ),
    rule(
      'tests-are-apart',
      { path: '^tests/(server|browser|foreign|reference)/' },
      { path: '^tests/(server|browser|foreign|reference)/', pathNot: '^tests/$1/' },
      'Tests of one kind import what they share from tests/ itself, never from another kind.',
    ),
    rule(
      'core-is-pure',
      { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      {
        pathNot: [
          '^src/core/',
          '^node_modules/(culori|zod|nanoid|fast-png|fflate|iobuffer|saxes|jsonc-parser|papaparse|css-tree|diff|liquidjs|nanotar|@types/(culori|papaparse|css-tree))/',
        ],
      },
      'The core imports only itself and its few libraries.',
    ),
    ...rooms({
      base: [],
      colour: ['base'],
      palette: ['base', 'colour'],
      source: ['base', 'colour'],
      image: ['base', 'colour'],
      brand: ['base', 'colour', 'palette'],
      findings: ['base', 'colour', 'palette', 'brand'],
      data: ['base', 'colour', 'source', 'brand'],
      intake: ['base', 'colour', 'source', 'image', 'brand'],
      formats: ['base', 'colour', 'palette', 'image', 'brand', 'findings'],
      graft: ['base', 'colour', 'source', 'brand', 'findings'],
      art: ['base', 'colour', 'image', 'brand', 'findings'],
      release: ['base', 'brand', 'findings', 'graft', 'art', 'formats'],
      drift: ['base', 'colour', 'source', 'image', 'brand', 'findings', 'intake', 'formats', 'graft', 'art', 'release'],
      sheet: ['base', 'colour', 'palette', 'brand', 'findings'],
      shelf: ['base', 'colour', 'brand'],
      organisation: ['brand'],
      screens: ['base', 'colour', 'image', 'brand'],
      archive: ['base', 'source', 'image', 'brand', 'formats', 'release', 'screens'],
    }),
    rule(
      'kit-knows-no-format',
      { path: '^src/core/formats/kit/', pathNot: '\\.test\\.ts$' },
      { path: '^src/core/formats/', pathNot: '^src/core/formats/kit/' },
      'What formats share knows none of them.',
    ),
    rule(
      'families-are-apart',
      { path: '^src/core/formats/([^/]+)/', pathNot: ['\\.test\\.ts$', '^src/core/formats/packages/'] },
      { path: '^src/core/formats/', pathNot: ['^src/core/formats/$1/', '^src/core/formats/kit/'] },
      'A format imports its own family and the kit; what several families need belongs in the kit. Only a package puts files of several together.',
    ),
    rule(
      'ui-knows-no-server',
      { path: '^src/(ui|stages|organisation|workers)/' },
      { path: ['^src/(server|app|cli)/', '^node_modules/(sequelize|pg|umzug|iron-session|pino)/'] },
      'What runs in the page never reaches for the server.',
    ),
    rule(
      'ui-knows-no-stage',
      { path: '^src/(ui|workers)/' },
      { path: '^src/(stages|organisation)/' },
      'Stages stand on the shared interface, not under it.',
    ),
    rule(
      'stages-are-apart',
      { path: '^src/stages/([^/]+)/' },
      { path: '^src/(stages|organisation)/', pathNot: '^src/stages/$1/' },
      'A stage never imports another.',
    ),
    rule(
      'server-knows-no-page',
      { path: '^src/server/' },
      { path: ['^src/(ui|stages|organisation|app|cli|workers)/', '^node_modules/(react|react-dom|@chakra-ui)/'] },
      'The server knows the core, never React.',
    ),
    rule(
      'reader-imports-nothing',
      { path: '^src/reader/' },
      { pathNot: '^src/reader/' },
      'What runs inside pages of others is small and stands alone.',
    ),
    rule(
      'cli-needs-no-server',
      { path: '^src/cli/' },
      { path: '^src/(server|ui|stages|organisation|app|workers)/' },
      'The command line works without either.',
    ),
    rule(
      'screens-stand-alone',
      { path: '^stand-ins/' },
      { pathNot: ['^stand-ins/', '^\\.\\./(?:charts|unzip|terminal-emulator)\\.js$'] },
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
