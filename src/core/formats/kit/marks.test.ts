import { harshBrand } from '../../../../tests/harsh-brand';
import { resolveTheme, swatchesOf } from '../../brand/reading/resolve';
import { readColour } from '../../colour/read';
import { literalsIn } from '../../source/occurrence';
import type { WrittenFile } from './format';
import { markedSwatch, unmarked } from './marks';
import { FORMATS, writeDestination } from '../registry';

/** Formats whose files are no text, or are put together by somebody else. */
const WITHOUT_MARKS = new Set(['ase', 'aco', 'riff-pal', 'xlsx', 'ooxml-theme', 'npm-package', 'palette', 'brand', 'template']);

const decodedText = ({ bytes }: WrittenFile) => new TextDecoder('utf-8', { ignoreBOM: true }).decode(bytes);
const written = FORMATS.map(({ id }) => ({ id, ...writeDestination(harshBrand, { name: id, format: id, options: {} }) }));

test.each(written.map(({ id, files }) => [id, files] as const))('%s says where each colour stands', (id, files) => {
  const marks = files.flatMap((file) => {
    const text = decodedText(file);
    return (file.marks ?? []).map((mark) => ({ ...mark, text }));
  });
  expect([id, marks.length > 0]).toEqual([id, !WITHOUT_MARKS.has(id)]);
  const swatches = swatchesOf(harshBrand);
  const wrong = marks.filter(({ from, to, text, token, swatch, theme, hex }) => {
    const own =
      swatch === undefined
        ? resolveTheme(harshBrand, theme!).get(token!)!.colour!
        : readColour(swatches.get(swatch)!.swatch.value)!;
    const shown = text.slice(from, to);
    // Laid over a ground, a translucent colour is another; else what stands there is the token's.
    const isOwn = own.alpha !== 1 || (hex === own.hex && (!/^#[0-9a-f]{6}$/i.test(shown) || shown.toLowerCase() === own.hex));
    return !isOwn || shown.trim() === '';
  });
  expect([id, wrong]).toEqual([id, []]);
});

test.each(written.filter(({ id }) => !WITHOUT_MARKS.has(id)).map(({ id, files }) => [id, files] as const))(
  '%s: a mark stands about every code and nothing is left of the signs',
  (id, files) => {
    for (const file of files) {
      const text = decodedText(file);
      if (!file.marks) continue;
      expect([id, /[\u0080-\u009f]/.test(text)]).toEqual([id, false]);
      // Both in the order of the text, so one walk along them is enough.
      let next = 0;
      const bare = [...literalsIn(text)].filter(({ span }) => {
        while (next < file.marks!.length && file.marks![next]!.to < span.to) next++;
        return !(next < file.marks!.length && span.from >= file.marks![next]!.from);
      });
      expect([id, bare.map(({ literal }) => literal.text)]).toEqual([id, []]);
    }
  },
);

test('what only looks like a sign is the person’s own, and stays', () => {
  const [open, middle, close] = ['\u0091', '\u0092', '\u009c'];
  const odd = `a ${open} b ${close} c ${middle} ${open}t x${middle}y${close}`;
  expect(unmarked(odd)).toEqual({ text: odd, marks: [] });
  const some = markedSwatch({ id: 's1', hex: '#102030' }, 'here');
  expect(unmarked(`${odd}${some}.`)).toEqual({
    text: `${odd}here.`,
    marks: [{ swatch: 's1', hex: '#102030', from: odd.length, to: odd.length + 4 }],
  });
});
