/** What it costs to take what exists: colours found in a large host and written again, and pictures brought into a palette, beside the plainest program that does the same. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { trueColourPng } from '@/core/image/png-write';
import { SourceText } from '@/core/source/source-text';
import { graftEdits, wantedColour } from '@/core/source/graft';
import { slotsOf } from '@/core/source/slots';
import { bytesToOklab, type Oklab } from '@/core/colour/oklab';
import { recolour, type Recolouring } from '@/core/image/recolour';
import type { StoredPicture } from '@/core/image/png-read';
import { photograph } from '../tests/photograph';
import { atLeast, atMost } from './bench-aims';

const LITERALS = 20_000;

/** Settings of a harbour as XML: 10 MB, with as many colours. */
function largeHost(): Uint8Array {
  const note = 'words about this berth that nobody reads, '.repeat(9);
  const berths = Array.from({ length: LITERALS }, (_, at) => {
    const code = ((at * 7_919) % 0xffffff).toString(16).padStart(6, '0');
    return `  <berth id="b${at}" name="Berth ${at} — north" depth="${at % 17}.5" note="${note}">\n    <limit kind="draught">${at % 9}.2</limit>\n    <fill colour="#${code}"/>\n  </berth>\n`;
  });
  return new TextEncoder().encode(`<?xml version="1.0"?>\n<harbour>\n${berths.join('')}</harbour>\n`);
}

function median(times: readonly number[]): number {
  return [...times].sort((one, two) => one - two)[times.length >> 1]!;
}

function timed<T>(work: () => T): { result: T; ms: number } {
  const started = performance.now();
  const result = work();
  return { result, ms: performance.now() - started };
}

const bytes = largeHost();
const before = process.resourceUsage().maxRSS;
const found: number[] = [];
const written: number[] = [];
for (let run = 0; run < 5; run++) {
  const read = timed(() => {
    const source = SourceText.of(bytes)!;
    return { source, ...slotsOf(source, 'xml', 'host.xml') };
  });
  found.push(read.ms);
  const { source, slots } = read.result;
  if (slots.length !== LITERALS) throw new Error(`${slots.length} of ${LITERALS} colours were found.`);
  const wanted = wantedColour('#1f6f78')!;
  written.push(
    timed(() => {
      const { edits } = graftEdits(
        source,
        slots.map((slot) => ({ slot, ...wanted })),
      );
      return source.rewritten(edits);
    }).ms,
  );
}
const memory = (process.resourceUsage().maxRSS - before) / 1024;
process.stdout.write(
  [
    '',
    `| a host of ${(bytes.length / 1_048_576).toFixed(1)} MB with ${LITERALS.toLocaleString('en')} literals | |`,
    '| --- | --- |',
    `| found, with their places and runs | ${Math.round(median(found))} ms |`,
    `| all of them written otherwise | ${Math.round(median(written))} ms |`,
    `| memory above that of the file, at most | ${Math.round(memory)} MB |`,
    '',
    '',
  ].join('\n'),
);
atMost(1_000, 'ms', '20,000 literals found in 10 MB of XML', median(found));
atMost(200, 'ms', '20,000 literals written', median(written));
atMost(400, 'MB', 'memory of finding and writing them', memory);

/** Sixty-four colours spread over sRGB. */
const palette = Array.from({ length: 64 }, (_, at) => (Math.imul(at + 1, 0x9e3779b1) >>> 8) & 0xffffff);
const wish: Recolouring = { palette, fixed: new Map(), key: null, dither: 'none' };

/** Converts every pixel and looks through the whole palette. */
function plainly({ data }: StoredPicture): Uint8Array {
  const labs = palette.map((rgb): Oklab => bytesToOklab(rgb >> 16, (rgb >> 8) & 255, rgb & 255));
  const places = new Uint8Array(data.length / 4);
  for (let at = 0; at < data.length; at += 4) {
    const [l, a, b] = bytesToOklab(data[at]!, data[at + 1]!, data[at + 2]!);
    let [best, least] = [0, Infinity];
    for (const [place, [l2, a2, b2]] of labs.entries()) {
      const distance = (l - l2) ** 2 + (a - a2) ** 2 + (b - b2) ** 2;
      if (distance < least) [best, least] = [place, distance];
    }
    places[at / 4] = best;
  }
  return places;
}

function stored(width: number, data: Uint8Array): StoredPicture {
  return { width, height: data.length / 4 / width, data, wide: null, palette: null, notes: [] };
}

/** A sheet of sprites: runs of sixty-four colours. */
function sheet(side: number): StoredPicture {
  const words = Uint32Array.from({ length: side * side }, (_, at) => {
    const colour = ((Math.floor(at / 7) * 40_503) >>> 3) % 64;
    return ((Math.imul(colour + 1, 0x85ebca6b) >>> 8) | 0xff000000) >>> 0;
  });
  return stored(side, new Uint8Array(words.buffer));
}

const rows: string[] = [];
for (const [name, picture, least] of [
  ['a sheet of 4096 x 4096, 64 colours to 64', sheet(4_096), 20],
  ['a photograph of 2048 x 2048 to 64', stored(2_048, new Uint8Array(photograph(2_048, 2_048).data)), 6],
] as const) {
  const times: number[] = [];
  let places: ArrayLike<number> = [];
  for (let run = 0; run < 5; run++) {
    // It works on the picture's own bytes.
    const copy = { ...picture, data: picture.data.slice() };
    const { result, ms } = timed(() => recolour(copy, wish));
    places = result.places;
    times.push(ms);
  }
  const plain = timed(() => plainly(picture));
  const same = plain.result.every((place, at) => place === places[at]);
  if (!same) throw new Error(`${name}: not the same pixels as by the plainest program.`);
  const ratio = plain.ms / median(times);
  rows.push(
    `| ${name} | ${Math.round(median(times))} ms | ${Math.round(plain.ms).toLocaleString('en')} ms | ${ratio.toFixed(0)} times |`,
  );
  atLeast(least, 'times', `${name}, faster than the plainest program`, ratio);
}
const folder = mkdtempSync(join(tmpdir(), 'breakwater-bench-'));
const drawn = sheet(4_096);
const file = join(folder, 'sheet.png');
writeFileSync(file, await trueColourPng(drawn));
const told = spawnSync(process.execPath, ['--import', 'tsx', 'ops/recolour-memory.ts', file], { encoding: 'utf8' });
rmSync(folder, { recursive: true });
if (told.status !== 0) throw new Error(told.stderr);
const held = Number(told.stdout) / (drawn.data.length / 1_048_576);
rows.push(
  `| the same sheet, decoded and recoloured: memory at most | ${Math.round(Number(told.stdout))} MB | | ${held.toFixed(1)} times the picture |`,
);
atMost(4, 'times', 'memory of decoding and recolouring a sheet of 4096 x 4096, of the picture’s own', held);

process.stdout.write(
  ['| | Breakwater | plainest program, same pixels | faster |', '| --- | --- | --- | --- |', ...rows, ''].join('\n'),
);
