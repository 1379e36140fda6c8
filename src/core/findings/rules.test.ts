/** Every rule on a few tokens: the whole finding, what is offered, and the steps that put it right. */
import { readFileSync } from 'node:fs';
import { changedToken, fewTokens } from '../../../tests/few-tokens';
import type { Brand } from '../brand/document/document';
import type { DataField } from '../brand/document/data-shape';
import { contrastText } from './contrast-text';
import { finding, stops, type Known, type RuleId } from './finding';
import { findingsOf, mendOf, mendOffered, ruleById, RULES, TIDY_RULES } from './rules';
import { closestPairs } from './closest';

const found = (brand: Brand, rule: RuleId, known?: Known) => findingsOf(brand, [ruleById(rule)!], known);
const mend = (brand: Brand, rule: RuleId, known?: Known) => mendOf(brand, found(brand, rule, known), 'Mend');

test('rules in their order, each with a title of its own; Tidy leaves contrast to its stage', () => {
  expect(RULES.map(({ id }) => id)).toEqual([
    'cycle',
    'no-colour',
    'contrast-text',
    'contrast-graphic',
    'alike',
    'alike-vision',
    'too-few',
    'not-monotone',
    'uneven',
    'arms',
    'state',
    'clash',
    'gamut',
    'lost-reference',
    'deprecated',
    'contrast-enhanced',
    'near-duplicate',
    'naming',
    'role',
    'unused',
  ]);
  expect(new Set(RULES.map(({ title }) => title)).size).toBe(RULES.length);
  expect(TIDY_RULES.map(({ id }) => id)).toEqual([
    'no-colour',
    'clash',
    'too-few',
    'lost-reference',
    'deprecated',
    'naming',
    'role',
    'unused',
  ]);
  expect(RULES.filter((rule) => rule.mend).map(({ id, mend }) => [id, mend!.all])).toEqual([
    ['contrast-text', 'Make all readable'],
    ['contrast-graphic', 'Make all of them stand out'],
    ['alike', 'Move all apart'],
    ['alike-vision', 'Move all apart'],
    ['not-monotone', 'Give all a lightness that goes on'],
    ['uneven', 'Make all steps equal'],
    ['arms', 'Give all arms the same lightness'],
    ['state', 'Make all of them differ'],
    ['gamut', 'Bring all inside sRGB'],
    ['deprecated', 'Point all at their replacements'],
    ['contrast-enhanced', 'Bring all to the enhanced level'],
    ['near-duplicate', 'Make one of each'],
    ['naming', 'Rename all'],
    ['role', 'Take all as guessed'],
    ['unused', 'Delete all'],
  ]);
});

test('every rule stands in the table of docs/findings.md', () => {
  const told = readFileSync('docs/findings.md', 'utf8')
    .match(/^\| `[a-z-]+`/gm)!
    .map((cell) => cell.slice(3, -1));
  expect(told.sort()).toEqual(RULES.map(({ id }) => id).sort());
});

test('an error stops a release, a warning does not; what no rule of the brand found has no mend', () => {
  const [error, warning] = [finding('depth', 'error', 'x'), finding('depth', 'warning', 'x')];
  expect([stops([warning]), stops([warning, error]), stops([])]).toEqual([false, true, false]);
  expect(error).toEqual({ rule: 'depth', severity: 'error', message: 'x', subject: {}, data: {} });
  expect([ruleById('depth'), mendOffered(error), mendOf(fewTokens({}), [error], 'x'), mendOf(fewTokens({}), [], 'x')]).toEqual([
    undefined,
    null,
    null,
    null,
  ]);
  expect(mendOffered(finding('clash', 'warning', 'x'))).toBeNull();
});

test('no colour: by theme, with the way on which it is lost', () => {
  const brand = fewTokens({ a: ['#111111', undefined], b: ['{a}', '{a}'] });
  expect(found(brand, 'no-colour')).toEqual([
    finding('no-colour', 'error', 'a has no colour in Night.', { theme: 'night', tokens: ['a'] }),
    finding('no-colour', 'error', 'b has no colour in Night: b → a → nothing.', { theme: 'night', tokens: ['b'] }),
  ]);
});

