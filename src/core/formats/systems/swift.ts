import { type NameRules, words } from '../kit/identifiers';
import { about } from '../kit/options';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { z } from 'zod';
import { bytesOf } from '../../colour/integers';
import { wideChannels } from '../../colour/notations';
import type { ReadColour } from '../../colour/read';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';
import { brandName, constantGroups, indented } from '../kit/program-text';

/** The Swift Programming Language, "Lexical Structure": keywords of declarations, statements, expressions and types. */
const RULES: NameRules = {
  ascii: true,
  reserved: words(
    'associatedtype class deinit enum extension fileprivate func import init inout internal let open operator private precedencegroup protocol public rethrows static struct subscript typealias var break case catch continue default defer do else fallthrough for guard if in repeat return throw switch where while any as await false is nil self Self super throws true try Type Protocol',
  ),
};

export const swift = defineFormat({
  id: 'swift',
  title: 'Swift enumerations',
  family: 'interface',
  extensions: ['.swift'],
  purpose: 'For an application in Swift: add the file to the target; every theme is an enumeration of SwiftUI colours.',
  readBy: 'Applications in Swift',
  reload: 'build',
  options: z.strictObject({
    prefix,
    ...chosen,
    naming: casing('camel', 'snake'),
    wide: z
      .boolean()
      .default(false)
      .meta(about({ title: 'Display P3 where the colour needs it', description: 'sRGB throughout' })),
    comments,
  }),
  comment: (line) => `// ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { groups, findings } = constantGroups(brand, themes, options, 'pascal', { ...RULES, wide: options.wide });
    const enums = groups.map(({ name, title, constants }) => {
      const lines = constants.flatMap((constant) => {
        return [
          ...(constant.note ? [`/// ${constant.note}`] : []),
          `public static let ${constant.name} = ${constant.mark(literal(constant.colour, options.wide))}`,
        ];
      });
      return `/// ${title}\npublic enum ${name} {\n${indented(lines, '    ')}\n}\n`;
    });
    const text = `import SwiftUI\n\n${enums.join('\n')}`;
    return { files: [textFile(`swift/${brandName(brand, 'pascal', RULES)}Colours.swift`, 'text/plain', text)], findings };
  },
});

function literal(colour: ReadColour, wide: boolean): string {
  const [r, g, b, a] = bytesOf(colour);
  const opacity = a === 255 ? '1' : `${a}.0 / 255`;
  if (wide && colour.clipped > 0) {
    const [red, green, blue] = wideChannels(colour).map((channel) => channel.toFixed(6));
    return `Color(.displayP3, red: ${red}, green: ${green}, blue: ${blue}, opacity: ${opacity})`;
  }
  return `Color(.sRGB, red: ${r}.0 / 255, green: ${g}.0 / 255, blue: ${b}.0 / 255, opacity: ${opacity})`;
}
