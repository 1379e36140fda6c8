import { scanCode, type CommentStyle } from './code';
import { scanCss } from './css';
import { scanJson } from './json';
import type { OnPlace, Scan } from './occurrence';
import { scanPlain } from './plain';
import { problem } from './problem';
import { scanSettings } from './settings';
import type { SourceText } from './source-text';
import { scanXml } from './xml';
import { scanYaml } from './yaml';

/** How the structure of a text is understood. */
export type SourceKind = 'xml' | 'json' | 'css' | 'settings' | 'yaml' | 'code' | 'plain';

/** What people call each kind. */
export const SOURCE_KIND_WORDS: Readonly<Record<SourceKind, string>> = {
  xml: 'XML',
  json: 'JSON',
  css: 'a style sheet',
  settings: 'settings by key',
  yaml: 'YAML',
  code: 'a program’s source',
  plain: 'plain text',
};

const BY_EXTENSION: readonly [RegExp, SourceKind][] = [
  [/\.(?:xml|xaml|svg|svgz|plist|resx|qrc|ui|theme|tmtheme|xsd|xsl|xslt|kml|rss|csproj|axml|fxml)$/i, 'xml'],
  [/\.(?:json|jsonc|json5|webmanifest|geojson|gltf|map)$/i, 'json'],
  [/\.(?:css|scss|sass|less|styl|pcss|qss)$/i, 'css'],
  [/\.(?:ini|cfg|conf|config|properties|toml|reg|desktop|inf|env|editorconfig|xresources|xdefaults)$/i, 'settings'],
  [/\.(?:ya?ml)$/i, 'yaml'],
  [
    /\.(?:[cm]?[jt]sx?|c|h|cc|cpp|hpp|m|mm|cs|java|kt|kts|swift|dart|go|rs|php|scala|groovy|gradle|glsl|hlsl|wgsl|shader|qml|lua|sql|hs|elm|py|rb|sh|bash|zsh|fish|gd|pl|r|jl|nix|ps1|tcl)$/i,
    'code',
  ],
];
const SHELL = /\.(?:py|rb|sh|bash|zsh|fish|gd|pl|r|jl|nix|ps1|tcl)$/i;
const DASHES = /\.(?:lua|sql|hs|elm)$/i;

/** What kind of source a text is, by its name, and by how it begins where the name says nothing. */
export function kindOfSource(name: string, { text }: SourceText): SourceKind {
  const head = text
    .slice(0, 4_096)
    .replace(/^\ufeff/, '')
    .trimStart();
  // What begins as XML is XML, whatever its extension.
  if (/^<(?:\?xml|!--|!DOCTYPE|[A-Za-z_])/.test(head)) return 'xml';
  const known = BY_EXTENSION.find(([extension]) => extension.test(name))?.[1];
  if (known) return known;
  if (/^(?:\{\s*(?:"|\}|\/[/*])|\[\s*(?:["[{\d\]-]|\/[/*]))/.test(head)) return 'json';
  if (/^---\s*$/m.test(head)) return 'yaml';
  const lines = head.split(/\r\n|\r|\n/).filter((line) => line.trim() !== '');
  const share = (shape: RegExp) => lines.filter((line) => shape.test(line)).length / Math.max(1, lines.length);
  if (share(/^\s*(?:\[[^\]]+\]\s*$|[;#!]|[\w.*-]+\s*=)/) > 0.8) return 'settings';
  return 'plain';
}

/**
 * Every colour of a text of some kind. A text that is damaged as that kind is read as plain text, and that is said.
 * @param onProgress told the share of the text that was read, 0..1
 */
export function scanSource(source: SourceText, kind: SourceKind, name = '', onProgress?: (share: number) => void): Scan {
  const scan = scanAs(source, kind, name, onProgress && shares(source.text.length, onProgress));
  const fault = (kind === 'xml' || kind === 'json') && scan.problems[0];
  if (!fault) return scan;
  const message = `${fault.message.replace(/[.;]?(?: what came before is read\.)?$/, '')}; its colours are found as in plain text, without its structure.`;
  return { occurrences: scanPlain(source).occurrences, problems: [problem(message, fault, 'warning')] };
}

/** Tells places as shares of the whole, a hundred of them and no more. */
function shares(length: number, onProgress: (share: number) => void): OnPlace {
  let next = 0;
  return (at) => {
    if (at < next) return;
    next = at + length / 100;
    onProgress(at / length);
  };
}

function scanAs(source: SourceText, kind: SourceKind, name: string, onPlace?: OnPlace): Scan {
  switch (kind) {
    case 'xml':
      return scanXml(source, onPlace);
    case 'json':
      return scanJson(source, onPlace);
    case 'css':
      return scanCss(source, undefined, undefined, onPlace);
    case 'settings':
      return scanSettings(source, onPlace);
    case 'yaml':
      return scanYaml(source, onPlace);
    case 'code':
      return scanCode(source, commentsOf(name), onPlace);
    case 'plain':
      return scanPlain(source, onPlace);
  }
}

function commentsOf(name: string): CommentStyle {
  return SHELL.test(name) ? 'shell' : DASHES.test(name) ? 'dashes' : 'c';
}
