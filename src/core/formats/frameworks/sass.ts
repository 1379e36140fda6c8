import { marked } from '../kit/marks';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import type { Theme } from '../../brand/document/theme-shape';
import { cssNotation, cssPrecision, cssText } from '../kit/css-text';
import { tokenNote } from '../kit/token-note';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material, type ShippedToken } from '../kit/material';

/** The names of the maps themselves, which no variable may have. */
export function mapNames(themes: readonly Theme[]): Set<string> {
  return new Set(['themes', ...themes.map(({ name }) => `theme-${slug(name)}`)]);
}

/** Sass in its SCSS syntax: plain variables of the first theme, and a map for every theme. */
export const sass = defineFormat({
  id: 'sass',
  title: 'Sass variables (SCSS)',
  family: 'style framework',
  extensions: ['.scss'],
  purpose: 'For a project that builds its styles with Sass: put the partial among its own and load it with @use or @forward.',
  readBy: 'Style sheets written in Sass',
  reload: 'build',
  options: z.strictObject({
    prefix,
    ...chosen,
    naming: casing('kebab', 'snake', 'camel'),
    notation: cssNotation,
    precision: cssPrecision,
    comments,
  }),
  comment: (line) => `// ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, { ...options, prefix: '' }, { reserved: mapNames(themes) });
    const stem = options.prefix.replace(/-?$/, options.prefix && '-');
    const value = (token: ShippedToken) => marked(token, cssText(token.colour, options));
    const note = (token: ShippedToken) => {
      const text = options.comments ? tokenNote(token) : '';
      return text && ` // ${text}`;
    };
    const plain = (shipped[0]?.tokens ?? []).map((token) => `$${stem}${token.identifier}: ${value(token)};${note(token)}`);
    const maps = shipped.map(({ identifier, tokens }) => {
      const lines = tokens.map((token) => `  '${token.identifier}': ${value(token)},`);
      return `$${stem}theme-${identifier}: (\n${lines.join('\n')}\n);\n`;
    });
    const index = shipped.map(({ identifier }) => `  '${identifier}': $${stem}theme-${identifier},`);
    const text = `${plain.join('\n')}\n\n${maps.join('\n')}\n$${stem}themes: (\n${index.join('\n')}\n);\n`;
    return { files: [textFile(`sass/_${slug(brand.name)}.scss`, 'text/x-scss', text)], findings };
  },
});
