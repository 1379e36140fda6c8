/** What each destination's options do, what is left to the consumer, and what is refused before anything is written. */
import { readFileSync } from 'node:fs';
import { Brand } from '../brand/document/document';
import type { Token } from '../brand/document/token-shape';
import type { Written } from './kit/format';
import { FORMATS, formatById, writeDestination } from './registry';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));

function written(brand: Brand, format: string, options: Record<string, unknown> = {}) {
  const { files, findings } = writeDestination(brand, {
    name: 'Here',
    format,
    options: options as Brand['destinations'][number]['options'],
  });
  const text = (part: string) => {
    const file = files.find(({ path }) => path.includes(part));
    if (!file) throw new Error(`No file ${part} among ${files.map(({ path }) => path).join(', ')}`);
    return new TextDecoder().decode(file.bytes);
  };
  return {
    paths: files.map(({ path }) => path),
    text,
    errors: findings.filter(({ severity }) => severity === 'error').map(({ message }) => message),
    notes: findings.filter(({ severity }) => severity === 'warning').map(({ message }) => message),
  };
}

function withTokens(tokens: Token[]): Brand {
  return { ...demo, tokens };
}

interface ChartTheme {
  color: string[];
  backgroundColor?: string;
  textStyle: { color?: string };
  categoryAxis: { axisLabel: { color?: string } };
  visualMap?: { inRange: { color: string[] } };
  tokens: { color: string[]; scale: string[]; ground?: string };
  values: Record<string, Record<string, { color: string; token: string }>>;
}

describe('chart theme', () => {
  const theme = (brand: Brand, options: Record<string, string> = {}) => {
    const result = written(brand, 'echarts', options);
    return { ...result, json: JSON.parse(result.text('-day.json')) as ChartTheme };
  };

  test('without options it goes by the tokens’ roles', () => {
    const { json, errors, notes } = theme(demo);
    // More routes than colours: a chart would fill in the rest by itself.
    expect([errors, notes]).toEqual([[], ['The group route has colours for 8 of the 11 values of Route; add 3 or pin some.']]);
    expect(json.values.Route!['Tern Islet']).toEqual({ color: '#d375a4', token: 'route.tern-islet' });
    expect(Object.keys(json.values.Route!)).toHaveLength(8);
    expect(json.tokens.color).toHaveLength(8);
    expect(json.tokens.color.every((path) => path.startsWith('route.'))).toBe(true);
    expect(json.tokens.ground).toBe('surface.page');
    expect(json.textStyle.color).toBe('#162631');
    expect(json.visualMap).toBeUndefined();
  });

  test('with options it takes what is named, in the tokens’ order', () => {
    const { json } = theme(demo, {
      series: 'trainer',
      scale: 'sea-state',
      ground: 'surface.panel',
      soft: 'text.link',
    });
    expect(json.tokens.color[0]).toBe('trainer.sky');
    expect(json.color[0]).toBe('#83d5ed');
    expect(json.backgroundColor).toBe('#ffffff');
    expect(json.categoryAxis.axisLabel.color).toBe('#006871');
    expect(json.visualMap!.inRange.color).toHaveLength(10);
    expect(json.tokens.scale[9]).toBe('sea-state.9');
  });

  test('a group does not take in the groups below it', () => {
    const deeper = { ...demo.tokens[20]!, id: 'deeper', path: 'route.north-skerry.night' };
    const { json } = theme(withTokens([...demo.tokens, deeper]), { series: 'route' });
    expect(json.tokens.color).not.toContain('route.north-skerry.night');
  });

  test('what is named and not there stops the release; what no token has the role for is left to the chart', () => {
    const wrong = written(demo, 'echarts', { series: 'routes', text: 'text.defautl' });
    expect(wrong.errors).toEqual([
      'The chart theme takes its series from routes, and there is no such token; choose another.',
      'The chart theme takes its text from text.defautl, and there is no such token; choose another.',
    ]);
    const onlyData = theme(withTokens(demo.tokens.filter(({ role }) => role === 'data')));
    expect(onlyData.errors).toEqual([]);
    expect(onlyData.notes.filter((note) => note.includes('no token has that role'))).toHaveLength(4);
    expect(onlyData.json.backgroundColor).toBeUndefined();
    expect(onlyData.json.color).toHaveLength(8);
  });

  test('there is a file for each theme, and only for those asked for', () => {
    const night = demo.themes.filter(({ id }) => id === 'night');
    const { files } = writeDestination(demo, { name: 'Here', format: 'echarts', options: {} }, night);
    expect(files.map(({ path }) => path)).toEqual(['charts/quillhaven-ferries-night-bridge.json']);
  });
});

