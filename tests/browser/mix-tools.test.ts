/** Shaping palettes, each tool used as a person would: mouse, drag, keys, sliders; and what the brand holds afterwards. */
import { contrastRatio } from '@/core/colour/contrast';
import { deltaE2000 } from '@/core/colour/difference';
import { readColour } from '@/core/colour/read';
import { names, openMix, type Mix } from './mixer';

let ida: Mix['ida'];
let mix: Mix;
beforeAll(async () => {
  mix = await openMix('mixtools');
  ida = mix.ida;
});
afterAll(() => mix.close());
afterEach(() => expect(ida.errors).toEqual([]));

test('a ramp follows its start until its end is pinned; four and eight colours are a key away', async () => {
  await mix.open('Route lines');
  await (await mix.cell('Mill Quay')).click();
  await ida.keys('r');
  await ida.sees('the far end follows the start');
  const eight = await mix.strip('Ramp');
  expect([eight.length, eight[0]]).toEqual([8, '#2c965d']);
  await ida.blur();
  await ida.keys('f');
  await mix.untilStrip('Ramp', 4);
  await mix.slide('Far end towards white', 'End');
  expect((await mix.strip('Ramp')).at(-1)).toBe('#ffffff');
  await ida.fill('Far end', '#101a40');
  await ida.sees('the far end is pinned');
  await (await mix.cell('Sallow Bay')).click();
  expect([(await mix.strip('Ramp'))[0], (await mix.strip('Ramp')).at(-1)]).toEqual(['#dab33a', '#101a40']);
  await ida.click('Add as a row');
  const { swatches } = await mix.kept('Route lines');
  expect(swatches.slice(8).map(({ row }) => row)).toEqual(Array(4).fill('Sallow Bay ramp'));
  expect(swatches.at(-1)!.value).toBe('#101a40');
  await mix.undo();
  expect((await mix.kept('Route lines')).swatches).toHaveLength(8);
});

test('shades stand about their base, the same contrast for each hue; neutrals are chosen by a page set in them', async () => {
  await mix.open('Route lines');
  const six = async (name: string) => {
    await (await mix.cell(name)).click();
    await mix.tool('Shades');
    await ida.sees(`Shades of ${name}`);
    return contrastRatio(readColour((await mix.strip('Shades'))[6]!)!, readColour('#fff')!);
  };
  expect(await six('Tern Islet')).toBeCloseTo(await six('Kelp Strand'), 0);
  await ida.fill('Labels, light to dark', 'pale, mid, deep');
  await mix.untilStrip('Shades', 3);
  await ida.click('As a new palette');
  await ida.page.waitForFunction(() => document.querySelector<HTMLInputElement>('h1 input')?.value === 'Kelp Strand');
  expect(names(await mix.kept('Kelp Strand'))).toEqual(['Kelp Strand pale', 'Kelp Strand mid', 'Kelp Strand deep']);
  await mix.undo();
  await mix.open('Route lines');
  await mix.tool('Neutrals');
  await (await ida.find('::-p-xpath(//button[@role="radio"][contains(., "Warm")])')).click();
  await ida.click('Add as a row');
  const warm = (await mix.kept('Route lines')).swatches.filter(({ row }) => row === 'Neutral warm');
  expect(warm).toHaveLength(11);
  for (const { value } of warm) expect(readColour(value)!.oklch[1]).toBeLessThan(0.03);
  await mix.undo();
});

test('eight categories are extended to seventeen without moving one; what cannot be reached is said', async () => {
  await mix.open('Route lines');
  await mix.tool('Series');
  await mix.slide('Colours in all', 'ArrowRight', 6);
  await mix.untilStrip('Series', 17);
  await ida.page.waitForFunction(() => document.body.innerText.includes('cannot be reached with 17 colours here'));
  const before = (await mix.kept('Route lines')).swatches.map(({ value }) => value);
  expect((await mix.strip('Series')).slice(0, 8)).toEqual(before);
  await ida.click('Add as a row');
  const { swatches } = await mix.kept('Route lines');
  expect(swatches.slice(0, 8).map(({ value }) => value)).toEqual(before);
  expect(new Set(swatches.map(({ value }) => value)).size).toBe(17);
  await mix.undo();
});

