import { readFileSync } from 'node:fs';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import type { ThemeColours } from '@/core/screens/match';
import type { Reading, Seen } from '@/core/screens/screen';
import type { Sights } from '@/reader/walk';
import { fail } from './failure';

const CHROMIUM = '/usr/bin/chromium-headless-shell';
/** How long a page may take to be there, and one page with all its themes and states to be read, in milliseconds. */
const LOAD_MS = 30_000;
const READ_MS = 180_000;
const MOST_SEEN = 1_000;
/** What can be pressed, pointed at and focused, and so much of it. */
const CONTROLS =
  'a[href], button, input, select, textarea, summary, [tabindex], [role=button], [role=link], [role=tab], [role=menuitem]';
const MOST_CONTROLS = 100;
/** A change of colour that takes time would be read half-way. */
const STILL =
  '*, *::before, *::after { transition: none !important; animation: none !important; caret-color: transparent !important; }';

/** What a page showed: in each theme, and what could not be looked into. */
export interface PageRead {
  readonly readings: readonly Omit<Reading, 'release'>[];
  readonly unseen: readonly string[];
}

/** A browser for reading pages. */
export async function openBrowser(): Promise<Browser> {
  const { default: puppeteer } = await import('puppeteer-core');
  const args = ['--force-color-profile=srgb', '--disable-gpu', ...(process.getuid?.() === 0 ? ['--no-sandbox'] : [])];
  try {
    return await puppeteer.launch({
      executablePath: CHROMIUM,
      headless: 'shell',
      args,
      defaultViewport: { width: 1280, height: 800 },
    });
  } catch {
    return fail(`a browser is needed, and ${CHROMIUM} does not start; install Debian’s package chromium-headless-shell.`, 1);
  }
}

/**
 * Reads a page in every theme, with the states of its controls really caused: by the mouse, by the Tab key, by being disabled.
 * @param attribute of the page's root by which it changes theme; null leaves the page in the one it has
 */
export async function readPage(
  browser: Browser,
  address: string,
  themes: readonly ThemeColours[],
  attribute: string | null,
): Promise<PageRead> {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  page.on('dialog', (dialog) => void dialog.dismiss());
  const deadline = Date.now() + READ_MS;
  const unseen = new Set<string>();
  try {
    await page.setBypassCSP(true);
    const response = await page.goto(address, { waitUntil: 'load', timeout: LOAD_MS });
    if (response && !response.ok()) fail(`${address} answers with ${response.status()}.`);
    await page.evaluate(readFileSync(new URL('./walk.js', import.meta.url), 'utf8') + ';globalThis.breakwater = breakwater;');
    await page.addStyleTag({ content: STILL });
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    const readings: Omit<Reading, 'release'>[] = [];
    for (const { identifier } of themes) {
      if (attribute !== null)
        await page.evaluate((name, value) => document.documentElement.setAttribute(name, value), attribute, identifier);
      await painted(page);
      const seen = [...(await walked(page, unseen, 'rest')), ...(await inStates(page, unseen, deadline))];
      readings.push({ theme: identifier, seen: seen.slice(0, MOST_SEEN) });
    }
    return { readings, unseen: [...unseen] };
  } catch (error) {
    if (/^(net::|Navigation|Timeout|Protocol error|Cannot navigate)/.test((error as Error).message))
      fail(`${address} could not be read: ${(error as Error).message.split('\n')[0]}`);
    throw error;
  } finally {
    await context.close();
  }
}

function painted(page: Page): Promise<unknown> {
  return page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(null)))));
}

/** The colours of a page, or of one element of it. */
async function walked(page: Page, unseen: Set<string>, state: Seen['state'], element?: ElementHandle): Promise<Seen[]> {
  const sights = (await page.evaluate(
    (within) => (globalThis as unknown as { breakwater: { walk: (within?: Element) => Sights } }).breakwater.walk(within),
    element as ElementHandle<Element> | undefined,
  )) as Sights;
  for (const one of sights.unseen) unseen.add(one);
  return sights.seen.map((sight) => ({ ...sight, state }));
}

/** What controls show when they are pointed at, pressed, focused and disabled, and do not show at rest. */
async function inStates(page: Page, unseen: Set<string>, deadline: number): Promise<Seen[]> {
  const found: Seen[] = [];
  const all = (await page.$$(CONTROLS)) as ElementHandle[];
  if (all.length > MOST_CONTROLS) unseen.add(`the states of all but ${MOST_CONTROLS} controls`);
  const rest = new Map<string, Set<string>>();
  const take = async (state: Seen['state'], element: ElementHandle, key: string) => {
    await painted(page);
    const known = rest.get(key) ?? new Set();
    found.push(...(await walked(page, unseen, state, element)).filter(({ colour, where }) => !known.has(`${colour} ${where}`)));
  };
  for (const [at, element] of all.slice(0, MOST_CONTROLS).entries()) {
    if (Date.now() > deadline) {
      unseen.add('the states of some controls, for the page takes too long');
      break;
    }
    if (!(await element.isVisible())) continue;
    const key = String(at);
    await page.mouse.move(0, 0);
    rest.set(key, new Set((await walked(page, unseen, 'rest', element)).map(({ colour, where }) => `${colour} ${where}`)));
    const isControl = await element.evaluate((one) => 'disabled' in one);
    const wasDisabled = isControl && (await element.evaluate((one) => (one as HTMLButtonElement).disabled));
    if (!wasDisabled) {
      await element.hover();
      await take('hover', element, key);
      await page.mouse.down();
      await take('pressed', element, key);
      // Let go elsewhere, or it would be done what the control does.
      await page.mouse.move(0, 0);
      await page.mouse.up();
      if (isControl) {
        await element.evaluate((one) => void ((one as HTMLButtonElement).disabled = true));
        await take('disabled', element, key);
        await element.evaluate((one) => void ((one as HTMLButtonElement).disabled = false));
      }
    }
  }
  // Tabs go on from where the mouse was last; what is focused at the top and taken away lets them begin there.
  await page.evaluate(() => {
    const top = document.createElement('span');
    top.tabIndex = -1;
    document.body.prepend(top);
    top.focus();
    top.remove();
  });
  const first = new Set<string>();
  for (let n = 0; n < MOST_CONTROLS && Date.now() < deadline; n++) {
    await page.keyboard.press('Tab');
    const active = (await page.evaluateHandle(() => document.activeElement)).asElement() as ElementHandle<Element> | null;
    const at =
      active && (await active.evaluate((one, selector) => [...document.querySelectorAll(selector)].indexOf(one), CONTROLS));
    // Round once, or out of the page.
    if (!active || at === null || at < 0 || first.has(String(at))) break;
    first.add(String(at));
    await take('focus', active, String(at));
  }
  return found;
}