describe('contrast', () => {
  const brand = fewTokens(
    {
      page: ['#ffffff', '#000000'],
      panel: ['#eeeeee', '#222222'],
      body: ['#777777', '#777777'],
      note: ['#767676', '#8b8b8b'],
      bare: ['#999999', '#bbbbbb'],
      lost: [undefined, '#ffffff'],
    },
    { page: 'surface', panel: 'surface', body: 'text', note: 'text', lost: 'text' },
  );
  const onPage = changedToken(changedToken(brand, 'note', { on: ['page'] }), 'lost', { on: ['page'] });

  test('each text on each of its surfaces in each theme, the worst first, cut and not rounded', () => {
    const told = found(onPage, 'contrast-text');
    expect(told.map(({ message }) => message)).toEqual([
      'body on panel in Night has a contrast of 3.55 to 1, and text wants 4.5.',
      'body on panel in Day has a contrast of 3.85 to 1, and text wants 4.5.',
      'body on page in Day has a contrast of 4.47 to 1, and text wants 4.5.',
    ]);
    expect(told[2]).toEqual(
      finding(
        'contrast-text',
        'error',
        'body on page in Day has a contrast of 4.47 to 1, and text wants 4.5.',
        { theme: 'day', tokens: ['body', 'page'] },
        { value: 4.47, limit: 4.5, text: 'body' },
      ),
    );
  });

  test('is mended for all surfaces of a theme at once, as one step a token; only what was asked for', () => {
    expect(mendOffered(found(onPage, 'contrast-text')[0]!)).toBe('Make body readable');
    expect(mend(onPage, 'contrast-text')).toEqual({
      label: 'Mend',
      steps: [{ do: 'token.set', id: 'body', set: { day: { colour: '#6c6c6c' }, night: { colour: '#898989' } } }],
    });
    expect(mendOf(onPage, found(onPage, 'contrast-text').slice(2), 'Mend')!.steps).toEqual([
      { do: 'token.set', id: 'body', set: { day: { colour: '#6c6c6c' } } },
    ]);
    // Nothing is readable on both: left to a person.
    const apart = fewTokens(
      { page: '#777777', panel: '#000000', body: '#808080' },
      { page: 'surface', panel: 'surface', body: 'text' },
    );
    expect([found(apart, 'contrast-text').length, mend(apart, 'contrast-text')]).toEqual([1, null]);
    expect(contrastText.mend!.command(brand, [], 'x')).toBeNull();
  });
});

test('clash: capitals and separators', () => {
  expect(found(fewTokens({ 'text.soft': '#111', 'Text.soft': '#111', 'text-soft': '#111' }), 'clash')).toEqual([
    finding('clash', 'warning', 'text.soft and Text.soft differ only in capitals; some destinations would take them for one.', {
      tokens: ['Text-soft', 'text-soft'],
    }),
    finding('clash', 'warning', 'text.soft and text-soft differ only in separators; some destinations would take them for one.', {
      tokens: ['text-soft', 'text-soft'],
    }),
  ]);
});

test('too few: the first three values by name, and how many more', () => {
  const field = (texts: readonly string[]): DataField => ({
    id: 'f',
    name: 'Route',
    group: 'route',
    values: texts.map((text) => ({ text })),
  });
  const brand = { ...fewTokens({ 'route.a': '#111111' }), fields: [field(['1', '2', '3', '4', '5'])] };
  expect(found(brand, 'too-few')).toEqual([
    finding(
      'too-few',
      'warning',
      'Route: no colour is left in route for 2, 3, 4 and 1 more.',
      { field: 'f' },
      { value: 1, limit: 5 },
    ),
  ]);
  const told = (texts: readonly string[]) => found({ ...brand, fields: [field(texts)] }, 'too-few').map(({ message }) => message);
  expect([told(['1', '2', '3', '4']), told(['1'])]).toEqual([['Route: no colour is left in route for 2, 3, 4.'], []]);
});

