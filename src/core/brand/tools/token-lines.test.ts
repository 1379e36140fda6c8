import { fewTokens } from '../../../../tests/few-tokens';
import { apply } from '../commands/apply';
import type { Brand } from '../document/document';
import { resolveTheme } from '../reading/resolve';
import { pathsOffered, tokensFromLines } from './token-lines';

const few = fewTokens({
  'text.soft': '#777777',
  'button.main.rest': ['#111111', '#eeeeee'],
  'button.main.hover': '#222222',
  'button.risk.rest': '#900',
});
const swatch = (id: string, name: string, value: string) => ({ id, name, value, locked: false });
const brand: Brand = {
  ...few,
  palettes: [
    { id: 'p', name: 'Core', kind: 'brand', swatches: [swatch('s1', 'Harbour', '#006871'), swatch('s2', 'teal', '#123456')] },
    { id: 'q', name: 'Deck', kind: 'loose', swatches: [swatch('s3', 'Harbour', '#aa0000')] },
  ],
};
const ids = () => {
  let n = 0;
  return () => `n${++n}`;
};

test('each way to write a path with its value; an alias may point at another line', () => {
  const lines = [
    'a.tab\t#ff0000',
    'a.equals = {text.soft}',
    'a.colon: Harbour;',
    'a.comma, Deck / Harbour',
    'a.space rgb(1 2 3)',
    'a.digits 00ff00',
    'text.on-accent {a.tab}',
    'a.named teal',
    '',
  ];
  const { command, added, refused } = tokensFromLines(brand, lines.join('\r\n'), ids());
  expect(refused).toEqual([]);
  const applied = apply(brand, command!);
  if (!applied.ok) throw new Error(applied.refusal);
  const shown = resolveTheme(applied.brand, 'night');
  expect(added.map(({ id }) => [shown.get(id)!.token.path, shown.get(id)!.colour!.hex, shown.get(id)!.token.role])).toEqual([
    ['a.tab', '#ff0000', 'other'],
    ['a.equals', '#777777', 'other'],
    ['a.colon', '#006871', 'other'],
    ['a.comma', '#aa0000', 'other'],
    ['a.space', '#010203', 'other'],
    ['a.digits', '#00ff00', 'other'],
    ['text.on-accent', '#ff0000', 'text'],
    ['a.named', '#123456', 'other'],
  ]);
  expect(command!.label).toBe('Add 8 tokens');
});

test('what gives no token is said line by line, and the rest is added', () => {
  const { command, refused } = tokensFromLines(
    brand,
    'text.soft\t#fff\n{x}\t#fff\nb.one\nb.two nonsense\nb.three {b.two}\nb.four {b.four}\nb.five red\nb.five blue',
    ids(),
  );
  expect(command).toMatchObject({ label: 'Name b.five' });
  expect(refused).toEqual([
    'text.soft is there already.',
    expect.stringContaining('“{x}\t#fff”: The characters { } and $ are reserved'),
    'b.one has no value beside it: a swatch, another token, or a colour.',
    'b.five is there already.',
    'b.two: “nonsense” is neither a swatch, nor a token, nor a colour.',
    'And 2 more.',
  ]);
});

test('while a path is typed, groups are offered, and what groups beside it hold', () => {
  expect(pathsOffered(brand, '')).toEqual(['text.', 'button.', 'button.main.', 'button.risk.']);
  expect(pathsOffered(brand, 'but')).toEqual(['button.', 'button.main.', 'button.risk.']);
  expect(pathsOffered(brand, 'button.risk.')).toEqual(['button.risk.hover']);
  expect(pathsOffered(brand, 'button.new.h')).toEqual(['button.new.hover']);
  expect(pathsOffered(brand, 'nothing')).toEqual([]);
});