describe('CSS and Sass', () => {
  test('the first theme also stands on the root, so that a page without a theme has colours', () => {
    const sheet = written(demo, 'css').text('.css');
    expect(sheet.startsWith(":root,\n[data-theme='day'] {\n")).toBe(true);
    expect(sheet).toContain("\n[data-theme='night-bridge'] {\n");
  });

  test('a prefix goes before every variable, in both files', () => {
    const { text } = written(demo, 'css', { prefix: 'qf-' });
    for (const line of text('.css')
      .split('\n')
      .filter((line) => line.startsWith('  '))) {
      expect(line).toMatch(/^ {2}--qf-[a-z0-9-]+: #[0-9a-f]{6};$/);
    }
    const sheet = written(demo, 'sass', { prefix: 'qf-' }).text('.scss');
    expect(sheet).toContain('$qf-text-default: #162631;');
    expect(sheet).toContain("  'night-bridge': $qf-theme-night-bridge,");
  });

  test.each(['QF-', '1-', 'a b-', '--', '}*{color:red}-'])('the prefix %j is refused', (prefix) => {
    const { paths, errors } = written(demo, 'css', { prefix });
    expect(paths).toEqual([]);
    expect(errors).toEqual(['Here: A prefix is lower-case letters and digits with hyphens between, such as v1-.']);
  });

  test('a translucent colour keeps its opacity', () => {
    const veil: Token = {
      ...demo.tokens[0]!,
      id: 'veil',
      path: 'surface.veil',
      values: {
        day: { colour: 'rgb(0 104 113 / 50%)' },
        night: { colour: '#0008' },
      },
    };
    const sheet = written(withTokens([veil]), 'css').text('.css');
    expect(sheet).toContain('--surface-veil: #00687180;');
    expect(sheet).toContain('--surface-veil: #00000088;');
    const resources = written(withTokens([veil]), 'xml-resources').text('-day.xml');
    expect(resources).toContain('<colour name="surface.veil" opacity="128">#006871</colour>');
  });
});

describe('game palette', () => {
  test('a group makes a strip of its own tokens', () => {
    const { text, paths } = written(demo, 'game-palette', { group: 'trainer' });
    const index = JSON.parse(text('.json')) as {
      width: number;
      themes: { name: string; colours: { pixel: number; name: string }[] }[];
    };
    expect(index.width).toBe(11);
    expect(index.themes.map(({ name }) => name)).toEqual(['Day', 'Dusk', 'Night bridge', 'High contrast']);
    expect(index.themes[0]!.colours[10]).toMatchObject({ pixel: 10, name: 'trainer.weed' });
    expect(paths).toHaveLength(5);
  });

  test('an empty group writes nothing', () => {
    const { paths, errors } = written(demo, 'game-palette', { group: 'train' });
    expect(paths).toEqual([]);
    expect(errors).toEqual(['There is no token below train; choose another group in the options.']);
  });
});

describe('every format', () => {
  const writers = FORMATS;
  /** All of it in one text: compared byte by byte as lists, large files take seconds. */
  const asText = ({ files, findings }: Written) =>
    JSON.stringify([files.map((file) => ({ ...file, bytes: Buffer.from(file.bytes).toString('latin1') })), findings]);

  test.each(writers.map(({ id }) => id))('%s refuses an option it does not know', (id) => {
    const { paths, errors } = written(demo, id, { nonsense: '1' });
    expect(paths).toEqual([]);
    expect(errors).toEqual([expect.stringContaining('nonsense')]);
  });

  // Resolved once for all formats.
  const named = { ...demo, name: '../../etc/Ünsafe: "name"' };
  const copy = structuredClone(named);

  test.each(writers.map(({ id }) => id))('%s writes safe relative paths and the same bytes twice', (id) => {
    const once = writeDestination(named, { name: 'Here', format: id, options: {} });
    const twice = writeDestination(copy, { name: 'Here', format: id, options: {} });
    expect(asText(once) === asText(twice)).toBe(true);
    for (const { path } of once.files) expect(path).toMatch(/^([A-Za-z0-9_-]+(\.[a-z]+)*\/)*[A-Za-z0-9_-]+(\.[a-z]+)*$/);
  });

  test.each(FORMATS.map(({ id }) => id))('%s can be found, and says what it is for', (id) => {
    const format = formatById(id)!;
    expect(format.purpose).toMatch(/^[A-Z].*\.$/);
    expect(format.readBy).toMatch(/^[A-Z][^.]*$/);
    expect(format.extensions.every((extension) => /^\.|^qmldir$/.test(extension))).toBe(true);
    for (const option of Object.values(format.options.shape)) {
      expect(option.meta()).toMatchObject({ title: expect.any(String), description: expect.any(String) });
    }
  });

  test('one that does not exist is a problem, not a crash', () => {
    expect(written(demo, 'nope').errors).toEqual(['Here: Breakwater does not write “nope”.']);
    expect(written(demo, 'text').errors).toEqual(['Here: Breakwater does not write “text”.']);
  });
});
