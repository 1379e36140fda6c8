import { z } from 'zod';
import { chosen } from './choices';
import { defineFormat, slug, textFile, type Written } from './format';
import { material } from './material';
import { commentText } from './plain-text';
import { terminalColours, terminalGroup, terminalReach } from './terminal-colours';

/** The X resource manager's text form (Xlib, chapter 15): the names that terminal programs share. */
export const xResources = defineFormat({
  id: 'x-resources',
  title: 'Terminal colours (X resources)',
  family: 'interface',
  extensions: ['.xresources'],
  purpose:
    'For terminals under X: merge the file into the resource database; terminals that are opened afterwards have the colours.',
  readBy: 'Terminals under X',
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
      const named = [
        ['background', scheme.ground],
        ['foreground', scheme.text],
        ['cursorColor', scheme.cursor],
        ...scheme.colours.map((colour, at) => [`color${at}`, colour] as const),
      ] as const;
      const lines = named.flatMap(([name, colour]) => (colour ? [`*.${name}: ${colour.hex}`] : []));
      const text = `! ${commentText(brand.name)}, ${commentText(theme.theme.name)}\n${lines.join('\n')}\n`;
      return [textFile(`terminal/${slug(brand.name)}-${theme.identifier}.xresources`, 'text/plain', text)];
    });
    return { files, problems: all };
  },
});
