import { readdirSync, statSync } from 'node:fs';
import { basename, join } from 'node:path';
import { swatchesOf, tokensOf } from '@/core/brand/reading/resolve';
import type { Brand } from '@/core/brand/document/document';
import { Delivery, type ComparedFile, type DeliveredFile } from '@/core/drift/compare-delivery';
import type { Difference } from '@/core/drift/difference';
import { isPacked, unpackDelivery } from '@/core/drift/unpack-delivery';
import { brandFileAt } from './brand-at';
import { fail } from './failure';
import { load } from './input';
import { patch, printable } from './patch';

/** More files than a delivery has, so that nobody compares a whole disk by mistake. */
const MOST_FILES = 5_000;
/** Folders that hold no deliveries: those that begin with a dot, and packages. */
const PASSED_OVER = /^(?:\.|node_modules$)/;

/** Ends with 0 when all colours are the brand's, 1 when some are not, 2 when nothing could be compared. */
export async function compareFiles(path: string, brandPath: string, { json = false }: { json?: boolean }): Promise<void> {
  const brand = brandFileAt(brandPath);
  const files = deliveredAt(path);
  const delivery = await Delivery.of(brand);
  const compared: ComparedFile[] = [];
  for (const file of files) compared.push(await delivery.compare(file));
  const told = compared.filter(({ state }) => state !== 'no colours');
  if (told.length === 0) fail(`${path} holds no colours to compare.`);
  const differences = told.flatMap(({ file, differences: list }) => list.map((one) => ({ file, ...inWords(brand, one) })));
  const matches = told.filter((one) => one.differences.length === 0);
  if (json) {
    const rows = matches.map(({ file, format, expected, state, equal }) => ({
      file,
      format,
      as: expected?.path ?? null,
      state,
      colours: equal,
    }));
    process.stdout.write(JSON.stringify({ matches: rows, differences }, null, 2) + '\n');
  } else print(told, differences);
  if (differences.length > 0) process.exitCode = 1;
}

function deliveredAt(path: string): DeliveredFile[] {
  const about = statSync(path, { throwIfNoEntry: false });
  if (!about) fail(`${path} is not there.`);
  if (about.isDirectory()) {
    const files = namesBelow(path, '');
    if (files.length === 0) fail(`${path} is empty.`);
    if (files.length > MOST_FILES) fail(`${path} holds more than ${MOST_FILES} files; name the folder of the delivery itself.`);
    return files.map((name) => ({ name, bytes: load(join(path, name)).bytes }));
  }
  const { bytes } = load(path);
  if (!isPacked(bytes) || /\.(?:xlsx|thmx|pptx|docx)$/i.test(path)) return [{ name: basename(path), bytes }];
  const unpacked = unpackDelivery(bytes);
  return typeof unpacked === 'string' ? fail(`${path}: ${unpacked}`) : unpacked;
}

/** Every file below a folder, in order; links are not followed, so that no ring is walked. */
function namesBelow(folder: string, within: string): string[] {
  const entries = readdirSync(join(folder, within), { withFileTypes: true }).sort((one, two) => (one.name < two.name ? -1 : 1));
  const names: string[] = [];
  for (const entry of entries) {
    const name = within === '' ? entry.name : `${within}/${entry.name}`;
    if (entry.isFile()) names.push(name);
    else if (entry.isDirectory() && !PASSED_OVER.test(entry.name)) names.push(...namesBelow(folder, name));
    if (names.length > MOST_FILES) break;
  }
  return names;
}

/** A difference with names instead of ids. */
function inWords(brand: Brand, { kind, line, expected, found, deltaE, token, swatch, theme }: Difference) {
  const path = token === null ? null : (tokensOf(brand).get(token)?.path ?? null);
  const place = swatch === null ? null : swatchesOf(brand).get(swatch);
  return {
    line,
    kind,
    expected,
    found,
    deltaE,
    token: path,
    swatch: place ? `${place.palette.name} / ${place.swatch.name}` : null,
    theme: brand.themes.find(({ id }) => id === theme)?.name ?? null,
  };
}

type ComparedInWords = ReturnType<typeof inWords> & { readonly file: string };

function print(compared: readonly ComparedFile[], differences: readonly ComparedInWords[]): void {
  const colour = (hex: string | null) =>
    hex === null ? 'nothing' : /^#[0-9a-f]{6}/.test(hex) ? `${patch(hex.slice(0, 7))}${hex}` : printable(hex);
  for (const { file, state, equal, format } of compared) {
    const words =
      state === 'differs'
        ? `${equal} as decided, and these not:`
        : `${state}, ${equal > 0 ? `${equal} colours` : 'byte for byte'}`;
    process.stdout.write(`${printable(file)} (${format ?? 'not a file of ours'}): ${words}\n`);
    for (const { line, kind, expected, found, deltaE, token, swatch, theme } of differences.filter((one) => one.file === file)) {
      const subject = [token ?? swatch ?? 'a colour', theme].filter(Boolean).join(' in ');
      const away = deltaE === null ? '' : `, ΔE ${deltaE}`;
      process.stdout.write(
        `  line ${line}: ${printable(subject)} ${kind}: ${colour(expected)} decided, ${colour(found)} found${away}\n`,
      );
    }
  }
}
