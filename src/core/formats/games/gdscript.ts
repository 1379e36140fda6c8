import { type NameRules, words } from '../kit/identifiers';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { depthOptions } from '../kit/colour-depth';
import { z } from 'zod';
import { bytesOf } from '../../colour/integers';
import type { ReadColour } from '../../colour/read';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';
import { brandName, constantGroups, indented } from '../kit/program-text';

/** Words of the language and of its global constants that a name in capitals or in small letters could be. */
const RULES: NameRules = {
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
  reload: 'build',
  options: z.strictObject({ prefix, ...chosen, naming: casing('capitals', 'snake'), comments, ...depthOptions }),
  comment: (line) => `# ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { groups, findings } = constantGroups(brand, themes, options, 'pascal', RULES);
    const classes = groups.map(({ name, title, constants }) => {
      const lines = constants.flatMap((constant) => [
        ...(constant.note ? [`## ${constant.note}`] : []),
        `const ${constant.name} := ${constant.mark(literal(constant.colour))}`,
      ]);
      return `## ${title}\nclass ${name}:\n${indented(lines, '\t')}\n`;
    });
    const text = `class_name ${brandName(brand, 'pascal', RULES)}Colours\n\n${classes.join('\n')}`;
    return { files: [textFile(`gdscript/${brandName(brand, 'snake', RULES)}_colours.gd`, 'text/plain', text)], findings };
  },
});

/** Six digits mean the same in every version; eight do not, so a translucent colour is given in shares. */
function literal(colour: ReadColour): string {
  if (colour.alpha === 1) return `Color("${colour.hex}")`;
  return `Color(${bytesOf(colour)
    .map((value) => `${value} / 255.0`)
    .join(', ')})`;
}
