import { existsSync, mkdtempSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type ElementHandle, type Page } from 'puppeteer-core';
import { Visitor, type TestServer } from '../test-server';

const FLAGS =
  '--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync --force-color-profile=srgb --use-fake-device-for-media-stream --use-fake-ui-for-media-stream --disable-features=SpareRendererForSitePerProcess';

/** How long a page's state is waited for: far longer than it takes, so that a busy machine fails nothing. */
const PATIENCE_MS = 60_000;

export function launch(): Promise<Browser> {
  return puppeteer.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    headless: 'shell',
    defaultViewport: { width: 1280, height: 800 },
    args: FLAGS.split(' '),
  });
}

/** A download, once all of it is there: until then its name may be taken by a file that is still being written. */
export async function arrived(folder: string, name: string): Promise<Buffer> {
  const path = join(folder, name);
  const isWhole = () =>
    existsSync(path) && statSync(path).size > 0 && !readdirSync(folder).some((file) => file.endsWith('.crdownload'));
  for (const deadline = Date.now() + PATIENCE_MS; Date.now() < deadline && !isWhole();)
    await new Promise((resolve) => setTimeout(resolve, 100));
  return readFileSync(path);
}

/** A person at a page of their own: real mouse and keyboard, and every error of the page remembered. */
export class Person {
  readonly errors: string[] = [];

  private constructor(
    readonly page: Page,
    private readonly url: string,
  ) {
    page.setDefaultTimeout(PATIENCE_MS);
    page.on('pageerror', (error) => this.errors.push(String(error)));
    page.on('console', (message) => {
      // The browser's own line about a request that was refused or a server that is down is no error of the page.
      if (message.type() === 'error' && !message.text().startsWith('Failed to load resource')) this.errors.push(message.text());
    });
  }

  /** Somebody who is signed in already, and has the demo's brand before them. */
  static async enter(browser: Browser, server: TestServer, name: 'Ida' | 'Oren' | 'Petra' | 'Wim'): Promise<Person> {
    const context = await browser.createBrowserContext();
    await context.overridePermissions(server.url, ['clipboard-read', 'clipboard-write', 'clipboard-sanitized-write', 'camera']);
    const { session } = await Visitor.demo(server, name.toLowerCase() as Lowercase<typeof name>);
    await context.setCookie({ name: 'breakwater', value: session, domain: '127.0.0.1', httpOnly: true, sameSite: 'Strict' });
    const person = new Person(await context.newPage(), server.url);
    await person.page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    await person.page.goto(server.url);
    await person.page.waitForSelector('[data-testid=kept]');
    return person;
  }

  /** Somebody who signs in on a page as it is, in whichever browser. */
  static async signIn(page: Page, server: TestServer, name: 'Ida' | 'Oren' | 'Wim'): Promise<Person> {
    const person = new Person(page, server.url);
    await page.goto(`${server.url}/sign-in`);
    await person.click(name);
    await page.waitForSelector('[data-testid=kept]');
    return person;
  }

  /** Goes to a stage by its stop on the line. */
  async stage(label: string): Promise<void> {
    await (await this.find(`nav[aria-label=Stages] ::-p-text(${label})`)).click();
    // The address is another at once; the stage that was there stays until the one wanted has come.
    await this.page.waitForSelector(`main[data-stage=${label.toLowerCase()}] > :nth-child(1)`);
    await this.settled();
  }

  /** Waits until the page has nothing left to do, so that what was pressed or moved is drawn; or for a second, where it never rests. */
  settled(): Promise<void> {
    return this.page.evaluate(async () => {
      for (const half of [500, 500]) await new Promise((resolve) => requestIdleCallback(resolve, { timeout: half }));
    });
  }

  /** Waits for the first match of a selector (or `::-p-text()`, `::-p-aria()`) that can be seen. */
  async find(selector: string): Promise<ElementHandle<Element>> {
    const found = await this.page.waitForSelector(selector, { visible: true });
    return found!;
  }

