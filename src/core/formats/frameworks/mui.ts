import { material, type ShippedToken } from '../kit/material';
import { NameScope } from '../kit/name-scope';
import { marked } from '../kit/marks';
import { SCRIPT_WORDS } from '../kit/script-words';
import { chosen } from '../kit/choices';
import { fitted, partColours, partOptions } from '../kit/fitted-tokens';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssText } from '../kit/css-text';
import { allTokens, defineFormat, textFile } from '../kit/format';
import { identifier } from '../kit/identifiers';
import { objectText, type Tree } from '../kit/nested';
import { quoted } from '../../base/plain-text';

/** MUI's palette: `createTheme({ palette })`. */
const PARTS = {
  primary: { title: 'primary.main', words: ['primary', 'action', 'brand'], role: 'accent' },
  secondary: { title: 'secondary.main', words: ['secondary', 'second', 'accent'], role: 'accent' },
  error: { title: 'error.main', words: ['error', 'danger', 'critical', 'cancelled'], role: 'status' },
  warning: { title: 'warning.main', words: ['warning', 'caution', 'delayed', 'alert'], role: 'status' },
  info: { title: 'info.main', words: ['info', 'information', 'notice', 'boarding'], role: 'status' },
  success: { title: 'success.main', words: ['success', 'positive', 'good', 'time', 'ok'], role: 'status' },
  page: { title: 'background.default', words: ['page', 'background', 'ground'], role: 'surface' },
  paper: { title: 'background.paper', words: ['panel', 'paper', 'card'], role: 'surface' },
  text: { title: 'text.primary', words: ['default', 'body', 'primary'], role: 'text' },
  soft: { title: 'text.secondary', words: ['soft', 'secondary', 'muted'], role: 'text' },
  divider: { title: 'divider', words: ['default', 'divider', 'border'], role: 'border' },
} as const;

export const mui = defineFormat({
  id: 'mui',
  title: 'MUI theme',
  family: 'style framework',
  extensions: ['.js'],
  purpose: 'For an application on MUI: hand the theme’s object to createTheme; palette.tokens holds every token by its name.',
  readBy: 'Applications on MUI',
  reload: 'build',
  options: z.strictObject({ ...chosen, ...partOptions(PARTS) }),
  tokensWritten: allTokens,
  write(brand, themes, options) {
    // Its functions compute with the palette's colours, and read no name of another notation than these.
    const { themes: shipped, findings } = material(brand, themes, { ...options, naming: 'camel' });
    const { parts, findings: unfitted } = fitted(PARTS, options, brand.tokens);
    const scope = new NameScope({ themes: 'the list of themes' });
    const literal = (token: ShippedToken) => `"${marked(token, cssText(token.colour))}"`;
    const constants = shipped.map((theme) => {
      const found = partColours(theme, parts);
      const code = (part: keyof typeof PARTS) => {
        const token = found.get(part);
        return token ? [literal(token)] : [];
      };
      const some = (entries: readonly (readonly [string, readonly string[]])[]) =>
        new Map(entries.flatMap(([key, list]) => list.map((text) => [key, text] as const)));
      const main = (['primary', 'secondary', 'error', 'warning', 'info', 'success'] as const).flatMap((part) =>
        code(part).map((text): [string, Tree<string>] => [part, new Map([['main', text]])]),
      );
      const dark = (found.get('page')?.colour.oklch[0] ?? 1) < 0.5;
      const palette: Tree<string> = new Map<string, string | Tree<string>>([
        ['mode', quoted(dark ? 'dark' : 'light')],
        ...main,
        [
          'background',
          some([
            ['default', code('page')],
            ['paper', code('paper')],
          ]),
        ],
        [
          'text',
          some([
            ['primary', code('text')],
            ['secondary', code('soft')],
          ]),
        ],
        ...code('divider').map((text): [string, string] => ['divider', text]),
        ['tokens', new Map(theme.tokens.map((token) => [token.identifier, literal(token)]))],
      ]);
      const name = scope.claim(identifier(theme.identifier, 'camel', '', { reserved: SCRIPT_WORDS }), theme.theme.name);
      return { name, text: `export const ${name} = ${objectText(new Map([['palette', palette]]))};\n` };
    });
    const index = `export const themes = { ${constants.map(({ name }) => name).join(', ')} };\n`;
    const text = `${constants.map((constant) => constant.text).join('\n')}\n${index}`;
    return {
      files: [textFile(`mui/${slug(brand.name)}.js`, 'text/javascript', text)],
      findings: [...findings, ...unfitted, ...scope.findings],
    };
  },
});
