import { findCycle, ringWords } from '../brand/document/circles';
import { tokensOf } from '../brand/reading/resolve';
import { finding, type Rule } from './finding';

/** Tokens that lead back to themselves, so that they come to no colour. A brand that is kept holds none; one that is read from a file may. */
export const cycle: Rule = {
  id: 'cycle',
  title: 'Tokens that lead in a circle',
  looksAt: ['tokens', 'themes'],
  find(brand) {
    const tokens = tokensOf(brand);
    return brand.themes.flatMap((theme) => {
      const ring = findCycle(tokens, tokens.keys(), theme.id);
      if (!ring) return [];
      const message = `In ${theme.name} tokens lead in a circle: ${ringWords(ring)}.`;
      return [
        finding('cycle', 'error', message, {
          theme: theme.id,
          tokens: brand.tokens.flatMap(({ id, path }) => (ring.includes(path) ? id : [])),
        }),
      ];
    });
  },
};
