import type { Brand, Destination, Theme } from '../brand/document';
import { android } from './systems/android';
import { assetCatalog } from './systems/asset-catalog';
import { bootstrap } from './frameworks/bootstrap';
import { cHeader } from './games/c-header';
import { chakra } from './frameworks/chakra';
import { csharp } from './games/csharp';
import { d3 } from './charts/d3';
import { dart } from './systems/dart';
import { dashboardJson } from './charts/dashboard-json';
import { dashboardXml } from './charts/dashboard-xml';
import { gdscript } from './games/gdscript';
import { gltf } from './games/gltf';
import { gtk } from './systems/gtk';
import { ini } from './systems/ini';
import { javascript } from './frameworks/javascript';
import { kotlin } from './systems/kotlin';
import { less } from './frameworks/less';
import { linuxConsole } from './systems/linux-console';
import { lua } from './games/lua';
import { matplotlib } from './charts/matplotlib';
import { mui } from './frameworks/mui';
import { plotly } from './charts/plotly';
import { properties } from './systems/properties';
import { qml } from './systems/qml';
import { qss } from './systems/qss';
import { rust } from './games/rust';
import { sass } from './frameworks/sass';
import { swift } from './systems/swift';
import { toml } from './systems/toml';
import { typescript } from './frameworks/typescript';
import { utilities } from './frameworks/utilities';
import { vega } from './charts/vega';
import { xResources } from './systems/x-resources';
import { yaml } from './systems/yaml';
import { pictureSize } from '../image/size';
import { aco } from './swatches/aco';
import { ase } from './swatches/ase';
import { brandFile } from './tokens/brand-file';
import { css } from './frameworks/css';
import { csv } from './swatches/csv';
import { dtcg } from './tokens/dtcg';
import { echarts } from './charts/echarts';
import type { Format, Reading, ReadTools, SourceFile, Written } from './kit/format';
import { gamePalette } from './games/game-palette';
import { gpl } from './swatches/gpl';
import { hexList } from './swatches/hex-list';
import { json } from '../intake/data/json';
import { isNeverRead } from '../intake/not-read';
import { isZip, ooxmlTheme } from './office/ooxml-theme';
import { paletteFile } from './swatches/palette-file';
import { picture } from '../intake/pictures/picture';
import { CATCH_LIMIT, problem, unreadable } from '../intake/reading';
import { riffPal } from './swatches/riff-pal';
import { soc } from './swatches/soc';
import { stylesheet } from '../intake/styles/stylesheet';
import { svg } from './swatches/svg';
import { template } from './templates/template';
import { text } from '../intake/text/text';
import { xlsx } from './office/xlsx';
import { xmlResources } from './systems/xml-resources';

/** Every format there is. Readers are asked in this order, so the most particular come first and any text last. */
export const FORMATS: readonly Format[] = [
  brandFile,
  paletteFile,
  echarts,
  vega,
  plotly,
  matplotlib,
  d3,
  dashboardXml,
  dashboardJson,
  css,
  utilities,
  sass,
  less,
  bootstrap,
  chakra,
  mui,
  javascript,
  typescript,
  gamePalette,
  gltf,
  csharp,
  cHeader,
  rust,
  lua,
  gdscript,
  xmlResources,
  android,
  assetCatalog,
  swift,
  kotlin,
  dart,
  qss,
  qml,
  gtk,
  xResources,
  linuxConsole,
  ini,
  properties,
  toml,
  yaml,
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
  template,
  text,
];

export function formatById(id: string): Format | undefined {
  return FORMATS.find((format) => format.id === id);
}

/** The longest file that is read, in bytes; pictures and zips have bounds of their own, a brand is bounded by its schema. */
const TEXT_LIMIT = 5 * 1024 * 1024;

/**
 * Reads a file by its content, or as the one format named. What comes after the first twenty thousand colours is left
 * out, and said so. @returns null when no reader knows it
 */
export async function readFile(file: SourceFile, tools: ReadTools = {}, as?: string): Promise<Reading | null> {
  const { bytes } = file;
  if (as === undefined && isNeverRead(bytes)) return null;
  const tooLong = bytes.length > TEXT_LIMIT && !pictureSize(bytes) && !isZip(bytes);
  for (const format of FORMATS) {
    if ((as !== undefined && format.id !== as) || (tooLong && format !== brandFile)) continue;
    const reading = await format.read?.(file, tools);
    if (reading) return bounded(reading);
  }
  const size = (bytes.length / 1_048_576).toFixed(1);
  return tooLong
    ? unreadable('text', `This file is ${size} MB and up to 5 MB of its kind are read at once; give it in parts.`)
    : null;
}

function bounded(reading: Reading): Reading {
  const { palettes, aliases, skipped, problems } = reading;
  const count = palettes.reduce((sum, { swatches }) => sum + swatches.length, aliases.length + skipped.length);
  if (count <= CATCH_LIMIT) return { ...reading, problems: problems.slice(0, CATCH_LIMIT) };
  let room = CATCH_LIMIT;
  const fitting = <T>(list: readonly T[]): T[] => {
    const kept = list.slice(0, room);
    room -= kept.length;
    return kept;
  };
  return {
    ...reading,
    palettes: palettes
      .map((palette) => ({ ...palette, swatches: fitting(palette.swatches) }))
      .filter(({ swatches }) => swatches.length > 0),
    aliases: fitting(aliases),
    skipped: fitting(skipped),
    problems: [
      problem(`Reading stopped after ${CATCH_LIMIT} entries; give the file in parts.`, 1, 1, 'warning'),
      ...problems.slice(0, CATCH_LIMIT),
    ],
  };
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
  const wanted = (options.data as { themes?: readonly string[] }).themes ?? [];
  const chosen = wanted.length === 0 ? themes : themes.filter(({ id }) => wanted.includes(id));
  if (chosen.length === 0) return refuse('None of the themes it is for is there any more; choose others in its options.');
  const written = format.write(brand, chosen, options.data);
  const { folder } = options.data as { folder: string };
  if (folder === '') return written;
  return { ...written, files: written.files.map((file) => ({ ...file, path: `${folder}/${file.path}` })) };
}
