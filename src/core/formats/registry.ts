import type { Brand, Destination, Theme } from '../brand/document';
import { brandFile } from './brand-file';
import { css } from './css';
import { echarts } from './echarts';
import type { Format, Reading, Written } from './format';
import { gamePalette } from './game-palette';
import { text } from './text';
import { xmlResources } from './xml-resources';

/** Every format there is. Readers are asked in this order, so the most particular come first and any text last. */
export const FORMATS: readonly Format[] = [brandFile, echarts, css, gamePalette, xmlResources, text];

export function formatById(id: string): Format | undefined {
  return FORMATS.find((format) => format.id === id);
}

/** Reads a file by its content, or as the one format named. @returns null when no reader knows it. */
export function readFile(file: { name: string; bytes: Uint8Array }, as?: string): Reading | null {
  for (const format of FORMATS) {
    if (as !== undefined && format.id !== as) continue;
    const reading = format.read?.(file);
    if (reading) return reading;
  }
  return null;
}

/** Writes one destination. Bad options and unknown formats are problems like any other. */
export function writeDestination(
  brand: Brand,
  destination: Pick<Destination, 'name' | 'format' | 'options'>,
  themes: readonly Theme[] = brand.themes,
): Written {
  const format = formatById(destination.format);
  const refuse = (message: string): Written => ({
    files: [],
    problems: [{ severity: 'error', message: `${destination.name}: ${message}` }],
  });
  if (!format?.write) return refuse(`Breakwater does not write “${destination.format}”.`);
  const options = format.options.safeParse(destination.options);
  if (!options.success) return refuse(options.error.issues.map((issue) => issue.message).join(' '));
  return format.write(brand, themes, options.data);
}
