import { readFileSync } from 'node:fs';
import { databaseUrl, type Cluster } from './cluster';

/** Databases that are made once, and of which each file of tests has a copy: with the tables alone, and with the demo too. */
export const TEMPLATES = { empty: 'template_empty', demo: 'template_demo' } as const;

export type ServerEnv = Readonly<Record<'DATABASE_URL' | 'BREAKWATER_SECRET' | 'BREAKWATER_DEMO', string>>;

/** What a test's server is started with. */
export function serverEnv(url: string, template: keyof typeof TEMPLATES): ServerEnv {
  const secret = 'for tests only, for tests only, for tests only';
  return { DATABASE_URL: url, BREAKWATER_SECRET: secret, BREAKWATER_DEMO: template === 'demo' ? '1' : '0' };
}

export async function makeTemplates(cluster: Cluster): Promise<void> {
  Object.assign(process.env, serverEnv(await databaseUrl(cluster, TEMPLATES.demo), 'demo'));
  const { migrate } = await import('../src/server/migrations');
  const { loadDemo } = await import('../src/server/demo');
  const { closeDatabase } = await import('../src/server/database');
  await migrate();
  await closeDatabase();
  await databaseUrl(cluster, TEMPLATES.empty, TEMPLATES.demo);
  await loadDemo(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')), false);
  await closeDatabase();
}
