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
];

export default config;