test('sequential and diverging series are drawn as their curves and become palettes', async () => {
  await mix.open('Sea state');
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="sequential"])')).click();
  await mix.untilStrip('Series', 9);
  await mix.slide('Classes', 'ArrowRight', 3);
  await mix.untilStrip('Series', 12);
  const fall = (await mix.strip('Series')).map((css) => readColour(css)!.oklch[0]);
  expect([...fall].sort((one, two) => two - one)).toEqual(fall);
  await ida.find('.recharts-wrapper');
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="diverging"])')).click();
  await mix.untilStrip('Series', 11);
  await ida.click('As a new palette');
  const made = await mix.kept('0 Calm to 9 Phenomenal');
  expect([made.kind, made.swatches.length]).toEqual(['diverging', 11]);
});

test('harmony: dots are dragged and turned by keys on the wheel', async () => {
  await mix.open('Route lines');
  await (await mix.cell('Mill Quay')).click();
  await mix.tool('Harmony');
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="Triad"])')).click();
  await mix.untilStrip('Harmony', 3);
  const before = await mix.strip('Harmony');
  expect(before[0]).toBe('#2c965d');
  const dot = await ida.find('circle[aria-label="Angle of colour 2"]');
  await dot.evaluate((element) => (element as SVGElement).focus());
  await ida.keys('Shift', 'ArrowLeft');
  await ida.page.waitForFunction(
    () => document.querySelector('circle[aria-label="Angle of colour 2"]')?.getAttribute('aria-valuenow') === '130',
  );
  await mix.drag(dot, await ida.find('circle[aria-label="Angle of colour 3"]'));
  await ida.sees('with angles of your own');
  const [lead, second, third] = await mix.strip('Harmony');
  expect([lead, third]).toEqual([before[0], before[2]]);
  expect(deltaE2000(second!, third!)).toBeLessThan(8);
});

test('settle is shown before it is applied; B shows what was; evenness rises and locked ones stay', async () => {
  await mix.open('Route lines');
  const before = await mix.kept('Route lines');
  await mix.tool('Settle');
  await ida.sees('farthest nudge ΔE');
  await ida.page.waitForFunction(() => document.querySelectorAll('[data-swatch] code[class*=hex]')[1]?.textContent !== '#db5d2c');
  const settled = await mix.shown();
  expect(settled).not.toEqual(before.swatches.map(({ value }) => value));
  await ida.blur();
  await ida.page.keyboard.down('b');
  await mix.shows(1, '#db5d2c');
  await ida.page.keyboard.up('b');
  await mix.shows(1, settled[1]!);
  expect((await mix.kept('Route lines')).swatches).toEqual(before.swatches);
  await ida.click('Cancel');
  await mix.shows(1, '#db5d2c');
  await mix.slide('Share of the way', 'End');
  await mix.shows(1, settled[1]!);
  const [score] = await ida.texts('p[aria-label=Evenness]');
  const [after, was] = score!
    .match(/\d+/g)!
    .map(Number)
    .filter((value) => value !== 100);
  expect(after).toBeGreaterThan(was!);
  await ida.click('Apply');
  const { swatches } = await mix.kept('Route lines');
  swatches.forEach(({ value, locked }, at) => {
    if (locked) expect(value).toBe(before.swatches[at]!.value);
    expect(deltaE2000(value, before.swatches[at]!.value)).toBeLessThanOrEqual(6);
  });
  // Once more: from where these colours came there is nothing better.
  await ida.sees('nothing is better within this reach');
  await mix.undo();
  expect((await mix.kept('Route lines')).swatches).toEqual(before.swatches);
});

