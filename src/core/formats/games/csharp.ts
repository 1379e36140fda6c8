import {
  brandName,
  byteOrder,
  type Constant,
  constantGroups,
  fourNumbers,
  hexInteger,
  indented,
  keptAs,
} from '../kit/program-text';
import { type NameRules, words } from '../kit/identifiers';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { depthOptions } from '../kit/colour-depth';
import { z } from 'zod';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';

/** C# Language Specification (ECMA-334), 6.4.4 Keywords: only those a name in one of the casings could be. */
const RULES: NameRules = {
  ascii: true,
  reserved: words(
    'abstract as base bool break byte case catch char checked class const continue decimal default delegate do double else enum event explicit extern false finally fixed float for foreach goto if implicit in int interface internal is lock long namespace new null object operator out override params private protected public readonly ref return sbyte sealed short sizeof stackalloc static string struct switch this throw true try typeof uint ulong unchecked unsafe ushort using virtual void volatile while',
  ),
};

export const csharp = defineFormat({
  id: 'csharp',
  title: 'C# class',
  family: 'game engine',
  extensions: ['.cs'],
  purpose: 'For a game or program in C#: put the file among the scripts; every theme is a static class of constants.',
  readBy: 'Games and programs in C#',
  reload: 'build',
  options: z.strictObject({
    prefix,
    ...chosen,
    naming: casing('pascal', 'camel', 'capitals'),
    kept: keptAs('integer'),
    bytes: byteOrder('rgba'),
    comments,
    ...depthOptions,
  }),
  comment: (line) => `// ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { groups, findings } = constantGroups(brand, themes, options, 'pascal', RULES);
    const space = brandName(brand, 'pascal', RULES);
    const classes = groups.map(({ name, title, constants }) => {
      const lines = constants.flatMap((constant) => [
        ...(constant.note ? [`/// <summary>${constant.note.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</summary>`] : []),
        `public ${declaration(constant)}`,
      ]);
      return `    /// <summary>${title.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</summary>\n    public static class ${name}\n    {\n${indented(lines, '        ')}\n    }\n`;
    });
    const text = `namespace ${space}\n{\n${classes.join('\n')}}\n`;
    return { files: [textFile(`csharp/${space}.cs`, 'text/plain', text)], findings };

    function declaration({ name, colour, mark }: Constant): string {
      if (options.kept === 'integer') return `const uint ${name} = ${mark(hexInteger(colour, options.bytes))};`;
      const type = options.kept === 'bytes' ? 'byte' : 'float';
      const numbers = fourNumbers(colour, options.kept).map((number) => (type === 'float' ? `${number}f` : number));
      return `static readonly ${type}[] ${name} = { ${mark(numbers.join(', '))} };`;
    }
  },
});
