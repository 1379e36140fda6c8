import type { Step } from '../brand/commands/commands';
import { orphanTokens, unusedSwatches } from '../brand/reading/where-used';
import { finding, type Rule } from './finding';

/** Tokens that go nowhere, and swatches that no token comes to. */
export const unused: Rule = {
  id: 'unused',
  title: 'Not used by anything',
  looksAt: ['tokens', 'palettes', 'destinations', 'fields', 'grafts', 'art', 'carried'],
  find: (brand, { written }) => [
    ...(written ? orphanTokens(brand, written) : []).map(({ id, path }) =>
      finding('unused', 'note', `${path} goes to no destination, and nothing points at it.`, { tokens: [id] }, { name: path }),
    ),
    ...unusedSwatches(brand).map(({ id, name, value }) =>
      finding('unused', 'note', `No token uses ${name} (${value}).`, { swatches: [id] }, { name }),
    ),
  ],
  mend: {
    all: 'Delete all',
    asks(findings) {
      const tokens = findings.filter(({ subject }) => subject.tokens).length;
      const swatches = findings.length - tokens;
      const parts = [tokens > 0 && counted(tokens, 'token'), swatches > 0 && counted(swatches, 'swatch')].filter(Boolean);
      return `Delete ${parts.join(' and ')}?`;
    },
    offer: ({ data }) => `Delete ${data.name}`,
    command(_brand, findings, label) {
      // Deletions as one: a token and the one it points at may go together.
      const tokens = findings.flatMap(({ subject }) => subject.tokens ?? []);
      const swatches = findings.flatMap(({ subject }) => subject.swatches ?? []);
      const steps: Step[] = [
        ...(tokens.length > 0 ? [{ do: 'token.remove' as const, ids: tokens }] : []),
        ...(swatches.length > 0 ? [{ do: 'swatch.remove' as const, ids: swatches }] : []),
      ];
      return steps.length > 0 ? { label, steps } : null;
    },
  },
};

function counted(count: number, what: 'token' | 'swatch'): string {
  return `${count} ${what}${count === 1 ? '' : what === 'swatch' ? 'es' : 's'}`;
}