  /** Clicks the button or link with these words. */
  async click(words: string): Promise<void> {
    await this.page.locator(`::-p-xpath(//*[self::button or self::a][starts-with(normalize-space(.), "${words}")])`).click();
  }

  /** The cell of a token in a theme, scrolled to by the filter or the person before. */
  async cell(token: string, theme: string): Promise<ElementHandle<Element>> {
    const themes = await this.page.$$eval('[role=columnheader] input', (fields) => fields.map(({ value }) => value));
    const at = themes.indexOf(theme) + 1;
    return this.find(`[data-token="${token}"] > :nth-child(${at + 1})`);
  }

  /** Chooses an entry of the menu behind the button with this name. */
  async menu(button: string, entry: string): Promise<void> {
    await (await this.find(`::-p-aria([name="${button}"][role="button"])`)).click();
    await (await this.find(`[role=menuitem] ::-p-text(${entry}), [role=menuitem]::-p-text(${entry})`)).click();
    await this.page.waitForFunction(() => !document.querySelector('[role=menu][data-state=open]'));
  }

  /** Drags from a point to the middle of an element, as a hand would. */
  async drag(from: { x: number; y: number }, to: ElementHandle<Element>): Promise<void> {
    const box = (await to.boundingBox())!;
    await this.page.mouse.move(from.x, from.y);
    await this.page.mouse.down();
    await this.page.mouse.move(from.x + 12, from.y + 12, { steps: 4 });
    await this.settled();
    await this.page.mouse.move(box.x + Math.min(60, box.width / 2), box.y + box.height / 2, { steps: 8 });
    // What is dragged arrives under the pointer before it is let go.
    await this.settled();
    await this.page.mouse.up();
  }

  /** Puts a text into the field with this label, as typing and then Enter would. */
  async fill(label: string, text: string, enter = true): Promise<void> {
    const field = await this.find(
      `::-p-aria([name="${label}"][role="textbox"]), ::-p-aria([name="${label}"][role="combobox"]), ::-p-aria([name="${label}"][role="searchbox"])`,
    );
    await field.click({ count: 3 });
    if (text === '') await this.page.keyboard.press('Backspace');
    else await field.type(text);
    if (enter) await this.page.keyboard.press('Enter');
  }

  /** Pastes a text into the focused field, through the clipboard. */
  async paste(text: string): Promise<void> {
    await this.page.evaluate((content) => navigator.clipboard.writeText(content), text);
    await this.page.keyboard.down('Control');
    await this.page.keyboard.press('v');
    await this.page.keyboard.up('Control');
  }

  async keys(...keys: Parameters<Page['keyboard']['press']>[0][]): Promise<void> {
    for (const key of keys.slice(0, -1)) await this.page.keyboard.down(key);
    await this.page.keyboard.press(keys.at(-1)!);
    for (const key of keys.slice(0, -1).reverse()) await this.page.keyboard.up(key);
  }

  /** Leaves every field, so that keys are shortcuts. */
  blur(): Promise<void> {
    return this.page.evaluate(() => (document.activeElement as HTMLElement).blur());
  }

  /** Waits until a text is on the page. */
  async sees(text: string): Promise<void> {
    await this.page.waitForFunction((words) => document.body.innerText.includes(words), {}, text);
  }

  texts(selector: string): Promise<string[]> {
    return this.page.$$eval(selector, (found) =>
      found.map((element) => (element as HTMLElement).innerText.trim().replace(/\s+/g, ' ')),
    );
  }

  /** Downloads go to a fresh folder. */
  async downloads(): Promise<string> {
    const folder = mkdtempSync(join(tmpdir(), 'breakwater-downloads-'));
    const session = await this.page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', {
      behavior: 'allow',
      downloadPath: folder,
      browserContextId: this.page.browserContext().id!,
    });
    return folder;
  }
}
