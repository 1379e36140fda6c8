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

test('what is a character of UTF-8 is what the platform takes for one, at every border of the table (Unicode 15, table 3-7)', () => {
  const lead = [...new TextEncoder().encode('é€😀'.repeat(4))];
  const [firsts, seconds, others] = [
    [0x7f, 0x80, 0xc1, 0xc2, 0xdf, 0xe0, 0xe1, 0xec, 0xed, 0xee, 0xef, 0xf0, 0xf1, 0xf3, 0xf4, 0xf5, 0xff],
    [0x7f, 0x80, 0x8f, 0x90, 0x9f, 0xa0, 0xbf, 0xc0],
    [0x7f, 0x80, 0xbf, 0xc0],
  ];
  const decoder = new TextDecoder('utf-8', { fatal: true });
  const whole = (bytes: Uint8Array) => {
    try {
      return decoder.decode(bytes);
    } catch {
      return null;
    }
  };
  for (const first of firsts!) {
    const tails = [[], ...seconds!.flatMap((b) => [[b], ...others!.flatMap((c) => [[b, c], ...others!.map((d) => [b, c, d])])])];
    for (const tail of tails) {
      const bytes = Uint8Array.from([...lead, first, ...tail, 0x78]);
      const source = SourceText.of(bytes)!;
      const text = whole(bytes);
      if (text !== null) expect([tail, source.text]).toEqual([tail, text]);
      else expect([first, tail, source.encoding, source.text.includes('\ufffd')]).toEqual([first, tail, 'utf-8', true]);
      // Every byte is accounted for, and an edit behind leaves those before as they are.
      expect([first, tail, source.byteOffset(source.text.length)]).toEqual([first, tail, bytes.length]);
      const edited = source.rewritten([{ span: { from: source.text.length - 1, to: source.text.length }, text: 'y' }]);
      expect([...edited]).toEqual([...bytes.slice(0, -1), 0x79]);
    }
  }
});

test.each<[string, number[], Encoding | null, string]>([
  ['UTF-16 without a mark, little end first', [0x61, 0, 0x62, 0], 'utf-16le', 'ab'],
  ['UTF-16 without a mark, big end first', [0, 0x61, 0, 0x62], 'utf-16be', 'ab'],
  ['mostly ASCII among other letters', [0x61, 0, 0x62, 0, 0x63, 0, 0x3b, 0x04], 'utf-16le', 'abcл'],
  ['too short to tell', [0x61, 0], null, ''],
  ['zeros on both sides', [0, 0, 0x61, 0], null, ''],
  ['half of it other letters', [0x61, 0, 0x3b, 0x04, 0x3c, 0x04, 0x62, 0], null, ''],
  ['a mark and an odd byte behind', [0xff, 0xfe, 0x61, 0, 0x62], 'utf-16le', 'a'],
  ['half a character', [0xff, 0xfe, 0x00, 0xd8, 0x61, 0], 'utf-16le', '\ud800a'],
  ['a byte order mark of neither', [0xff, 0xff, 0x61], 'latin-1', 'ÿÿa'],
  ['one wrong byte and no whole sequence', [0x61, 0xe4], 'latin-1', 'aä'],
  ['one wrong byte and one whole sequence', [0xc3, 0xa9, 0xe4], 'latin-1', 'Ã©ä'],
  ['one wrong byte and two whole sequences', [0xc3, 0xa9, 0xc3, 0xa9, 0xe4], 'utf-8', 'éé\ufffd'],
  ['a mark of UTF-8 and a wrong byte', [0xef, 0xbb, 0xbf, 0xe4], 'utf-8', '\ufffd'],
  ['the sign for what cannot be decoded, written as itself', [0xef, 0xbf, 0xbd], 'utf-8', '\ufffd'],
  ['nothing', [], 'utf-8', ''],
])('%s', (_name, bytes, encoding, text) => {
  const source = SourceText.of(Uint8Array.from(bytes));
  expect([source?.encoding ?? null, source?.text ?? '']).toEqual([encoding, text]);
});

test('what a byte of junk costs is bounded: a picture’s worth of it is Latin-1', () => {
  const source = SourceText.of(Uint8Array.from({ length: 50_000 }, () => 0xe4))!;
  expect([source.encoding, source.text.length]).toEqual(['latin-1', 50_000]);
});
