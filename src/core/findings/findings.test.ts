import { Brand, emptyBrand } from '../brand/document/document';
import { readFileSync } from 'node:fs';
import { apply } from '../brand/commands/apply';
import type { Command, Step } from '../brand/commands/commands';
import { usesOf } from '../brand/reading/where-used';
import { tokensWritten } from '../formats/registry';
import type { RuleId } from './finding';
import { findingsOf, mendOf, mendOffered, RULES } from './rules';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const done = (brand: Brand, ...steps: Step[]) => run(brand, { label: 'x', steps });
function run(brand: Brand, command: Command): Brand {
  const result = apply(brand, command);
  if (!result.ok) throw new Error(result.refusal);
  return result.brand;
}
const found = (brand: Brand, rule: RuleId) =>
  findingsOf(brand, RULES, { written: tokensWritten }).filter((made) => made.rule === rule);
const words = (brand: Brand, rule: RuleId) => found(brand, rule).map(({ message }) => message);

test('a missing colour is told with the whole way to where it is missing', () => {
  const brand = done(demo, { do: 'token.set', id: 't-brand-primary', set: { dusk: null } });
  expect(words(brand, 'no-colour')).toContain('text.link has no colour in Dusk: text.link → brand.primary → nothing.');
});

test('names of another convention are renamed all at once, and then nothing is left to say', () => {
  const camel = done(demo, { do: 'brand.edit', set: { naming: 'camel' } });
  const wrong = found(camel, 'naming');
  expect(wrong.length).toBeGreaterThan(10);
  expect(mendOffered(wrong[0]!)).toBe(`Rename to ${wrong[0]!.data.to}`);
  const mended = run(camel, mendOf(camel, wrong, 'x')!);
  expect(words(mended, 'naming')).toEqual([]);
  expect(mended.destinations[0]!.options).toMatchObject({ scale: 'seaState' });
});

test('what points at a deprecated token is pointed at its replacement', () => {
  const brand = done(demo, { do: 'token.set', id: 't-text-link', set: { day: { token: 't-brand-teal' } } });
  const [first] = found(brand, 'deprecated');
  expect([first!.message, mendOffered(first!)]).toEqual([
    'text.link points at brand.teal, which is deprecated; brand.primary is to be used instead.',
    'Point text.link at what is in use',
  ]);
  const mended = run(brand, mendOf(brand, [first!], 'x')!);
  expect(mended.tokens.find(({ path }) => path === 'text.link')!.values.day).toEqual({ token: 't-brand-primary' });
});

test('unused swatches and tokens that nothing needs are told apart from those in use, and go in one step', () => {
  const onlyGame = { ...demo, destinations: demo.destinations.filter(({ format }) => format === 'echarts') };
  const unused = words(onlyGame, 'unused');
  expect(unused).toContain('trainer.sky goes to no destination, and nothing points at it.');
  expect(unused.some((sentence) => sentence.startsWith('route.') || sentence.startsWith('brand.primary'))).toBe(false);
  const tidy = run(onlyGame, mendOf(onlyGame, found(onlyGame, 'unused'), 'x')!);
  expect(words(tidy, 'unused').filter((sentence) => unused.includes(sentence))).toEqual([]);
  // Deck paint, of which nothing is used yet, is no litter.
  expect(words(demo, 'unused').filter((sentence) => sentence.startsWith('No token uses'))).toEqual([
    'No token uses Ember (#440600).',
    'No token uses Pine (#1a3305).',
    'No token uses Moss (#6a6a45).',
  ]);
  // Before the formats are there, nothing is said of what goes nowhere.
  expect(findingsOf(onlyGame, RULES).some(({ message }) => message.includes('goes to no destination'))).toBe(false);
});

test('texts that cannot be read are told with their ratio and the limit, and mended in one step', () => {
  const failing = found(demo, 'contrast-text');
  expect(failing.length).toBeGreaterThan(0);
  for (const { message, data, subject, severity } of failing) {
    expect(message).toMatch(/ has a contrast of \d+\.\d\d to 1, and text wants 4\.5\.$/);
    expect([data.limit, Number(data.value) < 4.5, subject.tokens!.length, severity]).toEqual([4.5, true, 2, 'error']);
  }
  expect(words(run(demo, mendOf(demo, failing, 'x')!), 'contrast-text').length).toBeLessThan(failing.length);
});

test('uses of a swatch reach through aliases and states to destinations and fields', () => {
  const { tokens, destinations, fields } = usesOf(demo, { swatch: 'core-harbour' }, tokensWritten);
  expect(tokens.map(({ path }) => path)).toEqual(
    expect.arrayContaining(['brand.primary', 'text.link', 'action.confirm.hover', 'console.button.pressed']),
  );
  // Not the charts, which take other tokens, nor the terminal.
  expect(destinations.map(({ id }) => id)).toEqual(['d-site', 'd-game', 'd-console', 'd-classes', 'd-workbook', 'd-tokens']);
  expect(usesOf(demo, { swatch: 'route-tern-islet' }, tokensWritten).fields.map(({ name }) => name)).toEqual(['Route']);
  expect(fields).toEqual([]);
});

test('a reference of what is carried that leads nowhere is found', () => {
  const brand: Brand = {
    ...emptyBrand('b', 'B'),
    carried: [{ path: ['edge'], json: '{"$value":{"color":"{gone.one}"}}', before: null }],
  };
  expect(words(brand, 'lost-reference')).toEqual(['edge, which is not a colour, points at gone.one, which is not there.']);
});
