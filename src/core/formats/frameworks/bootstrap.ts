import { marked } from '../kit/marks';
import { chosen, prefix } from '../kit/choices';
import { fitted, partColours, partOptions } from '../kit/fitted-tokens';
import { slug } from '../../base/words';
import { z } from 'zod';
import { cssText } from '../kit/css-text';
import { allTokens, defineFormat, textFile } from '../kit/format';
import { material } from '../kit/material';

/** Bootstrap 5.3, scss/_variables.scss: the variables that the others are made from. */
const PARTS = {
  primary: { title: 'primary', words: ['primary', 'action', 'brand'], role: 'accent' },
  secondary: { title: 'secondary', words: ['secondary', 'second', 'quiet'], role: 'accent' },
  success: { title: 'success', words: ['success', 'positive', 'good', 'time', 'ok'], role: 'status' },
  info: { title: 'info', words: ['info', 'information', 'notice', 'boarding'], role: 'status' },
  warning: { title: 'warning', words: ['warning', 'caution', 'delayed', 'alert'], role: 'status' },
  danger: { title: 'danger', words: ['danger', 'error', 'critical', 'cancelled'], role: 'status' },
  'body-bg': { title: 'body-bg', words: ['page', 'background', 'ground'], role: 'surface' },
  'body-color': { title: 'body-color', words: ['default', 'body', 'primary'], role: 'text' },
  'link-color': { title: 'link-color', words: ['link'], role: 'text' },
  'border-color': { title: 'border-color', words: ['default', 'border'], role: 'border' },
} as const;

export const bootstrap = defineFormat({
  id: 'bootstrap',
  title: 'Bootstrap 5 variables (SCSS)',
  family: 'style framework',
  extensions: ['.scss'],
  purpose:
    'For a site on Bootstrap 5: load the partial of a theme before Bootstrap’s own variables; merge $brand-colors into $theme-colors for a class a token.',
  readBy: 'Sites on Bootstrap 5',
  reload: 'build',
  options: z.strictObject({ prefix, ...chosen, ...partOptions(PARTS) }),
  tokensWritten: allTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options, { opaque: true });
    const { parts, findings: unfitted } = fitted(PARTS, options, brand.tokens);
    const files = shipped.map((theme) => {
      const variables = [...partColours(theme, parts)].map(
        ([name, token]) => `$${name}: ${marked(token, cssText(token.colour))};`,
      );
      const map = theme.tokens.map((token) => `  '${token.identifier}': ${marked(token, cssText(token.colour))},`);
      const text = `${variables.join('\n')}\n\n$brand-colors: (\n${map.join('\n')}\n);\n`;
      return textFile(`bootstrap/_${slug(brand.name)}-${theme.identifier}.scss`, 'text/x-scss', text);
    });
    return { files, findings: [...findings, ...unfitted] };
  },
});
