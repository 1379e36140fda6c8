import { FORMATS, writeDestination } from '../registry';
import { optionKinds } from './option-kinds';
import { colourLiterals } from '../colour-literals';
import { tokensByLine } from '../token-at-line';
import { demo } from '../../../../tests/harsh-brand';

test('every option of every format can be offered: it has a kind, a title, and says what it means to leave it', () => {
  for (const format of FORMATS) {
    for (const { name, title, untouched, value, usual } of optionKinds(format)) {
      expect([format.id, name, title, untouched].every((text) => text.length > 0)).toBe(true);
      expect(usual).toBeDefined();
      if (value.kind === 'one') expect(value.words.map(([word]) => word)).toContain(usual);
    }
  }
});

test.each([
  ['  --a: #1f6f78;', 'rgba', ['#1f6f78']],
  ['const A = 0x1f6f7880u;', 'rgba', ['#1f6f7880']],
  ['val a = Color(0x801F6F78)', 'argb', ['#1F6F7880']],
  ['<color name="veil">#801f6f78</color>', 'argb', ['#1f6f7880']],
  ['a = { 31, 111, 120, 255 },', 'rgba', ['#1f6f78ff']],
  ['Color(.sRGB, red: 31.0 / 255, green: 111.0 / 255, blue: 120.0 / 255, opacity: 1)', 'rgba', ['#1f6f78']],
  ['Color(31 / 255.0, 111 / 255.0, 120 / 255.0, 128 / 255.0)', 'rgba', ['#1f6f7880']],
  ['a: oklch(50% 0.1 200) b: rgb(1 2 3 / 50%)', 'rgba', ['oklch(50% 0.1 200)', 'rgb(1 2 3 / 50%)']],
  ['#12345 300, 1, 1, 1 id-#1234567', 'rgba', []],
] as const)('the colours of %j', (line, order, css) => {
  expect(colourLiterals(line, order).map((literal) => literal.css)).toEqual(css);
});

const named = [
  'css',
  'sass',
  'less',
  'csharp',
  'c-header',
  'rust',
  'lua',
  'kotlin',
  'qml',
  'toml',
  'android',
  'javascript',
  'dtcg',
];

test.each(named)('a line of %s with a colour leads to its token', (format) => {
  const prefix: Record<string, string> = ['css', 'sass', 'csharp'].includes(format) ? { prefix: 'v1-' } : {};
  const { files } = writeDestination(demo, { name: 'x', format, options: prefix });
  const lines = new TextDecoder().decode(files[0]!.bytes).split('\n');
  const tokenAt = tokensByLine(demo.tokens, lines);
  const found = lines.flatMap((line, at) => (colourLiterals(line, 'rgba').length > 0 ? [tokenAt(at)?.path] : []));
  const missed = found.filter((path) => path === undefined);
  expect(missed).toEqual([]);
  // In each theme of the file the tokens come in their order; aliases of a token file carry no colour.
  const wanted = demo.tokens.map(({ path }) => path).filter((path) => found.includes(path));
  expect(wanted.length).toBeGreaterThan(90);
  expect(found.slice(0, 90)).toEqual(wanted.slice(0, 90));
});
