import { Brand, emptyBrand, serialiseBrand } from '../brand/document/document';
import type { Swatch } from '../brand/document/palette-shape';
import { type Token, TokenPath } from '../brand/document/token-shape';
import fc from 'fast-check';
import { apply } from '../brand/commands/apply';
import { bringIn, tokenPathOf, type ArrivingSwatch, type Arrivals } from './bring-in';
import { resolveTheme } from '../brand/reading/resolve';

const swatch = (id: string, name: string, value: string, locked = false): Swatch => ({ id, name, value, locked });
const token = (id: string, path: string, values: Token['values']): Token => ({
  id,
  path,
  role: 'other',
  description: '',
  on: [],
  values,
});
const brand: Brand = {
  ...emptyBrand('b', 'Brand'),
  themes: [
    { id: 'day', name: 'Day' },
    { id: 'night', name: 'Night' },
  ],
  palettes: [
    {
      id: 'core',
      name: 'Core',
      kind: 'brand',
      swatches: [swatch('s1', 'Harbour', '#006871', true), swatch('s2', 'Shoal', '#489498'), swatch('s3', 'Foam', '#ddf0ee')],
    },
  ],
  tokens: [
    token('t1', 'page', { day: { swatch: 's3' }, night: { swatch: 's1' } }),
    token('t2', 'link', { day: { token: 't1' } }),
  ],
};
const ids = () => {
  let n = 0;
  return () => `n${++n}`;
};
type Given = Omit<Partial<Arrivals>, 'groups'> & { groups: Omit<Arrivals['groups'][number], 'kind'>[] };
const bring = ({ groups, ...rest }: Given) => {
  const kind = 'categorical';
  const done = bringIn(brand, { themes: null, aliases: [], groups: groups.map((group) => ({ kind, ...group })), ...rest }, ids());
  if (!done.command) return { ...done, after: brand };
  const applied = apply(brand, done.command);
  if (!applied.ok) throw new Error(applied.refusal);
  Brand.parse(applied.brand);
  const back = apply(applied.brand, applied.inverse);
  if (!back.ok) throw new Error(back.refusal);
  expect(serialiseBrand(back.brand)).toBe(serialiseBrand(brand));
  return { ...done, after: applied.brand };
};
const list = (after: Brand, at = 0) => after.palettes[at]!.swatches.map(({ id, name, value }) => `${id} ${name} ${value}`);
const colours = (...given: string[]): ArrivingSwatch[] =>
  given.map((words) => ({ name: words.split(' ')[0]!, value: words.split(' ')[1]! }));

test('replaced by name, then by colour, then in order; locked ones stay, unused ones go', () => {
  const { after, replacements } = bring({
    groups: [
      {
        route: { to: 'replace', palette: 'core' },
        swatches: colours('foam #ffffff', 'Harbour #112233', 'Sky #489498', 'New #abcdef'),
      },
    ],
  });
  expect(list(after)).toEqual(['s3 foam #ffffff', 's1 Harbour #006871', 's2 Sky #489498', 'n1 New #abcdef']);
  expect(replacements[0]!.rows.map(({ fate }) => fate)).toEqual(['changed', 'locked', 'same', 'new']);
  // Foam is a token's, Harbour is locked: only Shoal may go.
  const fewer = bring({ groups: [{ route: { to: 'replace', palette: 'core' }, swatches: colours('Foam #eeeeee') }] });
  expect(list(fewer.after)).toEqual(['s3 Foam #eeeeee', 's1 Harbour #006871']);
  expect(fewer.replacements[0]!.rows.map(({ fate }) => fate)).toEqual(['changed', 'locked', 'gone']);
});

test('rows of the source become rows of the palette; swatches that stay keep the row they have', () => {
  const given: ArrivingSwatch[] = [
    { name: 'Foam', value: '#ffffff', row: 'Water' },
    { name: 'Sand', value: '#c1a681', row: 'Land' },
    { name: 'Rope', value: '#a08050' },
  ];
  const rows = (after: Brand, at: number) => after.palettes[at]!.swatches.map(({ name, row }) => [name, row]);
  expect(rows(bring({ groups: [{ route: { to: 'new', name: 'Coast' }, swatches: given }] }).after, 1)).toEqual([
    ['Foam', 'Water'],
    ['Sand', 'Land'],
    ['Rope', undefined],
  ]);
  const replaced = bring({ groups: [{ route: { to: 'replace', palette: 'core' }, swatches: given }] }).after;
  expect(rows(replaced, 0)).toEqual([
    ['Foam', undefined],
    ['Harbour', undefined],
    ['Rope', undefined],
  ]);
});

test('replacing never breaks a token and is undone whole, whatever comes', () => {
  const value = fc.constantFrom('#006871', '#489498', '#ddf0ee', '#123456', 'oklch(0.7 0.3 150)');
  const name = fc.constantFrom('Harbour', 'SHOAL', 'Foam', 'Foam', 'Other');
  fc.assert(
    fc.property(fc.array(fc.record({ name, value }), { minLength: 1, maxLength: 7 }), (swatches) => {
      const { after, replacements } = bring({ groups: [{ route: { to: 'replace', palette: 'core' }, swatches }] });
      const { rows } = replacements[0]!;
      // What was shown before is what is there after.
      expect(rows.flatMap((row) => (row.after ? [row.after.value] : []))).toEqual(
        after.palettes[0]!.swatches.map((swatch, at) => (rows[at]!.fate === 'same' ? rows[at]!.after!.value : swatch.value)),
      );
    }),
  );
});

