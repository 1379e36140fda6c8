import { marked } from '../kit/marks';
import { NameScope } from '../kit/name-scope';
import type { Finding } from '../../findings/finding';
import { about } from '../kit/options';
import { casing, type Choices, chosen, prefix } from '../kit/choices';
import { slug } from '../../base/words';
import { z } from 'zod';
import type { Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import { cssNotation, cssPrecision, cssText, type CssStyle } from '../kit/css-text';
import { type Written } from '../kit/format';
import { SCRIPT_WORDS } from '../kit/script-words';
import { identifier } from '../kit/identifiers';
import { material, type ShippedToken } from '../kit/material';
import { objectText, propertyKey, treeOf } from '../kit/nested';

/** The options of the modules for scripts. */
export const moduleOptions = z.strictObject({
  prefix,
  ...chosen,
  shape: z
    .enum(['nested', 'flat'])
    .default('nested')
    .meta(about({ title: 'Shape', description: 'nested', says: { nested: 'groups in groups', flat: 'one list of names' } })),
  naming: casing('kebab', 'camel', 'snake', 'path').meta(
    about({
      title: 'Names, where the list is flat',
      description: 'text-on-header',
    }),
  ),
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
): { modules: ModuleTheme[]; findings: Written['findings'] } {
  const { themes: shipped, findings } = material(brand, themes, options);
  const stem = (options.prefix ?? '').replace(/-$/, '');
  const constants = new NameScope({ themes: 'the list of themes' });
  const clashes: Finding[] = [];
  const modules = shipped.map(({ theme, identifier: key, tokens }) => {
    const text = (token: ShippedToken) => `"${marked(token, cssText(token.colour, options))}"`;
    const keys = new NameScope();
    const object =
      options.shape === 'flat'
        ? objectText(new Map(tokens.map((token) => [token.identifier, text(token)])))
        : objectText(
            treeOf(
              tokens.map((token) => [(stem && `${stem}.`) + token.token.path, text(token)]),
              'own',
              keys,
            ),
          );
    // Themes have the same tokens: what clashes in one does in all.
    if (clashes.length === 0) clashes.push(...keys.findings);
    const name = identifier(slug(theme.name), 'camel', '', { reserved: SCRIPT_WORDS });
    return { name: constants.claim(name, theme.name), key, object };
  });
  return { modules, findings: [...findings, ...constants.findings, ...clashes] };
}

/** `{ "night-bridge": nightBridge }` */
export function indexText(modules: readonly ModuleTheme[]): string {
  return `{ ${modules.map(({ name, key }) => `${propertyKey(key)}: ${name}`).join(', ')} }`;
}
