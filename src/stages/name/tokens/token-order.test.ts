import { fewTokens } from '../../../../tests/few-tokens';
import { apply } from '@/core/brand/commands/apply';
import type { Command } from '@/core/brand/commands/commands';
import { nudged, placedAt } from './token-order';

const brand = fewTokens({ 'a.one': ['#111111'], 'b.x': ['#222222'], 'a.two': ['#333333'], 'a.three': ['#444444'] });
const [one, x, two, three] = brand.tokens;
const after = (command: Command | { refusal: string } | null) => {
  if (!command || 'refusal' in command) return command;
  const applied = apply(brand, command);
  if (!applied.ok) throw new Error(applied.refusal);
  return applied.brand.tokens.map(({ path }) => path).join(' ');
};

test('a token that is dropped on another stands behind it when it came from above, before it otherwise, and in its group', () => {
  expect(after(placedAt(brand, one!.id, two!.id))).toBe('b.x a.two a.one a.three');
  expect(after(placedAt(brand, three!.id, one!.id))).toBe('a.three a.one b.x a.two');
  expect(after(placedAt(brand, x!.id, three!.id))).toBe('a.one a.two a.x a.three');
});

test('tokens of a group go up and down in it past what stands there, and not out of it', () => {
  expect(after(nudged(brand, [two!], 'up'))).toBe('a.two a.one b.x a.three');
  expect(after(nudged(brand, [one!, two!], 'down'))).toBe('b.x a.three a.one a.two');
  expect([nudged(brand, [one!], 'up'), nudged(brand, [three!], 'down'), nudged(brand, [one!, x!], 'up')]).toEqual([
    null,
    null,
    null,
  ]);
});