test('groups go their own ways; new palettes of one name become one', () => {
  const { after, palette } = bring({
    groups: [
      { route: { to: 'new', name: ' Sea ' }, swatches: colours('A #111111') },
      { route: { to: 'append', palette: 'core' }, swatches: colours('B #222222') },
      { route: { to: 'new', name: 'Sea' }, swatches: colours('C #333333') },
      { route: { to: 'append', palette: 'deleted meanwhile' }, swatches: colours('D #444444') },
    ],
  });
  expect(after.palettes.map(({ name, kind, swatches }) => `${name} ${kind} ${swatches.length}`)).toEqual([
    'Core brand 4',
    'Sea categorical 2',
    'Gathered categorical 1',
  ]);
  expect(palette).toBe(after.palettes[1]!.id);
});

const named = (path: string, value: string): ArrivingSwatch => ({ name: path, value, token: { path, description: '' } });
const alias = (path: string, target: string) => ({ path, alias: target, description: 'An alias', value: '#999999' });

test('a new palette whose name is taken in the brand is given a number', () => {
  const route = { to: 'new', name: 'Core' } as const;
  const { after } = bring({
    groups: [
      { route, swatches: colours('a #111111') },
      { route, swatches: colours('b #222222') },
    ],
  });
  expect(after.palettes.map(({ name, swatches }) => [name, swatches.length])).toEqual([
    ['Core', 3],
    ['Core 2', 2],
  ]);
});

test('tokens point at the swatches that came with them, aliases at tokens', () => {
  const { after, tokens } = bring({
    themes: ['day', 'night'],
    groups: [
      { route: { to: 'new', name: 'Sea' }, swatches: [named('sea.deep', '#001122')] },
      { route: { to: 'tokens' }, swatches: [named('sea.foam', '#eeffff')] },
    ],
    aliases: [alias('text.calm', 'text.base'), alias('text.base', 'sea.deep'), alias('text.page', 'page')],
  });
  expect(tokens).toEqual({ added: 5, set: 0 });
  const byPath = new Map(after.tokens.map((token) => [token.path, token]));
  const idOf = (path: string) => byPath.get(path)!.id;
  expect(byPath.get('sea.deep')!.values.night).toEqual({ swatch: after.palettes[1]!.swatches[0]!.id });
  expect(byPath.get('sea.foam')!.values.day).toEqual({ colour: '#eeffff' });
  expect(byPath.get('text.calm')!.values.day).toEqual({ token: idOf('text.base') });
  expect(byPath.get('text.page')!.values.day).toEqual({ token: 't1' });
  expect(byPath.get('text.calm')!.role).toBe('text');
  expect(resolveTheme(after, 'night').get(idOf('text.calm'))!.colour!.hex).toBe('#001122');
});

test('known paths get their value in the one theme; an alias without its target takes the colour and says so', () => {
  const { after, tokens, notes } = bring({
    themes: ['day'],
    groups: [{ route: { to: 'append', palette: 'core' }, swatches: [named('page', '#fafafa')] }],
    aliases: [alias('lost', 'not.there')],
  });
  expect(tokens).toEqual({ added: 1, set: 1 });
  expect(after.tokens[0]!.values).toEqual({ day: { swatch: 'n1' }, night: { swatch: 's1' } });
  expect(after.tokens[2]!.values).toEqual({ day: { colour: '#999999' } });
  expect(notes).toEqual(['1 alias: the token pointed at does not come, so the colour itself is taken.']);
});

test('aliases that turn round what the brand has close no circle on the way', () => {
  // In the brand link points at page; in the file page points at link, and link at text.
  const { after } = bring({
    themes: ['day'],
    groups: [{ route: { to: 'tokens' }, swatches: [named('text', '#123123')] }],
    aliases: [alias('page', 'link'), alias('link', 'text')],
  });
  expect(resolveTheme(after, 'day').get('t1')!.colour!.hex).toBe('#123123');
});

test('any name makes a path, and two that would be alike get a number', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 300 }), (text) =>
      expect(TokenPath.safeParse(tokenPathOf(text)).success).toBe(true),
    ),
  );
  const { after, notes } = bring({
    themes: ['day'],
    groups: [{ route: { to: 'tokens' }, swatches: [named('a b', '#111111'), named('a-b', '#222222')] }],
  });
  expect(after.tokens.slice(2).map(({ path }) => path)).toEqual(['a-b', 'a-b-2']);
  expect(notes).toHaveLength(2);
});

test('what no brand can hold is refused at once, with a sentence', () => {
  const many = Array.from({ length: 10_001 }, (_, at) => ({
    name: `n${at}`,
    value: '#123456',
    token: { path: 'n', description: '' },
  }));
  const groups = [{ route: { to: 'tokens' as const }, swatches: many }];
  expect(bring({ groups, themes: ['day'] })).toMatchObject({
    command: null,
    notes: ['A brand holds at most 10000 tokens, and these are 10001. Take fewer.'],
  });
  expect(bring({ groups: [{ route: { to: 'new', name: 'N' }, swatches: many }] }).command).not.toBeNull();
});
