import { z } from 'zod';
import { defineFormat, slug, textFile } from './format';
import { material, type ShippedToken } from './material';
import { cssText } from './css-text';

export const css = defineFormat({
  id: 'css',
  title: 'CSS and Sass variables',
  family: 'style framework',
  extensions: ['.css', '.scss'],
  purpose:
    'For a site or a style framework: link the stylesheet, or forward the Sass partial, and set data-theme on the root element.',
  options: z.strictObject({
    prefix: z
      .string()
      .regex(/^([a-z][a-z0-9-]*-)?$/, 'A prefix is lower-case letters, digits and hyphens, ending in a hyphen.')
      .default('')
      .meta({ title: 'Put before every variable', description: 'nothing' }),
  }),
  write(brand, themes, { prefix }) {
    const { themes: shipped, problems } = material(brand, themes);
    const variable = (token: ShippedToken) => `${prefix}${token.identifier}`;
    const blocks = shipped.map(({ identifier, tokens }, at) => {
      const selector = at === 0 ? `:root,\n[data-theme='${identifier}']` : `[data-theme='${identifier}']`;
      const lines = tokens.map((token) => `  --${variable(token)}: ${cssText(token.colour)};`);
      return `${selector} {\n${lines.join('\n')}\n}\n`;
    });
    const maps = shipped.map(({ identifier, tokens }) => {
      const lines = tokens.map((token) => `  '${token.identifier}': ${cssText(token.colour)},`);
      return `$${prefix}theme-${identifier}: (\n${lines.join('\n')}\n);\n`;
    });
    const plain = (shipped[0]?.tokens ?? []).map((token) => `$${variable(token)}: ${cssText(token.colour)};`);
    const index = shipped.map(({ identifier }) => `  '${identifier}': $${prefix}theme-${identifier},`);
    const sass = `${plain.join('\n')}\n\n${maps.join('\n')}\n$${prefix}themes: (\n${index.join('\n')}\n);\n`;
    const base = slug(brand.name);
    return {
      files: [textFile(`css/${base}.css`, 'text/css', blocks.join('\n')), textFile(`css/_${base}.scss`, 'text/x-scss', sass)],
      problems,
    };
  },
});
