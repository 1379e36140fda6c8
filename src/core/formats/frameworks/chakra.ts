import { chosenTokens, material, type ShippedToken } from '../kit/material';
import { marked } from '../kit/marks';
import { NameScope } from '../kit/name-scope';
import { chosen, comments, oneTheme, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssText } from '../kit/css-text';
import { darkest } from '../kit/dark-theme';
import { defineFormat, textFile } from '../kit/format';
import { identifier } from '../kit/identifiers';
import { objectText, propertyKey, treeOf } from '../kit/nested';
import { quoted } from '../../base/plain-text';

/** A step that its own merging of objects would lose. */
const PROTO = /(^|\.)__proto__(?=\.|$)/g;

/** Chakra UI 3: semantic tokens with a condition for every theme but the first, for `createSystem(defaultConfig, config)`. */
export const chakra = defineFormat({
  id: 'chakra',
  title: 'Chakra UI 3 theme',
  family: 'style framework',
  extensions: ['.js'],
  purpose:
    'For an application on Chakra UI 3: hand the configuration to createSystem behind the default one, and set data-theme on the root element.',
  readBy: 'Applications on Chakra UI 3',
  reload: 'build',
  options: z.strictObject({ prefix, ...chosen, dark: oneTheme('Theme for _dark', 'the first dark one'), comments }),
  comment: (line) => `// ${line}`,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    // Its variables are named by paths with hyphens for dots: that is where two could clash.
    const { themes: shipped, findings } = material(brand, themes, options);
    const stem = options.prefix.replace(/-?$/, options.prefix && '.');
    const [base, ...others] = shipped;
    const dark = darkest(brand, shipped, options.dark);
    const conditionNames = new NameScope({ dark: 'the condition for dark surroundings' });
    const conditions = others.map((theme) => ({
      theme,
      name: conditionNames.claim(identifier(theme.identifier, 'camel'), theme.theme.name),
      tokens: new Map(theme.tokens.map((token) => [token.token.id, token])),
    }));
    const literal = (token: ShippedToken) => `"${marked(token, cssText(token.colour))}"`;
    const entries = (base?.tokens ?? []).map((shippedToken) => {
      const { token } = shippedToken;
      const values = [`base: ${literal(shippedToken)}`];
      for (const { theme, name, tokens } of conditions) {
        const shipped = tokens.get(token.id);
        if (!shipped) continue;
        const text = literal(shipped);
        if (theme === dark) values.push(`_dark: ${text}`);
        values.push(`${propertyKey(`_${name}`)}: ${text}`);
      }
      const description = options.comments && token.description ? `, description: ${quoted(token.description)}` : '';
      return [stem + token.path.replace(PROTO, '$1proto'), `{ value: { ${values.join(', ')} }${description} }`] as const;
    });
    const scope = new NameScope();
    const tree = objectText(treeOf(entries, 'DEFAULT', scope), '      ');
    const selectors = conditions.map(
      ({ theme, name }) => `    ${propertyKey(name)}: ${quoted(`[data-theme='${theme.identifier}'] &`)},\n`,
    );
    const text = `export const config = {\n  conditions: {\n${selectors.join('')}  },\n  theme: {\n    semanticTokens: {\n      colors: ${tree},\n    },\n  },\n};\n`;
    return {
      files: [textFile(`chakra/${slug(brand.name)}.js`, 'text/javascript', text)],
      findings: [...findings, ...scope.findings, ...conditionNames.findings],
    };
  },
});
