import { demoSource } from '../demo/demo';
import { databaseUrl, type Cluster } from './cluster';

/** Databases that are made once, and of which each file of tests has a copy: with the tables alone, and with the demo too. */
export const TEMPLATES = { empty: 'template_empty', demo: 'template_demo' } as const;

export type ServerEnv = Readonly<Record<'BREAKWATER_DATABASE_URL' | 'BREAKWATER_SECRET' | 'BREAKWATER_DEMO', string>>;

/** What a test's server is started with. */
export function serverEnv(url: string, template: keyof typeof TEMPLATES): ServerEnv {
  const secret = 'for tests only, for tests only, for tests only';
  return { BREAKWATER_DATABASE_URL: url, BREAKWATER_SECRET: secret, BREAKWATER_DEMO: template === 'demo' ? '1' : '0' };
}

export async function makeTemplates(cluster: Cluster): Promise<void> {
  const env = serverEnv(await databaseUrl(cluster, TEMPLATES.demo), 'demo');
  Object.assign(process.env, env);
  const { migrate } = await import('../src/server/database/migrations');
  const { loadDemo } = await import('../src/server/brands/demo');
  const { closeDatabase } = await import('../src/server/database/database');
  await migrate();
  await closeDatabase();
  await databaseUrl(cluster, TEMPLATES.empty, TEMPLATES.demo);
  const { document, hosts } = demoSource();
  await loadDemo(document, false, hosts);
  await closeDatabase();
  // What the tests start has a database of its own.
  for (const name of Object.keys(env)) delete process.env[name];
}
