import { marked } from './marks';
import { NameScope } from './name-scope';
import { about } from './options';
import { linearFloats } from '../../colour/notations';
import { slug } from '../../base/words';
import { z } from 'zod';
import { bytesOf, eightDigits } from '../../colour/integers';
import type { ReadColour } from '../../colour/read';
import type { Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import type { Casing, Choices } from './choices';
import { withinDepth, type DepthOptions } from './colour-depth';
import { tokenNote } from './token-note';
import { type Written } from './format';
import { identifier, type NameRules } from './identifiers';
import { material, type Target } from './material';
import { commentText } from '../../base/plain-text';

const KEPT = { integer: '0x1f6f78ff', bytes: '31, 111, 120, 255', linear: '0.0137, 0.159, 0.188, 1.0 (linear light)' };

/** In what a program's source keeps a colour. */
export function keptAs(usual: keyof typeof KEPT) {
  return z
    .enum(['integer', 'bytes', 'linear'])
    .default(usual)
    .meta(about({ title: 'Kept as', description: KEPT[usual], says: KEPT }));
}

/** Which end of an integer holds the opacity. */
export function byteOrder(usual: 'rgba' | 'argb') {
  return z
    .enum(['rgba', 'argb'])
    .default(usual)
    .meta(
      about({
        title: 'Order of bytes',
        description: usual,
        says: { rgba: 'red first: 0xrrggbbaa', argb: 'opacity first: 0xaarrggbb' },
      }),
    );
}

/** An integer literal of 32 bits, `0x1f6f78ff`. */
export function hexInteger(colour: ReadColour, order: 'rgba' | 'argb'): string {
  return `0x${eightDigits(colour, order)}`;
}

/** Four literals: bytes 0..255, or linear light and opacity 0..1, with a decimal point in each. */
export function fourNumbers(colour: ReadColour, how: 'bytes' | 'linear'): string[] {
  if (how === 'bytes') return bytesOf(colour).map(String);
  return [...linearFloats(colour), Number(colour.alpha.toFixed(6))].map((value) => {
    const text = String(value);
    return /^\d+$/.test(text) ? `${text}.0` : text;
  });
}

/** A colour of a program's source. */
export interface Constant {
  readonly name: string;
  readonly path: string;
  readonly colour: ReadColour;
  /** Marks a text as this colour. */
  readonly mark: (text: string) => string;
  /** What is known of it, safe in a comment; empty where nothing is, or comments were not asked for. */
  readonly note: string;
}

export interface ConstantGroup {
  /** The theme's name as the language writes names of types or modules. */
  readonly name: string;
  /** The theme's own name, safe in a comment. */
  readonly title: string;
  readonly constants: readonly Constant[];
}

/**
 * A brand as what every programming language can say: named constants, a group a theme. Groups are in one scope, and
 * the constants of each in another.
 * @param groupCasing how the language writes the name of a group
 */
export function constantGroups(
  brand: Brand,
  themes: readonly Theme[],
  options: Choices & Partial<DepthOptions> & { readonly comments?: boolean },
  groupCasing: Casing,
  rules: Target,
): { groups: ConstantGroup[]; findings: Written['findings'] } {
  const nameOf = (theme: Theme) => identifier(slug(theme.name), groupCasing, '', rules);
  // Several languages forbid a member with the name of its own type.
  const reserved = new Set([...(rules.reserved ?? []), ...themes.map(nameOf)]);
  const { depth = 'any', beyond = 'stop' } = options;
  const { themes: shipped, findings } = withinDepth(material(brand, themes, options, { ...rules, reserved }), { depth, beyond });
  const scope = new NameScope(rules.themeNames);
  const groups = shipped.map(({ theme, tokens }) => ({
    name: scope.claim(nameOf(theme), theme.name),
    title: commentText(theme.name),
    constants: tokens.map((token) => ({
      name: token.identifier,
      path: token.token.path,
      colour: token.colour,
      mark: (text: string) => marked(token, text),
      note: options.comments ? tokenNote(token) : '',
    })),
  }));
  return { groups, findings: [...findings, ...scope.findings] };
}

/** The brand's name as a type or namespace. */
export function brandName(brand: Brand, casing: Casing, rules: NameRules): string {
  return identifier(slug(brand.name), casing, '', rules);
}

/** Lines one step further in. */
export function indented(lines: readonly string[], indent: string): string {
  return lines.map((line) => (line === '' ? '' : indent + line)).join('\n');
}
