import { z } from 'zod';
import type { Node } from 'jsonc-parser';
import { LIMITS, type Brand, type Theme, type Token } from '../brand/document';
import { resolveTheme } from '../brand/resolve';
import { readColour, type ReadColour } from '../colour/read';
import { byte } from '../colour/read';
import {
  defineFormat,
  slug,
  textFile,
  type Found,
  type Problem,
  type ReadSwatch,
  type ReadToken,
  type SourceFile,
} from './format';
import { memberOf, membersOf, readJson } from './json-text';
import { material } from './material';
import { fromUnit } from './numbers';
import { doubt, nameOfFile, problem, readSwatch } from './reading';

/** How CSS writes each colour space of the standard: as a function of its own, or by `color()`. */
const SPACES: Record<string, (components: readonly string[]) => string> = {
  hsl: ([h, s, l]) => `hsl(${h} ${s}% ${l}%`,
  hwb: ([h, w, b]) => `hwb(${h} ${w}% ${b}%`,
  lab: (all) => `lab(${all.join(' ')}`,
  lch: (all) => `lch(${all.join(' ')}`,
  oklab: (all) => `oklab(${all.join(' ')}`,
  oklch: (all) => `oklch(${all.join(' ')}`,
  ...Object.fromEntries(
    ['srgb', 'srgb-linear', 'display-p3', 'a98-rgb', 'prophoto-rgb', 'rec2020', 'xyz-d65', 'xyz-d50'].map((space) => [
      space,
      (all: readonly string[]) => `color(${space} ${all.join(' ')}`,
    ]),
  ),
};

interface Entry {
  readonly path: string;
  readonly value: Node;
  readonly description: string;
  readonly type: string | undefined;
  readonly at: { line: number; column: number };
}

/**
 * Design Tokens Format Module 2025.10 of the Design Tokens Community Group: groups, inherited `$type`, `$root`,
 * aliases in braces or as `$ref`, colours as objects; and the older form, where a colour is a hex string.
 */
