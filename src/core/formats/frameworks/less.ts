import { marked } from '../kit/marks';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { mapNames } from './sass';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssNotation, cssPrecision, cssText } from '../kit/css-text';
import { tokenNote } from '../kit/token-note';
import { defineFormat, textFile } from '../kit/format';
import { words } from '../kit/identifiers';
import { chosenTokens, material, type ShippedToken } from '../kit/material';

/** Words that Less takes for rules of its own when they stand behind an @. */
const AT_RULES = words('import media plugin charset namespace arguments rest supports keyframes page container layer property');

/** Less: plain variables of the first theme, and a map (a detached ruleset) for every theme. */
export const less = defineFormat({
  id: 'less',
  title: 'Less variables',
  family: 'style framework',
  extensions: ['.less'],
  purpose: 'For a project that builds its styles with Less: import the file before those that use it.',
  readBy: 'Style sheets written in Less',
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
    const reserved = new Set([...mapNames(themes), ...AT_RULES]);
    const { themes: shipped, findings } = material(brand, themes, options, { ascii: true, reserved });
    const value = (token: ShippedToken) => marked(token, cssText(token.colour, options));
    const note = (token: ShippedToken) => {
      const text = options.comments ? tokenNote(token) : '';
      return text && ` // ${text}`;
    };
    const plain = (shipped[0]?.tokens ?? []).map((token) => `@${token.identifier}: ${value(token)};${note(token)}`);
    const maps = shipped.map(({ identifier, tokens }) => {
      const lines = tokens.map((token) => `  ${token.identifier}: ${value(token)};`);
      return `@theme-${identifier}: {\n${lines.join('\n')}\n}\n`;
    });
    const text = `${plain.join('\n')}\n\n${maps.join('\n')}`;
    return { files: [textFile(`less/${slug(brand.name)}.less`, 'text/x-less', text)], findings };
  },
});
