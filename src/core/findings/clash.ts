import { clashes } from '../brand/reading/naming';
import { finding, type Rule } from './finding';

/** Names that a destination would take for one. */
export const clash: Rule = {
  id: 'clash',
  title: 'Names that would be merged',
  looksAt: ['tokens'],
  find: ({ tokens }) =>
    clashes(tokens).map(({ one, two, by }) =>
      finding(
        'clash',
        'warning',
        `${one.path} and ${two.path} differ only in ${by === 'case' ? 'capitals' : 'separators'}; some destinations would take them for one.`,
        { tokens: [two.id, one.id] },
      ),
    ),
};
