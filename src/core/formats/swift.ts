import { z } from 'zod';
import { bytesOf } from '../colour/integers';
import { casing, chosen, comments, prefix } from './choices';
import { defineFormat, textFile } from './format';
import { words } from './identifiers';
import { chosenTokens } from './material';
import { brandName, constantGroups, indented } from './program-text';

/** The Swift Programming Language, "Lexical Structure": keywords of declarations, statements, expressions and types. */
const RULES = {
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
  taken: 'build',
  options: z.strictObject({ prefix, ...chosen, naming: casing('camel', 'snake'), comments }),
  reach: chosenTokens,
  write(brand, themes, options) {
    const { groups, problems } = constantGroups(brand, themes, options, 'pascal', RULES);
    const enums = groups.map(({ name, title, constants }) => {
      const lines = constants.flatMap((constant) => {
        const [r, g, b, a] = bytesOf(constant.colour);
        const opacity = a === 255 ? '1' : `${a}.0 / 255`;
        return [
          ...(constant.note ? [`/// ${constant.note}`] : []),
          `public static let ${constant.name} = Color(.sRGB, red: ${r}.0 / 255, green: ${g}.0 / 255, blue: ${b}.0 / 255, opacity: ${opacity})`,
        ];
      });
      return `/// ${title}\npublic enum ${name} {\n${indented(lines, '    ')}\n}\n`;
    });
    const text = `import SwiftUI\n\n${enums.join('\n')}`;
    return { files: [textFile(`swift/${brandName(brand, 'pascal', RULES)}Colours.swift`, 'text/plain', text)], problems };
  },
});
