import type { Step } from '../brand/commands';
import { proposeText, TEXT_RATIO, textPairs } from './contrast';
import { finding, type Rule } from './finding';

/** Texts that cannot be read on a surface they are meant for: WCAG 2.2, success criterion 1.4.3 (AA). */
export const contrastText: Rule = {
  id: 'contrast-text',
  title: 'Texts that cannot be read',
  find: (brand) =>
    textPairs(brand)
      .filter(({ passes }) => !passes)
      .map(({ theme, text, surface, ratio }) => {
        // Cut and not rounded: 4.496 must not read as 4.50.
        const value = Math.floor(ratio * 100) / 100;
        const message = `${text.path} on ${surface.path} in ${theme.name} has a contrast of ${value.toFixed(2)} to 1, and text wants ${TEXT_RATIO}.`;
        return finding(
          'contrast-text',
          'error',
          message,
          { theme: theme.id, tokens: [text.id, surface.id] },
          { value, limit: TEXT_RATIO, text: text.path },
        );
      }),
  mend: {
    all: 'Make all readable',
    offer: ({ data }) => `Make ${data.text} readable`,
    command(brand, findings, label) {
      const wanted = new Set(findings.map(({ subject }) => `${subject.theme} ${subject.tokens!.join(' ')}`));
      const set = new Map<string, Record<string, { colour: string }>>();
      for (const pair of textPairs(brand)) {
        if (!wanted.has(`${pair.theme.id} ${pair.text.id} ${pair.surface.id}`)) continue;
        const colour = proposeText(brand, pair);
        if (colour) set.set(pair.text.id, { ...set.get(pair.text.id), [pair.theme.id]: { colour: colour.hex } });
      }
      const steps = [...set].map(([id, values]): Step => ({ do: 'token.set', id, set: values }));
      return steps.length > 0 ? { label, steps } : null;
    },
  },
};
