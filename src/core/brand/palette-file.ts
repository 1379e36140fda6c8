import { z } from 'zod';
import { slug } from '../base/words';
import { problem, type Problem } from '../source/problem';
import { Palette, Swatch } from './document';

/** One palette whole, as it can be handed on: its colours as they were authored, their names, rows and locks, and its maker. */
export const PaletteFile = z.strictObject({
  format: z.literal('breakwater-palette'),
  version: z.literal(1),
  name: Palette.shape.name,
  kind: Palette.shape.kind,
  maker: z.string().trim().max(120),
  swatches: z.array(Swatch.omit({ id: true, settled: true })).max(20_000),
});
export type PaletteFile = z.infer<typeof PaletteFile>;

/** Two-space indent, final newline; the same palette gives the same bytes. */
export function serialisePalette({ name, kind, swatches }: Palette, maker: string): string {
  const file: PaletteFile = { format: 'breakwater-palette', version: 1, name, kind, maker, swatches: swatches.map(withoutId) };
  return JSON.stringify(PaletteFile.parse(file), null, 2) + '\n';
}

function withoutId({ name, value, locked, row }: Swatch): PaletteFile['swatches'][number] {
  return { name, value, locked, ...(row !== undefined && { row }) };
}

/** @returns null when the text is no palette file at all; a damaged one gives sentences with their places */
export function parsePalette(text: string): { palette: PaletteFile } | { problems: Problem[] } | null {
  if (!/^\s*\{/.test(text) || !text.includes('"breakwater-palette"')) return null;
  const data = parsedJson(text);
  if ('problems' in data) return data;
  const parsed = PaletteFile.safeParse(data.json);
  return parsed.success ? { palette: parsed.data } : { problems: issuesAsProblems(parsed.error) };
}

/** JSON that has to be whole. */
export function parsedJson(text: string): { json: unknown } | { problems: Problem[] } {
  try {
    return { json: JSON.parse(text) as unknown };
  } catch (error) {
    return { problems: [problem(`This is not JSON: ${(error as Error).message}.`)] };
  }
}

/** What a schema found wrong, a sentence each with its place in the document. */
export function issuesAsProblems({ issues }: z.ZodError): Problem[] {
  return issues.slice(0, 50).map(({ path, message }) => problem(path.length > 0 ? `At ${path.join('.')}: ${message}` : message));
}

/** What the file of a palette is called. */
export function paletteFileName(palette: Palette): string {
  return `${slug(palette.name)}.palette.json`;
}
