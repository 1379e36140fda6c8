import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Page } from 'puppeteer-core';
import { demoSource } from '../demo/demo';
import { build } from './build';
import { createCluster, databaseUrl, freePort, startCluster, stopCluster } from './cluster';
import { ensurePostgres } from './postgres';
import { ensure } from './debian';
import { end, serve } from './server';
import { step } from './step';

/** Starts the application with a throw-away database that holds one brand, and gives a page of it to be measured. */
export async function onPage(document: unknown, measure: (page: Page, folder: string) => Promise<void>): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'breakwater-bench-'));
  chmodSync(folder, 0o755);
  await step('build', build);
  await ensurePostgres();
  const cluster = await startCluster(await createCluster(join(folder, 'postgres'), true));
  const env = {
    BREAKWATER_DATABASE_URL: await databaseUrl(cluster, 'bench'),
    BREAKWATER_SECRET: 'x'.repeat(40),
    BREAKWATER_DEMO: '1',
  };
  Object.assign(process.env, env);
  const { migrate } = await import('../src/server/database/migrations');
  const { loadDemo } = await import('../src/server/brands/demo');
  const { closeDatabase } = await import('../src/server/database/database');
  await migrate();
  await loadDemo(document, false, demoSource().hosts);
  const port = await freePort(4_500);
  const server = await serve(port, env);
  try {
    await onNewPage(async (page) => {
      await signInAsIda(page, `http://127.0.0.1:${port}`);
      await page.locator('::-p-text(Hide the guide)').click();
      await measure(page, folder);
    });
  } finally {
    await end(server);
    await closeDatabase();
    await stopCluster(cluster);
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Signs in to the demo and waits until the brand's page is there. */
export async function signInAsIda(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/sign-in`);
  await page.locator('::-p-xpath(//button[starts-with(., "Ida")])').click();
  await page.waitForSelector('[data-testid=kept]');
}

/** An empty page of a browser of its own. */
export async function onNewPage(measure: (page: Page) => Promise<void>): Promise<void> {
  await ensure('/usr/bin/chromium-headless-shell', 'chromium-headless-shell');
  const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    headless: 'shell',
    defaultViewport: { width: 1280, height: 800 },
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  try {
    await measure(await browser.newPage());
  } finally {
    await browser.close();
  }
}

export function quantile(values: readonly number[], share: number): number {
  return [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))]!;
}
