import fc from 'fast-check';
import { createHash } from 'node:crypto';
import { hexColour } from '../../../tests/arbitrary-colours';
import { byte, readColour } from '../colour/read';
import { resized } from './banks';
import { graftEdits, untouchedHash, wantedColour } from './graft';
import { kindOfSource } from './scan';
import { slotsOf } from './slots';
import { SourceText } from './source-text';

const hash = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const bytesOf = (text: string) => new TextEncoder().encode(text);
const slotsIn = (source: SourceText, name: string) => slotsOf(source, kindOfSource(name, source), name);

function grafted(name: string, bytes: Uint8Array, colours: Readonly<Record<number, string>>) {
  const source = SourceText.of(bytes)!;
  const { slots } = slotsIn(source, name);
  const wanted = Object.entries(colours).map(([at, css]) => ({ slot: slots[Number(at)]!, ...wantedColour(css)! }));
  const { edits, problems } = graftEdits(source, wanted);
  return { source, slots, edits, problems, bytes: problems.length > 0 ? null : source.rewritten(edits) };
}

/** Text around the literals: anything at all, also halves of marks, quotes and signs. */
const noise = fc.string({
  unit: fc.constantFrom('a', 'Z', ' ', '\n', '\r\n', '"', '<', '>', '{', '}', ';', ':', '=', '#', '/', 'ü', '海', '😀', '0', 'f'),
  maxLength: 30,
});
const literal = fc.constantFrom('#1f6f78', '#ABC', '#DDF0EE80', 'rgb(1, 2, 3)', '0xFF1F6F78', 'hsl(186deg 59% 30%)', '&H1f6f78');
const names = fc.constantFrom('a.txt', 'a.css', 'a.ts', 'a.ini', 'a.yaml', 'a.json', 'a.xml');
const encodings = fc.constantFrom('utf8', 'utf8 with a mark', 'utf16le', 'latin1', 'utf8 with stray bytes');

function encoded(text: string, encoding: string): Uint8Array {
  if (encoding === 'utf16le') return Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, 'utf16le')]);
  if (encoding === 'latin1') return Buffer.from(`ü${text.replace(/[^\0-\xff]/gu, '?')}`, 'latin1');
  const plain = Buffer.from(text);
  if (encoding === 'utf8 with a mark') return Buffer.concat([Buffer.from([0xef, 0xbb, 0xbf]), plain]);
  return encoding === 'utf8' ? plain : Buffer.concat([Buffer.from([0xff, 0x80]), plain, Buffer.from([0xc3])]);
}

test('whatever stands around the literals, a graft changes only them, and they come to what was asked for', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(noise, literal), { minLength: 1, maxLength: 6 }),
      names,
      encodings,
      fc.array(hexColour, { minLength: 6, maxLength: 6 }),
      async (parts, name, encoding, hexes) => {
        const bytes = encoded(parts.map(([before, code]) => `${before} ${code} `).join(''), encoding);
        const source = SourceText.of(bytes)!;
        const { slots } = slotsIn(source, name);
        const result = grafted(name, bytes, Object.fromEntries(slots.slice(0, 6).map((_, at) => [at, hexes[at]!])));
        // Literals without a place for their opacity have none to lose.
        expect(result.problems).toEqual([]);
        const { edits } = result;
        await untouchedHash(source, edits, result.bytes!);
        const spoilt = result.bytes!.slice();
        spoilt[0]! ^= 1;
        if (!slots[0] || source.byteOffset(slots[0].span.from) > 0)
          await expect(untouchedHash(source, edits, spoilt)).rejects.toThrow('touched more');
        let moved = 0;
        let done = 0;
        for (const [at, { span, literal: old }] of slots.entries()) {
          const edit = edits.find((each) => each.span.from === span.from);
          const text = edit?.text ?? old.text;
          const from = source.byteOffset(span.from) + moved;
          const length = source.lengthOf(text);
          expect(hash(result.bytes!.subarray(done + moved, from))).toBe(hash(bytes.subarray(done, from - moved)));
          done = source.byteOffset(span.to);
          const stands = SourceText.of(encoded(text, 'utf8'))!.text;
          expect(
            Buffer.from(result.bytes!.subarray(from, from + length)).toString(
              source.encoding === 'utf-16le' ? 'utf16le' : 'latin1',
            ),
          ).toBe(stands);
          moved += length - source.lengthOf(old.text);
          if (at < 6 && old.manner.kind !== 'name') {
            const again = readAs(stands, old);
            expect([again.hex, byte(again.alpha)]).toEqual([hexes[at], byte(old.colour.alpha)]);
          }
        }
        expect(hash(result.bytes!.subarray(done + moved))).toBe(hash(bytes.subarray(done)));
        // A graft that changes nothing gives the same bytes.
        const same = graftEdits(
          source,
          slots.map((slot) => ({ slot, colour: slot.literal.colour, withOpacity: true })),
        );
        expect([same.edits, hash(source.rewritten([]))]).toEqual([[], hash(bytes)]);
      },
    ),
    { numRuns: 400 },
  );
});

