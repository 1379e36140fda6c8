import { targetsOf } from '../commands/apply-tokens';
import type { Brand, DataField, Destination, Swatch, Token } from '../document/document';
import { tokensUsing } from './resolve';

/** Where a swatch or a token is used: what a change of it reaches, and what would break without it. */
export interface Uses {
  /** Tokens that come to it, straight or through others, in any theme. */
  readonly tokens: readonly Token[];
  /** Destinations that write it, or one of those tokens. */
  readonly destinations: readonly Destination[];
  /** Fields with values that are pinned to it, or to one of those tokens. */
  readonly fields: readonly DataField[];
}

export function usesOf(brand: Brand, target: { swatch: string } | { token: string }, written: TokensWritten): Uses {
  const tokens = tokensUsing(brand.tokens, target);
  const reached = new Set(tokens.map(({ id }) => id));
  if ('token' in target) reached.add(target.token);
  return {
    tokens,
    destinations: brand.destinations.filter((destination) => written(brand, destination).some(({ id }) => reached.has(id))),
    fields: brand.fields.filter(({ values }) => values.some(({ token }) => token !== undefined && reached.has(token))),
  };
}

/** Says which tokens a destination writes; given by whoever knows the formats. */
export type TokensWritten = (brand: Brand, destination: Destination) => readonly Token[];

/**
 * Swatches that no token comes to, in the order of their palettes, of those palettes that tokens use. A palette that none uses yet, such as
 * one that was just brought in, is no litter but material.
 */
export function unusedSwatches(brand: Brand): Swatch[] {
  const used = new Set<string>();
  for (const { values } of brand.tokens) {
    for (const value of Object.values(values)) if ('swatch' in value) used.add(value.swatch);
  }
  return brand.palettes.flatMap(({ swatches }) => {
    const left = swatches.filter(({ id }) => !used.has(id));
    return left.length < swatches.length ? left : [];
  });
}

/** Tokens that nothing needs: no destination writes them, no other token speaks of them, no value is pinned to them. */
export function orphanTokens(brand: Brand, written: TokensWritten): Token[] {
  if (brand.destinations.length === 0) return [];
  const needed = new Set([
    ...brand.destinations.flatMap((destination) => written(brand, destination).map(({ id }) => id)),
    ...brand.tokens.flatMap(targetsOf),
    ...brand.fields.flatMap(({ values }) => values.flatMap(({ token }) => token ?? [])),
  ]);
  return brand.tokens.filter(({ id }) => !needed.has(id));
}
