import type { Command, Step } from '@/core/brand/commands/commands';
import { equalSwatch } from '@/core/intake/tokens/compare-tokens';
import type { Brand } from '@/core/brand/document/document';
import type { Token, TokenValue } from '@/core/brand/document/token-shape';
import { LIMITS } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import { removalSteps, unlinkSteps } from '@/core/brand/tools/remove-tokens';
import { renamesOf, renameTokens } from '@/core/brand/tools/rename-tokens';
import { resolveTheme, swatchesOf } from '@/core/brand/reading/resolve';
import { tokensOfSwatches } from '@/core/brand/tools/tokens-of-swatches';
import { valueReader } from '@/core/brand/tools/token-lines';
import { likelyRole } from '@/core/brand/reading/token-role';
import { readColour } from '@/core/colour/read';

/** A new token with the same value in every theme. */
export function newToken(brand: Brand, path: string, value: TokenValue): { command: Command; id: string } {
  const token: Token = {
    id: newId(),
    path,
    role: likelyRole(path),
    description: '',
    on: [],
    values: Object.fromEntries(brand.themes.map((theme) => [theme.id, value])),
  };
  return { id: token.id, command: { label: `Name ${path}`, steps: [{ do: 'token.add', tokens: [token], before: null }] } };
}

/** A token in a group, named after the swatch that was dropped there. */
export function tokenInGroup(
  brand: Brand,
  group: string,
  swatch: { id: string; name: string },
): { command: Command; id: string } {
  const { palette } = swatchesOf(brand).get(swatch.id)!;
  const { command, tokens } = tokensOfSwatches(brand, palette, [swatch], group, newId);
  return { command, id: tokens[0]!.id };
}

export function setValue(tokens: readonly Token[], theme: string, value: TokenValue): Command {
  return setEach(
    tokens.map((token) => [token, value]),
    theme,
    `Set ${namesOf(tokens)}`,
  )!;
}

/** Values for tokens in one theme; a token that would point at itself is left as it is. */
function setEach(values: readonly (readonly [Token, TokenValue])[], theme: string, label: string): Command | null {
  const steps = values.flatMap(([token, value]): Step[] =>
    'token' in value && value.token === token.id ? [] : [{ do: 'token.set', id: token.id, set: { [theme]: value } }],
  );
  return steps.length > 0 ? { label, steps } : null;
}

/** The first token's value for all that follow. A state by rule has none of its own: its colour is taken. */
export function fillDown(brand: Brand, tokens: readonly Token[], theme: string): Command | null {
  const [first, ...rest] = tokens;
  if (!first) return null;
  const { colour } = resolveTheme(brand, theme).get(first.id)!;
  const value = first.values[theme] ?? (colour && { colour: colour.css });
  return value
    ? setEach(
        rest.map((token) => [token, withoutMark(value)]),
        theme,
        `Fill down from ${first.path}`,
      )
    : null;
}

/** Filled down, a value is a person's choice, also where it was derived before. */
function withoutMark(value: TokenValue): TokenValue {
  if ('swatch' in value) return { swatch: value.swatch };
  return 'token' in value ? { token: value.token } : { colour: value.colour };
}

export interface Pasted {
  readonly command: Command | null;
  /** Lines that are neither a colour, nor a token's path, nor a swatch's name. */
  readonly unread: readonly string[];
}

/** A column of colours, paths of tokens or names of swatches, one a line, for the tokens from the first on. */
export function pasteColumn(brand: Brand, tokens: readonly Token[], theme: string, text: string): Pasted {
  const read = valueReader(brand);
  const unread: string[] = [];
  const lines = text
    .replace(/\r?\n$/, '')
    .split(/\r?\n/)
    .slice(0, LIMITS.tokens);
  const values = lines.flatMap((raw, at): (readonly [Token, TokenValue])[] => {
    const line = raw.split('\t')[0]!.trim();
    const token = tokens[at];
    if (line === '' || !token) return [];
    const value = read(line);
    if (value) return [[token, value]];
    unread.push(line.slice(0, 40));
    return [];
  });
  return { command: setEach(values, theme, `Paste ${values.length} ${values.length === 1 ? 'value' : 'values'}`), unread };
}

/** Colours of their own for what points at a swatch or token, in one theme; the colour stays, the tie goes. */
export function unlink(brand: Brand, tokens: readonly Token[], themes: readonly string[]): Command | null {
  const steps = unlinkSteps(brand, tokens, themes);
  return steps.length > 0 ? { label: `Unlink ${namesOf(tokens)}`, steps } : null;
}

/** Ties to swatches for colours that a swatch of the brand shows just so. */
export function link(brand: Brand, tokens: readonly Token[], themes: readonly string[]): Command | null {
  const steps = tokens.flatMap((token): Step[] => {
    const set = Object.fromEntries(
      themes.flatMap((theme) => {
        const value = token.values[theme];
        const colour = value && 'colour' in value ? readColour(value.colour) : null;
        const swatch = colour ? equalSwatch(brand, colour) : undefined;
        return swatch === undefined ? [] : [[theme, { swatch }] as const];
      }),
    );
    return Object.keys(set).length > 0 ? [{ do: 'token.set', id: token.id, set }] : [];
  });
  return steps.length > 0 ? { label: `Link ${namesOf(tokens)}`, steps } : null;
}

/** Values taken away: a state goes by its rule again, anything else has no colour. */
export function clearValues(tokens: readonly Token[], theme: string): Command | null {
  const steps = tokens.flatMap((token): Step[] =>
    token.values[theme] ? [{ do: 'token.set', id: token.id, set: { [theme]: null } }] : [],
  );
  return steps.length > 0 ? { label: `Clear ${namesOf(tokens)}`, steps } : null;
}

export function deleteTokens(brand: Brand, tokens: readonly Token[]): Command {
  return {
    label: `Delete ${namesOf(tokens)}`,
    steps: removalSteps(
      brand,
      tokens.map(({ id }) => id),
    ),
  };
}

/** @returns the command, or the sentence that says why it cannot be done */
export function rename(brand: Brand, what: 'token' | 'group', from: string, to: string): Command | { readonly refusal: string } {
  return renameTokens(brand, renamesOf(brand, what, from, to), `Rename ${from} to ${to}`);
}

/** Tokens, or groups with all below them, into another group; '' is outside of any. */
export function moveInto(
  brand: Brand,
  what: 'token' | 'group',
  path: string,
  group: string,
): Command | { readonly refusal: string } {
  const last = path.slice(path.lastIndexOf('.') + 1);
  const to = group === '' ? last : `${group}.${last}`;
  if (what === 'group' && (group === path || group.startsWith(`${path}.`)))
    return { refusal: `${path} cannot be moved into itself.` };
  return rename(brand, what, path, to);
}

function namesOf(tokens: readonly Token[]): string {
  return tokens.length === 1 ? tokens[0]!.path : `${tokens.length} tokens`;
}
