import { groundsOf } from '../brand/reading/grounds';
import { ENHANCED_RATIO, TEXT_RATIO, textsOf, worstBelow, type Pair } from './contrast';
import { contrastFinding, contrastMend } from './contrast-rule';
import type { Rule, Severity } from './finding';
import { worst } from './worst';

/** Texts that can be read, but not as well as the enhanced level asks: WCAG 2.2, success criterion 1.4.6 (AAA). An error where the theme promises it. */
export const contrastEnhanced: Rule = {
  id: 'contrast-enhanced',
  title: 'Texts below the enhanced contrast',
  looksAt: ['palettes', 'tokens', 'themes'],
  find(brand, known) {
    const [promising, others] = [true, false].map((promised) =>
      worstBelow(brand, textsOf(brand), (text) => groundsOf(brand, text), ENHANCED_RATIO, known, {
        themes: brand.themes.filter(({ enhanced = false }) => enhanced === promised),
        least: TEXT_RATIO,
      }),
    ) as [ReturnType<typeof worstBelow>, ReturnType<typeof worstBelow>];
    const tell = (severity: Severity, wants: (pair: Pair) => string) => (pair: Pair) =>
      contrastFinding('contrast-enhanced', severity, pair, ENHANCED_RATIO, wants(pair));
    return [
      ...worst(
        promising.pairs,
        tell('error', ({ theme }) => `${theme.name} promises`),
        known,
        promising.more,
      ),
      ...worst(
        others.pairs,
        tell('note', () => 'the enhanced level wants'),
        known,
        others.more,
      ),
    ];
  },
  mend: contrastMend('Bring all to the enhanced level', ENHANCED_RATIO, groundsOf),
};
