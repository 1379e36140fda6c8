import { groundsOf } from '../brand/reading/grounds';
import { TEXT_RATIO, textsOf, worstBelow } from './contrast';
import { contrastFinding, contrastMend } from './contrast-rule';
import type { Rule } from './finding';
import { worst } from './worst';

/** Texts that cannot be read on a surface they are meant for: WCAG 2.2, success criterion 1.4.3 (AA). */
export const contrastText: Rule = {
  id: 'contrast-text',
  title: 'Texts that cannot be read',
  looksAt: ['palettes', 'tokens', 'themes'],
  find(brand, known) {
    const { pairs, more } = worstBelow(brand, textsOf(brand), (text) => groundsOf(brand, text), TEXT_RATIO, known);
    return worst(pairs, (pair) => contrastFinding('contrast-text', 'error', pair, TEXT_RATIO, 'text wants'), known, more);
  },
  mend: {
    ...contrastMend('Make all readable', TEXT_RATIO, groundsOf),
    offer: ({ data }) => (data.text === undefined ? null : `Make ${data.text} readable`),
  },
};
