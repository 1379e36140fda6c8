import { marked } from '../kit/marks';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssText } from '../kit/css-text';
import { tokenNote } from '../kit/token-note';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material } from '../kit/material';
import { quoted } from '../../base/plain-text';

/** TOML 1.0.0. */
export const toml = defineFormat({
  id: 'toml',
  title: 'Settings (TOML)',
  family: 'interface',
  extensions: ['.toml'],
  purpose: 'For a program with settings in TOML: a table a theme, a line a colour.',
  readBy: 'Programs with settings in TOML',
  reload: 'start',
  options: z.strictObject({ prefix, ...chosen, naming: casing('path', 'kebab', 'snake', 'camel'), comments }),
  comment: (line) => `# ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options);
    const tables = shipped.map(({ identifier, tokens }) => {
      const lines = tokens.map((token) => {
        const note = options.comments ? tokenNote(token) : '';
        return `${key(token.identifier)} = "${marked(token, cssText(token.colour))}"${note && ` # ${note}`}`;
      });
      return `[${key(identifier)}]\n${lines.join('\n')}\n`;
    });
    return { files: [textFile(`settings/${slug(brand.name)}.toml`, 'application/toml', tables.join('\n'))], findings };
  },
});

/** Bare where the standard allows it; a dot would make a table of it. */
function key(name: string): string {
  return /^[A-Za-z0-9_-]+$/.test(name) ? name : quoted(name);
}
