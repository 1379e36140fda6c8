import { marked } from '../kit/marks';
import { chosen, comments } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import { byte, type ReadColour } from '../../colour/read';
import { tokenNote } from '../kit/token-note';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material } from '../kit/material';

/**
 * Qt style sheets know no variables. A widget says by its dynamic properties `ink` and `ground` which token its text and
 * its background take, and a sheet a theme answers.
 */
export const qss = defineFormat({
  id: 'qss',
  title: 'Qt style sheet (QSS)',
  family: 'interface',
  extensions: ['.qss'],
  purpose:
    'For a Qt program with widgets: set the sheet on the application; a widget with the property ink or ground takes the colour of the token that it names.',
  readBy: 'Qt programs with widgets',
  reload: 'start',
  options: z.strictObject({ ...chosen, comments }),
  comment: (line) => `/* ${line} */`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, { ...options, naming: 'path' });
    const files = shipped.map(({ identifier, tokens }) => {
      const rules = tokens.map((token) => {
        const note = options.comments ? tokenNote(token) : '';
        const value = marked(token, qtColour(token.colour));
        return `${note && `/* ${note} */\n`}*[ink="${token.identifier}"] { color: ${value}; }\n*[ground="${token.identifier}"] { background-color: ${value}; }\n`;
      });
      return textFile(`qt/${slug(brand.name)}-${identifier}.qss`, 'text/plain', rules.join(''));
    });
    return { files, findings };
  },
});

/** As Qt's style sheets read it: `#rrggbb`, or `rgba()` with four bytes. */
function qtColour(colour: ReadColour): string {
  if (colour.alpha === 1) return colour.hex;
  return `rgba(${colour.rgb.map(byte).join(', ')}, ${byte(colour.alpha)})`;
}
