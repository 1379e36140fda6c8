import { parsePalette } from '../../brand/palette-file';
import type { Reader } from '../reader';
import { certain, readingOf, taken } from '../reading';

export const paletteFile: Reader = {
  id: 'palette',
  title: 'Breakwater palette file',
  family: 'swatches',
  extensions: ['.palette.json'],
  purpose: 'One palette whole: authored colours, names, rows and its maker.',
  read({ source }) {
    const parsed = source && parsePalette(source.text);
    if (!parsed) return null;
    if ('problems' in parsed) return readingOf('palette', [], parsed.problems);
    const { name, kind, swatches } = parsed.palette;
    const entries = swatches.map(({ name: own, value, row }, at) =>
      taken(certain(value), { name: own, line: at + 1, ...(row !== undefined && { row }) }),
    );
    return readingOf('palette', [{ name, kind, entries }]);
  },
};
