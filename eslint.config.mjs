import next from 'eslint-config-next';
import coreWebVitals from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';

const config = [
  { ignores: ['node_modules/', '.next/', '.mutants/', 'data/', 'dist/', 'next-env.d.ts'] },
  ...next,
  ...coreWebVitals,
  ...typescript,
  {
    rules: {
      'no-console': ['error', { allow: ['warn', 'error'] }],
      eqeqeq: 'error',
      'no-empty': ['error', { allowEmptyCatch: false }],
    },
  },
  {
    // Where no React may be (docs/architecture.md), its rules, which compile every function, have nothing to find.
    files: ['src/{core,server,cli}/**', 'ops/**', 'tests/**', 'demo/**', 'stand-ins/**'],
    rules: Object.fromEntries(
      [...next, ...coreWebVitals]
        .flatMap(({ rules = {} }) => Object.keys(rules))
        .filter((rule) => rule.startsWith('react'))
        .map((rule) => [rule, 'off']),
    ),
  },
];

export default config;
