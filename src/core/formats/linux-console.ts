import { z } from 'zod';
import { byte } from '../colour/read';
import { chosen } from './choices';
import { defineFormat, slug, textFile, type Written } from './format';
import { material } from './material';
import { terminalColours, terminalGroup, terminalReach } from './terminal-colours';

/** The colour map of the Linux console (vtrgb): three lines, red, green and blue, of sixteen decimals each. */
export const linuxConsole = defineFormat({
  id: 'linux-console',
  title: 'Linux console colour map',
  family: 'interface',
  extensions: ['.vtrgb'],
  purpose: 'For a machine without a desktop: name the file to the program that sets the console’s colours at start.',
  readBy: 'The Linux text console',
  taken: 'start',
  options: z.strictObject({ group: terminalGroup, themes: chosen.themes }),
  reach: terminalReach,
  write(brand, themes, { group }) {
    const { themes: shipped, problems } = material(brand, themes, { group: group || 'terminal' }, { opaque: true });
    const all: Written['problems'][number][] = [...problems];
    const files = shipped.flatMap((theme) => {
      const { scheme, problems: own } = terminalColours(theme, group);
      all.push(...own);
      if (!scheme) return [];
      const rows = [0, 1, 2].map((channel) => scheme.colours.map(({ rgb }) => byte(rgb[channel]!)).join(','));
      return [textFile(`terminal/${slug(brand.name)}-${theme.identifier}.vtrgb`, 'text/plain', rows.join('\n') + '\n')];
    });
    return { files, problems: all };
  },
});
