import type { Brand, Destination, Theme } from '../brand/document';
import { aco } from './aco';
import { ase } from './ase';
import { brandFile } from './brand-file';
import { css } from './css';
import { csv } from './csv';
import { dtcg } from './dtcg';
import { echarts } from './echarts';
import type { Format, Reading, ReadTools, SourceFile, Written } from './format';
import { gamePalette } from './game-palette';
import { gpl } from './gpl';
import { hexList } from './hex-list';
import { json } from './json';
import { isNeverRead } from './not-read';
import { ooxmlTheme } from './ooxml-theme';
import { picture } from './picture';
import { riffPal } from './riff-pal';
import { soc } from './soc';
import { stylesheet } from './stylesheet';
import { svg } from './svg';
import { text } from './text';
import { xlsx } from './xlsx';
import { xmlResources } from './xml-resources';

/** Every format there is. Readers are asked in this order, so the most particular come first and any text last. */
export const FORMATS: readonly Format[] = [
  brandFile,
  echarts,
  css,
  gamePalette,
  xmlResources,
  picture,
  dtcg,
  ase,
  riffPal,
  gpl,
  soc,
  xlsx,
  ooxmlTheme,
  svg,
  aco,
  hexList,
  csv,
  json,
  stylesheet,
  text,
];

export function formatById(id: string): Format | undefined {
  return FORMATS.find((format) => format.id === id);
}

/** Reads a file by its content, or as the one format named. @returns null when no reader knows it. */
export async function readFile(file: SourceFile, tools: ReadTools = {}, as?: string): Promise<Reading | null> {
  if (as === undefined && isNeverRead(file.bytes)) return null;
  for (const format of FORMATS) {
    if (as !== undefined && format.id !== as) continue;
    const reading = await format.read?.(file, tools);
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
