/**
 * Draws the files that the demo's people would bring: npm run demo-files writes them into demo/gather. All invented,
 * and the same at every run.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { encode } from 'fast-png';
import sharp from 'sharp';
import { Brand } from '../src/core/brand/document/document';
import { writeDestination } from '../src/core/formats/registry';

const FOLDER = 'demo/gather';
mkdirSync(FOLDER, { recursive: true });
const put = (name: string, bytes: Uint8Array | string) => writeFileSync(`${FOLDER}/${name}`, bytes);

put(
  'style-guide.txt',
  `Quillhaven Ferries, house colours

Harbour      #006871   C 100 M 8 Y 0 K 56
Shoal        489498
Foam         rgb(221 240 238)
Keel         0x162631
Lamp         f0bb3b  (never on Foam)
Buoy         #da452c
Buoy again   #DA452C
Rope         #c1a68
Mist         83.5% 84.7% 86.3%
Veil         0x80162631
`,
);

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
for (const [format, palette, name] of [
  ['ase', 'Quillhaven core', 'core.ase'],
  ['aco', 'Sea state', 'sea-state.aco'],
  ['gpl', 'Deck paint', 'deck-paint.gpl'],
  ['riff-pal', 'Trainer 16', 'trainer.pal'],
] as const) {
  put(name, writeDestination(demo, { name, format, options: { palette } }).files[0]!.bytes);
}
put('day.tokens.json', writeDestination(demo, { name: 'tokens', format: 'dtcg', options: {} }).files[0]!.bytes);
const trainer = demo.palettes.find(({ name }) => name === 'Trainer 16')!;
const strip = Uint8Array.from(
  trainer.swatches.flatMap(({ value }) => [1, 3, 5].map((at) => parseInt(value.slice(at, at + 2), 16))),
);
put('trainer-strip.png', encode({ width: trainer.swatches.length, height: 1, data: strip, channels: 3, depth: 8 }));

/** The house workbook: eight families across, seven shades down, as red, green, blue codes. */
const { default: ExcelJS } = await import('exceljs');
const book = new ExcelJS.Workbook();
book.created = book.modified = new Date(Date.UTC(2026, 0, 1));
const sheet = book.addWorksheet('House colours');
for (let shade = 0; shade < 7; shade++) {
  sheet.addRow(
    Array.from({ length: 8 }, (_, family) => {
      const light = 1 - shade / 8;
      return [0, 1, 2]
        .map((channel) => Math.round(255 * light * (0.55 + 0.45 * Math.cos(family * 0.785 + channel * 2.094))))
        .join(', ');
    }),
  );
}
put('house-colours.xlsx', new Uint8Array(await book.xlsx.writeBuffer()));

await sharp(Buffer.from(dusk(960, 640)), { raw: { width: 960, height: 640, channels: 3 } })
  .jpeg({ quality: 88 })
  .toFile(`${FOLDER}/harbour-at-dusk.jpg`);

/** A photograph-like evening: nearly all orange, with a few small lively things in it. */
function dusk(width: number, height: number): Uint8Array {
  const data = new Uint8Array(width * height * 3);
  let seed = 20_261;
  const noise = () => ((seed = (seed * 1_664_525 + 1_013_904_223) >>> 0) / 2 ** 32 - 0.5) * 14;
  const horizon = height * 0.56;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const sky = y < horizon;
      const depth = sky ? y / horizon : (y - horizon) / (height - horizon);
      const sun = Math.exp(-((x - width * 0.66) ** 2 + (y - horizon * 0.86) ** 2) / 9_000);
      const glint = sky
        ? 0
        : Math.max(0, Math.sin(y * 0.9 + x * 0.05)) * Math.exp(-((x - width * 0.66) ** 2) / (6_000 + 20_000 * depth));
      const base = sky
        ? [150 + 95 * depth, 74 + 78 * depth, 66 + 6 * depth]
        : [142 - 78 * depth, 76 - 34 * depth, 52 + 6 * depth];
      paint(x, y, [base[0]! + 90 * sun + 80 * glint, base[1]! + 90 * sun + 54 * glint, base[2]! + 60 * sun + 14 * glint]);
    }
  }
  function paint(x: number, y: number, rgb: number[]) {
    rgb.forEach(
      (value, at) => (data[(Math.floor(y) * width + Math.floor(x)) * 3 + at] = Math.min(255, Math.max(0, value + noise()))),
    );
  }
  const block = (x: number, y: number, w: number, h: number, rgb: number[]) => {
    for (let dy = 0; dy < h; dy++) for (let dx = 0; dx < w; dx++) paint(x + dx, y + dy, rgb);
  };
  for (let row = 0; row < 40; row++) block(150 + row, 330 + row, 300 - row * 2, 1, [40, 34, 44]);
  block(205, 286, 170, 44, [232, 214, 190]);
  block(205, 306, 170, 8, [0, 104, 113]);
  block(300, 246, 26, 40, [218, 69, 44]);
  for (let at = 0; at < 9; at++) block(214 + at * 18, 291, 9, 9, [250, 226, 120]);
  block(180, 262, 22, 14, [46, 150, 93]);
  block(742, 420, 16, 26, [40, 110, 220]);
  block(742, 412, 16, 8, [245, 245, 240]);
  block(838, 470, 14, 20, [204, 60, 150]);
  return data;
}
