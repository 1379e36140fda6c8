import { readFileSync } from 'node:fs';
import { unmarked } from '../../formats/kit/marks';
import { markedTokenText } from '../../formats/tokens/dtcg-text';
import { readTokenFiles } from './token-files';
import { apply } from '../../brand/commands/apply';
import { compareTokens, type MappedContext, type TokenChange } from './compare-tokens';
import { Brand } from '../../brand/document/document';
import { newId } from '../../brand/document/identity';
import { takeTokens } from './take-tokens';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const [day] = demo.themes;

type Json = Record<string, Record<string, Record<string, unknown>>>;

/** The demo's Day as a token file that somebody has changed. */
function changed(edit: (json: Json) => void): MappedContext[] {
  const json = JSON.parse(unmarked(markedTokenText(demo, day!)).text) as Json;
  edit(json);
  const { contexts, problems } = readTokenFiles([
    { name: 'day.tokens.json', bytes: new TextEncoder().encode(JSON.stringify(json)) },
  ]);
  expect(problems).toEqual([]);
  return [{ theme: day!, context: contexts[0]! }];
}
const mapped = changed((json) => {
  json.status!.alert!.$value = { colorSpace: 'srgb', components: [0.8, 0.1, 0.1], hex: '#cc1a1a' };
  json.status!.delayed!.$value = { colorSpace: 'srgb', components: [0.172549, 0.588235, 0.364706], hex: '#2c965d' };
  json.text!.link!.$value = '{text.default}';
  json.fare!.adult!.$description = 'Grown people.';
  json.hull = { text: json.text!.soft! };
  json.text!['soft-label'] = json.text!.soft!;
  delete json.text!.soft;
  delete json.hull;
  json.text!.extra = { $type: 'color', $value: '{brand.primary}' };
  json.space = { small: { $type: 'dimension', $value: { value: 4, unit: 'px' } } };
  delete json.mark;
});
const changes = compareTokens(demo, mapped);
const take = (chosen: readonly TokenChange[], carry = true): Brand => {
  const result = apply(demo, takeTokens(demo, mapped, chosen, carry, newId)!);
  if (!result.ok) throw new Error(result.refusal);
  return Brand.parse(result.brand);
};
const byPath = (brand: Brand, path: string) => brand.tokens.find((token) => token.path === path);

test('what is different is told: new, changed with its distance, renamed by a guess, gone', () => {
  expect(
    changes.map(({ kind, path, token }) => `${kind} ${path}${token && token.path !== path ? ` was ${token.path}` : ''}`),
  ).toEqual([
    'changed text.link',
    'renamed text.soft-label was text.soft',
    'added text.extra',
    'changed status.alert',
    'changed status.delayed',
    'changed fare.adult',
    'removed mark.port',
    'removed mark.starboard',
    'removed mark.cardinal',
    'removed mark.wreck',
  ]);
  const alert = changes.find(({ path }) => path === 'status.alert')!.themes[0]!;
  expect([alert.before!.hex, alert.after!.hex, alert.distance]).toEqual(['#da452c', '#cc1a1a', expect.closeTo(7.9, 0)]);
  expect(changes.find(({ path }) => path === 'fare.adult')!.notes).toEqual(['Description: “Grown people.”']);
});

test('all of it taken, the brand says what the file says, and ties are kept or made where colours agree', () => {
  const brand = take(changes);
  expect(compareTokens(brand, mapped)).toEqual([]);
  expect(byPath(brand, 'text.soft-label')!.id).toBe('t-text-soft');
  expect(byPath(brand, 'status.delayed')!.values.day).toEqual({ swatch: 'route-mill-quay' });
  expect(byPath(brand, 'text.extra')!.values.day).toEqual({ token: 't-brand-primary' });
  expect(brand.carried).toEqual([
    { path: ['space', 'small'], json: '{"$type":"dimension","$value":{"value":4,"unit":"px"}}', before: null },
  ]);
});

test('half of it taken, the other half is as it was', () => {
  const brand = take(
    changes.filter((_, at) => at % 2 === 0),
    false,
  );
  const left = compareTokens(brand, mapped).map(({ path }) => path);
  expect(left).toEqual(changes.filter((_, at) => at % 2 === 1).map(({ path }) => path));
  expect(brand.carried).toEqual([]);
});

test('a context of its own becomes a theme; taking nothing does nothing', () => {
  const theme = { id: 'evening', name: 'Evening' };
  const evening = [{ theme, context: mapped[0]!.context }];
  const added = compareTokens(demo, evening);
  const result = apply(
    demo,
    takeTokens(
      demo,
      evening,
      added.filter(({ kind }) => kind === 'changed'),
      false,
      newId,
    )!,
  );
  expect(result.ok && result.brand.themes.at(-1)).toEqual(theme);
  expect(takeTokens(demo, mapped, [], false, newId)).toBeNull();
});
