/** The rules of what people see: what each finds on a few colours, and that its mend puts exactly that right. */
import fc from 'fast-check';
import { changedToken, fewTokens } from '../../../tests/few-tokens';
import { partOfDemo } from '../../../tests/part-of-demo';
import { anyCommand, runAll } from '../../../tests/random-commands';
import { apply } from '../brand/commands/apply';
import { emptyBrand, type Brand } from '../brand/document/document';
import type { Palette } from '../brand/document/palette-shape';
import { accept, acceptanceOf, findingKey, openFindings } from './accept';
import type { Finding, Known, RuleId } from './finding';
import { Finder, findingsOf, mendOf, ruleById, RULES, worstFirst } from './rules';
import { MOST_TOLD } from './worst';

const found = (brand: Brand, rule: RuleId, known?: Known) => findingsOf(brand, [ruleById(rule)!], known);
const words = (brand: Brand, rule: RuleId, known?: Known) => found(brand, rule, known).map(({ message }) => message);
function mended(brand: Brand, findings: readonly Finding[]): Brand {
  const result = apply(brand, mendOf(brand, findings, 'Mend')!);
  if (!result.ok) throw new Error(result.refusal);
  return result.brand;
}
const palette = (kind: Palette['kind'], colours: readonly string[], id = 'p'): Palette => ({
  id,
  name: id === 'p' ? 'Sea' : 'Land',
  kind,
  swatches: colours.map((value, at) => ({ id: `${id}${at}`, name: `${id}${at}`, value, locked: false })),
});
const withPalettes = (...palettes: Palette[]): Brand => ({ ...emptyBrand('b', 'Few'), palettes });

test.each<[RuleId, Brand, string[]]>([
  [
    'alike',
    withPalettes(palette('categorical', ['#1f6f78', '#2f7f88', '#d55e00'])),
    ['Sea: p0 and p1 are ΔE 5.9 apart, and a chart wants 10.'],
  ],
  [
    'alike-vision',
    withPalettes(palette('categorical', ['#b15928', '#4d7f17', '#0072b2'])),
    ['Sea: to somebody without green cones p0 and p1 are ΔE 3.2 apart, and 5.5 tell them.'],
  ],
  [
    'near-duplicate',
    withPalettes(palette('loose', ['#1f6f78', '#1f6f78', '#c07a00']), palette('loose', ['#c07a01', '#c07a00'], 'q')),
    [
      'Sea / p0 and Sea / p1 are the same colour.',
      'Sea / p2 and Land / q0 are ΔE 0.05 apart, which nobody sees.',
      'Land / q0 and Land / q1 are ΔE 0.05 apart, which nobody sees.',
    ],
  ],
  [
    'not-monotone',
    withPalettes(palette('sequential', ['#ffffff', '#777777', '#999999', '#111111'])),
    ['Sea is sequential, and its lightness does not go on from p1 to p2; more does not look like more.'],
  ],
  [
    'uneven',
    withPalettes(palette('sequential', ['#ffffff', '#fbfbfb', '#111111'])),
    ['Sea: its longest step is 116.4 times its shortest, from p0 to p1; 5 times is the most.'],
  ],
  [
    'arms',
    withPalettes(palette('diverging', ['#00669b', '#91b9d1', '#f3efed', '#e8d5cd', '#dcc2b6'])),
    ['Sea is diverging, and its ends differ in lightness by 0.35, so one side looks like more; 0.22 is the most.'],
  ],
  [
    'state',
    fewTokens(
      { page: '#ffffff', 'button.rest': '#1f6f78', 'button.hover': '#20707a' },
      { page: 'surface', 'button.hover': 'state' },
    ),
    ['button.hover in Day cannot be told from button.rest: ΔE-OK 0.004, and 0.02 is just noticeable.'],
  ],
  [
    'contrast-graphic',
    fewTokens(
      { page: '#ffffff', 'line.focus': '#bbbbbb', 'bar.one': '#cccccc' },
      { page: 'surface', 'line.focus': 'border', 'bar.one': 'data' },
    ),
    [
      'bar.one on page in Day has a contrast of 1.60 to 1, and a graphic wants 3.',
      'line.focus on page in Day has a contrast of 1.91 to 1, and a graphic wants 3.',
    ],
  ],
])('%s: found with its numbers, and gone when it is mended', (rule, brand, expected) => {
  expect(words(brand, rule)).toEqual(expected);
  expect(words(mended(brand, found(brand, rule)), rule)).toEqual([]);
});

