/** Unit tests lie beside their code; tests/reference holds published values, tests/server and tests/browser need a database. */
const config = {
  testEnvironment: 'node',
  // What hangs is told from what is slow on a busy machine; no test measures time.
  testTimeout: 180_000,
  testSequencer: '<rootDir>/tests/longest-first.cjs',
  transform: { '^.+\\.(t|j)sx?$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' } }] },
  // Packages that ship ES modules only.
  transformIgnorePatterns: [
    '/node_modules/(?!(nanoid|culori|color-name|fast-png|iobuffer|fflate|css-tree|saxes|p-limit|yocto-queue)/)',
  ],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    // These say that they are modules by their ending, which Jest takes at its word; each comes as a plain script too.
    '^d3-(interpolate|color|scale|array|format|time|time-format|scale-chromatic)$': '<rootDir>/node_modules/d3-$1/dist/d3-$1.js',
    '^server-only$': '<rootDir>/node_modules/server-only/empty.js',
    '^fast-check$': '<rootDir>/tests/seeded-properties.cjs',
  },
  testPathIgnorePatterns: ['/node_modules/', '/.next/', '<rootDir>/.mutants/'],
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.mutants/'],
};

export default config;
