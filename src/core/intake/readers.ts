import { pictureSize } from '../image/size';
import { problem } from '../source/problem';
import { isZip } from '../source/zip';
import { brandFile, isBrandFile } from './brand-file';
import { json } from './data/json';
import { stylesheet } from './drawings/stylesheet';
import { svg } from './drawings/svg';
import { isNeverRead } from './not-read';
import { ooxmlTheme } from './office/ooxml-theme';
import { picture } from './pictures/picture';
import { OpenFile, type Reader, type ReadTools, type SourceFile } from './reader';
import { bounded, unreadable, type Intake } from './intake';
import { aco } from './swatches/aco';
import { ase } from './swatches/ase';
import { gpl } from './swatches/gpl';
import { hexList } from './swatches/hex-list';
import { paletteFile } from './swatches/palette-file';
import { riffPal } from './swatches/riff-pal';
import { soc } from './swatches/soc';
import { csv } from './tables/csv';
import { xlsx } from './tables/xlsx';
import { text } from './text/text';
import { dtcg } from './tokens/dtcg';

/**
 * Every reader, in the order in which they are asked: first those that know a file by its first bytes or by what it says
 * of itself, then by its shape, then by its extension, and at last the one that reads any text.
 */
export const READERS: readonly Reader[] = [
  ...[brandFile, paletteFile],
  ...[picture, ase, riffPal, gpl, xlsx, ooxmlTheme],
  ...[dtcg, soc, svg],
  ...[aco, hexList, csv],
  ...[json, stylesheet, text],
];

export function readerById(id: string): Reader | undefined {
  return READERS.find((reader) => reader.id === id);
}

/** The longest file that is read, in bytes; pictures and zips have bounds of their own. */
const TEXT_LIMIT = 5 * 1024 * 1024;
/** The longest file of a brand: the most that it may hold, with notes. */
const BRAND_LIMIT = 24 * 1024 * 1024;
const TOO_LONG_BRAND =
  'A file of a brand is at most 24 MB; a brand that is larger comes as an archive, by “Export whole” under Brands.';

/** An intake, with a word on a name that promises a picture: whoever brought the file expected to see one. */
function saidToBePicture(name: string, { title }: Reader, intake: Intake): Intake {
  const extension = picture.extensions.find((each) => name.toLowerCase().endsWith(each));
  if (extension === undefined) return intake;
  const words = `This file is called ${extension} and holds no picture; it was read as what it is: ${title}.`;
  return { ...intake, problems: [problem(words, {}, 'warning'), ...intake.problems] };
}

/**
 * Reads a file by its content, or as the one format named. What comes after the first twenty thousand colours is left
 * out, and said so. @returns null when no reader knows it
 */
export async function readFile(file: SourceFile, tools: ReadTools = {}, as?: string): Promise<Intake | null> {
  const { bytes } = file;
  if (as === undefined && isNeverRead(bytes)) return null;
  const open = new OpenFile(file);
  const tooLong = bytes.length > TEXT_LIMIT && !pictureSize(bytes) && !isZip(bytes);
  const saysBrand = tooLong && isBrandFile(new TextDecoder().decode(bytes.subarray(0, 4_096)));
  if (saysBrand && bytes.length > BRAND_LIMIT) return unreadable(brandFile.id, TOO_LONG_BRAND);
  for (const reader of READERS) {
    if (as !== undefined && reader.id !== as) continue;
    if (tooLong && !(reader === brandFile && saysBrand)) continue;
    const intake = await reader.read(open, tools);
    if (intake) return bounded(reader === picture ? intake : saidToBePicture(file.name, reader, intake));
  }
  const size = (bytes.length / 1_048_576).toFixed(1);
  return tooLong
    ? unreadable('text', `This file is ${size} MB and up to 5 MB of its kind are read at once; give it in parts.`)
    : null;
}
