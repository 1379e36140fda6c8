/** The brand sheet, read from its own PDF, and colours in print, compared with another implementation of ICC profiles. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { converter } from 'culori';
import { PNG } from 'pngjs';
import type { Brand } from '@/core/brand/document/document';
import type { Inks } from '@/core/colour/ink';
import { startTestServer, Visitor, type TestServer } from '../test-server';

let server: TestServer;
let ida: Visitor;
beforeAll(async () => {
  server = await startTestServer('sheet');
  ida = await Visitor.demo(server, 'ida');
});
afterAll(() => server.close());

const folder = mkdtempSync(join(tmpdir(), 'breakwater-sheet-test-'));
const sheet = async (query: string, visitor = ida) => {
  const response = await visitor.fetch(`/api/brands/quillhaven/sheet?${query}`);
  return { status: response.status, headers: response.headers, bytes: Buffer.from(await response.arrayBuffer()) };
};
const brandNow = async () => ((await ida.send('GET', '/api/brands/quillhaven')).body as { brand: Brand }).brand;
const give = async (path: string, bytes: Uint8Array) => {
  const headers = { origin: server.url, 'content-type': 'application/octet-stream' };
  const response = await ida.fetch(`/api/brands/quillhaven/${path}`, { method: 'POST', headers, body: Buffer.from(bytes) });
  return { status: response.status, body: (await response.json()) as Record<string, string> };
};

interface PdfText {
  readonly page: number;
  readonly text: string;
  readonly size: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

function textsOf(pdf: Uint8Array): PdfText[] {
  const file = join(folder, 'sheet.pdf');
  writeFileSync(file, pdf);
  return JSON.parse(execFileSync('node', ['tests/pdf-texts.mjs', file], { encoding: 'utf8', maxBuffer: 64e6 })) as PdfText[];
}

/** Pairs that run into each other by more than a kerned letter does, in points. */
function overlaps(texts: readonly PdfText[]): string[] {
  const boxes = texts.map((text) => ({ ...text, right: text.x + text.width, top: text.y + text.size * 0.68 }));
  return boxes.flatMap((one, at) =>
    boxes.slice(at + 1).flatMap((two) => {
      const wide = Math.min(one.right, two.right) - Math.max(one.x, two.x);
      const high = Math.min(one.top, two.top) - Math.max(one.y, two.y);
      return one.page === two.page && wide > 0.6 && high > 0.6 ? [`${one.text} | ${two.text}`] : [];
    }),
  );
}