/** Read by the standard where CSS knows the notation, and by hand where it does not. */
function readAs(text: string, { manner }: { manner: { kind: string; order?: string } }): { hex: string; alpha: number } {
  if (/^(?:0x|&h)/i.test(text)) {
    const pairs = text.slice(2).match(/../g)!;
    const order = (manner.order ?? 'rgba').replace(pairs.length === 3 ? 'a' : '', '');
    const at = (letter: string) => pairs[order.indexOf(letter)]!.toLowerCase();
    return { hex: `#${at('r')}${at('g')}${at('b')}`, alpha: pairs.length === 4 ? parseInt(at('a'), 16) / 255 : 1 };
  }
  if (text.startsWith('#') && (text.length === 9 || text.length === 5) && manner.order !== 'rgba') {
    const pairs = text.length === 9 ? text.slice(1).match(/../g)! : [...text.slice(1)].map((digit) => digit + digit);
    const at = (letter: string) => pairs[manner.order!.indexOf(letter)]!.toLowerCase();
    return { hex: `#${at('r')}${at('g')}${at('b')}`, alpha: parseInt(at('a'), 16) / 255 };
  }
  return readColour(
    /^#/.test(text) && /^b|^ab/.test(manner.order ?? '')
      ? `#${text
          .slice(1)
          .match(text.length > 4 ? /../g : /./g)!
          .reverse()
          .join('')}`
      : text,
  )!;
}

const WRITTEN: [what: string, name: string, host: string, colour: string, written: string][] = [
  ['a short code is lengthened', 'a.css', 'a{color:#abc}', '#1f6f78', 'a{color:#1f6f78}'],
  ['and stays short while it can', 'a.css', 'a{color:#ABC}', '#ddeeff', 'a{color:#DEF}'],
  [
    'figures have the case of the other codes',
    'a.css',
    'a{color:#112233;fill:#ABCDEF}',
    '#1f6f78',
    'a{color:#1F6F78;fill:#ABCDEF}',
  ],
  ['a code keeps its opacity', 'a.xml', '<a fill="#80112233"/><!-- ARGB -->', '#1f6f78', '<a fill="#801f6f78"/><!-- ARGB -->'],
  ['a function keeps its spacing', 'a.css', 'a{color:RGBA( 1,2 , 3,0.5 )}', '#1f6f78', 'a{color:RGBA( 31,111 , 120,0.5 )}'],
  ['floats get the decimals that they need', 'a.ini', 'colour = 0.5, 0.25, 1.0', '#1f6f78', 'colour = 0.12, 0.435, 0.47'],
  ['a name becomes a code', 'a.css', 'a{color:teal}', '#1f6f78', 'a{color:#1f6f78}'],
  ['a number keeps its sign', 'a.json', '{"colour":-14716040}', '#8a2be2', '{"colour":-7722014}'],
];

