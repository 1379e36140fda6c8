import { NameScope } from '../kit/name-scope';
import type { NameRules } from '../kit/identifiers';
import { chosen, comments, prefix } from '../kit/choices';
import { depthOptions } from '../kit/colour-depth';
import { z } from 'zod';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';
import { brandName, byteOrder, constantGroups, fourNumbers, hexInteger, keptAs } from '../kit/program-text';

const RULES: NameRules = { ascii: true };

/** C99 and C++11 alike: macros, so that they are constants in both and cost nothing. */
export const cHeader = defineFormat({
  id: 'c-header',
  title: 'C and C++ header',
  family: 'game engine',
  extensions: ['.h'],
  purpose: 'For a game or program in C or C++: include the header; every theme’s colours begin with its name.',
  readBy: 'Games and programs in C or C++',
  reload: 'build',
  options: z.strictObject({ prefix, ...chosen, kept: keptAs('integer'), bytes: byteOrder('rgba'), comments, ...depthOptions }),
  comment: (line) => `/* ${line} */`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { prefix: first, ...rest } = options;
    const { groups, findings } = constantGroups(brand, themes, { ...rest, naming: 'capitals' }, 'capitals', RULES);
    const lead = [
      brandName(brand, 'capitals', RULES),
      ...first
        .split('-')
        .filter(Boolean)
        .map((word) => word.toUpperCase()),
    ].join('_');
    const guard = `${lead}_COLOURS_H`;
    const scope = new NameScope({ [guard]: 'the guard of the header' });
    const blocks = groups.map(({ name, title, constants }) => {
      const lines = constants.map((constant) => {
        const value =
          options.kept === 'integer'
            ? constant.mark(`${hexInteger(constant.colour, options.bytes)}u`)
            : `{ ${constant.mark(
                fourNumbers(constant.colour, options.kept)
                  .map((number) => (options.kept === 'linear' ? `${number}f` : number))
                  .join(', '),
              )} }`;
        const macro = scope.claim(`${lead}_${name}_${constant.name}`, `${constant.path} in ${title}`);
        return `#define ${macro} ${value}${constant.note && ` /* ${constant.note} */`}`;
      });
      return `/* ${title} */\n${lines.join('\n')}\n`;
    });
    const text = `#ifndef ${guard}\n#define ${guard}\n\n${blocks.join('\n')}\n#endif\n`;
    return {
      files: [textFile(`c/${brandName(brand, 'snake', RULES)}.h`, 'text/x-c', text)],
      findings: [...findings, ...scope.findings],
    };
  },
});
