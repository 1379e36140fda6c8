import { readColour } from '../../colour/read';
import type { Command } from '../commands/commands';
import { TokenPath, type Token, type TokenValue } from '../document/token-shape';
import type { Brand } from '../document/document';
import { LIMITS } from '../document/fields';
import { likelyRole } from '../reading/token-role';

/** A colour as people write it, also its six digits without a sign. */
function colourOf(text: string): TokenValue | null {
  const colour = readColour(text) ?? (/^[0-9a-f]{6}$/i.test(text) ? readColour(`#${text}`) : null);
  return colour && { colour: colour.css };
}

/**
 * Reads what a token is to stand for: the path of a token, in braces or without, the name of a swatch, with its palette or without
 * (`Core / Harbour`), or a CSS colour; in that order. @returns what answers null for a text that is none of these
 */
export function valueReader(brand: Brand): (text: string) => TokenValue | null {
  const byPath = new Map(brand.tokens.map((token) => [token.path, token.id]));
  const byName = new Map<string, string>();
  for (const palette of brand.palettes) {
    for (const { id, name } of palette.swatches) {
      byName.set(`${palette.name} / ${name}`.toLowerCase(), id);
      if (!byName.has(name.toLowerCase())) byName.set(name.toLowerCase(), id);
    }
  }
  return (text) => {
    const token = byPath.get(inBraces(text) ?? text);
    if (token !== undefined) return { token };
    const swatch = byName.get(text.toLowerCase());
    return swatch === undefined ? colourOf(text) : { swatch };
  };
}

/** The path within braces, as the design token standard writes an alias; null when there are none. */
export function inBraces(text: string): string | null {
  return /^\{\s*([^{}]+?)\s*\}$/.exec(text.trim())?.[1] ?? null;
}

/** Tokens made from lines of a path and a value. */
export interface TokenLines {
  /** null when no line gives a token. */
  readonly command: Command | null;
  readonly added: readonly Token[];
  /** A sentence for each line that gives none. */
  readonly refused: readonly string[];
}

/** Sentences; how many more there are is said in the last. */
const TOLD = 5;

/**
 * Adds tokens from lines, each a path and a value with a tab, an equals sign, a colon, a comma or spaces between. A value may be the path of
 * another line. Every token has its value in all themes.
 */
export function tokensFromLines(brand: Brand, text: string, newId: () => string): TokenLines {
  const read = valueReader(brand);
  const taken = new Set(brand.tokens.map(({ path }) => path));
  const refused: string[] = [];
  const arriving = new Map<string, { id: string; value: string }>();
  for (const line of text.split(/\r?\n/).slice(0, LIMITS.tokens)) {
    if (line.trim() === '') continue;
    const [, path, value] = /^\s*([^\s=:,;]+)\s*[\t=:,]?\s*(.*?)\s*;?\s*$/.exec(line) ?? [];
    const known = TokenPath.safeParse(path);
    if (!known.success) refused.push(`“${line.trim().slice(0, 40)}”: ${known.error.issues[0]!.message}`);
    else if (taken.has(path!) || arriving.has(path!)) refused.push(`${path} is there already.`);
    else if (!value) refused.push(`${path} has no value beside it: a swatch, another token, or a colour.`);
    else arriving.set(path!, { id: newId(), value });
  }
  const tokens: Token[] = [];
  for (const [path, { id, value }] of arriving) {
    const beside = arriving.get(inBraces(value) ?? value);
    const stands = beside && beside.id !== id ? { token: beside.id } : read(value);
    if (!stands) {
      refused.push(`${path}: “${value.slice(0, 40)}” is neither a swatch, nor a token, nor a colour.`);
      continue;
    }
    const values = Object.fromEntries(brand.themes.map((theme) => [theme.id, stands]));
    tokens.push({ id, path, role: likelyRole(path), description: '', on: [], values });
  }
  // What pointed at a line that gave none gives none either.
  const there = new Set([...brand.tokens, ...tokens].map(({ id }) => id));
  const whole = tokens.filter(({ values }) =>
    Object.values(values).every((value) => !('token' in value) || there.has(value.token)),
  );
  for (const { path } of tokens)
    if (!whole.some((token) => token.path === path)) refused.push(`${path} points at a line that gives no token.`);
  const label = whole.length === 1 ? `Name ${whole[0]!.path}` : `Add ${whole.length} tokens`;
  return {
    command: whole.length > 0 ? { label, steps: [{ do: 'token.add', tokens: whole, before: null }] } : null,
    added: whole,
    refused: refused.length > TOLD ? [...refused.slice(0, TOLD), `And ${refused.length - TOLD} more.`] : refused,
  };
}

/** Paths that a text typed for a new one may become. */
const OFFERED = 8;

/**
 * What fits while a path is typed: groups that begin so, and, once a group is typed, what groups beside it hold and it does not. A group ends with
 * a dot.
 */
export function pathsOffered({ tokens }: Brand, typed: string): string[] {
  const groups = new Map<string, Set<string>>();
  for (const { path } of tokens) {
    const steps = path.split('.');
    for (let at = 1; at < steps.length; at++) {
      const group = steps.slice(0, at).join('.');
      groups.set(group, (groups.get(group) ?? new Set()).add(steps[at]!));
    }
  }
  const offered = [...groups.keys()]
    .filter((group) => `${group}.`.startsWith(typed) && `${group}.` !== typed)
    .map((group) => `${group}.`);
  const dot = typed.lastIndexOf('.');
  if (dot > 0) {
    const [group, word] = [typed.slice(0, dot), typed.slice(dot + 1)];
    const parent = group.slice(0, group.lastIndexOf('.') + 1);
    const own = groups.get(group) ?? new Set();
    const beside = [...groups].filter(([other]) => other !== group && other.slice(0, other.lastIndexOf('.') + 1) === parent);
    for (const [, words] of beside)
      for (const each of words) if (!own.has(each) && each.startsWith(word)) offered.push(`${group}.${each}`);
  }
  return [...new Set(offered)].slice(0, OFFERED);
}
