import { z } from 'zod';
import { eightDigits } from '../colour/integers';
import { casing, chosen, comments, prefix } from './choices';
import { depthOptions } from './colour-depth';
import { defineFormat, textFile } from './format';
import { words } from './identifiers';
import { chosenTokens } from './material';
import { brandName, constantGroups, indented } from './program-text';

/** Words of the language and of its global constants that a name in capitals or in small letters could be. */
const RULES = {
  ascii: true,
  reserved: words(
    'if elif else for while match when break continue pass return class class_name extends is in as self super signal func static const enum var breakpoint preload await yield assert void PI TAU INF NAN and or not true false null',
  ),
};

export const gdscript = defineFormat({
  id: 'gdscript',
  title: 'GDScript constants',
  family: 'game engine',
  extensions: ['.gd'],
  purpose: 'For a game scripted in GDScript: put the script into the project; every theme is a class of constants in it.',
  readBy: 'Games scripted in GDScript',
  taken: 'build',
  options: z.strictObject({ prefix, ...chosen, naming: casing('capitals', 'snake'), comments, ...depthOptions }),
  reach: chosenTokens,
  write(brand, themes, options) {
    const { groups, problems } = constantGroups(brand, themes, options, 'pascal', RULES);
    const classes = groups.map(({ name, title, constants }) => {
      const lines = constants.flatMap((constant) => [
        ...(constant.note ? [`## ${constant.note}`] : []),
        `const ${constant.name} := Color("#${eightDigits(constant.colour)}")`,
      ]);
      return `## ${title}\nclass ${name}:\n${indented(lines, '\t')}\n`;
    });
    const text = `class_name ${brandName(brand, 'pascal', RULES)}Colours\n\n${classes.join('\n')}`;
    return { files: [textFile(`gdscript/${brandName(brand, 'snake', RULES)}_colours.gd`, 'text/plain', text)], problems };
  },
});
