import { readFileSync } from 'node:fs';
import { apply } from './apply';
import type { Step } from './commands';
import { Brand } from '../document/document';
import type { StateRule } from '../document/token-shape';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const run = (...steps: Step[]) => apply(demo, { label: 'x', steps });
const refusal = (...steps: Step[]) => {
  const result = run(...steps);
  return result.ok ? null : result.refusal;
};
const done = (...steps: Step[]) => {
  const result = run(...steps);
  if (!result.ok) throw new Error(result.refusal);
  return result;
};
const rule = (of: string, surface = 't-surface-page'): StateRule => ({
  state: 'hover',
  of,
  surface,
  step: 0.06,
  chroma: 1,
  least: 1,
});

test('many tokens are edited in one go: paths may change places, and the whole is taken back at once', () => {
  const swap: Step[] = [
    { do: 'token.edit', id: 't-text-soft', set: { path: 'text.default' } },
    { do: 'token.edit', id: 't-text-default', set: { path: 'text.soft' } },
  ];
  const { brand, inverse } = done(...swap);
  expect(brand.tokens.find(({ id }) => id === 't-text-soft')!.path).toBe('text.default');
  const back = apply(brand, inverse);
  expect(back.ok && back.brand.tokens).toEqual(demo.tokens);
  expect(refusal(swap[0]!)).toBe('There is a token text.default already. Choose another path.');
});

test('five thousand values are set as quickly as one list is walked', () => {
  const many: Step[] = Array.from({ length: 5_000 }, (_, at) => ({
    do: 'token.set',
    id: demo.tokens[at % demo.tokens.length]!.id,
    set: { day: { colour: `#${(at + 0x100000).toString(16)}` } },
  }));
  const { brand, inverse } = done(...many);
  const back = apply(brand, inverse);
  expect(back.ok && back.brand).toEqual(demo);
});

test.each([
  [
    'straight',
    [{ do: 'token.set', id: 't-brand-primary', set: { day: { token: 't-text-link' } } }],
    'brand.primary → text.link → brand.primary',
  ],
  [
    'by way of a state',
    [{ do: 'token.set', id: 't-brand-primary', set: { dusk: { token: 't-action-confirm-hover' } } }],
    'brand.primary → action.confirm.hover → action.confirm.rest → brand.primary',
  ],
  [
    'by a rule that is made of itself',
    [
      { do: 'token.edit', id: 't-status-departed', set: { rule: rule('t-status-departed') } },
      { do: 'token.set', id: 't-status-departed', set: { night: null } },
    ],
    'status.departed → status.departed',
  ],
  [
    'where a value is taken away and a rule shows',
    [
      { do: 'token.edit', id: 't-text-link', set: { rule: rule('t-border-focus') } },
      { do: 'token.set', id: 't-border-focus', set: { day: { token: 't-text-link' } } },
      { do: 'token.set', id: 't-text-link', set: { day: null } },
    ],
    'border.focus',
  ],
] as [string, Step[], string][])('a circle %s is refused with its whole path', (_name, steps, path) => {
  expect(refusal(...steps)).toContain('go round in a circle');
  const told = refusal(...steps)!;
  for (const stop of path.split(' → ')) expect(told).toContain(stop);
});

test('a new theme with values that close a circle through a rule is refused', () => {
  const values = { 't-action-confirm-rest': { token: 't-action-confirm-hover' } };
  expect(refusal({ do: 'theme.add', theme: { id: 'noon', name: 'Noon' }, before: null, values })).toContain('circle');
});

test.each([
  ['a rule', { do: 'token.edit', id: 't-text-soft', set: { rule: rule('gone') } }, 'That token is no longer there'],
  [
    'a replacement',
    { do: 'token.edit', id: 't-text-soft', set: { deprecated: { note: '', use: 'gone' } } },
    'That token is no longer there',
  ],
  [
    'a value in a theme',
    { do: 'token.set', id: 't-text-soft', set: { gone: { colour: 'red' } } },
    'That theme is no longer there',
  ],
  ['a swatch', { do: 'token.set', id: 't-text-soft', set: { day: { swatch: 'gone' } } }, 'That swatch is no longer there'],
  ['a token', { do: 'token.set', id: 'gone', set: { day: { colour: 'red' } } }, 'That token is no longer there'],
  [
    'a pinned value',
    { do: 'field.edit', id: 'f-route', set: { values: [{ text: 'Reed Bank', token: 'gone' }] } },
    'The token that Reed Bank is pinned to is no longer there',
  ],
] as [string, Step, string][])('%s that leads to nothing is refused', (_name, step, sentence) => {
  expect(refusal(step)).toContain(sentence);
});

test.each([
  ['aliases and states', 't-brand-primary', 'brand.primary cannot go while text.link, border.focus, brand.teal and'],
  ['what it is set on', 't-surface-header', 'surface.header cannot go while text.on-header uses it'],
  [
    'a replacement for what is deprecated',
    't-route-tern-islet',
    'route.tern-islet cannot go while Tern Islet of Route is pinned to it',
  ],
])('a token stays while others speak of it: %s', (_name, id, sentence) => {
  expect(refusal({ do: 'token.remove', ids: [id] })).toContain(sentence);
});

test('somebody’s later work on a list of values is not overwritten unseen', () => {
  const was = { values: [{ text: 'another' }] };
  expect(refusal({ do: 'field.edit', id: 'f-route', set: { values: [] }, was })).toContain('Route has been changed since');
});
