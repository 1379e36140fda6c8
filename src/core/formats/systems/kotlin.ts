import { type NameRules, words } from '../kit/identifiers';
import { about } from '../kit/options';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { z } from 'zod';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';
import { brandName, constantGroups, hexInteger, indented } from '../kit/program-text';

/** Kotlin Language Specification, 1.2.3 Keywords: the hard ones. */
const RULES: NameRules = {
  ascii: true,
  reserved: words(
    'as break class continue do else false for fun if in interface is null object package return super this throw true try typealias typeof val var when while',
  ),
};

export const kotlin = defineFormat({
  id: 'kotlin',
  title: 'Kotlin objects',
  family: 'interface',
  extensions: ['.kt'],
  purpose:
    'For an application in Kotlin: put the file among the sources; every theme is an object of constants, 0xAARRGGBB each.',
  readBy: 'Applications in Kotlin',
  reload: 'build',
  options: z.strictObject({
    prefix,
    ...chosen,
    naming: casing('camel', 'pascal', 'capitals'),
    kept: z
      .enum(['integer', 'colour'])
      .default('integer')
      .meta(
        about({
          title: 'Kept as',
          description: '0xff1f6f78 (Long)',
          says: { integer: '0xff1f6f78 (Long)', colour: 'Color(0xff1f6f78) of Compose' },
        }),
      ),
    comments,
  }),
  comment: (line) => `// ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { groups, findings } = constantGroups(brand, themes, options, 'pascal', RULES);
    const compose = options.kept === 'colour';
    const objects = groups.map(({ name, title, constants }) => {
      const lines = constants.flatMap((constant) => {
        const number = constant.mark(hexInteger(constant.colour, 'argb'));
        return [
          ...(constant.note ? [`/** ${constant.note} */`] : []),
          compose ? `val ${constant.name} = Color(${number})` : `const val ${constant.name}: Long = ${number}`,
        ];
      });
      return `/** ${title} */\nobject ${name} {\n${indented(lines, '    ')}\n}\n`;
    });
    const head = compose ? 'import androidx.compose.ui.graphics.Color\n\n' : '';
    const text = `package ${brandName(brand, 'snake', RULES)}\n\n${head}${objects.join('\n')}`;
    return { files: [textFile(`kotlin/${brandName(brand, 'pascal', RULES)}Colours.kt`, 'text/plain', text)], findings };
  },
});