test('lost references: of what other tools keep, to tokens and to one another', () => {
  const carried = [
    { path: ['edge', 'thin'], json: '{"a":"{page}","b":"{edge.thick}","c":"{gone}","d":"{gone.too}"}', before: null },
    { path: ['edge', 'thick'], json: '{}', before: null },
  ];
  expect(found({ ...fewTokens({ page: '#fff' }), carried }, 'lost-reference')).toEqual([
    finding('lost-reference', 'warning', 'edge.thin, which is not a colour, points at gone, which is not there.'),
    finding('lost-reference', 'warning', 'edge.thin, which is not a colour, points at gone.too, which is not there.'),
  ]);
});

describe('deprecated', () => {
  const plain = fewTokens({
    old: ['#111111', '#111111'],
    fresh: ['#222222', '#222222'],
    link: ['{old}', '{fresh}'],
    own: ['{own2}', '{old}'],
    own2: ['#333', '#333'],
  });
  const brand = changedToken(plain, 'old', { deprecated: { note: 'x', use: 'fresh' } });
  const without = changedToken(plain, 'old', { deprecated: { note: 'x' } });

  test('is what points at it in any theme, once, unless it is deprecated itself', () => {
    expect(found(plain, 'deprecated')).toEqual([]);
    expect(found(brand, 'deprecated')).toEqual(
      ['link', 'own'].map((path) =>
        finding(
          'deprecated',
          'warning',
          `${path} points at old, which is deprecated; fresh is to be used instead.`,
          { tokens: [path] },
          { path },
        ),
      ),
    );
    expect(
      found(changedToken(brand, 'own', { deprecated: { note: 'y' } }), 'deprecated').map(({ subject }) => subject.tokens),
    ).toEqual([['link']]);
    const [first] = found(without, 'deprecated');
    expect([first!.message, first!.data, mendOffered(first!)]).toEqual(['link points at old, which is deprecated.', {}, null]);
  });

  test('is mended where there is a replacement, in the themes that point at it', () => {
    expect(mendOffered(found(brand, 'deprecated')[0]!)).toBe('Point link at what is in use');
    expect(mend(brand, 'deprecated')).toEqual({
      label: 'Mend',
      steps: [
        { do: 'token.set', id: 'link', set: { day: { token: 'fresh' } } },
        { do: 'token.set', id: 'own', set: { night: { token: 'fresh' } } },
      ],
    });
    expect(mendOf(brand, found(brand, 'deprecated').slice(1), 'x')!.steps).toHaveLength(1);
    expect(mend(without, 'deprecated')).toBeNull();
    // The replacement itself is not pointed at itself.
    expect(
      mend(changedToken(brand, 'fresh', { values: { day: { token: 'old' } } }), 'deprecated')!.steps.map(
        (step) => 'id' in step && step.id,
      ),
    ).toEqual(['link', 'own']);
  });
});

describe('naming', () => {
  const brand: Brand = {
    ...fewTokens({ 'text.onHeader': '#111', 'text.on-page': '#111', 'text.onPage': '#111' }),
    naming: 'kebab',
  };

  test('says what each would be called, and whether that is taken', () => {
    expect(found({ ...brand, naming: undefined } as never, 'naming')).toEqual([]);
    expect(found(brand, 'naming')).toEqual([
      finding(
        'naming',
        'note',
        'text.onHeader is written text.on-header in the convention chosen.',
        { tokens: ['text-onHeader'] },
        { to: 'text.on-header' },
      ),
      finding('naming', 'note', 'text.onPage is written text.on-page in the convention chosen, and that path is taken.', {
        tokens: ['text-onPage'],
      }),
    ]);
    expect(found(brand, 'naming').map(mendOffered)).toEqual(['Rename to text.on-header', null]);
  });

  test('renames those that can be, as one', () => {
    const command = mend(brand, 'naming')!;
    expect([command.label, JSON.stringify(command.steps)]).toEqual(['Mend', expect.stringContaining('text.on-header')]);
    expect(JSON.stringify(command.steps)).not.toContain('text.on-page');
    expect(mendOf(brand, found(brand, 'naming').slice(1), 'x')).toBeNull();
    expect(mendOf(fewTokens({}), found(brand, 'naming'), 'x')).toBeNull();
  });
});

