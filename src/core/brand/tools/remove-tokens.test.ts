import { changedToken, fewTokens } from '../../../../tests/few-tokens';
import { partOfDemo } from '../../../../tests/part-of-demo';
import { apply } from '../commands/apply';
import { referencesOf } from '../document/kinds';
import type { Brand } from '../document/document';
import type { Token } from '../document/token-shape';
import { removalSteps, unlinkSteps } from './remove-tokens';
import { orphanTokens, unusedSwatches, usesOf } from '../reading/where-used';

const paths = (tokens: readonly Token[]) => tokens.map(({ path }) => path);

describe('removing and unlinking', () => {
  const rule = { state: 'hover' as const, of: 'base', surface: 'page', step: 0.06, chroma: 1, least: 1 };
  const plain = fewTokens({
    base: ['#336699', '#6699cc'],
    page: ['#ffffff', '#000000'],
    link: ['{base}', '#123456'],
    hover: [undefined, '#abcdef'],
    text: ['#000', '#fff'],
    old: ['#111', '#222'],
    far: ['{link}', '{link}'],
    lost: ['{gone}', undefined],
  });
  const brand: Brand = {
    ...changedToken(changedToken(changedToken(plain, 'hover', { rule }), 'text', { on: ['base', 'page'] }), 'old', {
      deprecated: { note: 'x', use: 'base' },
    }),
    fields: [
      { id: 'f', name: 'F', group: 'g', values: [{ text: 'A', token: 'base' }, { text: 'B' }, { text: 'C', token: 'page' }] },
      { id: 'h', name: 'H', group: 'g', values: [{ text: 'A' }] },
    ],
  };

  test('what is tied to a token that goes keeps its colour and loses the tie', () => {
    expect(removalSteps(brand, ['base'])).toEqual([
      { do: 'token.set', id: 'link', set: { day: { colour: '#336699' } } },
      { do: 'token.set', id: 'hover', set: { day: { colour: expect.stringMatching(/^#[0-9a-f]{6}$/) } } },
      { do: 'token.edit', id: 'hover', set: { rule: null } },
      { do: 'token.edit', id: 'text', set: { on: ['page'] } },
      { do: 'token.edit', id: 'old', set: { deprecated: { note: 'x' } } },
      { do: 'field.edit', id: 'f', set: { values: [{ text: 'A' }, { text: 'B' }, { text: 'C', token: 'page' }] } },
      { do: 'token.remove', ids: ['base'] },
    ]);
    // What goes together is not loosened from one another.
    expect(removalSteps(brand, ['far'])).toEqual([{ do: 'token.remove', ids: ['far'] }]);
    expect(removalSteps(brand, ['link', 'far'])).toEqual([{ do: 'token.remove', ids: ['link', 'far'] }]);
    // Without a colour there is none to keep.
    expect(removalSteps(brand, ['gone'])).toEqual([
      { do: 'token.set', id: 'lost', set: { day: null } },
      { do: 'token.remove', ids: ['gone'] },
    ]);
  });

  test('a token unlinked has colours of its own, and no rule once that is so in every theme', () => {
    const steps = (path: string, themes: string[]) =>
      unlinkSteps(
        brand,
        brand.tokens.filter((token) => token.path === path),
        themes,
      );
    expect(steps('link', ['day', 'night'])).toEqual([{ do: 'token.set', id: 'link', set: { day: { colour: '#336699' } } }]);
    expect(steps('hover', ['day', 'night'])).toEqual([
      { do: 'token.set', id: 'hover', set: { day: { colour: expect.any(String) } } },
      { do: 'token.edit', id: 'hover', set: { rule: null } },
    ]);
    expect([steps('hover', ['night']), steps('base', ['day', 'night']), steps('lost', ['day'])]).toEqual([[], [], []]);
  });

  test('uses of a token and of a swatch; what nothing uses', () => {
    const swatches = ['s', 't'].map((id) => ({ id, name: id, value: '#111', locked: false }));
    const linked: Brand = {
      ...changedToken(brand, 'base', { values: { day: { swatch: 's' } } }),
      palettes: [{ id: 'p', name: 'P', kind: 'loose', swatches }],
      destinations: ['d', 'e'].map((id) => ({ id, name: id, format: id, options: {} })),
    };
    const written = (all: Brand, { id }: { id: string }) =>
      all.tokens.filter((token) => (id === 'd' ? token.path === 'far' : token.path === 'page'));
    const uses = (target: { swatch: string } | { token: string }) => {
      const { tokens, destinations, fields } = usesOf(linked, target, written);
      return [paths(tokens), destinations.map(({ id }) => id), fields.map(({ id }) => id)];
    };
    expect(uses({ swatch: 's' })).toEqual([expect.arrayContaining(['base', 'link', 'far', 'hover']), ['d'], ['f']]);
    expect(uses({ swatch: 't' })).toEqual([[], [], []]);
    expect(uses({ token: 'page' })).toEqual([['hover'], ['e'], ['f']]);
    expect(uses({ token: 'far' })).toEqual([[], ['d'], []]);
    expect(unusedSwatches(linked).map(({ id }) => id)).toEqual(['t']);
    expect(paths(orphanTokens(linked, written))).toEqual(['hover', 'text', 'old', 'lost']);
    expect(orphanTokens({ ...linked, destinations: [] }, written)).toEqual([]);
  });
});

test('tokens that speak of each other, removed together in any order, come back by one undo', () => {
  const pairs = partOfDemo.tokens.flatMap((token) =>
    referencesOf('token', token).flatMap(({ to, id }) =>
      to === 'token'
        ? [
            [token.id, id],
            [id, token.id],
          ]
        : [],
    ),
  );
  expect(pairs.length).toBeGreaterThan(20);
  for (const ids of pairs) {
    const removed = apply(partOfDemo, { label: 'Remove', steps: removalSteps(partOfDemo, ids) });
    if (!removed.ok) throw new Error(removed.refusal);
    expect(removed.brand.tokens).toHaveLength(partOfDemo.tokens.length - 2);
    expect(apply(removed.brand, removed.inverse)).toMatchObject({ ok: true, brand: partOfDemo });
  }
});
