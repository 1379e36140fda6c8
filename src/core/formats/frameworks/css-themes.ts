import { marked } from '../kit/marks';
import { about } from '../kit/options';
import { z } from 'zod';
import { wideText } from '../../colour/notations';
import type { Theme } from '../../brand/document/theme-shape';
import { oneTheme } from '../kit/choices';
import { cssText, type CssStyle } from '../kit/css-text';
import type { ShippedTheme, ShippedToken } from '../kit/material';
import { commentText } from '../../base/plain-text';
import { tokenNote } from '../kit/token-note';

/** How a style sheet tells its themes apart. */
export const cssThemes = {
  attribute: z
    .string()
    .regex(/^data-[a-z][a-z0-9-]*$/, 'The attribute begins with data-, such as data-theme.')
    .max(40)
    .default('data-theme')
    .meta(about({ title: 'Attribute that chooses the theme', description: 'data-theme' })),
  dark: oneTheme('Theme where the system is dark', 'none'),
  contrast: oneTheme('Theme where more contrast is asked for', 'none'),
  wide: z
    .boolean()
    .default(false)
    .meta(about({ title: 'Display P3 where the screen has it', description: 'sRGB on every screen' })),
};

interface Look extends CssStyle {
  readonly attribute: string;
  readonly dark: string;
  readonly contrast: string;
  readonly wide: boolean;
  readonly comments: boolean;
}

/**
 * Custom properties for every theme: the first on the root, each under its attribute, and two at most also where the
 * system asks for them (Media Queries 5, `prefers-color-scheme` and `prefers-contrast`). A theme that the page names by
 * its attribute wins over the system's wish.
 */
export function themeBlocks(themes: readonly ShippedTheme[], variable: (token: ShippedToken) => string, look: Look): string {
  const { attribute, dark, contrast, wide } = look;
  const unnamed = `:root:not([${attribute}])`;
  const blocks = themes.map(({ identifier, tokens, theme }, at) => {
    const selector = `[${attribute}='${identifier}']`;
    return { selector: at === 0 ? `:root,\n${selector}` : selector, tokens, theme, system: '' };
  });
  for (const [wanted, query] of [
    [dark, '(prefers-color-scheme: dark)'],
    [contrast, '(prefers-contrast: more)'],
  ] as const) {
    const found = themes.find(({ theme }) => theme.id === wanted);
    if (found) blocks.push({ selector: unnamed, tokens: found.tokens, theme: found.theme, system: query });
  }
  return blocks
    .flatMap(({ selector, tokens, theme, system }, at) => {
      const lines = tokens.map(
        (token) => `  ${variable(token)}: ${marked(token, cssText(token.colour, look))};${note(token, look, at === 0)}`,
      );
      const outside = wide ? tokens.filter(({ colour }) => colour.clipped > 0) : [];
      const wider = outside.map((token) => `  ${variable(token)}: ${marked(token, wideText(token.colour))};`);
      return [
        within(system, `${heading(theme, look)}${selector} {\n${lines.join('\n')}\n}\n`),
        ...(wider.length > 0
          ? [within([system, '(color-gamut: p3)'].filter(Boolean).join(' and '), `${selector} {\n${wider.join('\n')}\n}\n`)]
          : []),
      ];
    })
    .join('\n');
}

/** `@property` for each, so that they are checked as colours and can be animated (CSS Properties and Values 1). */
export function registered({ tokens }: ShippedTheme, variable: (token: ShippedToken) => string): string {
  const rule = (token: ShippedToken) =>
    `@property ${variable(token)} {\n  syntax: '<color>';\n  inherits: true;\n  initial-value: ${marked(token, cssText(token.colour))};\n}\n`;
  return tokens.map(rule).join('');
}

function note(token: ShippedToken, { comments }: Look, first: boolean): string {
  const text = comments && first ? tokenNote(token) : '';
  return text && ` /* ${text} */`;
}

function heading(theme: Theme, { comments }: Look): string {
  return comments ? `/* ${commentText(theme.name)} */\n` : '';
}

function within(query: string, block: string): string {
  return query === '' ? block : `@media ${query} {\n${block.replace(/^(?=.)/gm, '  ')}}\n`;
}
