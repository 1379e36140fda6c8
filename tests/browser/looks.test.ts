/** Every stage in every surround: readable, without errors; and the page answers whatever is pasted into it. */
import { readFileSync } from 'node:fs';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { launch, Person } from './browser';
import { clipped } from './clipped';

let server: TestServer;
let browser: Browser;
let ida: Person;
beforeAll(async () => {
  server = await startTestServer('looks');
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
});
afterAll(async () => {
  await browser.close();
  await server.close();
});

const axe = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/**
 * Findings of axe-core by all of its rules, of every level, and that what a screen reader hears holds the words that are seen.
 * Left out are samples that show a failing contrast on purpose, and the points on a picture, which may lie upon each other:
 * where they lie is what they say.
 */
async function findings(person: Person): Promise<string[]> {
  await person.page.evaluate(axe);
  return person.page.evaluate(async () => {
    const { axe: runner } = window as unknown as {
      axe: {
        run: (context: object, options: object) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>;
      };
    };
    const { violations } = await runner.run(
      { exclude: ['iframe', '[data-sample]', '[data-testid=picture]'] },
      { iframes: false, rules: { 'label-content-name-mismatch': { enabled: true } }, resultTypes: ['violations'] },
    );
    // Its colours are the brand's; all else of it is ours.
    const sheet = document.querySelector('[data-sheet]');
    const inSheet = sheet
      ? await runner.run(sheet, {
          rules: { 'color-contrast': { enabled: false }, 'color-contrast-enhanced': { enabled: false } },
          resultTypes: ['violations'],
        })
      : { violations: [] };
    return [...violations, ...inSheet.violations].flatMap(({ id, nodes }) =>
      nodes.map(({ html }) => `${id}: ${html.slice(0, 160)}`),
    );
  });
}

test.each(['paper', 'mid', 'ink'])('on %s every stage is readable and free of findings', async (surround) => {
  const word = { paper: 'Paper', mid: 'Mid grey', ink: 'Ink' }[surround];
  await (await ida.find(`[role=radio][aria-label^="${word}"]`)).click();
  for (const stage of ['Gather', 'Mix', 'Name', 'Prove', 'Ship', 'Watch']) {
    await ida.stage(stage);
    if (stage === 'Mix') await (await ida.find('[data-swatch]')).click();
    if (stage === 'Name') await (await ida.find('[data-token="text.soft"] [role=rowheader]')).click();
    if (stage === 'Ship') await ida.find('.cm-content');
    expect([stage, await findings(ida)]).toEqual([stage, []]);
  }
});

test.each(['Paper', 'Mid grey', 'Ink'])('on %s every tool of Mix is readable and free of findings', async (surround) => {
  await (await ida.find(`[role=radio][aria-label^="${surround}"]`)).click();
  await ida.stage('Mix');
  await (await ida.find('[data-swatch]')).click();
  for (const label of await ida.texts('[role=tab]')) {
    await (await ida.find(`::-p-xpath(//button[@role="tab"][.="${label}"])`)).click();
    if (label === 'Series') await ida.sees('The closest two are');
    if (label === 'Settle') await ida.sees('farthest nudge');
    expect([label, await findings(ida)]).toEqual([label, []]);
  }
});

test.each(['Paper', 'Mid grey', 'Ink'])('on %s every view of Name is readable and free of findings', async (surround) => {
  await (await ida.find(`[role=radio][aria-label^="${surround}"]`)).click();
  await ida.stage('Name');
  await ida.find('[role=treegrid]');
  for (const label of await ida.texts('[role=tab]')) {
    const words = label.replace(/ \d+$/, '');
    await (await ida.find(`::-p-xpath(//button[@role="tab"][starts-with(., "${words}")])`)).click();
    if (words === 'Themes') {
      await ida.click('Dark');
      await ida.sees('Every text can be read');
    }
    if (words === 'States') await (await ida.find('button[aria-label="action.confirm.hover in Dusk"]')).click();
    if (words === 'Files') {
      const chooser = ida.page.waitForFileChooser();
      await ida.click('Open token files…');
      await (await chooser).accept(['demo/gather/day.tokens.json']);
      await ida.find('[data-change]');
    }
    expect([words, await findings(ida)]).toEqual([words, []]);
  }
  await (await ida.find('::-p-xpath(//button[@role="tab"][.="Tokens"])')).click();
});

