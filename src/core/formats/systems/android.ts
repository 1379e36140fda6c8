import { marked } from '../kit/marks';
import { identifier, type NameRules, words } from '../kit/identifiers';
import { NameScope } from '../kit/name-scope';
import { chosen, comments, oneTheme, prefix } from '../kit/choices';
import { z } from 'zod';
import { eightDigits } from '../../colour/integers';
import type { ReadColour } from '../../colour/read';
import { tokenNote } from '../kit/token-note';
import { darkest } from '../kit/dark-theme';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens, material, type ShippedTheme } from '../kit/material';

/** Resource names become fields of a class, so words of Java are none (Java Language Specification, 3.9). */
const RULES: NameRules = {
  ascii: true,
  reserved: words(
    'abstract assert boolean break byte case catch char class const continue default do double else enum extends final finally float for goto if implements import instanceof int interface long native new package private protected public return short static strictfp super switch synchronized this throw throws transient try void volatile while true false null',
  ),
};

export const android = defineFormat({
  id: 'android',
  title: 'Android colour resources',
  family: 'interface',
  extensions: ['.xml'],
  purpose:
    'For an Android application: put the folders into res. The night theme takes over by itself where the system is dark; further themes have their name before each colour’s.',
  readBy: 'Android applications',
  reload: 'build',
  options: z.strictObject({ prefix, ...chosen, night: oneTheme('Night theme', 'the first dark one'), comments }),
  comment: (line) => `<!-- ${line} -->`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, { ...options, naming: 'snake' }, RULES);
    const night = darkest(brand, shipped, options.night);
    const [day] = shipped.filter((theme) => theme !== night);
    // All files beside each other are one scope; those of the night stand in for those of the day.
    const scope = new NameScope();
    const files = shipped.map((theme) => {
      if (theme === day) return textFile('android/values/colors.xml', 'application/xml', resources(theme, ''));
      if (theme === night) return textFile('android/values-night/colors.xml', 'application/xml', resources(theme, ''));
      const word = identifier(theme.identifier, 'snake', '', RULES);
      return textFile(`android/values/colors_${word}.xml`, 'application/xml', resources(theme, `${word}_`));
    });
    return { files, findings: [...findings, ...scope.findings] };

    function resources(theme: ShippedTheme, lead: string): string {
      const lines = theme.tokens.map((token) => {
        const note = options.comments ? tokenNote(token) : '';
        const name = lead + token.identifier;
        if (theme !== night) scope.claim(name, lead === '' ? token.token.path : `${token.token.path} in ${theme.theme.name}`);
        return `    <color name="${name}">${marked(token, code(token.colour))}</color>${note && ` <!-- ${note} -->`}`;
      });
      return `<?xml version="1.0" encoding="utf-8"?>\n<resources>\n${lines.join('\n')}\n</resources>\n`;
    }
  },
});

/** `#rrggbb`, or `#aarrggbb` when translucent. */
function code(colour: ReadColour): string {
  return colour.alpha < 1 ? `#${eightDigits(colour, 'argb')}` : colour.hex;
}
