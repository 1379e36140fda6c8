import { marked } from '../kit/marks';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssText } from '../kit/css-text';
import { tokenNote } from '../kit/token-note';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material } from '../kit/material';

/** Java's property files (java.util.Properties.load): Latin-1, other letters as `\uXXXX`. */
export const properties = defineFormat({
  id: 'properties',
  title: 'Properties (Java)',
  family: 'interface',
  extensions: ['.properties'],
  purpose: 'For a program that reads property files, mostly in Java: a file a theme, a line a colour.',
  readBy: 'Programs that read property files',
  reload: 'start',
  options: z.strictObject({ prefix, ...chosen, naming: casing('path', 'kebab', 'snake', 'camel'), comments }),
  comment: (line) => `# ${latin(line)}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options);
    const files = shipped.map(({ identifier, tokens }) => {
      const lines = tokens.flatMap((token) => {
        const note = options.comments ? tokenNote(token) : '';
        return [...(note ? [`# ${latin(note)}`] : []), `${latin(token.identifier)}=${marked(token, cssText(token.colour))}`];
      });
      return textFile(`settings/${slug(brand.name)}-${identifier}.properties`, 'text/plain', lines.join('\n') + '\n');
    });
    return { files, findings };
  },
});

function latin(text: string): string {
  return text.replace(/[^ -~]/g, (unit) => `\\u${unit.charCodeAt(0).toString(16).padStart(4, '0')}`);
}
