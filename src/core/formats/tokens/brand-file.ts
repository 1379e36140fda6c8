import { z } from 'zod';
import { Brand, serialiseBrand } from '../../brand/document';
import { resolveTheme } from '../../brand/resolve';
import { defineFormat, slug, textFile, type Problem, type Reading } from '../kit/format';
import { readingOf, readSwatch } from '../../intake/reading';

/** Reads a brand file whole. Every fault is one sentence with the place in the document. */
export function parseBrandFile(source: string): { brand: Brand } | { problems: Problem[] } {
  let data: unknown;
  try {
    data = JSON.parse(source);
  } catch (error) {
    return { problems: [{ severity: 'error', line: 1, column: 1, message: `This is not JSON: ${(error as Error).message}.` }] };
  }
  const parsed = Brand.safeParse(data);
  if (parsed.success) return { brand: parsed.data };
  const problems = parsed.error.issues.slice(0, 50).map((issue): Problem => {
    const place = issue.path.length > 0 ? `At ${issue.path.join('.')}: ` : '';
    return { severity: 'error', line: 1, column: 1, message: place + issue.message };
  });
  return { problems };
}

/** A brand's palettes, and its tokens as they are in the first theme. */
export function readingOfBrand(brand: Brand): Reading {
  const theme = brand.themes[0]!;
  const paths = new Map(brand.tokens.map((token) => [token.id, token.path]));
  const palettes = brand.palettes.map(({ name, kind, swatches }) => ({
    name,
    kind,
    swatches: swatches.map((swatch, at) => readSwatch(swatch.value, { name: swatch.name, line: at + 1 })),
  }));
  const tokens = [...resolveTheme(brand, theme.id).values()].flatMap(({ token, colour }) => {
    const value = token.values[theme.id];
    if (!colour || !value) return [];
    const { path, description } = token;
    return [
      { path, description, hex: colour.hex, alpha: colour.alpha, alias: 'token' in value ? paths.get(value.token)! : null },
    ];
  });
  return { ...readingOf('brand', palettes), tokens };
}

export const brandFile = defineFormat({
  id: 'brand',
  title: 'Breakwater brand file',
  family: 'brand',
  extensions: ['.breakwater.json'],
  purpose: 'The whole brand in one open file: to keep, to move, to compare.',
  readBy: 'Breakwater itself',
  taken: 'import',
  options: z.strictObject({}),
  read({ bytes }) {
    const source = new TextDecoder().decode(bytes);
    if (!/^\s*\{/.test(source) || !source.includes('"breakwater-brand"')) return null;
    const parsed = parseBrandFile(source);
    return 'brand' in parsed ? readingOfBrand(parsed.brand) : readingOf('brand', [], parsed.problems);
  },
  write(brand) {
    return { files: [textFile(`${slug(brand.name)}.breakwater.json`, 'application/json', serialiseBrand(brand))], problems: [] };
  },
});
