import { type NameRules, words } from '../kit/identifiers';
import { chosen, comments, prefix } from '../kit/choices';
import { depthOptions } from '../kit/colour-depth';
import { z } from 'zod';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';
import { brandName, byteOrder, constantGroups, fourNumbers, hexInteger, indented, keptAs } from '../kit/program-text';

/** The Rust Reference, "Keywords": those a module's name could be. */
const RULES: NameRules = {
  ascii: true,
  reserved: words(
    'abstract as async await become box break const continue crate do dyn else enum extern false final fn for gen if impl in let loop macro match mod move mut override priv pub ref return self static struct super trait true try type typeof union unsafe unsized use virtual where while yield',
  ),
};
const TYPES = { integer: 'u32', bytes: '[u8; 4]', linear: '[f32; 4]' } as const;

export const rust = defineFormat({
  id: 'rust',
  title: 'Rust constants',
  family: 'game engine',
  extensions: ['.rs'],
  purpose:
    'For a game or program in Rust: put the file among the sources and declare it with mod; every theme is a module in it.',
  readBy: 'Games and programs in Rust',
  reload: 'build',
  options: z.strictObject({ prefix, ...chosen, kept: keptAs('integer'), bytes: byteOrder('rgba'), comments, ...depthOptions }),
  comment: (line) => `// ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { groups, findings } = constantGroups(brand, themes, { ...options, naming: 'capitals' }, 'snake', RULES);
    const modules = groups.map(({ name, title, constants }) => {
      const lines = constants.flatMap((constant) => {
        const { colour, mark } = constant;
        const value =
          options.kept === 'integer'
            ? mark(hexInteger(colour, options.bytes))
            : `[${mark(fourNumbers(colour, options.kept).join(', '))}]`;
        return [
          ...(constant.note ? [`/// ${constant.note}`] : []),
          `pub const ${constant.name}: ${TYPES[options.kept]} = ${value};`,
        ];
      });
      return `/// ${title}\npub mod ${name} {\n${indented(lines, '    ')}\n}\n`;
    });
    return { files: [textFile(`rust/${brandName(brand, 'snake', RULES)}.rs`, 'text/x-rust', modules.join('\n'))], findings };
  },
});