export const dtcg = defineFormat({
  id: 'dtcg',
  title: 'Design tokens (DTCG JSON)',
  family: 'tokens',
  extensions: ['.tokens.json', '.tokens'],
  purpose: 'For token pipelines and design tools that read the open standard: one file a theme, aliases kept.',
  options: z.strictObject({}),
  read({ name, bytes }: SourceFile) {
    const source = new TextDecoder().decode(bytes);
    if (!/^\s*\{/.test(source) || !/"\$value"|"\$ref"/.test(source)) return null;
    const json = readJson(source);
    const problems: Problem[] = [...json.problems];
    const skipped: Found[] = [];
    const entries = new Map<string, Entry>();
    if (json.root) collect(json.root, [], undefined, json.placeOf, entries);
    const resolved = resolver(entries);
    const tokens: ReadToken[] = [];
    const aliases: ReadSwatch[] = [];
    const groups = new Map<string, ReadSwatch[]>();
    for (const entry of entries.values()) {
      const { path, at, description } = entry;
      const end = resolved(entry);
      const text = path;
      if ('fault' in end) problems.push(problem(`${path}: ${end.fault}`, at.line, at.column));
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
    const { problems } = material(brand, themes);
    const files = themes.map((theme) => {
      const path = `tokens/${slug(brand.name)}-${slug(theme.name)}.tokens.json`;
      return textFile(path, 'application/json', JSON.stringify(tokenTree(brand, theme), null, 2) + '\n');
    });
    return { files, problems };
  },
});

function collect(
  node: Node,
  path: readonly string[],
  inherited: string | undefined,
  placeOf: (offset: number) => Entry['at'],
  entries: Map<string, Entry>,
): void {
  const own = memberOf(node, '$type');
  const type = typeof own?.value === 'string' ? own.value : inherited;
  const value = memberOf(node, '$value') ?? memberOf(node, '$ref');
  if (value && path.length > 0) {
    const words: unknown = memberOf(node, '$description')?.value;
    const description = typeof words === 'string' ? words.slice(0, LIMITS.description) : '';
    entries.set(path.join('.'), { path: path.join('.'), value, type, description, at: placeOf(value.offset) });
    return;
  }
  for (const { key, value: child } of membersOf(node)) {
    if (child.type !== 'object') continue;
    // A group's own value stands under $root and goes by the group's name.
    if (key === '$root') collect(child, path, type, placeOf, entries);
    else if (!key.startsWith('$')) collect(child, [...path, key], type, placeOf, entries);
  }
}

type End = { css: string; type: 'color' } | { css: null; type: string | undefined } | { fault: string };

/** Follows aliases to a colour. Every token is resolved once. */
function resolver(entries: ReadonlyMap<string, Entry>): (entry: Entry) => End {
  const done = new Map<string, End>();
  return (entry) => {
    const walked: Entry[] = [];
    let at: Entry | undefined = entry;
    let end: End | undefined;
    while (!end) {
      end = done.get(at.path);
      if (end) break;
      if (walked.includes(at)) {
        end = { fault: `goes round in a circle: ${[...walked, at].map(({ path }) => path).join(' → ')}.` };
        break;
      }
      walked.push(at);
      const target = aliasOf(at.value);
      if (target === null) end = ownColour(at);
      else {
        const next = entries.get(target);
        if (!next) end = { fault: `points at ${target}, which is not in this file.` };
        else at = next;
      }
    }
    for (const { path } of walked) done.set(path, end);
    return end;
  };
}

/** Path of the token an alias points at: `{group.token}`, or a JSON pointer `#/group/token`; null for any other value. */
function aliasOf(node: Node): string | null {
  if (typeof node.value !== 'string') return null;
  const braces = /^\{([^{}]+)\}$/.exec(node.value);
  if (braces) return braces[1]!.trim().replace(/\.\$root$/, '');
  if (!node.value.startsWith('#/')) return null;
  const parts = node.value
    .slice(2)
    .split('/')
    .filter((part) => part !== '$value' && part !== '$root');
  return parts.map((part) => part.replaceAll('~1', '/').replaceAll('~0', '~')).join('.');
}

function ownColour({ value, type }: Entry): End {
  if (type !== undefined && type !== 'color') return { css: null, type };
  if (typeof value.value === 'string') {
    if (readColour(value.value)) return { css: value.value.trim(), type: 'color' };
    return type === 'color' ? { fault: `“${value.value.slice(0, 40)}” is no colour.` } : { css: null, type };
  }
  const space: unknown = memberOf(value, 'colorSpace')?.value;
  if (typeof space !== 'string') return type === 'color' ? { fault: 'its value has no colorSpace.' } : { css: null, type };
  const write = Object.hasOwn(SPACES, space) ? SPACES[space] : undefined;
  if (!write) return { fault: `the colour space ${space.slice(0, 40)} is not in the standard.` };
  const components = (memberOf(value, 'components')?.children ?? []).map((one): unknown => one.value);
  const alpha: unknown = memberOf(value, 'alpha')?.value ?? 1;
  const usable = components.length === 3 && components.every((one) => typeof one === 'number' || one === 'none');
  if (!usable || typeof alpha !== 'number')
    return { fault: 'a colour has three components, numbers or “none”, and an alpha from 0 to 1.' };
  const numbers = components.map((one) => (one === 'none' ? 0 : (one as number)));
  const exact = space === 'srgb' ? fromUnit(numbers as [number, number, number]) : '';
  const alphaHex = byte(alpha).toString(16).padStart(2, '0');
  // Eight bits and nothing lost is what a hex code says best.
  const css =
    exact.startsWith('#') && Math.abs(byte(alpha) / 255 - alpha) < 2e-3
      ? exact + (alpha < 1 ? alphaHex : '')
      : write(components.map(String)) + (alpha < 1 ? ` / ${alpha})` : ')');
  return readColour(css) ? { css, type: 'color' } : { fault: 'its components are no colour of that space.' };
}

type Tree = { [key: string]: Tree | object | string };

function tokenTree(brand: Brand, theme: Theme): Tree {
  const resolved = resolveTheme(brand, theme.id);
  const paths = new Map(brand.tokens.map((token) => [token.id, token.path]));
  const groups = new Set(
    brand.tokens.flatMap(({ path }) =>
      path
        .split('.')
        .slice(0, -1)
        .map((_, at, all) => all.slice(0, at + 1).join('.')),
    ),
  );
  const root: Tree = Object.create(null) as Tree;
  root.$schema = 'https://www.designtokens.org/schemas/2025.10/format.json';
  for (const token of brand.tokens) {
    const { colour } = resolved.get(token.id)!;
    if (!colour) continue;
    const steps = token.path.split('.');
    // A token that is a group's name as well is the group's own value.
    if (groups.has(token.path)) steps.push('$root');
    let at = root;
    for (const step of steps.slice(0, -1)) at = (at[step] ??= Object.create(null) as Tree) as Tree;
    at[steps.at(-1)!] = written(token, theme, colour, paths, groups);
  }
  return root;
}

function written(
  token: Token,
  theme: Theme,
  colour: ReadColour,
  paths: ReadonlyMap<string, string>,
  groups: ReadonlySet<string>,
): object {
  const value = token.values[theme.id]!;
  const target = 'token' in value ? paths.get(value.token)! : null;
  return {
    $type: 'color',
    $value: target === null ? colourValue(colour) : `{${target}${groups.has(target) ? '.$root' : ''}}`,
    ...(token.description && { $description: token.description }),
  };
}

/** The shown colour, eight bits a channel: six decimals give each byte back. */
function colourValue({ rgb, hex, alpha }: ReadColour): object {
  const components = rgb.map((channel) => Number((byte(channel) / 255).toFixed(6)));
  return { colorSpace: 'srgb', components, ...(alpha < 1 && { alpha: Number(alpha.toFixed(4)) }), hex };
}
