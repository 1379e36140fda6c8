import { type NameRules, words } from '../kit/identifiers';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { z } from 'zod';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';
import { brandName, constantGroups, hexInteger, indented } from '../kit/program-text';

/** Dart Language Specification, 17.38 Reserved Words, and the built-in identifiers. */
const RULES: NameRules = {
  ascii: true,
  reserved: words(
    'assert await break case catch class const continue default do else enum extends false final finally for if in is new null rethrow return super switch this throw true try var void while with yield abstract as covariant deferred dynamic export extension external factory function get implements import interface late library mixin operator part required set static typedef',
  ),
};

export const dart = defineFormat({
  id: 'dart',
  title: 'Dart classes',
  family: 'interface',
  extensions: ['.dart'],
  purpose: 'For an application in Dart: put the file below lib and import it; every theme is a class of constant colours.',
  readBy: 'Applications in Dart',
  reload: 'build',
  options: z.strictObject({ prefix, ...chosen, naming: casing('camel', 'pascal'), comments }),
  comment: (line) => `// ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { groups, findings } = constantGroups(brand, themes, options, 'pascal', RULES);
    const classes = groups.map(({ name, title, constants }) => {
      const lines = constants.flatMap((constant) => [
        ...(constant.note ? [`/// ${constant.note}`] : []),
        `static const Color ${constant.name} = Color(${constant.mark(hexInteger(constant.colour, 'argb'))});`,
      ]);
      return `/// ${title}\nabstract final class ${name} {\n${indented(lines, '  ')}\n}\n`;
    });
    const text = `import 'dart:ui' show Color;\n\n${classes.join('\n')}`;
    return { files: [textFile(`dart/${brandName(brand, 'snake', RULES)}_colours.dart`, 'text/plain', text)], findings };
  },
});
