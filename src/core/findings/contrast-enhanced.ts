import { groundsOf } from '../brand/grounds';
import { ENHANCED_RATIO, pairsBelow, TEXT_RATIO, textsOf } from './contrast';
import { contrastFinding, contrastMend } from './contrast-rule';
import type { Rule } from './finding';
import { worst } from './worst';

/** Texts that can be read, but not as well as the enhanced level asks: WCAG 2.2, success criterion 1.4.6 (AAA). An error where the theme promises it. */
export const contrastEnhanced: Rule = {
  id: 'contrast-enhanced',
  title: 'Texts below the enhanced contrast',
  looksAt: ['palettes', 'tokens', 'themes'],
  find(brand) {
    const pairs = pairsBelow(brand, textsOf(brand), (text) => groundsOf(brand, text), ENHANCED_RATIO).filter(
      ({ ratio }) => ratio >= TEXT_RATIO,
    );
    pairs.sort((one, two) => Number(two.theme.enhanced ?? false) - Number(one.theme.enhanced ?? false) || one.ratio - two.ratio);
    return worst(pairs, (pair) =>
      pair.theme.enhanced
        ? contrastFinding('contrast-enhanced', 'error', pair, ENHANCED_RATIO, `${pair.theme.name} promises`)
        : contrastFinding('contrast-enhanced', 'note', pair, ENHANCED_RATIO, 'the enhanced level wants'),
    );
  },
  mend: contrastMend('Bring all to the enhanced level', ENHANCED_RATIO, groundsOf),
};
