import { z } from 'zod';
import type { Theme } from '../../brand/document';
import { readColour } from '../../colour/read';
import { chosen } from '../kit/choices';
import { aliasOf, entriesOf, resolver, type Entry } from '../../intake/tokens/dtcg-entries';
import { tokenText } from './dtcg-text';
import {
  defineFormat,
  slug,
  textFile,
  type Found,
  type Problem,
  type ReadSwatch,
  type ReadToken,
  type SourceFile,
} from '../kit/format';
import { memberOf, readJson } from '../../source/json-text';
import { material } from '../kit/material';
import { doubt, nameOfFile, problem, readSwatch } from '../../intake/reading';

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
    'For token pipelines and design tools that read the open standard: one file a theme, aliases kept, and the resolver of the themes.',
  readBy: 'Token pipelines and design tools',
  taken: 'build',
  options: z.strictObject({ themes: chosen.themes }),
  read({ name, bytes }: SourceFile) {
    const source = new TextDecoder().decode(bytes);
    if (!/^\s*\{/.test(source) || !/"\$value"|"\$ref"/.test(source)) return null;
    const json = readJson(source);
    const problems: Problem[] = [...json.problems];
    const skipped: Found[] = [];
    const document = json.root && { name, source, root: json.root, problems, placeOf: json.placeOf };
    const entries = document ? entriesOf(document).tokens : new Map<string, Entry>();
    if (json.root && entries.size === 0 && memberOf(json.root, 'resolutionOrder'))
      problems.push(problem('A resolver holds no colours itself; bring it in under Name, together with the files it names.'));
    const resolved = resolver(entries);
    const tokens: ReadToken[] = [];
    const aliases: ReadSwatch[] = [];
    const groups = new Map<string, ReadSwatch[]>();
    for (const entry of entries.values()) {
      const { path, description } = entry;
      const at = json.placeOf(entry.value.offset);
      const end = resolved(entry);
      const text = path;
      if ('fault' in end) problems.push(problem(`${path} ${end.fault}`, at.line, at.column));
      else if (end.css === null) {
        const what = end.type ?? 'a value without a type';
        skipped.push({
          ...at,
          text,
          name: path,
          css: null,
          doubts: [doubt('no colour', `No colour but ${what}: kept untouched.`)],
        });
      } else {
        const { hex, alpha } = readColour(end.css)!;
        const alias = aliasOf(entry.value);
        const token = { path, alias, description };
        tokens.push({ ...token, hex, alpha });
        const cut = path.lastIndexOf('.');
        const swatch = readSwatch(end.css, { name: path.slice(cut + 1), ...at, text, token });
        if (alias !== null) {
          aliases.push(swatch);
          continue;
        }
        const group = cut < 0 ? nameOfFile(name).replace(/\.tokens$/, '') : path.slice(0, cut);
        groups.set(group, groups.get(group) ?? []);
        groups.get(group)!.push(swatch);
      }
    }
    const palettes = [...groups].map(([group, swatches]) => ({ name: group, kind: 'loose' as const, swatches }));
    return { format: 'dtcg', palettes, tokens, aliases, skipped, problems };
  },
  write(brand, themes) {
    const { problems } = material(brand, themes, {}, { wide: true });
    const base = slug(brand.name);
    const nameOf = (theme: Theme) => `${base}-${slug(theme.name)}.tokens.json`;
    const files = themes.map((theme) => textFile(`tokens/${nameOf(theme)}`, 'application/json', tokenText(brand, theme)));
    const contexts = themes.map((theme) => [slug(theme.name), [{ $ref: nameOf(theme) }]] as const);
    const resolver = {
      $schema: 'https://www.designtokens.org/schemas/2025.10/resolver.json',
      name: brand.name,
      version: '2025.10',
      modifiers: { theme: { contexts: Object.fromEntries(contexts), default: contexts[0]?.[0] } },
      resolutionOrder: [{ $ref: '#/modifiers/theme' }],
    };
    files.push(textFile(`tokens/${base}.resolver.json`, 'application/json', JSON.stringify(resolver, null, 2) + '\n'));
    return { files, problems };
  },
});