test('adjusting moves all or the chosen, one step by a key; order is by path or by seed', async () => {
  await mix.open('Deck paint');
  const before = await mix.kept('Deck paint');
  await mix.tool('Adjust');
  await mix.slide('Lightness', 'ArrowRight', 20);
  await ida.sees('+20 %');
  await ida.click('Cancel');
  await mix.shows(0, before.swatches[0]!.value);
  await mix.slide('Chroma', 'Home');
  await ida.click('Apply');
  for (const { value } of (await mix.kept('Deck paint')).swatches) expect(value).toMatch(/^#(..)\1\1$/);
  await mix.undo();
  await (await mix.cell(before.swatches[1]!.name)).click();
  await ida.keys('+');
  const brighter = (await mix.kept('Deck paint')).swatches;
  expect(readColour(brighter[1]!.value)!.oklch[0]).toBeGreaterThan(readColour(before.swatches[1]!.value)!.oklch[0]);
  expect(brighter.filter(({ value }, at) => value !== before.swatches[at]!.value)).toHaveLength(1);
  await mix.undo();
  await ida.click('By lightness');
  const light = (await mix.kept('Deck paint')).swatches.map(({ value }) => readColour(value)!.oklch[0]);
  expect([...light].sort((one, two) => one - two)).toEqual(light);
  await ida.click('Shuffle');
  expect((await mix.kept('Deck paint')).swatches.map(({ id }) => id).sort()).toEqual(before.swatches.map(({ id }) => id).sort());
  await mix.undo();
  await mix.undo();
  expect(await mix.kept('Deck paint')).toEqual(before);
});

test('reducing shows what merges and by how much, and tokens go with it', async () => {
  await mix.open('Trainer 16');
  await mix.tool('Reduce');
  await mix.slide('Colours', 'Home');
  await mix.slide('Colours', 'ArrowRight', 7);
  await mix.untilStrip('What stays', 8);
  expect((await ida.texts('ul[aria-label="What merges"] li')).every((line) => /into .+ ΔE \d/.test(line))).toBe(true);
  await ida.click('Apply');
  expect((await mix.kept('Trainer 16')).swatches).toHaveLength(8);
  await mix.undo();
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="near duplicates"])')).click();
  await ida.sees('nothing merges');
});

test('any palette gives a terminal’s sixteen colours, which are then edited one by one', async () => {
  await mix.open('Deck paint');
  await mix.tool('Terminal');
  await (await ida.find('::-p-xpath(//button[@role="radio"][.="light"])')).click();
  await mix.slide('Dim or lift', 'ArrowLeft', 2);
  await ida.click('Shuffle');
  await ida.click('Best fit again');
  await ida.click('As a new palette');
  await ida.page.waitForFunction(() => document.querySelectorAll('[data-row]').length === 3);
  const { swatches } = await mix.kept('Deck paint terminal');
  const value = (name: string) => readColour(swatches.find((swatch) => swatch.name === name)!.value)!;
  expect(swatches).toHaveLength(19);
  for (const name of ['Red', 'Green', 'Yellow', 'Blue', 'Magenta', 'Cyan', 'Text']) {
    expect(contrastRatio(value(name), value('Ground'))).toBeGreaterThanOrEqual(4.5);
  }
});

test('a search that is still under way is stopped by leaving the tool, and the next one answers', async () => {
  await mix.open('Route lines');
  await mix.tool('Series');
  await mix.slide('Colours in all', 'End');
  await mix.tool('Tune');
  await mix.tool('Settle');
  await ida.find('p[aria-label=Evenness]');
  await mix.tool('Series');
  await ida.sees('The closest two are');
});

test('with no colour, one, or all locked, every tool stands and says what it needs', async () => {
  const labels = ['Tune', 'Ramp', 'Shades', 'Neutrals', 'Series', 'Harmony', 'Settle', 'Adjust', 'Reduce', 'Terminal'];
  await ida.click('New palette');
  for (const swatches of [0, 1, 2]) {
    for (const label of labels) {
      await mix.tool(label);
      expect((await ida.texts('[role=tabpanel]:not([hidden])')).join('').length).toBeGreaterThan(10);
    }
    await ida.blur();
    if (swatches < 2) await ida.keys('a');
  }
  await ida.keys('l');
  await mix.tool('Adjust');
  await mix.slide('Lightness', 'End');
  expect(
    await ida.page.$$eval('button', (all) => all.filter((button) => button.textContent === 'Apply' && !button.disabled).length),
  ).toBe(1);
});
