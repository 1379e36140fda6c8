import { marked } from '../kit/marks';
import { z } from 'zod';
import { chosen } from '../kit/choices';
import { defineFormat } from '../kit/format';
import { commentText } from '../../base/plain-text';
import { terminalFiles, terminalGroup, terminalTokens } from './terminal-colours';

/** The X resource manager's text form (Xlib, chapter 15): the names that terminal programs share. */
export const xResources = defineFormat({
  id: 'x-resources',
  title: 'Terminal colours (X resources)',
  family: 'interface',
  extensions: ['.xresources'],
  purpose:
    'For terminals under X: merge the file into the resource database; terminals that are opened afterwards have the colours.',
  readBy: 'Terminals under X',
  reload: 'start',
  options: z.strictObject({ ...terminalGroup, themes: chosen.themes }),
  tokensWritten: terminalTokens,
  write(brand, themes, { group }) {
    return terminalFiles(brand, themes, group, '.xresources', (scheme, { theme }) => {
      const named = [
        ['background', scheme.ground],
        ['foreground', scheme.text],
        ['cursorColor', scheme.cursor],
        ...scheme.colours.map((colour, at) => [`color${at}`, colour] as const),
      ] as const;
      const lines = named.flatMap(([name, token]) => (token ? [`*.${name}: ${marked(token, token.colour.hex)}`] : []));
      return `! ${commentText(brand.name)}, ${commentText(theme.name)}\n${lines.join('\n')}\n`;
    });
  },
});