test('nothing on it is smaller than 8 pt, nothing runs into anything else, and it is all there', async () => {
  const before = await brandNow();
  const [palette] = before.palettes;
  const wide = 'WWWWWWWW MMMMMMMM WWWWWWWW MMMMMMMM WWWWWWWW';
  const edits = [
    { do: 'swatch.edit', id: palette!.swatches[0]!.id, set: { name: wide } },
    { do: 'palette.edit', id: palette!.id, set: { name: wide, note: `${wide} ${wide} ${wide} ${wide}` } },
    { do: 'theme.edit', id: before.themes[0]!.id, set: { name: wide } },
    { do: 'token.edit', id: before.tokens[0]!.id, set: { path: `surface.${'wide-'.repeat(20)}end` } },
  ];
  expect(await ida.change(edits)).toMatchObject({ status: 200 });
  const brand = await brandNow();
  const texts = textsOf((await sheet('as=pdf')).bytes);
  expect(Math.min(...texts.map(({ size }) => size))).toBeGreaterThan(7.99);
  expect(overlaps(texts)).toEqual([]);
  const right = Math.max(...texts.map(({ x, width }) => x + width));
  expect(right).toBeLessThan(842 - 30);
  const all = texts.map(({ text }) => text);
  for (const { swatches } of brand.palettes) for (const { value } of swatches) expect(all).toContain(value);
  // Codes of every theme: as often as there are tokens and themes.
  const codes = all.filter((text) => /^(?:#[0-9a-f]{6,8}|none)$/.test(text)).length;
  const swatches = brand.palettes.reduce((sum, each) => sum + each.swatches.length, 0);
  expect(codes).toBe(brand.tokens.length * brand.themes.length + swatches);
  // Contents, for there are more than four pages; version and date, for nobody wrote a line.
  expect(all).toEqual(
    expect.arrayContaining(['Tokens by theme', 'page 1', expect.stringMatching(/^not released yet, \d+ \w+ 20\d\d$/)]),
  );
  expect(new Set(texts.map(({ page }) => page)).size).toBe(10);
});

test('only the chosen palettes stand on it; more than twelve pages are told, not dropped in silence', async () => {
  const [first, second] = (await brandNow()).palettes;
  const few = textsOf((await sheet(`as=pdf&parts=palettes&palettes=${second!.id}`)).bytes).map(({ text }) => text);
  expect(few).toContain(second!.name);
  expect(few).not.toContain(first!.swatches[1]!.name);
  expect(few).not.toContain('page 1');
  const many = Array.from({ length: 300 }, (_, at) => ({
    id: `more-${at}`,
    name: `Grey ${at}`,
    value: '#808080',
    locked: false,
  }));
  const palette = { id: 'many', name: 'Many', kind: 'loose', swatches: many };
  await ida.change([{ do: 'palette.add', palette, before: null }]);
  const texts = textsOf((await sheet('as=pdf')).bytes);
  expect(Math.max(...texts.map(({ page }) => page))).toBe(12);
  expect(texts.map(({ text }) => text)).toContainEqual(
    expect.stringMatching(/^\d+ further pages are left out: choose fewer palettes/),
  );
  await ida.change([{ do: 'palette.remove', id: 'many' }]);
});

describe('its forms', () => {
  test('PDF: A4, its fonts carried along, the same bytes again', async () => {
    const { status, bytes } = await sheet('as=pdf');
    const text = bytes.toString('latin1');
    expect([status, text.slice(0, 5)]).toEqual([200, '%PDF-']);
    // 297 by 210 mm in points.
    expect(text).toMatch(/\/MediaBox \[0 0 841\.\d+ 59[45][.\d]*\]/);
    expect(text).toMatch(/\/FontFile/);
    expect((await sheet('as=pdf')).bytes.equals(bytes)).toBe(true);
  });

  test('PNG, SVG and HTML: drawn, and harmless whatever the line at the head says', async () => {
    const png = PNG.sync.read((await sheet('as=png&page=1')).bytes);
    expect([png.width, png.height]).toEqual([2246, 1588]);
    // The first patch, where the palette’s first swatch is drawn.
    const at = (460 * png.width + 150) * 4;
    expect(png.data.subarray(at, at + 3).toString('hex')).toBe('006871');
    const note = encodeURIComponent('</text><script>alert(1)</script>');
    const svg = await sheet(`as=svg&page=2&note=${note}`);
    expect(svg.bytes.toString()).not.toContain('<script');
    expect(svg.headers.get('content-security-policy')).toContain("default-src 'none'");
    expect((await sheet(`as=html&note=${note}`)).bytes.toString()).not.toContain('<script');
  });

  test.each([
    ['as=exe', 400],
    ['as=pdf&parts=', 400],
    ['as=pdf&parts=palettes,nothing', 400],
    ['as=svg&page=3&parts=use', 404],
    ['as=svg&page=13', 400],
    [`as=svg&note=${'x'.repeat(200)}`, 400],
  ])('%s is refused', async (query, status) => {
    expect((await sheet(query)).status).toBe(status);
  });

  test('nobody without a part in the brand gets one', async () => {
    expect((await sheet('as=svg', new Visitor(server))).status).toBe(401);
  });
});

describe('a logo', () => {
  test('SVG is drawn, and nothing of what it would run or fetch is kept', async () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="40" height="20">
      <script>alert(1)</script><image xlink:href="file:///etc/passwd" width="9" height="9"/><rect width="40" height="20" fill="#1f6f78"/></svg>`;
    const { status, body } = await give('logo', Buffer.from(svg));
    expect(status).toBe(200);
    const kept = await ida.fetch(`/api/brands/quillhaven/pictures/${body.picture}`);
    const png = PNG.sync.read(Buffer.from(await kept.arrayBuffer()));
    expect([png.width, png.height, png.data.subarray(0, 4).toString('hex')]).toEqual([600, 300, '1f6f78ff']);
    await ida.change([{ do: 'brand.edit', set: { logo: { picture: body.picture, name: 'mark.svg' } } }]);
    expect((await sheet('as=svg')).bytes.toString()).toMatch(/<image [^>]*href="data:image\/png;base64,/);
    await ida.change([{ do: 'brand.edit', set: { logo: null } }]);
  });

  test.each([
    ['a text', Buffer.from('mark')],
    ['a damaged SVG', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><rect')],
    [
      'an SVG of endless size',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="900000" height="900000"><rect/></svg>'),
    ],
    ['a damaged PNG', Buffer.concat([Buffer.from('89504e470d0a1a0a0000000d494844520000000a0000000a', 'hex'), Buffer.alloc(40)])],
  ])('%s is refused with a sentence', async (_name, bytes) => {
    expect(await give('logo', bytes)).toMatchObject({ status: 400, body: { error: expect.stringMatching(/PNG or an SVG/) } });
  });
});

/** Debian's libgs-common: SWOP, as the trade in America prints. */
const PROFILE = '/usr/share/color/icc/ghostscript/default_cmyk.icc';
const COLOURS = [
  '#1f6f78',
  '#ff0000',
  '#00ff00',
  '#0000ff',
  '#ffffff',
  '#000000',
  '#808080',
  '#c63f8e',
  '#f2e3c6',
  '#00a0ff',
  '#6b46a0',
  '#dab33a',
];

describe('a printing condition', () => {
  test('inks are what another implementation of ICC profiles computes (Argyll’s icclu, perceptual)', async () => {
    const { body } = await give('print-profiles', readFileSync(PROFILE));
    expect(body).toMatchObject({ name: 'Artifex CMYK SWOP Profile', profile: expect.stringMatching(/^[0-9a-f]{64}$/) });
    await ida.change([{ do: 'brand.edit', set: { print: body } }]);
    const of = COLOURS.map((hex) => hex.slice(1)).join(',');
    const found = (await ida.send('GET', `/api/brands/quillhaven/inks?of=${of}`)).body as {
      name: string;
      inks: Record<string, Inks>;
    };
    const lab = converter('lab');
    const input = COLOURS.map((hex) => lab(hex)!).map(({ l, a, b }) => `${l} ${a} ${b}\n`);
    const output = execFileSync('icclu', ['-fb', '-ip', '-pl', '-s100', PROFILE], { input: input.join(''), encoding: 'utf8' });
    const theirs = output
      .trim()
      .split('\n')
      .map((line) => /-> Lut -> ([\d. ]+) \[CMYK\]/.exec(line)![1]!.split(' ').map(Number));
    COLOURS.forEach((hex, at) => {
      const ours = found.inks[hex]!;
      ours.cmyk.forEach((ink, channel) => expect(Math.abs(ink - theirs[at]![channel]!)).toBeLessThan(1.5));
      expect(Math.abs(ours.total - theirs[at]!.reduce((sum, ink) => sum + ink, 0))).toBeLessThan(4);
    });
    // No ink is as green as a screen; white is the paper.
    expect(found.inks['#00ff00']!.distance).toBeGreaterThan(15);
    expect(found.inks['#ffffff']).toMatchObject({ cmyk: [0, 0, 0, 0], total: 0 });
    const texts = textsOf((await sheet('as=pdf&parts=palettes')).bytes).map(({ text }) => text);
    expect(texts).toContainEqual(expect.stringContaining('CMYK by the profile Artifex CMYK SWOP Profile'));
  });

  test('what is no profile of four inks is refused, and what the system has can be taken by its name', async () => {
    const rgb = readFileSync('/usr/share/color/icc/ghostscript/srgb.icc');
    const damaged = readFileSync(PROFILE).fill(0, 400);
    for (const bytes of [Buffer.from('no profile'), rgb, damaged, Buffer.alloc(0)])
      expect(await give('print-profiles', bytes)).toMatchObject({
        status: 400,
        body: { error: expect.stringMatching(/profile/) },
      });
    expect((await ida.send('GET', '/api/brands/quillhaven/print-profiles')).body).toEqual({
      system: expect.arrayContaining(['Artifex CMYK SWOP Profile']),
    });
    expect(await give('print-profiles?system=Nothing', Buffer.alloc(0))).toMatchObject({ status: 404 });
    expect(await give('print-profiles?system=Artifex%20CMYK%20SWOP%20Profile', Buffer.alloc(0))).toMatchObject({ status: 200 });
    for (const wanted of ['', 'red', '1f6f78,', Array(65).fill('1f6f78').join(',')])
      expect((await ida.send('GET', `/api/brands/quillhaven/inks?of=${wanted}`)).status).toBe(400);
  });
});
