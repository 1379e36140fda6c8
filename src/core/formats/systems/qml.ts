import { type NameRules, words } from '../kit/identifiers';
import { casing, chosen, comments, prefix } from '../kit/choices';
import { z } from 'zod';
import { eightDigits } from '../../colour/integers';
import type { ReadColour } from '../../colour/read';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';
import { brandName, constantGroups, indented } from '../kit/program-text';
import { quoted } from '../../base/plain-text';

/** Words of ECMAScript and QML, and the members every QtObject has. */
const RULES: NameRules = {
  ascii: true,
  themeNames: { current: 'the theme in use' },
  reserved: words(
    'await break case catch class const continue debugger default delete do else enum export extends false finally for function if implements import in instanceof interface let new null package private protected public return static super switch this throw true try typeof var void while with yield property alias signal readonly on as parent id objectName themes theme',
  ),
};

/** A QML singleton: every theme an object in it, and `current` the one in use. */
export const qml = defineFormat({
  id: 'qml',
  title: 'QML singleton',
  family: 'interface',
  extensions: ['.qml', 'qmldir'],
  purpose:
    'For a Qt Quick program: put the folder on its import path; set Colours.theme, and every binding to Colours.current follows.',
  readBy: 'Qt Quick programs',
  reload: 'start',
  options: z.strictObject({ prefix, ...chosen, naming: casing('camel'), comments }),
  comment: (line) => `// ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { groups, findings } = constantGroups(brand, themes, options, 'camel', RULES);
    const objects = groups.map(({ name, title, constants }) => {
      const lines = constants.map(
        ({ name: property, colour, note, mark }) =>
          `readonly property color ${property}: "${mark(qmlColour(colour))}"${note && ` // ${note}`}`,
      );
      return `    // ${title}\n    readonly property QtObject ${name}: QtObject {\n${indented(lines, '        ')}\n    }\n`;
    });
    const index = groups.map(({ name }) => `${quoted(name)}: ${name}`).join(', ');
    const head = `    property string theme: ${quoted(groups[0]?.name ?? '')}\n    readonly property var themes: ({ ${index} })\n    readonly property QtObject current: themes[theme]\n`;
    const text = `pragma Singleton\nimport QtQml\nimport QtQuick\n\nQtObject {\n${head}\n${objects.join('\n')}}\n`;
    const folder = brandName(brand, 'pascal', RULES);
    return {
      files: [
        textFile(`qt/${folder}/Colours.qml`, 'text/plain', text),
        textFile(`qt/${folder}/qmldir`, 'text/plain', `module ${folder}\nsingleton Colours 1.0 Colours.qml\n`),
      ],
      findings,
    };
  },
});

/** As a QML string: `#rrggbb`, or `#aarrggbb` when translucent. */
function qmlColour(colour: ReadColour): string {
  return colour.alpha < 1 ? `#${eightDigits(colour, 'argb')}` : colour.hex;
}