test('a rule says nothing of what is as it should be', () => {
  const fine = withPalettes(
    palette('categorical', ['#0072b2', '#e69f00', '#000000']),
    palette('sequential', ['#ffffff', '#cccccc', '#999999', '#666666'], 'q'),
  );
  for (const { id } of RULES) expect([id, words(fine, id)]).toEqual([id, []]);
});

test('enhanced contrast: a note, and an error where the theme promises it', () => {
  const brand = fewTokens({ page: ['#ffffff', '#ffffff'], ink: ['#6b6b6b', '#6b6b6b'] }, { page: 'surface', ink: 'text' });
  const promising: Brand = {
    ...brand,
    themes: brand.themes.map((theme) => (theme.id === 'night' ? { ...theme, enhanced: true } : theme)),
  };
  expect(found(promising, 'contrast-enhanced').map(({ severity, message }) => [severity, message])).toEqual([
    ['error', 'ink on page in Night has a contrast of 5.32 to 1, and Night promises 7.'],
    ['note', 'ink on page in Day has a contrast of 5.32 to 1, and the enhanced level wants 7.'],
  ]);
  expect(words(mended(promising, found(promising, 'contrast-enhanced')), 'contrast-enhanced')).toEqual([]);
});

test('the classes of a series need no contrast with the ground, and what is disabled or under the pointer neither', () => {
  const brand = withPalettes(palette('sequential', ['#ffffff', '#eeeeee', '#dddddd']));
  const tokens = fewTokens(
    { page: '#ffffff', 'sea.1': '#ffffff', 'b.hover': '#eeeeee', 'b.disabled': '#eeeeee' },
    { page: 'surface', 'sea.1': 'data', 'b.hover': 'state', 'b.disabled': 'state' },
  );
  const joined = { ...tokens, palettes: brand.palettes };
  expect(words(joined, 'contrast-graphic')).toHaveLength(1);
  expect(words(changedToken(joined, 'sea.1', { values: { day: { swatch: 'p1' } } }), 'contrast-graphic')).toEqual([]);
});

test('what lies outside sRGB is told where a destination cannot hold it, and only there', () => {
  const brand: Brand = {
    ...fewTokens({ vivid: 'color(display-p3 0 1 0)', calm: '#336699' }),
    destinations: [{ id: 'd', name: 'Charts', format: 'echarts', options: {} }],
  };
  const narrow: Known = { narrow: ({ tokens }) => tokens };
  expect(words(brand, 'gamut', narrow)).toEqual([
    expect.stringMatching(
      /^vivid in Day lies outside sRGB by ΔE-OK 0\.\d{3}, and Charts cannot hold it; the nearest, #00[0-9a-f]{4}, is written\.$/,
    ),
  ]);
  expect(words(brand, 'gamut', { narrow: () => [] })).toEqual([]);
  expect(words(brand, 'gamut')).toEqual([]);
  expect(words(mended(brand, found(brand, 'gamut', narrow)), 'gamut', narrow)).toEqual([]);
});

test('a circle is told with its way', () => {
  const brand = fewTokens({ a: '{b}', b: '{c}', c: '{a}', d: '#111111' });
  expect(words(brand, 'cycle')).toEqual(['In Day tokens lead in a circle: a → b → c → a.']);
});

