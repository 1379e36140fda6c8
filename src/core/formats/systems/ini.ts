import { marked } from '../kit/marks';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssText } from '../kit/css-text';
import { tokenNote } from '../kit/token-note';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material } from '../kit/material';

export const ini = defineFormat({
  id: 'ini',
  title: 'Settings (INI)',
  family: 'interface',
  extensions: ['.ini'],
  purpose: 'For a program with settings in INI files: a section a theme, a line a colour.',
  readBy: 'Programs with settings in INI files',
  reload: 'start',
  options: z.strictObject({ prefix, ...chosen, naming: casing('path', 'kebab', 'snake', 'camel'), comments }),
  comment: (line) => `; ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options);
    const sections = shipped.map(({ identifier, tokens }) => {
      const lines = tokens.flatMap((token) => {
        const note = options.comments ? tokenNote(token) : '';
        // A comment has a line of its own: behind a value it would be part of it.
        return [...(note ? [`; ${note}`] : []), `${token.identifier} = ${marked(token, cssText(token.colour))}`];
      });
      return `[${identifier}]\n${lines.join('\n')}\n`;
    });
    return { files: [textFile(`settings/${slug(brand.name)}.ini`, 'text/plain', sections.join('\n'))], findings };
  },
});
