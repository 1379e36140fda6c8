import { StoredPaletteFile, type PaletteFile } from '../../brand/document/palette-file';
import type { Problem } from '../../source/problem';
import { issuesAsProblems, parsedJson } from '../whole-json';
import type { Reader } from '../reader';
import { certain, intakeOf, taken } from '../intake';

export const paletteFile: Reader = {
  id: 'palette',
  title: 'Breakwater palette file',
  family: 'swatches',
  extensions: ['.palette.json'],
  purpose: 'One palette whole: authored colours, names, rows and its maker.',
  read({ source }) {
    const parsed = source && parsePalette(source.text);
    if (!parsed) return null;
    if ('problems' in parsed) return intakeOf('palette', [], parsed.problems);
    const { name, kind, note, maker, swatches } = parsed.palette;
    const entries = swatches.map(({ name: swatch, value, row }, at) =>
      taken(certain(value), { name: swatch, line: at + 1, ...(row !== undefined && { row }) }),
    );
    return intakeOf('palette', [{ name, kind, about: { ...(note && { note }), ...(maker && { maker }) }, entries }]);
  },
};

/** @returns null when the text is no palette file at all; a damaged one gives sentences with their places */
export function parsePalette(text: string): { palette: PaletteFile } | { problems: Problem[] } | null {
  if (!/^\s*\{/.test(text) || !text.includes('"breakwater-palette"')) return null;
  const data = parsedJson(text);
  if ('problems' in data) return data;
  const parsed = StoredPaletteFile.safeParse(data.json);
  return parsed.success ? { palette: parsed.data } : { problems: issuesAsProblems(parsed.error) };
}