test.each(WRITTEN)('%s', (_what, name, host, colour, written) => {
  expect(Buffer.from(grafted(name, bytesOf(host), { 0: colour }).bytes!).toString()).toBe(written);
});

test.each([
  [
    'no opacity in six digits of a program',
    'a.c',
    'int sea = 0x1f6f78;',
    '#11223380',
    '0x1f6f78 (/sea) cannot become #112233 with an opacity of 50 % in its own notation; bind another colour, or change the notation in the host file.',
  ],
  [
    'none in three bytes',
    'a.ini',
    'colour=1,2,3',
    '#11223380',
    '1,2,3 (/colour) cannot become #112233 with an opacity of 50 % in its own notation; bind another colour, or change the notation in the host file.',
  ],
])('%s: refused with its place, and nothing is written', (_what, name, host, colour, message) => {
  const { problems, bytes } = grafted(name, bytesOf(host), { 0: colour });
  expect([problems, bytes]).toEqual([[{ severity: 'error', line: 1, column: host.search(/0x|1,2/) + 1, message }], null]);
});

const size = (name: string, host: string, length: number, texts: string[] = []) => {
  const source = SourceText.ofText(host);
  const { slots, banks } = slotsIn(source, name);
  const result = resized(source, slots, banks[0]!, length, texts);
  return typeof result === 'string' ? result : Buffer.from(source.rewritten(result.edits)).toString();
};

test.each([
  [
    'elements with their white space',
    'a.xml',
    '<a>\n  <c v="#111"/>\n  <c v="#222"/>\n</a>',
    4,
    ['#333', '#444'],
    '<a>\n  <c v="#111"/>\n  <c v="#222"/>\n  <c v="#333"/>\n  <c v="#444"/>\n</a>',
  ],
  [
    'a number that counts',
    'a.xml',
    '<a><c n="09" v="#111"/> <c n="10" v="#222"/></a>',
    3,
    ['#333'],
    '<a><c n="09" v="#111"/> <c n="10" v="#222"/> <c n="11" v="#333"/></a>',
  ],
  ['shorter', 'a.xml', '<a>\n  <c v="#111"/>\n  <c v="#222"/>\n</a>', 1, [], '<a>\n  <c v="#111"/>\n</a>'],
  ['entries of a list', 'a.json', '{"a": ["#111",\n  "#222"]}', 3, ['#333'], '{"a": ["#111",\n  "#222",\n  "#333"]}'],
  ['a shorter list', 'a.json', '{"a": ["#111", "#222", "#333"]}', 2, [], '{"a": ["#111", "#222"]}'],
  ['a list of YAML', 'a.yaml', 'a:\n  - "#111"\n  - "#222"\n', 3, ['#333'], 'a:\n  - "#111"\n  - "#222"\n  - "#333"\n'],
  ['a list of TOML', 'a.toml', 'a = [\n  "#111",\n  "#222",\n]', 3, ['#333'], 'a = [\n  "#111",\n  "#222",\n  "#333",\n]'],
  ['a list of a program', 'a.ts', 'const a = ["#111", "#222"];', 3, ['#333'], 'const a = ["#111", "#222", "#333"];'],
  ['the same length', 'a.json', '["#111", "#222"]', 2, [], '["#111", "#222"]'],
  [
    'different entries',
    'a.xml',
    '<a><c n="North" v="#111"/><c n="South" v="#222"/></a>',
    3,
    ['#333'],
    'The entries of this bank differ in more than their colours and one number that counts, so it keeps its length.',
  ],
  [
    'no entries',
    'a.ini',
    'colour1=#111\ncolour2=#222',
    3,
    ['#333'],
    'The entries of this bank cannot be told from each other, so it keeps its length.',
  ],
  ['none left', 'a.json', '["#111", "#222"]', 0, [], 'A bank keeps at least one entry.'],
])('a bank grows and shrinks where repetition is evident: %s', (_what, name, host, length, texts, result) => {
  expect(size(name, host, length, texts)).toBe(result);
});
