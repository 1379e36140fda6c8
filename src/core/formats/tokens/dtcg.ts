import { slug } from '../../base/words';
import { z } from 'zod';
import type { Theme } from '../../brand/document/theme-shape';
import { chosen } from '../kit/choices';
import { markedTokenText } from './dtcg-text';
import { allTokens, defineFormat, textFile } from '../kit/format';
import { material } from '../kit/material';

/**
 * Design Tokens Format Module 2025.10 of the Design Tokens Community Group: groups, inherited `$type`, `$root`,
 * aliases in braces or as `$ref`, colours as objects; and the older form, where a colour is a hex string.
 */
export const dtcg = defineFormat({
  id: 'dtcg',
  title: 'Design tokens (DTCG JSON)',
  family: 'tokens',
  extensions: ['.tokens.json', '.tokens'],
  purpose:
    'For token pipelines and design tools that read the open standard: one file a theme, aliases kept, and the resolver where there are several themes.',
  wide: true,
  readBy: 'Token pipelines and design tools',
  reload: 'build',
  options: z.strictObject({ themes: chosen.themes }),
  tokensWritten: allTokens,
  write(brand, themes) {
    const { findings } = material(brand, themes, {}, { wide: true });
    const base = slug(brand.name);
    const nameOf = (theme: Theme) => `${base}-${slug(theme.name)}.tokens.json`;
    // With one theme there is nothing to resolve.
    if (themes.length === 1) {
      const file = textFile(`tokens/${base}.tokens.json`, 'application/json', markedTokenText(brand, themes[0]!));
      return { files: [file], findings };
    }
    const files = themes.map((theme) => textFile(`tokens/${nameOf(theme)}`, 'application/json', markedTokenText(brand, theme)));
    const contexts = themes.map((theme) => [slug(theme.name), [{ $ref: nameOf(theme) }]] as const);
    const resolver = {
      $schema: 'https://www.designtokens.org/schemas/2025.10/resolver.json',
      name: brand.name,
      version: '2025.10',
      modifiers: { theme: { contexts: Object.fromEntries(contexts), default: contexts[0]?.[0] } },
      resolutionOrder: [{ $ref: '#/modifiers/theme' }],
    };
    files.push(textFile(`tokens/${base}.resolver.json`, 'application/json', JSON.stringify(resolver, null, 2) + '\n'));
    return { files, findings };
  },
});
