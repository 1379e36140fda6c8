import { finding } from '../../findings/finding';
import { about } from '../kit/options';
import { casing, chosen, prefix } from '../kit/choices';
import { cssThemes, themeBlocks } from './css-themes';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssNotation, cssPrecision } from '../kit/css-text';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material, type ShippedToken } from '../kit/material';

/** What a class may set, by the word its name begins with. */
export const USES = {
  color: 'color',
  background: 'background-color',
  border: 'border-color',
  outline: 'outline-color',
  decoration: 'text-decoration-color',
  caret: 'caret-color',
  accent: 'accent-color',
  fill: 'fill',
  stroke: 'stroke',
} as const;
const WORDS = Object.keys(USES) as [keyof typeof USES, ...(keyof typeof USES)[]];

export const utilities = defineFormat({
  id: 'utilities',
  title: 'Utility classes (CSS)',
  family: 'style framework',
  extensions: ['.css'],
  purpose:
    'For pages that are styled by classes: link the sheet and write background-surface-page, say. Every colour makes a class for every use, so leave out what is not needed.',
  readBy: 'Web pages styled by classes',
  reload: 'load',
  options: z.strictObject({
    prefix,
    ...chosen,
    naming: casing('kebab', 'camel', 'snake'),
    uses: z
      .array(z.enum(WORDS))
      .max(WORDS.length)
      .default(['color', 'background', 'border'])
      .meta(about({ title: 'A class for', description: 'text, background and border', says: USES })),
    keep: z
      .string()
      .max(100_000)
      .default('')
      .meta(about({ title: 'Only these classes, as they stand in the pages', description: 'every class', names: 'classes' })),
    notation: cssNotation,
    precision: cssPrecision,
    ...cssThemes,
  }),
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options, { wide: options.wide });
    const used = options.keep.trim() === '' ? null : new Set(options.keep.split(/[^\p{L}\p{N}_-]+/u));
    const variable = ({ identifier }: ShippedToken) => `--${identifier}`;
    const classes = (shipped[0]?.tokens ?? []).map((token) => ({
      token,
      rules: WORDS.filter((use) => options.uses.includes(use)).flatMap((use) => {
        const name = `${use}-${token.identifier}`;
        return used && !used.has(name) ? [] : [`.${name} {\n  ${USES[use]}: var(${variable(token)});\n}\n`];
      }),
    }));
    const live = classes.filter(({ rules }) => rules.length > 0);
    if (live.length === 0 && shipped.length > 0 && classes.length > 0) {
      const message = 'None of the classes listed is one of this brand’s, so there is nothing to write; look at their names.';
      return { files: [], findings: [...findings, finding('nothing-to-write', 'error', message)] };
    }
    // Variables of colours without a class would be dead weight.
    const wanted = new Set(live.map(({ token }) => token.token.id));
    const needed = shipped.map((theme) => ({ ...theme, tokens: theme.tokens.filter(({ token }) => wanted.has(token.id)) }));
    const sheet = `${themeBlocks(needed, variable, { ...options, comments: false })}\n${live.flatMap(({ rules }) => rules).join('')}`;
    return { files: [textFile(`css/${slug(brand.name)}-classes.css`, 'text/css', sheet)], findings };
  },
});
