import { type NameRules, words } from '../kit/identifiers';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { depthOptions } from '../kit/colour-depth';
import { z } from 'zod';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';
import { brandName, byteOrder, constantGroups, fourNumbers, hexInteger, keptAs } from '../kit/program-text';
import { quoted } from '../../base/plain-text';

/** Lua 5.4 Reference Manual, 3.1 Lexical Conventions. */
const RULES: NameRules = {
  ascii: true,
  reserved: words(
    'and break do else elseif end false for function goto if in local nil not or repeat return then true until while',
  ),
};

export const lua = defineFormat({
  id: 'lua',
  title: 'Lua table',
  family: 'game engine',
  extensions: ['.lua'],
  purpose: 'For a game or program scripted in Lua: put the file where require finds it; it returns a table a theme.',
  readBy: 'Games and programs scripted in Lua',
  reload: 'load',
  options: z.strictObject({
    prefix,
    ...chosen,
    naming: casing('snake', 'camel', 'path'),
    kept: keptAs('bytes'),
    bytes: byteOrder('rgba'),
    comments,
    ...depthOptions,
  }),
  comment: (line) => `-- ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { groups, findings } = constantGroups(brand, themes, options, 'snake', RULES);
    const key = (name: string) => (/^[A-Za-z_]\w*$/.test(name) ? name : `[${quoted(name)}]`);
    const tables = groups.map(({ name, title, constants }) => {
      const lines = constants.map(({ name: constant, colour, note, mark }) => {
        const value =
          options.kept === 'integer'
            ? mark(hexInteger(colour, options.bytes))
            : `{ ${mark(fourNumbers(colour, options.kept).join(', '))} }`;
        return `    ${key(constant)} = ${value},${note && ` -- ${note}`}`;
      });
      return `  -- ${title}\n  ${key(name)} = {\n${lines.join('\n')}\n  },\n`;
    });
    const text = `return {\n${tables.join('')}}\n`;
    return { files: [textFile(`lua/${brandName(brand, 'snake', RULES)}.lua`, 'text/x-lua', text)], findings };
  },
});
