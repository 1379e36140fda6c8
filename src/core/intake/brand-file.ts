import { resolveTheme } from '../brand/reading/resolve';
import { StoredBrand, type Brand } from '../brand/document/document';
import { issuesAsProblems, parsedJson } from './whole-json';
import type { Problem } from '../source/problem';
import type { Reader } from './reader';
import { certain, intakeOf, taken, type Intake } from './intake';

/** Reads a brand file whole. Every fault is one sentence with the place in the document. */
export function parseBrandFile(text: string): { brand: Brand } | { problems: Problem[] } {
  const data = parsedJson(text);
  if ('problems' in data) return data;
  const parsed = StoredBrand.safeParse(data.json);
  return parsed.success ? { brand: parsed.data } : { problems: issuesAsProblems(parsed.error) };
}

/** Whether a text says of itself that it is a brand file. */
export function isBrandFile(text: string): boolean {
  return /^\s*\{/.test(text) && text.includes('"breakwater-brand"');
}

/** A brand's palettes, and its tokens as they are in the first theme. */
export function intakeOfBrand(brand: Brand): Intake {
  const theme = brand.themes[0]!;
  const paths = new Map(brand.tokens.map((token) => [token.id, token.path]));
  const palettes = brand.palettes.map(({ name, kind, note, maker, swatches }) => ({
    name,
    kind,
    about: { ...(note && { note }), ...(maker && { maker }) },
    entries: swatches.map(({ name: swatch, value, row }, at) =>
      taken(certain(value), { name: swatch, line: at + 1, ...(row !== undefined && { row }) }),
    ),
  }));
  const tokens = [...resolveTheme(brand, theme.id).values()].flatMap(({ token, colour }) => {
    const value = token.values[theme.id];
    if (!colour || !value) return [];
    const { path, description } = token;
    return [
      { path, description, hex: colour.hex, alpha: colour.alpha, alias: 'token' in value ? paths.get(value.token)! : null },
    ];
  });
  return { ...intakeOf('brand', palettes), tokens };
}

export const brandFile: Reader = {
  id: 'brand',
  title: 'Breakwater brand file',
  family: 'brand',
  extensions: ['.breakwater.json'],
  purpose: 'The palettes of another brand.',
  read({ source }) {
    if (!source || !isBrandFile(source.text)) return null;
    const parsed = parseBrandFile(source.text);
    return 'brand' in parsed ? intakeOfBrand(parsed.brand) : intakeOf('brand', [], parsed.problems);
  },
};
