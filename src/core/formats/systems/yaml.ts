import { marked } from '../kit/marks';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssText } from '../kit/css-text';
import { tokenNote } from '../kit/token-note';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material } from '../kit/material';
import { quoted } from '../../base/plain-text';

/** YAML 1.2.2; keys and colours always in quotes, for a bare # begins a comment and bare words may be numbers or yes. */
export const yaml = defineFormat({
  id: 'yaml',
  title: 'Settings (YAML)',
  family: 'interface',
  extensions: ['.yaml'],
  purpose: 'For a program with settings in YAML: a mapping a theme, a line a colour.',
  readBy: 'Programs with settings in YAML',
  reload: 'start',
  options: z.strictObject({ prefix, ...chosen, naming: casing('path', 'kebab', 'snake', 'camel'), comments }),
  comment: (line) => `# ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options);
    const blocks = shipped.map(({ identifier, tokens }) => {
      const lines = tokens.map((token) => {
        const note = options.comments ? tokenNote(token) : '';
        return `  ${quoted(token.identifier)}: "${marked(token, cssText(token.colour))}"${note && ` # ${note}`}`;
      });
      return `${quoted(identifier)}:\n${lines.join('\n')}\n`;
    });
    return { files: [textFile(`settings/${slug(brand.name)}.yaml`, 'application/yaml', blocks.join(''))], findings };
  },
});
