import { chownSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { bounded } from '../database/bounded';
import { log } from '../http/log';
import { onePerProcess } from '../database/one-per-process';
import { Refused } from '../http/refused';

const CHROMIUM = '/usr/bin/chromium-headless-shell';
/** How long one drawing may take, in milliseconds. */
const PATIENCE_MS = 20_000;
/** The user and the group whom nothing belongs to, as whom it runs when the server is run by root. */
const NOBODY = { user: 65_534, group: 65_534 };

/** One drawing at a time: a browser is the largest thing this server starts. */
const turn = () =>
  onePerProcess('chromium', () =>
    bounded(1, 8, 'Many sheets are being drawn just now; try again in a moment, or take HTML or SVG.'),
  );

/** Draws a document that carries everything along in a browser of its own, which fetches nothing and never runs as root. */
export function inChromium<T>(html: string, draw: (page: Page) => Promise<T>): Promise<T> {
  if (!existsSync(CHROMIUM))
    throw new Refused(
      503,
      'This server has no Chromium, which draws PDF and PNG; take HTML or SVG, or have Debian’s package chromium-headless-shell installed.',
    );
  return turn()(async () => {
    const folder = mkdtempSync(join(tmpdir(), 'breakwater-sheet-'));
    let browser: Browser | undefined;
    let stop: NodeJS.Timeout | undefined;
    try {
      browser = await started(folder);
      stop = setTimeout(() => browser?.process()?.kill('SIGKILL'), PATIENCE_MS);
      const page = await browser.newPage();
      await page.setRequestInterception(true);
      page.on('request', (request) => void (request.url().startsWith('data:') ? request.continue() : request.abort()));
      await page.goto(`data:text/html;base64,${Buffer.from(html).toString('base64')}`, { timeout: PATIENCE_MS });
      await page.evaluate(() => document.fonts.ready.then(() => undefined));
      return await draw(page);
    } catch (error) {
      log.error({ error }, 'a sheet could not be drawn');
      throw new Refused(503, 'The sheet could not be drawn in time; try again in a moment, or take HTML or SVG.');
    } finally {
      clearTimeout(stop);
      await browser?.close().catch((error: unknown) => log.warn({ error }, 'Chromium had gone before it was closed'));
      rmSync(folder, { recursive: true, force: true });
    }
  });
}

/** Whether the sandbox starts here is found out once: it needs namespaces, which some systems keep from ordinary users. */
const sandbox = () => onePerProcess('chromium sandbox', () => ({ works: undefined as boolean | undefined }));

async function started(folder: string): Promise<Browser> {
  if (sandbox().works !== undefined) return launched(folder, sandbox().works!);
  try {
    const browser = await launched(folder, true);
    sandbox().works = true;
    return browser;
  } catch (error) {
    const browser = await launched(folder, false);
    sandbox().works = false;
    log.warn({ error }, 'Chromium’s sandbox does not start on this system; sheets are drawn without it');
    return browser;
  }
}

async function launched(folder: string, withSandbox: boolean): Promise<Browser> {
  const { default: puppeteer } = await import('puppeteer-core');
  const args = puppeteer.defaultArgs({
    headless: 'shell',
    userDataDir: folder,
    args: [
      ...(withSandbox ? [] : ['--no-sandbox']),
      ...['--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update'],
      ...['--disable-sync', '--force-color-profile=srgb'],
    ],
  });
  const common = { headless: 'shell', timeout: PATIENCE_MS, ignoreDefaultArgs: true, pipe: true } as const;
  const env = { PATH: process.env.PATH, HOME: folder };
  if (process.getuid?.() !== 0) return puppeteer.launch({ ...common, env, executablePath: CHROMIUM, args });
  chownSync(folder, NOBODY.user, NOBODY.group);
  const as = [`--reuid=${NOBODY.user}`, `--regid=${NOBODY.group}`, '--clear-groups', '--no-new-privs', '--', CHROMIUM];
  return puppeteer.launch({ ...common, env, executablePath: '/usr/bin/setpriv', args: [...as, ...args] });
}
