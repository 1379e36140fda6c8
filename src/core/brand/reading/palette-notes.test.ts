/** What is known of a palette travels with it: in palette and token files, and in the comments of every format that has them. */
import { fewTokens } from '../../../../tests/few-tokens';
import { readFile } from '../../intake/readers';
import { brandFromTokens } from '../../intake/tokens/brand-from-tokens';
import { takeTokens } from '../../intake/tokens/take-tokens';
import { compareTokens } from '../../intake/tokens/compare-tokens';
import { readTokenFiles } from '../../intake/tokens/token-files';
import { FORMATS, writeDestination } from '../../formats/registry';
import { StoredBrand, type Brand } from '../document/document';
import { PaletteMaker } from '../document/palette-shape';
import { paletteWords } from './palette-notes';
import { COMMAND_UPGRADES, upgraded } from '../document/versions';

const plain = fewTokens({ 'tide.ebb': ['#102030', '#405060'] });
const NOTE = 'Cream up */ to dark --> grey';
const SAFE = 'Cream up * / to dark - -> grey';
const brand: Brand = {
  ...plain,
  palettes: [
    {
      id: 'p',
      name: 'Tides',
      kind: 'sequential',
      note: NOTE,
      maker: { name: 'Ida', link: 'https://ida.example/tides' },
      swatches: [{ id: 's', name: 'Ebb', value: '#102030', locked: false }],
    },
    { id: 'q', name: 'Silent', kind: 'loose', swatches: [{ id: 'r', name: 'Flood', value: '#405060', locked: false }] },
  ],
  tokens: [{ ...plain.tokens[0]!, values: { day: { swatch: 's' }, night: { swatch: 's' } } }],
};
const words = `${SAFE} Made by Ida, https://ida.example/tides.`;
const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const written = (format: string, options: object = {}) =>
  writeDestination(brand, { name: format, format, options: options as never }).files;

const commented = FORMATS.filter(({ comment }) => comment);
test.each(commented.map(({ id }) => id))('%s begins with it where comments are asked for, and has none otherwise', (id) => {
  const [first] = written(id, { comments: true });
  const lines = text(first!.bytes).split('\n').slice(0, 2).join('\n');
  expect(lines).toContain(`Tides: ${words}`);
  for (const { from, to, hex } of first!.marks ?? [])
    expect([hex, text(first!.bytes).slice(from, to)]).toEqual(['#102030', expect.stringMatching(/\S/)]);
  expect(text(written(id)[0]!.bytes)).not.toContain('Ida');
});

test('every format that offers comments has a line of them', () => {
  const offering = FORMATS.filter(({ options }) => 'comments' in options.shape).map(({ id }) => id);
  expect(commented.map(({ id }) => id)).toEqual(offering);
});

test('files of palettes always say it', () => {
  expect(text(written('gpl')[0]!.bytes)).toContain(`#\n# ${SAFE}\n# Made by Ida, https://ida.example/tides.\n 16  32  48\tEbb`);
  expect(text(written('svg')[0]!.bytes)).toContain(`<desc>${SAFE.replace('>', '&#62;')} Made by Ida`);
  expect(text(written('soc')[0]!.bytes)).toContain(`<!-- ${SAFE} -->`);
  expect(text(written('svg')[1]!.bytes)).not.toContain('<desc>');
});

test('a token file says it of the group, and it comes back as the note of the palette, and not as something carried', async () => {
  const [file] = written('dtcg', { themes: ['day'] });
  expect(JSON.parse(text(file!.bytes))).toMatchObject({ tide: { $description: words } });
  const reading = await readFile({ name: 'x.tokens.json', bytes: file!.bytes });
  expect(reading!.palettes).toEqual([{ name: 'tide', kind: 'loose', about: { note: words } }]);
  const files = [{ name: 'x.tokens.json', bytes: file!.bytes }];
  const mapped = [{ theme: brand.themes[0]!, context: readTokenFiles(files).contexts[0]! }];
  expect(takeTokens(brand, mapped, compareTokens(brand, mapped), true, () => 'n')).toBeNull();
  // Of another brand it is somebody else's description, and is carried like any.
  expect(brandFromTokens('Other', files).brand.carried).toMatchObject([{ path: ['tide', '$description'] }]);
});

test('a maker stood with the source once: documents and commands of then are read as of today', () => {
  const old = (source: object) => ({ ...brand.palettes[1], source });
  const versions = [
    old({ shelf: 'kiln', name: 'Kiln', maker: 'Oren' }),
    { ...old({ file: 'x.json', maker: 'nobody named' }), id: 'x', swatches: [] },
  ];
  const { palettes } = StoredBrand.parse({ ...brand, palettes: [brand.palettes[0], ...versions], version: 2 });
  expect(palettes[1]).toMatchObject({ source: { shelf: 'kiln', name: 'Kiln' }, maker: { name: 'Oren' } });
  expect(palettes[2]).toEqual({ id: 'x', name: 'Silent', kind: 'loose', swatches: [], source: { file: 'x.json' } });
  const command = {
    label: 'Take',
    steps: [
      { do: 'palette.add', palette: versions[0], before: null },
      { do: 'palette.remove', id: 'p' },
    ],
  };
  expect(upgraded(command, 1, COMMAND_UPGRADES)).toEqual({
    label: 'Take',
    steps: [
      { do: 'palette.add', palette: palettes[1], before: null },
      { do: 'palette.remove', id: 'p' },
    ],
  });
  for (const broken of [{ steps: 7 }, { steps: [null] }, { steps: [{ do: 'palette.add', palette: 7 }] }])
    expect(upgraded(broken, 1, COMMAND_UPGRADES)).toEqual(broken);
});

test('a link is an address of the web and nothing that runs', () => {
  const takes = (link: string) => PaletteMaker.safeParse({ name: 'Ida', link }).success;
  expect(['https://ida.example/a?b#c', 'http://ida.example'].map(takes)).toEqual([true, true]);
  expect(['javascript:alert(1)', 'ida.example', 'data:text/html,x', `https://ida.example/${'x'.repeat(300)}`].map(takes)).toEqual(
    [false, false, false, false],
  );
  expect(paletteWords({})).toEqual([]);
});
