import fc from 'fast-check';
import { SourceText, type Encoding } from './source-text';

/** Characters of one, two, three and four bytes, and the line breaks there are. */
const text = fc
  .array(
    fc.oneof(fc.constantFrom('\n', '\r\n', '\r', '#1f6f78', 'é', '€', '😀', ' '), fc.string({ unit: 'grapheme', maxLength: 6 })),
    {
      maxLength: 60,
    },
  )
  .map((parts) => `#${parts.join('')}`)
  // What UTF-8 cannot hold is no text of a file, and zeros are a sign of other files.
  .filter((sample) => !sample.includes('\0') && !/\p{Cs}/u.test(sample));

const ENCODERS: Record<string, { encoding: Encoding; encode: (text: string) => number[] }> = {
  'UTF-8': { encoding: 'utf-8', encode: (string) => [...new TextEncoder().encode(string)] },
  'UTF-8 with a mark': { encoding: 'utf-8', encode: (string) => [0xef, 0xbb, 0xbf, ...new TextEncoder().encode(string)] },
  'UTF-16, little end first': {
    encoding: 'utf-16le',
    encode: (string) => [0xff, 0xfe, ...units(string).flatMap((unit) => [unit & 255, unit >> 8])],
  },
  'UTF-16, big end first': {
    encoding: 'utf-16be',
    encode: (string) => [0xfe, 0xff, ...units(string).flatMap((unit) => [unit >> 8, unit & 255])],
  },
};
const units = (string: string) => Array.from({ length: string.length }, (_, at) => string.charCodeAt(at));

test.each(Object.keys(ENCODERS))('%s: text, places in the bytes, and a rewritten source are those of the encoding', (name) => {
  const { encoding, encode } = ENCODERS[name]!;
  const mark = encode('').length;
  fc.assert(
    fc.property(text, fc.nat(), fc.nat(), (string, first, second) => {
      const source = SourceText.of(Uint8Array.from(encode(string)))!;
      expect([source.encoding, source.text]).toEqual([encoding, string]);
      // Within a character of two units there is no place of its own.
      const inside = (at: number) => /[\udc00-\udfff]/.test(string[at] ?? '');
      const [from, to] = [first % (string.length + 1), second % (string.length + 1)].sort((a, b) => a - b) as [number, number];
      if (inside(from) || inside(to)) return;
      expect(source.byteOffset(from)).toBe(encode(string.slice(0, from)).length - mark + source.mark);
      const edited = string.slice(0, from) + '#ABCDEF' + string.slice(to);
      expect([...source.rewritten([{ span: { from, to }, text: '#ABCDEF' }])]).toEqual(encode(edited));
    }),
  );
});

test('bytes that are no text survive where they stand, and every other byte too', () => {
  fc.assert(
    fc.property(
      text,
      fc.uint8Array({ min: 0x80, max: 0xff, minLength: 1, maxLength: 4 }),
      fc.boolean(),
      (string, junk, marked) => {
        const lead = marked ? [0xef, 0xbb, 0xbf] : [];
        const bytes = Uint8Array.from([
          ...lead,
          ...new TextEncoder().encode(`é€ ${string}`),
          ...junk,
          ...new TextEncoder().encode(' #1f6f78 €é end'),
        ]);
        const source = SourceText.of(bytes)!;
        const from = source.text.lastIndexOf('#1f6f78');
        const written = source.rewritten([{ span: { from, to: from + 7 }, text: '#da452c' }]);
        const place = bytes.length - new TextEncoder().encode('#1f6f78 €é end').length;
        if (source.encoding !== 'utf-8') return;
        expect(source.byteOffset(from)).toBe(place);
        expect([...written.subarray(0, place)]).toEqual([...bytes.subarray(0, place)]);
        expect(new TextDecoder().decode(written.subarray(place))).toBe('#da452c €é end');
      },
    ),
  );
});

test('Latin-1 is what is no UTF-8: each byte a character, and what it has not is refused', () => {
  const bytes = Uint8Array.from([0x66, 0xe4, 0x68, 0x72, 0x65, 0x20, 0x23, 0x66, 0x66, 0x66]);
  const source = SourceText.of(bytes)!;
  expect([source.encoding, source.text, source.byteOffset(6)]).toEqual(['latin-1', 'fähre #fff', 6]);
  expect([...source.rewritten([{ span: { from: 6, to: 10 }, text: '#00f' }])].slice(0, 6)).toEqual([...bytes.subarray(0, 6)]);
  expect(() => source.rewritten([{ span: { from: 0, to: 1 }, text: '€' }])).toThrow('Latin-1 has no “€”');
  expect(() => source.rewritten([0, 1].map((from) => ({ span: { from, to: from + 2 }, text: 'x' })))).toThrow('Two edits meet');
});

test('lines end at LF, CR or both; other bytes are no text', () => {
  const source = SourceText.ofText('a\r\nbc\rd\n\ne');
  expect(Array.from({ length: source.lineCount }, (_, at) => source.textOf(source.lineSpan(at + 1)))).toEqual([
    'a',
    'bc',
    'd',
    '',
    'e',
  ]);
  expect([0, 3, 4, 6, 9].map((at) => source.placeOf(at))).toEqual([
    { line: 1, column: 1 },
    { line: 2, column: 1 },
    { line: 2, column: 2 },
    { line: 3, column: 1 },
    { line: 5, column: 1 },
  ]);
  expect(SourceText.of(Uint8Array.of(1, 0, 2, 9, 9, 9, 9, 9))).toBeNull();
});
