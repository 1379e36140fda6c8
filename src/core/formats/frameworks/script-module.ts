import { chosen } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import type { Brand, Theme } from '../../brand/document';
import { casing, prefix, type Choices } from '../kit/choices';
import { cssNotation, cssPrecision, cssText, type CssStyle } from '../kit/css-text';
import { type Written } from '../kit/format';
import { identifier, words } from '../kit/identifiers';
import { material, type ShippedToken } from '../kit/material';
import { objectText, propertyKey, treeOf } from '../kit/nested';
import { quoted } from '../kit/plain-text';

/** ECMAScript, 12.7.2 Reserved Words, and what a module may not declare. */
export const SCRIPT_WORDS = words(
  'await break case catch class const continue debugger default delete do else enum export extends false finally for function if import in instanceof new null return super switch this throw true try typeof var void while with yield let static implements interface package private protected public arguments eval themes undefined NaN Infinity',
);

/** The options of the modules for scripts. */
export const moduleOptions = z.strictObject({
  prefix,
  ...chosen,
  shape: z
    .enum(['nested', 'flat'])
    .default('nested')
    .meta({ title: 'Shape', description: 'nested', says: { nested: 'groups in groups', flat: 'one list of names' } }),
  naming: casing('kebab', 'camel', 'snake', 'path').meta({
    title: 'Names, where the list is flat',
    description: 'text-on-header',
  }),
  notation: cssNotation,
  precision: cssPrecision,
});

export interface ModuleTheme {
  /** The constant a theme is exported as. */
  readonly name: string;
  /** The theme's word for attributes and files. */
  readonly key: string;
  /** Its object literal. */
  readonly object: string;
}

/** The themes of a brand as object literals. */
export function moduleThemes(
  brand: Brand,
  themes: readonly Theme[],
  options: Choices & CssStyle & { readonly shape: 'nested' | 'flat' },
): { modules: ModuleTheme[]; problems: Written['problems'] } {
  const { themes: shipped, problems } = material(brand, themes, options);
  const stem = (options.prefix ?? '').replace(/-$/, '');
  const modules = shipped.map(({ theme, identifier: key, tokens }) => {
    const text = ({ colour }: ShippedToken) => quoted(cssText(colour, options));
    const object =
      options.shape === 'flat'
        ? objectText(new Map(tokens.map((token) => [token.identifier, text(token)])))
        : objectText(
            treeOf(
              tokens.map((token) => [(stem && `${stem}.`) + token.token.path, text(token)]),
              'own',
            ),
          );
    return { name: identifier(slug(theme.name), 'camel', '', { reserved: SCRIPT_WORDS }), key, object };
  });
  return { modules, problems };
}

/** `{ "night-bridge": nightBridge }` */
export function indexText(modules: readonly ModuleTheme[]): string {
  return `{ ${modules.map(({ name, key }) => `${propertyKey(key)}: ${name}`).join(', ')} }`;
}
