import { sayWhere } from '../base/say-where';
import { finding } from '../findings/finding';
import { notesOfPalettes } from '../brand/reading/palette-notes';
import type { Brand } from '../brand/document/document';
import type { Destination } from '../brand/document/destination-shape';
import type { Theme } from '../brand/document/theme-shape';
import type { Token } from '../brand/document/token-shape';
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
import { headed } from './kit/headed';
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
import { aco } from './swatches/aco';
import { ase } from './swatches/ase';
import { brandFile } from './tokens/brand-file';
import { css } from './frameworks/css';
import { csv } from './swatches/csv';
import { dtcg } from './tokens/dtcg';
import { echarts } from './charts/echarts';
import { NO_RELEASE, type Format, type Written } from './kit/format';
import { gamePalette } from './games/game-palette';
import { gpl } from './swatches/gpl';
import { hexList } from './swatches/hex-list';
import { ooxmlTheme } from './office/ooxml-theme';
import { npmPackage } from './packages/npm-package';
import { paletteFile } from './swatches/palette-file';
import { riffPal } from './swatches/riff-pal';
import { soc } from './swatches/soc';
import { svg } from './swatches/svg';
import { template } from './templates/template';
import { xlsx } from './office/xlsx';
import { xmlResources } from './systems/xml-resources';

/** Every format that is written, in the order in which most people ask. */
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
  npmPackage,
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
  template,
];

export function formatById(id: string): Format | undefined {
  return FORMATS.find((format) => format.id === id);
}

/** Writes one destination, for a release of this version. Bad options and unknown formats are findings like any other. */
export function writeDestination(
  brand: Brand,
  destination: Pick<Destination, 'name' | 'format' | 'options'>,
  themes: readonly Theme[] = brand.themes,
  version = NO_RELEASE,
): Written {
  const format = formatById(destination.format);
  const refuse = (message: string): Written => ({
    files: [],
    findings: [finding('option', 'error', `${destination.name}: ${message}`)],
  });
  if (!format) return refuse(`Breakwater does not write “${destination.format}”.`);
  const options = format.options.safeParse(destination.options, { error: sayWhere('Its options are') });
  if (!options.success) return refuse(options.error.issues.map((issue) => issue.message).join(' '));
  const wanted = (options.data as { themes?: readonly string[] }).themes ?? [];
  const chosen = wanted.length === 0 ? themes : themes.filter(({ id }) => wanted.includes(id));
  if (chosen.length === 0) return refuse('None of the themes it is for is there any more; choose others in its options.');
  const written = withNotes(format.write(brand, chosen, options.data, version), brand, chosen, format, options.data);
  const { folder } = options.data as { folder: string };
  if (folder === '') return written;
  return { ...written, files: written.files.map((file) => ({ ...file, path: `${folder}/${file.path}` })) };
}

/** With the notes of the palettes its colours come from, where descriptions are asked for as comments. */
function withNotes(
  written: Written,
  brand: Brand,
  themes: readonly Theme[],
  { comment, tokensWritten: tokensOf }: Format,
  options: Readonly<Record<string, unknown>>,
): Written {
  if (!comment || options.comments !== true) return written;
  const lines = notesOfPalettes(brand, tokensOf(brand.tokens, options), themes).map(comment);
  return lines.length === 0 ? written : { ...written, files: written.files.map((file) => headed(file, lines)) };
}

/** The tokens that a destination writes; none when its format or an option of it is not known. */
export function tokensWritten({ tokens }: Brand, { format: id, options }: Destination): readonly Token[] {
  const format = formatById(id);
  const parsed = format?.options.safeParse(options);
  return parsed?.success ? format!.tokensWritten(tokens, parsed.data) : [];
}

/** The tokens that a destination writes into a file that holds sRGB and nothing beyond it. */
export function tokensNarrowed(brand: Brand, destination: Destination): readonly Token[] {
  const format = formatById(destination.format);
  return format?.wide || destination.options.wide === true ? [] : tokensWritten(brand, destination);
}
