import { basename } from 'node:path';
import { isBrandFile, parseBrandFile } from '@/core/intake/brand-file';
import { palettesOf } from '@/core/intake/intake';
import { rgbOf } from '@/core/colour/integers';
import { readColour } from '@/core/colour/read';
import { distinctColours } from '@/core/image/distinct-colours';
import { indexRecoloured } from '@/core/image/index-recoloured';
import { readPng, type StoredPicture } from '@/core/image/png-read';
import { paletteIndexPng, trueColourPng } from '@/core/image/png-write';
import { DITHERS, MOST_COLOURS, recolour, type Dither, type Recolouring } from '@/core/image/recolour';
import { mergeCounts, MOST_LISTED, planRecolouring, fatesOf, type ColourFate } from '@/core/image/recolour-plan';
import { fail, tell } from './failure';
import { load, readFileAs } from './input';
import { patch, printable } from './patch';
import { placeFiles } from './place-files';

export interface RecolourOptions {
  to: string;
  palette?: string;
  map?: string[];
  key?: string;
  keepOrder?: boolean;
  dither?: string;
  limit?: string;
  indexed?: boolean;
  out: string;
  json?: boolean;
}

/** What is told of one picture. */
interface Recoloured {
  readonly path: string;
  readonly width: number;
  readonly height: number;
  readonly fates: readonly ColourFate[];
  /** How many colours it has that are not listed. */
  readonly more: number;
}

export async function recolourFiles(paths: readonly string[], options: RecolourOptions): Promise<void> {
  const { map = [], key, dither = 'none', limit, indexed = false } = options;
  if (!(DITHERS as readonly string[]).includes(dither))
    fail(`there is no dithering “${dither}”; choose one of ${DITHERS.join(', ')}.`);
  if (limit !== undefined && !/^[1-9]\d{0,3}$/.test(limit)) fail(`“${limit}” is no number of colours; write one such as 16.`);
  const names = paths.map((path) => `${basename(path).replace(/\.png$/i, '')}.png`);
  const twice = names.find((name, at) => names.indexOf(name) < at);
  if (twice) fail(`two pictures are called ${twice}; recolour them one after the other.`);
  const wish = {
    palette: await paletteOf(options.to, options.palette),
    map: new Map(map.map(pair)),
    key: key === undefined ? null : colourOf(key),
    keepOrder: options.keepOrder ?? false,
    dither: dither as Dither,
    limit: limit === undefined ? null : Number(limit),
  };
  // Each is decoded twice, so that never more than one is held: the plan is made for all of them together.
  const counts = [];
  for (const path of paths) {
    const picture = await pictureOf(path);
    for (const note of picture.notes) tell(`${path}: ${note}`);
    counts.push(distinctColours(picture, MOST_LISTED));
  }
  const plan = planRecolouring(mergeCounts(counts.map(({ colours }) => colours)), wish);
  const files: { path: string; bytes: Uint8Array }[] = [];
  const told: Recoloured[] = [];
  for (const [at, path] of paths.entries()) {
    const picture = await pictureOf(path);
    const { colours, count } = counts[at]!;
    files.push({ path: names[at]!, bytes: await written(path, picture, plan, indexed) });
    const { width, height } = picture;
    told.push({ path: names[at]!, width, height, fates: fatesOf(colours, plan), more: count - colours.length });
  }
  placeFiles(options.out, files);
  report(told, options.json ?? false);
}

async function pictureOf(path: string): Promise<StoredPicture> {
  const picture = await readPng(load(path).bytes);
  return typeof picture === 'string' ? fail(`${path}: ${picture}`) : picture;
}

async function written(path: string, picture: StoredPicture, plan: Recolouring, indexed: boolean): Promise<Uint8Array> {
  const done = recolour(picture, plan);
  if (!indexed) return trueColourPng(done.picture);
  if (picture.wide) tell(`${path}: it has 16 bits of opacity, of which an indexed PNG keeps 8.`);
  const index = indexRecoloured(done, plan.palette);
  if (typeof index === 'string') return fail(`${path}: ${index}`);
  return paletteIndexPng(picture.width, picture.height, index.palette, index.indices);
}

/** The colours to go to: of one palette of a brand or of any file that can be read, or of all its palettes. */
async function paletteOf(path: string, name: string | undefined): Promise<number[]> {
  const file = load(path);
  const text = new TextDecoder().decode(file.bytes);
  const parsed = isBrandFile(text) ? parseBrandFile(text) : null;
  if (parsed && !('brand' in parsed)) fail(`${path}: ${parsed.problems[0]!.message}`);
  const palettes = parsed
    ? parsed.brand.palettes.map((palette) => ({
        name: palette.name,
        colours: palette.swatches.map(({ value }) => readColour(value)!),
      }))
    : palettesOf(await readFileAs(file)).map((palette) => ({
        name: palette.name,
        colours: palette.swatches.map(({ colour }) => colour),
      }));
  const chosen = name === undefined ? palettes : palettes.filter((palette) => palette.name === name);
  if (chosen.length === 0)
    fail(`${path} has no palette “${name}”; it has ${palettes.map((palette) => palette.name).join(', ')}.`);
  const colours = [...new Set(chosen.flatMap((palette) => palette.colours.map(rgbOf)))];
  if (colours.length === 0) fail(`${path} has no colours to go to.`);
  if (colours.length > MOST_COLOURS)
    fail(`${path} has ${colours.length} colours, and a picture is brought into at most ${MOST_COLOURS}; name one palette.`);
  return colours;
}

/** `#112233=#445566`. */
function pair(text: string): [from: number, to: number] {
  const cut = text.indexOf('=');
  if (cut < 1) fail(`“${text}” maps nothing; write FROM=TO, such as #112233=#445566.`);
  return [colourOf(text.slice(0, cut)), colourOf(text.slice(cut + 1))];
}

function colourOf(text: string): number {
  return rgbOf(readColour(text) ?? fail(`“${text}” is no colour; write one such as #1f6f78.`));
}

const hexOf = (rgb: number) => `#${rgb.toString(16).padStart(6, '0')}`;

function report(told: readonly Recoloured[], json: boolean): void {
  if (json) {
    const files = told.map(({ path, width, height, fates: ways, more }) => ({
      path,
      width,
      height,
      colours: ways.map(({ from, to, pixels, deltaE }) => ({
        from: hexOf(from),
        to: to === null ? null : hexOf(to),
        pixels,
        deltaE: Number(deltaE.toFixed(4)),
      })),
      ...(more > 0 && { more }),
    }));
    process.stdout.write(JSON.stringify({ files }, null, 2) + '\n');
    return;
  }
  for (const { path, width, height, fates: ways, more } of told) {
    const lines = ways.slice(0, 64).map(({ from, to, pixels, deltaE }) => {
      const goes = to === null ? 'transparent' : `${patch(hexOf(to))}${hexOf(to)}  ΔE ${deltaE.toFixed(3)}`;
      return `  ${patch(hexOf(from))}${hexOf(from)}  ${String(pixels).padStart(9)}  → ${goes}`;
    });
    const left = ways.length - lines.length + more;
    process.stdout.write(
      [`${printable(path)} ${width} × ${height}`, ...lines, ...(left > 0 ? [`  and ${left} more colours`] : [])].join('\n') +
        '\n',
    );
  }
}
