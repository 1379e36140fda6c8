import type { NextConfig } from 'next';

const config: NextConfig = {
  // Type errors fail the project's own type check, which is faster than the build's.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: [
    'sequelize',
    'pino',
    '@node-rs/argon2',
    'puppeteer-core',
    'workerpool',
    'prom-client',
    'pg-boss',
    'undici',
  ],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // Nothing reads them, and they are a third of the build's work.
  experimental: { turbopackSourceMaps: false },
};

export default config;
