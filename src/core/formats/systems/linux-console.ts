import { marked } from '../kit/marks';
import { z } from 'zod';
import { byte } from '../../colour/read';
import { chosen } from '../kit/choices';
import { defineFormat } from '../kit/format';
import { terminalFiles, terminalGroup, terminalTokens } from './terminal-colours';

/** The colour map of the Linux console (vtrgb): three lines, red, green and blue, of sixteen decimals each. */
export const linuxConsole = defineFormat({
  id: 'linux-console',
  title: 'Linux console colour map',
  family: 'interface',
  extensions: ['.vtrgb'],
  purpose: 'For a machine without a desktop: name the file to the program that sets the console’s colours at start.',
  readBy: 'The Linux text console',
  reload: 'start',
  options: z.strictObject({ ...terminalGroup, themes: chosen.themes }),
  tokensWritten: terminalTokens,
  write(brand, themes, { group }) {
    return terminalFiles(brand, themes, group, '.vtrgb', ({ colours }) => {
      const rows = [0, 1, 2].map((channel) =>
        colours.map((token) => marked(token, String(byte(token.colour.rgb[channel]!)))).join(','),
      );
      return rows.join('\n') + '\n';
    });
  },
});
