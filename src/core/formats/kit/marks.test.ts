import { harshBrand } from '../../../../tests/harsh-brand';
import { resolveTheme, swatchesOf } from '../../brand/resolve';
import { readColour } from '../../colour/read';
import { literalsIn } from '../../source/occurrence';
import type { WrittenFile } from './format';
import { FORMATS, writeDestination } from '../registry';

/** Formats whose files are no text, or are put together by somebody else. */
const WITHOUT_MARKS = new Set(['ase', 'aco', 'riff-pal', 'xlsx', 'ooxml-theme', 'palette', 'brand', 'template']);

const decodedText = ({ bytes }: WrittenFile) => new TextDecoder('utf-8', { ignoreBOM: true }).decode(bytes);
const written = FORMATS.map(({ id }) => ({ id, ...writeDestination(harshBrand, { name: id, format: id, options: {} }) }));

test.each(written.map(({ id, files }) => [id, files] as const))('%s says where each colour stands', (id, files) => {
  const marks = files.flatMap((file) => (file.marks ?? []).map((mark) => ({ ...mark, text: decodedText(file) })));
  expect([id, marks.length > 0]).toEqual([id, !WITHOUT_MARKS.has(id)]);
  for (const { from, to, text, token, swatch, theme, hex } of marks) {
    const own =
      swatch === undefined
        ? resolveTheme(harshBrand, theme!).get(token!)!.colour!
        : readColour(swatchesOf(harshBrand).get(swatch)!.swatch.value)!;
    const shown = text.slice(from, to);
    // Laid over a ground, a translucent colour is another; else what stands there is the token's.
    if (own.alpha === 1) expect([id, shown, hex]).toEqual([id, shown, own.hex]);
    if (own.alpha === 1 && /^#[0-9a-f]{6}$/i.test(shown)) expect(shown.toLowerCase()).toBe(own.hex);
    expect(shown.trim()).not.toBe('');
  }
});

test.each(written.filter(({ id }) => !WITHOUT_MARKS.has(id)).map(({ id, files }) => [id, files] as const))(
  '%s: a mark stands about every code and nothing is left of the signs',
  (id, files) => {
    for (const file of files) {
      const text = decodedText(file);
      if (!file.marks) continue;
      expect([id, /[\ufdd0-\ufdef]/.test(text)]).toEqual([id, false]);
      const bare = [...literalsIn(text)].filter(
        ({ span }) => !file.marks!.some(({ from, to }) => span.from >= from && span.to <= to),
      );
      expect([id, bare.map(({ literal }) => literal.text)]).toEqual([id, []]);
    }
  },
);
