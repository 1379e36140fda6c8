import { marked } from '../kit/marks';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import { byte, type ReadColour } from '../../colour/read';
import { tokenNote } from '../kit/token-note';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material } from '../kit/material';

/** GTK's named colours: `@define-color`, used in a sheet as `@name`. */
export const gtk = defineFormat({
  id: 'gtk',
  title: 'GTK named colours (CSS)',
  family: 'interface',
  extensions: ['.css'],
  purpose:
    'For a GTK program: load the sheet of the theme before the program’s own, which then uses the names with @ before them.',
  readBy: 'GTK programs',
  reload: 'start',
  options: z.strictObject({ prefix, ...chosen, naming: casing('snake', 'kebab'), comments }),
  comment: (line) => `/* ${line} */`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options, { ascii: true });
    const files = shipped.map(({ identifier, tokens }) => {
      const lines = tokens.map((token) => {
        const note = options.comments ? tokenNote(token) : '';
        return `@define-color ${token.identifier} ${marked(token, gtkColour(token.colour))};${note && ` /* ${note} */`}`;
      });
      return textFile(`gtk/${slug(brand.name)}-${identifier}.css`, 'text/css', lines.join('\n') + '\n');
    });
    return { files, findings };
  },
});

/** `#rrggbb`, or `rgba()` with three bytes and an opacity of three decimals, which every version reads. */
function gtkColour(colour: ReadColour): string {
  if (colour.alpha === 1) return colour.hex;
  return `rgba(${colour.rgb.map(byte).join(', ')}, ${Number((byte(colour.alpha) / 255).toFixed(4))})`;
}