test('unused: tokens and swatches, deleted in one step', () => {
  const swatch = { id: 's', name: 'Red lead', value: '#9f5c52', locked: false };
  const brand: Brand = {
    ...changedToken(fewTokens({ a: '#111111', b: '{a}' }), 'a', { values: { day: { swatch: 'used' } } }),
    palettes: [{ id: 'p', name: 'P', kind: 'brand', swatches: [{ ...swatch, id: 'used', name: 'Sand' }, swatch] }],
    destinations: [{ id: 'd', name: 'D', format: 'css', options: {} }],
  };
  const known: Known = { written: () => [] };
  const told = found(brand, 'unused', known);
  expect(told).toEqual([
    finding('unused', 'note', 'b goes to no destination, and nothing points at it.', { tokens: ['b'] }, { name: 'b' }),
    finding('unused', 'note', 'No token uses Red lead (#9f5c52).', { swatches: ['s'] }, { name: 'Red lead' }),
  ]);
  expect(told.map(mendOffered)).toEqual(['Delete b', 'Delete Red lead']);
  expect(ruleById('unused')!.mend!.asks!(told)).toBe('Delete 1 token and 1 swatch?');
  expect(ruleById('unused')!.mend!.asks!([...told, ...told].slice(0, 3))).toBe('Delete 2 tokens and 1 swatch?');
  expect(mend(brand, 'unused', known)).toEqual({
    label: 'Mend',
    steps: [
      { do: 'token.remove', ids: ['b'] },
      { do: 'swatch.remove', ids: ['s'] },
    ],
  });
  expect(mendOf(brand, told.slice(1), 'x')!.steps).toEqual([{ do: 'swatch.remove', ids: ['s'] }]);
  expect(mendOf(brand, told.slice(0, 1), 'x')!.steps).toEqual([{ do: 'token.remove', ids: ['b'] }]);
  expect(ruleById('unused')!.mend!.command(brand, [], 'x')).toBeNull();
});

test('the closest pairs, as many as asked for, the nearest first, by what is shown', () => {
  const swatches = ['#000000', '#010101', '#ffffff', '#fdfdfd', '#00ff00'].map((value, at) => ({
    id: `${at}`,
    name: `${at}`,
    value,
    locked: false,
  }));
  const pairs = (count: number) =>
    closestPairs(swatches, count).map(({ one, two, distance }) => [one.id, two.id, distance.toFixed(2)]);
  expect(pairs(2)).toEqual([
    ['0', '1', expect.any(String)],
    ['2', '3', expect.any(String)],
  ]);
  expect([pairs(1).length, pairs(100).length]).toEqual([1, 10]);
});

test('roles that nobody said: by use, else by path; taken all at once', () => {
  const brand = fewTokens(
    { 'link.body': '#000', 'button.hover': '#111', board: '#fff', 'text.on-board': '#222', loose: '#333' },
    { 'text.on-board': 'text' },
  );
  const used = {
    ...brand,
    tokens: brand.tokens.map((token) => (token.path === 'text.on-board' ? { ...token, on: ['board'] } : token)),
  };
  expect(found(used, 'role').map(({ subject, data }) => [subject.tokens![0], data.role])).toEqual([
    ['link-body', 'text'],
    ['button-hover', 'state'],
    ['board', 'surface'],
  ]);
  expect(found(used, 'role')[0]).toEqual(
    finding('role', 'note', 'link.body is probably of the role text, and has none.', { tokens: ['link-body'] }, { role: 'text' }),
  );
  expect(mendOffered(found(used, 'role')[0]!)).toBe('It is text');
  expect(mend(used, 'role')!.steps).toEqual([
    { do: 'token.edit', id: 'link-body', set: { role: 'text' } },
    { do: 'token.edit', id: 'button-hover', set: { role: 'state' } },
    { do: 'token.edit', id: 'board', set: { role: 'surface' } },
  ]);
});
