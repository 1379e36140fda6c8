import { apply } from '../brand/commands/apply';
import { emptyBrand, type Brand } from '../brand/document/document';
import type { Token } from '../brand/document/token-shape';
import { contrastMoves, hasFailed } from './contrast-moves';

const token = (id: string, role: Token['role'], colour: string): Token => ({
  id,
  path: id,
  role,
  description: '',
  on: [],
  values: { day: { colour } },
});

function brandOf(...tokens: Token[]): Brand {
  return { ...emptyBrand('b', 'B'), tokens };
}

test('what can no longer be read comes first, then what fell; what stayed is not told', () => {
  const page = token('page', 'surface', '#ffffff');
  const before = brandOf(
    page,
    token('same', 'text', '#000000'),
    token('worse', 'text', '#000000'),
    token('lost', 'text', '#767676'),
    token('better', 'text', '#555555'),
  );
  const steps = [
    ['worse', '#333333'],
    ['lost', '#777777'],
    ['better', '#444444'],
  ].map(([id, colour]) => ({ do: 'token.set' as const, id: id!, set: { day: { colour: colour! } } }));
  const applied = apply(before, { label: 'Test', steps });
  if (!applied.ok) throw new Error(applied.refusal);
  const moves = contrastMoves(before, applied.brand);
  expect(moves.map(({ now }) => now.text.id)).toEqual(['lost', 'worse', 'better']);
  expect(moves.map(hasFailed)).toEqual([true, false, false]);
  // #767676 is the lightest grey that passes on white and #777777 does not: 4.54 and 4.48 (WCAG 2.2, contrast ratio).
  expect([moves[0]!.before!.ratio, moves[0]!.now.ratio].map((ratio) => ratio.toFixed(2))).toEqual(['4.54', '4.48']);
  expect(contrastMoves(applied.brand, applied.brand)).toEqual([]);
  expect(contrastMoves(null, before)).toHaveLength(4);
});
