/** Templates: what they can say, and what they cannot do. */
import type { Brand } from '../../brand/document/document';
import { demo } from '../../../../tests/harsh-brand';
import { writeDestination } from '../registry';

function rendered(source: string, options: Record<string, string> = {}, brand: Brand = demo) {
  const { files, findings } = writeDestination(brand, { name: 'Here', format: 'template', options: { source, ...options } });
  return {
    text: new TextDecoder().decode(files[0]?.bytes),
    paths: files.map(({ path }) => path),
    errors: findings.filter(({ severity }) => severity === 'error').map(({ message }) => message),
  };
}

test('every part of the model is there', () => {
  const source = `{{ brand.slug }}|{{ themes.size }}|{{ theme.name }}|{% assign t = tokens | where: "path", "text.on-header" | first %}{{ t.name }}|{{ t.group }}|{{ t.last }}|{{ t.role }}|{{ t.hex }}|{{ t.argb }}|{{ t.red }},{{ t.green }},{{ t.blue }}|{{ t.path | pascal }}|{{ palettes[0].swatches[0].hex }}|{{ fields[0].values[6].text }}={{ fields[0].values[6].hex }}|{{ "a<b" | xml }}|{{ 'say "hi"' | quoted }}|{{ "a */ b" | comment }}`;
  const { text, errors } = rendered(source);
  expect(errors).toEqual([]);
  expect(text).toBe(
    'quillhaven-ferries|4|Day|text.on-header|text|on-header|text|#ddf0ee|ffddf0ee|221,240,238|TextOnHeader|#006871|Tern Islet=#d375a4|a&#60;b|"say \\"hi\\""|a * / b',
  );
});

test('one file a theme carries the theme in its name and its colours', () => {
  const { paths, errors } = rendered('{{ tokens[0].hex }}', { each: 'theme', file: 'deck.conf.in' });
  expect(errors).toEqual([]);
  expect(paths.map((path) => path.replace('text/', ''))).toEqual([
    'deck-day.conf.in',
    'deck-dusk.conf.in',
    'deck-night-bridge.conf.in',
    'deck-high-contrast.conf.in',
  ]);
});

const doubling = '{% assign s = "xxxxxxxxxxxxxxxx" %}{% for i in (1..60) %}{% assign s = s | append: s %}{% endfor %}{{ s }}';
const capturing =
  '{% assign s = "xxxxxxxxxxxxxxxx" %}{% for i in (1..40) %}{% capture s %}{{ s }}{{ s }}{% endcapture %}{% endfor %}{{ s }}';
const nested = '{% for a in (1..9999) %}{% for b in (1..9999) %}{% assign x = a %}{% endfor %}{% endfor %}';

test.each([
  ['a loop without end', '{% for i in (1..9000000000) %}{% endfor %}', 'gathers too much at once'],
  ['loops in loops', nested, 'runs for more than 1 second'],
  ['a gigabyte', '{% for i in (1..100000) %}{{ themes | json }}{% endfor %}', 'more than 4 million characters'],
  ['a text that doubles', doubling, 'gathers too much at once'],
  ['a capture that doubles', capturing, 'Line 1 of the template'],
  ['another file', '{% include "/etc/passwd" %}', 'tag "include" not found'],
  ['another file, rendered', '{% render "x" %}', 'tag "render" not found'],
  ['the program', '{{ brand.constructor.constructor }}', 'undefined variable: brand.constructor'],
  ['its prototype', '{{ brand.__proto__.x }}', 'undefined variable: brand.__proto__'],
  ['today', '{{ "now" | date: "%Y" }}', 'undefined filter: date'],
  ['a name that is not there', 'a\nb\n{{ tokns }}', 'Line 3 of the template: undefined variable: tokns.'],
  [
    'an expression for every item',
    '{% assign many = (1..3000000) | where_exp: "n", "n > tokens" %}',
    'Line 1 of the template: undefined filter: where_exp',
  ],
  ['a tag that is not closed', '{% for t in tokens %}', 'Line 1 of the template: tag {% for t in tokens %} not closed.'],
])('%s is refused with a sentence', (_name, source, words) => {
  const { errors, paths } = rendered(source);
  expect(paths).toEqual([]);
  expect(errors).toEqual([expect.stringContaining(words)]);
});
