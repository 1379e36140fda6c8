import { fewTokens } from '../../../../tests/few-tokens';
import type { StateRule, Token } from '../document/token-shape';
import { stateFamilies, stateTokens } from './state-tokens';

const paths = (tokens: readonly Token[]) => tokens.map(({ path }) => path);

describe('states', () => {
  const brand = fewTokens({ 'action.confirm.rest': '#336699', plain: '#111111' });
  const made = (path: string, text?: string) => {
    let next = 0;
    const base = brand.tokens.find((token) => token.path === path)!;
    return stateTokens(base, 'page', text, ['hover', 'disabled'], () => `n${next++}`);
  };

  test('are tokens without values, made by rule in every theme; what is disabled need not be read', () => {
    const [hover, disabled] = made('action.confirm.rest', 'on-action');
    expect(hover).toEqual({
      id: 'n0',
      path: 'action.confirm.hover',
      role: 'state',
      description: '',
      on: [],
      values: {},
      rule: {
        state: 'hover',
        of: 'action-confirm-rest',
        surface: 'page',
        text: 'on-action',
        step: expect.any(Number),
        chroma: expect.any(Number),
        least: expect.any(Number),
      },
    });
    expect([disabled!.path, (disabled!.rule as StateRule).text, 'text' in disabled!.rule!]).toEqual([
      'action.confirm.disabled',
      undefined,
      false,
    ]);
    expect(made('plain').map(({ path, rule }) => [path, 'text' in rule!])).toEqual([
      ['plain.hover', false],
      ['plain.disabled', false],
    ]);
  });

  test('stand together with what they are states of', () => {
    const all = {
      ...brand,
      tokens: [
        ...brand.tokens,
        ...made('plain'),
        ...made('action.confirm.rest').map((token) => ({ ...token, id: `x${token.id}` })),
      ],
    };
    expect(stateFamilies(all).map(({ base, states }) => [base.path, ...paths(states)])).toEqual([
      ['plain', 'plain.hover', 'plain.disabled'],
      ['action.confirm.rest', 'action.confirm.hover', 'action.confirm.disabled'],
    ]);
  });
});
