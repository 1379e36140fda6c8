import Papa from 'papaparse';
import type { Brand } from '../brand/document/document';

const MONTHS = 12;
/** More categories than most palettes have colours for, so that one sees what happens then. */
const LEAST = 5;

/** Invented data to begin with: the values of the brand's first field, or names of a palette's swatches, month by month. The same brand, the same data. */
export function sampleData({ fields, palettes }: Brand): string {
  const [field] = fields;
  const palette = palettes.find(({ kind }) => kind === 'categorical') ?? palettes[0];
  const words = field?.values.map(({ text }) => text) ?? palette?.swatches.map(({ name }) => name) ?? [];
  const names = [...new Set([...words, ...'ABCDE'.slice(0, Math.max(0, LEAST - words.length))])].slice(0, 40);
  const rows = names.flatMap((name, at) =>
    Array.from({ length: MONTHS }, (_, month) => {
      // Waves of different lengths, so that lines cross and sums differ.
      const season = Math.sin(((month + at * 2.3) / MONTHS) * Math.PI * 2);
      const amount = Math.round(60 + 34 * season + ((at * 37) % 50));
      return [name, `2026-${String(month + 1).padStart(2, '0')}`, amount, Math.round(season * 12 - ((at * 13) % 9) + 3)];
    }),
  );
  return Papa.unparse([[field?.name ?? 'Category', 'Month', 'Amount', 'Change'], ...rows]);
}
