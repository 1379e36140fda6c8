import { about } from '../kit/options';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { cssThemes, registered, themeBlocks } from './css-themes';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssNotation, cssPrecision } from '../kit/css-text';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material, type ShippedToken } from '../kit/material';

/** CSS Custom Properties for Cascading Variables 1. */
export const css = defineFormat({
  id: 'css',
  title: 'CSS custom properties',
  family: 'style framework',
  extensions: ['.css'],
  purpose: 'For a site: link the style sheet before those that use it, and set the theme’s attribute on the root element.',
  readBy: 'Web pages, and any framework of styles',
  reload: 'load',
  options: z.strictObject({
    prefix,
    ...chosen,
    naming: casing('kebab', 'camel', 'snake'),
    notation: cssNotation,
    precision: cssPrecision,
    ...cssThemes,
    register: z
      .boolean()
      .default(false)
      .meta(about({ title: 'Registered as colours (@property)', description: 'plain variables' })),
    comments,
  }),
  comment: (line) => `/* ${line} */`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options, { wide: options.wide });
    const variable = ({ identifier }: ShippedToken) => `--${identifier}`;
    const rules = options.register && shipped[0] ? registered(shipped[0], variable) + '\n' : '';
    const sheet = rules + themeBlocks(shipped, variable, options);
    return { files: [textFile(`css/${slug(brand.name)}.css`, 'text/css', sheet)], findings };
  },
});
