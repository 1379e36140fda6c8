/** Our simulation of colour vision against Chromium's own, pixel by pixel. */
import { PNG } from 'pngjs';
import type { Browser } from 'puppeteer-core';
import { decode, encode, type Srgb } from '@/core/colour/oklab';
import { achromat, machado, type Dichromacy } from '@/core/colour/vision';
import { launch } from './browser';

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser.close());

const COLOURS = ['#ff0000', '#00ff00', '#0000ff', '#db5d2c', '#2c965d', '#6b46a0', '#dab33a', '#808080', '#ffffff', '#101a40'];
const CELL = 20;

/** What the browser shows of the colours under one of its emulations. */
async function shown(kind: 'none' | 'protanopia' | 'deuteranopia' | 'tritanopia' | 'achromatopsia'): Promise<Srgb[]> {
  const page = await browser.newPage();
  const cells = COLOURS.map(
    (colour) => `<i style="display:block;float:left;width:${CELL}px;height:${CELL}px;background:${colour}"></i>`,
  );
  await page.setContent(`<body style="margin:0">${cells.join('')}</body>`);
  await page.emulateVisionDeficiency(kind);
  const { data, width } = PNG.sync.read(
    Buffer.from(await page.screenshot({ clip: { x: 0, y: 0, width: CELL * COLOURS.length, height: CELL } })),
  );
  await page.close();
  return COLOURS.map((_, at) => {
    const start = 4 * (width * (CELL / 2) + CELL * at + CELL / 2);
    return [data[start]! / 255, data[start + 1]! / 255, data[start + 2]! / 255];
  });
}

const channels = (hex: string): Srgb => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255) as unknown as Srgb;
const near = (one: Srgb, two: Srgb) => Math.max(...one.map((value, at) => Math.abs(value - two[at]!)));

test('without emulation the picture has the colours themselves', async () => {
  (await shown('none')).forEach((pixel, at) => expect(near(pixel, channels(COLOURS[at]!))).toBe(0));
});

test.each([
  ['protanopia', 'protan'],
  ['deuteranopia', 'deutan'],
  ['tritanopia', 'tritan'],
] as const)('%s: Machado’s matrices on linear light give what Chromium gives', async (emulation, kind: Dichromacy) => {
  const pixels = await shown(emulation);
  COLOURS.forEach((hex, at) => {
    const seen = machado(channels(hex).map(decode) as unknown as Srgb, kind, 1);
    const expected = seen.map((value) => encode(Math.min(1, Math.max(0, value)))) as unknown as Srgb;
    expect([hex, near(pixels[at]!, expected) < 0.02]).toEqual([hex, true]);
  });
});

test('achromatopsia: the grey of the same luminance', async () => {
  (await shown('achromatopsia')).forEach((pixel, at) => {
    const hex = COLOURS[at]!;
    expect([hex, near(pixel, achromat(channels(hex))) < 0.03]).toEqual([hex, true]);
  });
});
