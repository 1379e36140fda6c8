import { identifier, words } from './identifiers';
import { NameScope } from './name-scope';

test.each([
  ['text.on-header', 'path', '', 'text.on-header'],
  ['text.on-header', 'path', 'v1-', 'v1-text.on-header'],
  ['text.on-header', 'kebab', '', 'text-on-header'],
  ['text.on-header', 'kebab', 'v1-', 'v1-text-on-header'],
  ['text.on_header', 'snake', '', 'text_on_header'],
  ['text.onHeader', 'camel', '', 'textOnHeader'],
  ['text.on-header', 'camel', 'acme-v1-', 'acmeV1TextOnHeader'],
  ['text.on-header', 'pascal', '', 'TextOnHeader'],
  ['text.on-header', 'capitals', '', 'TEXT_ON_HEADER'],
  // A digit never comes first, and two numbers never run into one.
  ['0.sky', 'kebab', '', 'colour-0-sky'],
  ['0.sky', 'camel', 'v1-', 'v1_0Sky'],
  ['depth.1.2', 'pascal', '', 'Depth1_2'],
  ['depth.12.x', 'pascal', '', 'Depth12X'],
  ['sea2.x1', 'camel', '', 'sea2X1'],
  ['-.-', 'kebab', '', 'colour----'],
  // Letters of other scripts stay; a letter whose capital is longer stays as it is.
  ['größe.straße', 'capitals', '', 'GRÖßE_STRAßE'],
  ['ßa', 'pascal', '', 'ßa'],
] as const)('%s, %s, with %j before it, is %s', (path, casing, prefix, expected) => {
  expect(identifier(path, casing, prefix)).toBe(expected);
});

test('in letters a to z every word stays another, and a word of the language is no name', () => {
  expect(identifier('größe.straße', 'snake', '', { ascii: true })).toBe('groudfe_straudfe');
  expect(identifier('глубина', 'snake', '', { ascii: true })).toMatch(/^(u4[0-9a-f]{2})+$/);
  const reserved = words('class   default\nTextClass');
  expect(reserved).toEqual(new Set(['class', 'default', 'TextClass']));
  expect(identifier('class', 'camel', '', { reserved })).toBe('classColour');
  expect(identifier('Class', 'pascal', '', { reserved })).toBe('Class');
  expect(identifier('text.class', 'pascal', '', { reserved })).toBe('TextClassColour');
});

test('a scope tells two names that a consumer would take for one, whichever was first, and what the file has itself', () => {
  const scope = new NameScope({ Themes: 'the list of themes' });
  expect([
    scope.claim('text', 'text'),
    scope.claim('Text', 'tex.t'),
    scope.claim('themes', 'themes'),
    scope.claim('other', 'o'),
  ]).toEqual(['text', 'Text', 'themes', 'other']);
  expect(scope.findings.map(({ rule, severity, message }) => [rule, severity, message])).toEqual([
    ['clash', 'error', 'text and tex.t would both be written as Text; rename one.'],
    ['clash', 'error', 'the list of themes and themes would both be written as themes; rename one.'],
  ]);
});
