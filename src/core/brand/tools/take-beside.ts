import type { Beside } from '../reading/beside';
import { canonical } from '../document/canonical';
import type { Command, Step } from '../commands/commands';
import { ruleTokens, type Token, type TokenValue } from '../document/token-shape';
import type { Brand } from '../document/document';
import type { Palette, Swatch } from '../document/palette-shape';
import type { Theme } from '../document/theme-shape';
import { spokenOf } from '../reading/where-used';
import { resolveTheme, swatchesOf, tokensOf } from '../reading/resolve';

/**
 * Gives a palette the colours that were laid beside it: a swatch keeps its name and place and gets the other's colour, what came is added at the
 * end, and what went goes, unless a token uses it or it is locked. Locked swatches stay as they are.
 * @param rows the palette's swatches beside the other colours
 * @returns null when all is so already
 */
export function takePalette(
  brand: Brand,
  palette: Palette,
  rows: readonly Beside[],
  newId: () => string,
  label: string,
): Command | null {
  const swatches = new Map(palette.swatches.map((swatch) => [swatch.id, swatch]));
  const used = spokenOf(brand, 'swatch');
  const steps: Step[] = [];
  const added: Swatch[] = [];
  const gone: string[] = [];
  for (const { one, two, fate } of rows) {
    const swatch = one && swatches.get(one.id);
    if (fate === 'moved' && swatch && !swatch.locked)
      steps.push({ do: 'swatch.edit', id: swatch.id, set: { value: two!.colour!.css } });
    if (fate === 'came' && two?.colour) added.push({ id: newId(), name: two.name, value: two.colour.css, locked: false });
    if (fate === 'went' && swatch && !swatch.locked && !used.has(swatch.id)) gone.push(swatch.id);
  }
  if (gone.length > 0) steps.push({ do: 'swatch.remove', ids: gone });
  if (added.length > 0) steps.push({ do: 'swatch.add', palette: palette.id, swatches: added, before: null });
  return steps.length > 0 ? { label, steps } : null;
}

/** Gives a theme the values that another theme of the brand has. @returns null when all is so already */
export function takeTheme(brand: Brand, into: Theme, from: Theme, label: string): Command | null {
  const steps = brand.tokens.flatMap(({ id, values }): Step[] => {
    const [was, value] = [values[into.id], values[from.id]];
    return canonical(was ?? null) === canonical(value ?? null)
      ? []
      : [{ do: 'token.set', id, set: { [into.id]: value ?? null } }];
  });
  return steps.length > 0 ? { label, steps } : null;
}

/**
 * Gives a theme the colours it had in an earlier state of the brand. A token that came to another colour then gets back its value and rule, and
 * the swatches that it led to their colours, so that links stay links; one that has gone since comes back. What points at something that is no
 * longer there gets the colour itself. Tokens that came since stay as they are.
 * @returns null when all is so already
 */
export function takeEarlierTheme(brand: Brand, then: Brand, theme: Theme, label: string): Command | null {
  const [now, earlier] = [resolveTheme(brand, theme.id), resolveTheme(then, theme.id)];
  const [tokens, swatches] = [tokensOf(brand), swatchesOf(brand)];
  const there = new Set([...tokens.keys(), ...then.tokens.map(({ id }) => id)]);
  const restored = new Map<string, Step>();
  const edits: Step[] = [];
  const added: Token[] = [];
  /** A value as it was, or the colour it came to where what it points at is gone. */
  const again = (token: Token, id: string): TokenValue | null => {
    const value = token.values[id];
    if (!value) return null;
    const stands = 'swatch' in value ? swatches.has(value.swatch) : 'token' in value ? there.has(value.token) : true;
    const colour = stands ? null : resolveTheme(then, id).get(token.id)?.colour;
    return stands ? value : colour ? { colour: colour.css } : null;
  };
  for (const token of then.tokens) {
    const was = earlier.get(token.id)!;
    const is = tokens.get(token.id);
    if (is && shown(now.get(is.id)?.colour) === shown(was.colour)) continue;
    const swatch = was.kept && swatches.get(was.kept.swatch.id)?.swatch;
    if (swatch && swatch.value !== was.kept!.swatch.value && !swatch.locked)
      restored.set(swatch.id, { do: 'swatch.edit', id: swatch.id, set: { value: was.kept!.swatch.value } });
    const rule = token.rule && ruleTokens(token.rule).every((id) => there.has(id)) ? token.rule : null;
    if (is) {
      const value = again(token, theme.id);
      if (canonical(value) !== canonical(is.values[theme.id] ?? null))
        edits.push({ do: 'token.set', id: is.id, set: { [theme.id]: value } });
      if (canonical(rule) !== canonical(is.rule ?? null)) edits.push({ do: 'token.edit', id: is.id, set: { rule } });
    } else {
      const values = Object.fromEntries(
        brand.themes.flatMap(({ id }) => {
          const value = again(token, id);
          return value ? [[id, value]] : [];
        }),
      );
      const { id, path, role, description, extensions } = token;
      const on = token.on.filter((ground) => there.has(ground));
      added.push({
        id,
        path,
        role,
        description,
        on,
        values,
        ...(rule && { rule }),
        ...(extensions !== undefined && { extensions }),
      });
    }
  }
  const steps: Step[] = [...restored.values()];
  if (added.length > 0) steps.push({ do: 'token.add', tokens: added, before: null });
  steps.push(...edits);
  return steps.length > 0 ? { label, steps } : null;
}

function shown(colour: { readonly hex: string; readonly alpha: number } | null | undefined): string {
  return colour ? `${colour.hex}${colour.alpha}` : '';
}