test('of a great many the worst are told one by one, and how many there are more', () => {
  const colours = Array.from({ length: MOST_TOLD + 60 }, (_, at) => `#${(at * 64 + 0x300000).toString(16).padStart(6, '0')}`);
  const told = words(withPalettes(palette('loose', [...colours, ...colours])), 'near-duplicate');
  expect(told).toHaveLength(MOST_TOLD + 1);
  expect(told.at(-1)).toMatch(/^There are [\d,]+ more of these, less far off\.$/);
});

describe('accepting', () => {
  const brand = withPalettes(palette('categorical', ['#1f6f78', '#2f7f88', '#d55e00']));
  const [alike] = found(brand, 'alike');
  const accepted = apply(brand, accept(brand, alike!, ' They never stand in one chart. ', 'x1'));
  if (!accepted.ok) throw new Error(accepted.refusal);

  test('what is accepted stays on record with its reason, and counts no longer as open', () => {
    expect(accepted.brand.acceptances).toEqual([
      {
        id: 'x1',
        finding: findingKey(alike!),
        said: alike!.message,
        value: expect.closeTo(4.1),
        reason: 'They never stand in one chart.',
      },
    ]);
    expect(acceptanceOf(accepted.brand, alike!)?.reason).toBe('They never stand in one chart.');
    expect(openFindings(accepted.brand, found(accepted.brand, 'alike'))).toEqual([]);
    expect(openFindings(brand, found(brand, 'alike'))).toHaveLength(1);
    const undone = apply(accepted.brand, accepted.inverse);
    expect(undone.ok && undone.brand).toEqual(brand);
  });

  test('what becomes worse is found again, and can be accepted anew; what becomes better stays accepted', () => {
    const moved = (value: string): Brand => ({
      ...accepted.brand,
      palettes: accepted.brand.palettes.map((each) => ({
        ...each,
        swatches: each.swatches.map((swatch) => (swatch.id === 'p1' ? { ...swatch, value } : swatch)),
      })),
    });
    expect(openFindings(moved('#318189'), found(moved('#318189'), 'alike'))).toEqual([]);
    const worse = moved('#257580');
    const [again] = openFindings(worse, found(worse, 'alike'));
    expect(again).toBeDefined();
    const anew = apply(worse, accept(worse, again!, 'Still never in one chart.', 'x2'));
    expect(anew.ok && anew.brand.acceptances.map(({ id }) => id)).toEqual(['x2']);
    expect(anew.ok && openFindings(anew.brand, found(anew.brand, 'alike'))).toEqual([]);
  });

  test('nobody accepts without a reason, or twice', () => {
    const command = accept(accepted.brand, alike!, 'Again.', 'x3');
    expect(apply(accepted.brand, { ...command, steps: command.steps.slice(1) })).toEqual({
      ok: false,
      refusal: 'This has been accepted already.',
    });
  });
});

test('asked for one state of a brand after the other, the finder gives what the rules give, and asks again only where something changed', () => {
  const brand = fewTokens({ page: '#ffffff', ink: '#999999' }, { page: 'surface', ink: 'text' });
  const finder = new Finder({});
  const first = finder.find(brand);
  expect(first).toEqual(worstFirst(findingsOf(brand, RULES)));
  const darker = changedToken(brand, 'ink', { values: { day: { colour: '#111111' } } });
  expect(finder.find(darker)).toEqual(worstFirst(findingsOf(darker, RULES)));
  const renamed = { ...darker, name: 'Other' };
  expect(finder.find(renamed).every((each, at) => each === finder.find(darker)[at])).toBe(true);
});

test('whatever was edited, the finder gives what all rules give when they are asked anew', () => {
  const known: Known = { written: ({ tokens }) => tokens.slice(0, 30) };
  fc.assert(
    fc.property(fc.array(anyCommand, { minLength: 1, maxLength: 20 }), (picks) => {
      const finder = new Finder(known);
      finder.find(partOfDemo);
      let brand = partOfDemo;
      for (const pick of picks) {
        brand = runAll(brand, [pick]).brand;
        expect(finder.find(brand)).toEqual(new Finder(known).find(brand));
      }
    }),
    { numRuns: 40 },
  );
});