test.each(['Paper', 'Mid grey', 'Ink'])('on %s every view of Prove is readable and free of findings', async (surround) => {
  await (await ida.find(`[role=radio][aria-label^="${surround}"]`)).click();
  await ida.stage('Prove');
  await ida.click('Findings');
  await (await ida.find('[data-rule] button')).click();
  await ida.find('figure + figure');
  expect(['open', await findings(ida)]).toEqual(['open', []]);
  await ida.click('Contrast');
  await (await ida.find('[data-fails]')).click();
  await ida.find('input[type=range]');
  expect(['contrast', await findings(ida)]).toEqual(['contrast', []]);
  await ida.click('Charts');
  await (await ida.find('li[data-category] button')).click();
  await ida.find('li[data-category] input[type=range]');
  expect(['charts', await findings(ida)]).toEqual(['charts', []]);
  await ida.click('amounts');
  await ida.find('[data-chart="Heat map"] rect');
  expect(['amounts', await findings(ida)]).toEqual(['amounts', []]);
  await ida.click('Interface');
  await ida.find('[data-sheet]');
  expect(['interface', await findings(ida)]).toEqual(['interface', []]);
  await ida.click('Side by side');
  await ida.find('[data-move]');
  expect(['side by side', await findings(ida)]).toEqual(['side by side', []]);
  await ida.click('Colour vision');
  await ida.find('[data-vision]');
  await ida.click('Own picture');
  const input = (await ida.page.waitForSelector('[data-testid=own-picture]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile('demo/gather/harbour-at-dusk.jpg');
  await ida.find('[data-area]');
  expect(['own picture', await findings(ida)]).toEqual(['own picture', []]);
  await ida.click('Colour vision');
  await ida.find('[data-vision]');
  expect(['vision', await findings(ida)]).toEqual(['vision', []]);
});

test('on mid grey every view of Ship is readable and free of findings', async () => {
  await (await ida.find('[role=radio][aria-label^="Mid grey"]')).click();
  await ida.stage('Ship');
  await ida.click('Add a destination');
  for (const [reader, seen] of [
    ['Anything else', 'surface.page = #ddf0ee'],
    ['Web pages styled by classes', '.color-surface-page'],
  ] as const) {
    await ida.click(reader);
    if (reader === 'Anything else') await ida.sees(seen);
    expect([reader, await findings(ida)]).toEqual([reader, []]);
  }
  await ida.click('Back to the destinations');
  await ida.click('Booking site classes');
  await ida.click('Weight');
  await ida.sees('All files of this destination');
  expect(await findings(ida)).toEqual([]);
  await ida.click('Brand sheet');
  await ida.find('img[alt="Page 10: Charts, use and misuse"]');
  expect(await findings(ida)).toEqual([]);
  await ida.click('Back to the files');
  await ida.click('For builds');
  await ida.sees('Fetched by builds');
  expect(await findings(ida)).toEqual([]);
  await ida.keys('Escape');
  await ida.page.waitForFunction(() => !document.querySelector('[role=dialog]'));
  await ida.click('Webhooks');
  await ida.sees('Told by webhook');
  expect(await findings(ida)).toEqual([]);
  await ida.keys('Escape');
  await ida.page.waitForFunction(() => !document.querySelector('[role=dialog]'));
});

test('a sheet is taken in', async () => {
  await ida.stage('Ship');
  const input = (await ida.page.waitForSelector('[data-testid=hosts]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile('demo/art/deckhand.png');
  await ida.find('tr[data-from]');
});

test.each(['Paper', 'Mid grey', 'Ink'])('on %s grafts, art and drift are readable and free of findings', async (surround) => {
  await (await ida.find(`[role=radio][aria-label^="${surround}"]`)).click();
  await ida.stage('Ship');
  await ida.click('signage.json');
  await ida.find('[data-slot] button');
  expect(['slots', await findings(ida)]).toEqual(['slots', []]);
  await ida.click('What changes');
  await ida.find('.cm-changedLine');
  expect(['changes', await findings(ida)]).toEqual(['changes', []]);
  await ida.click('deckhand');
  await ida.find('tr[data-from]');
  expect(['art', await findings(ida)]).toEqual(['art', []]);
  await ida.stage('Watch');
  await ida.click('Delivered files');
  const input = (await ida.page.waitForSelector('[data-testid=delivered]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile('demo/hosts/console.ini', 'demo/hosts/berth-planner.xml');
  await ida.find('tbody tr');
  await ida.page.waitForFunction(() => !document.body.innerText.includes('Comparing,'));
  expect(['drift', await findings(ida)]).toEqual(['drift', []]);
});

test('on mid grey every way of gathering is readable and free of findings', async () => {
  await (await ida.find('[role=radio][aria-label^="Mid grey"]')).click();
  await ida.stage('Gather');
  const input = (await ida.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
  const brought = (file: string) => async () => {
    await input.uploadFile(`demo/gather/${file}`);
    await ida.sees(`from ${file}`);
  };
  const ways: [string, () => Promise<void>][] = [
    ['tokens', brought('day.tokens.json')],
    ['cells', brought('house-colours.xlsx')],
    ['picture', brought('harbour-at-dusk.jpg')],
    ['generator', () => ida.click('Generate')],
    ['shelf', () => ida.click('Shelf')],
  ];
  for (const [way, open] of ways) {
    await open();
    if (way === 'shelf') await ida.fill('Search the shelf', 'near teal', false);
    expect([way, await findings(ida)]).toEqual([way, []]);
  }
  await (await ida.find('ul[aria-label="Palettes on the shelf"] button')).click();
  await ida.page.select('select[aria-label="Send to"]', 'replace:core');
  await ida.sees('now above and then below');
  expect(await findings(ida)).toEqual([]);
  await ida.click('Empty the catch');
  const remembered = ida.page.waitForResponse((response) => response.url().endsWith('/api/me'));
  await (await ida.find('[role=radio][aria-label^="Ink"]')).click();
  await remembered;
});

test.each([
  [640, 400],
  [390, 844],
  [320, 640],
  [3840, 2160],
])('at %i by %i nothing is cut off in any view, and undo and release stay within reach', async (width, height) => {
  await ida.page.setViewport({ width, height });
  for (const stage of ['Gather', 'Mix', 'Name', 'Prove', 'Ship', 'Watch']) {
    // Of the line of stages there are only the neighbours where there is little room.
    await ida.blur();
    await ida.keys(String(['Gather', 'Mix', 'Name', 'Prove', 'Ship', 'Watch'].indexOf(stage) + 1) as '1');
    await ida.page.waitForSelector(`main[data-stage=${stage.toLowerCase()}] > :nth-child(1)`);
    await ida.settled();
    if (stage === 'Mix') await ida.page.$eval('[data-swatch]', (swatch) => (swatch as HTMLElement).click());
    const tabs = ['Mix', 'Name', 'Watch'].includes(stage) ? await ida.page.$$('main [role=tab]') : [null];
    for (const tab of tabs) {
      await tab?.click();
      await ida.settled();
      const label = await tab?.evaluate(({ textContent }) => textContent);
      expect([stage, label, await clipped(ida.page)]).toEqual([stage, label, []]);
    }
    for (const name of ['[aria-label=Undo]', '::-p-xpath(//button[.="Release…"])']) {
      const { x, y } = (await (await ida.find(name)).boundingBox())!;
      expect([x > 0 && x < width, y >= 0 && y < height]).toEqual([true, true]);
    }
  }
  await ida.page.setViewport({ width: 1280, height: 800 });
});

test('on a phone the strand and the readout fold away and come back by a press', async () => {
  await ida.page.setViewport({ width: 390, height: 844 });
  await ida.blur();
  await ida.keys('2');
  await ida.page.waitForSelector('main[data-stage=mix] [data-swatch]');
  const isSeen = (id: string) => ida.page.$eval(`#${id}`, (part) => getComputedStyle(part).visibility === 'visible');
  expect([await isSeen('strand'), await isSeen('readout')]).toEqual([false, false]);
  await ida.click('Readout');
  expect([await isSeen('strand'), await isSeen('readout')]).toEqual([false, true]);
  await ida.click('Palettes');
  expect([await isSeen('strand'), await isSeen('readout')]).toEqual([true, false]);
  expect(await clipped(ida.page)).toEqual([]);
  await ida.keys('Escape');
  expect(await isSeen('strand')).toBe(false);
  await ida.page.setViewport({ width: 1280, height: 800 });
});

test('on a phone the match report is scrolled within itself, and no word stands upon another', async () => {
  const { seq } = (await (await Visitor.demo(server, 'ida')).send('GET', '/api/brands/quillhaven')).body;
  await (await Visitor.demo(server, 'ida')).send('POST', '/api/brands/quillhaven/releases', { seq, note: '' });
  await ida.page.setViewport({ width: 390, height: 844 });
  await ida.blur();
  await ida.keys('6');
  await (await ida.find('::-p-xpath(//button[@role="tab"][.="Match report"])')).click();
  await ida.page.waitForSelector('[data-testid=match][data-complete=true]');
  expect(await clipped(ida.page)).toEqual([]);
  const over = await ida.page.$$eval('[data-testid=match] figcaption a, [data-testid=match] tr:first-child td', (parts) => {
    const boxes = parts.map((part) => {
      const range = document.createRange();
      range.selectNodeContents(part);
      return range.getBoundingClientRect();
    });
    return boxes.filter((one, at) =>
      boxes
        .slice(at + 1)
        .some((two) => one.left < two.right && two.left < one.right && one.top < two.bottom && two.top < one.bottom),
    ).length;
  });
  expect(over).toBe(0);
  await ida.page.setViewport({ width: 1280, height: 800 });
});

test.each(['paper', 'mid', 'ink'])(
  'on %s every view of Watch, the search and the organisation are readable and free of findings',
  async (surround) => {
    const visitor = await Visitor.demo(server, 'ida');
    await visitor.send('PATCH', '/api/me', { surround });
    await visitor.change([
      { do: 'swatch.edit', id: 'core-foam', set: { value: { paper: '#ddf1ee', mid: '#ddf2ee', ink: '#ddf3ee' }[surround] } },
    ]);
    await visitor.send('POST', '/api/brands/quillhaven/sign-offs', { id: 'looked-at', title: 'Winter', note: 'Please look.' });
    const remark = { id: `said-${surround}`, kind: 'comment', about: 'core-foam', seq: 0, text: 'Too light?' };
    await visitor.send('POST', '/api/brands/quillhaven/sign-offs/looked-at/remarks', remark);
    await ida.page.goto(`${server.url}/brand/quillhaven/watch`);
    await ida.page.waitForSelector('main [role=tab]');
    for (const [label, there] of [
      ['Sign-off', '[data-testid=before-after]'],
      ['Releases', '::-p-text(SHA-256, for good)'],
      ['History', '[aria-label="The brand as it was"]'],
    ] as const) {
      await (await ida.find(`::-p-xpath(//button[@role="tab"][starts-with(., "${label}")])`)).click();
      await ida.find(there);
      expect([label, await findings(ida)]).toEqual([label, []]);
    }
    await ida.keys('/');
    await ida.page.keyboard.type('near teal');
    await ida.find('[role=option]');
    expect(['search', await findings(ida)]).toEqual(['search', []]);
    await ida.page.goto(`${server.url}/organisation/quillhaven`);
    for (const [label, there] of [
      ['Brands', '[aria-label="In use"] a'],
      ['House set', '[aria-label="Palettes that become the house set"] label'],
      ['People', '[data-person]'],
      ['What was done', 'tbody tr'],
      ['Your account', 'section button'],
    ] as const) {
      await (await ida.find(`::-p-xpath(//button[@role="tab"][.="${label}"])`)).click();
      await ida.find(there);
      expect([label, await findings(ida)]).toEqual([label, []]);
    }
    await ida.page.goto(server.url);
    await ida.page.waitForSelector('[data-testid=kept]');
  },
);

test('the surround and the hidden guide are remembered; the guide can be called back', async () => {
  const remembered = ida.page.waitForResponse((response) => response.url().endsWith('/api/me'));
  await ida.click('Hide the guide');
  await remembered;
  await ida.page.reload();
  await ida.sees('Show the guide');
  expect(
    await ida.page.evaluate(() => [
      document.documentElement.dataset.surround,
      document.body.innerText.includes('Hide the guide'),
    ]),
  ).toEqual(['ink', false]);
  await ida.page.locator('::-p-xpath(//footer//button[.="Show the guide"])').click();
  await ida.sees('From a list of colours to screens proved identical');
});

test('a paste of nearly five megabytes is read while the page goes on answering, and a larger one is refused', async () => {
  await ida.stage('Gather');
  await ida.find('textarea[aria-label="Text with colours"]');
  const paste = (line: string, megabytes: number) =>
    ida.page.evaluate(
      (text, size) => {
        const data = new DataTransfer();
        data.setData('text/plain', text.repeat(Math.floor((size * 1024 * 1024) / text.length)));
        const field = document.querySelector('textarea[aria-label="Text with colours"]')!;
        field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
      },
      line,
      megabytes,
    );
  await paste('Keel: #162631 and words that are no colour\n', 5.5);
  await ida.sees('up to 5 MB of its kind are read at once');
  await ida.page.evaluate(() => {
    const frames: number[] = [];
    const tick = (now: number) => {
      frames.push(now);
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    Object.assign(window, { frames });
  });
  await paste('Keel: #162631 and words that are no colour\n', 4.9);
  await ida.sees('1 in the catch');
  const longest = await ida.page.evaluate(() => {
    const { frames } = window as unknown as { frames: number[] };
    return Math.max(...frames.slice(1).map((now, at) => now - frames[at]!));
  });
  // Read on the main thread it would stand still for many seconds.
  expect(longest).toBeLessThan(2_500);
});

test('names of any script, and markup in them, are only ever words', async () => {
  await ida.stage('Gather');
  await ida.click('Empty the catch');
  await (await ida.find('textarea[aria-label="Text with colours"]')).click();
  await ida.paste('</script><img src=x onerror=alert(1)>: #162631\n\u202eמפרש 🚢: #da452c');
  await ida.sees('2 in the catch');
  await ida.click('Bring in 2');
  await ida.find('[data-swatch]');
  expect(await ida.page.$$('img[src=x]')).toEqual([]);
  expect(ida.errors).toEqual([]);
});
