import type { CSSProperties } from 'react';
import type { Dress } from '@/core/brand/reading/component-tokens';
import { TOKEN_STATES, type Token } from '@/core/brand/document/token-shape';
import type { Brand } from '@/core/brand/document/document';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { inkOn } from '@/core/colour/contrast';
import { eightDigits } from '@/core/colour/integers';
import type { ReadColour } from '@/core/colour/read';

/** How colours are seen: as they are, or with other eyes; a CSS colour. */
export type See = (colour: ReadColour) => string;

export const asItIs: See = (colour) => (colour.alpha < 1 ? `#${eightDigits(colour)}` : colour.hex);

/** The colours of one theme as CSS, and what stands in for those nobody named. */
export interface SheetColours {
  readonly colourOf: (token: Token | undefined) => ReadColour | null;
  /** undefined where there is none, so that the part is left plain. */
  readonly css: (token: Token | undefined) => string | undefined;
  /** A text's colour, or black or white, whichever is seen better on its ground. */
  readonly ink: (text: Token | undefined, ground: Token | undefined) => string | undefined;
  /** Custom properties of something with states: a state that nobody named looks as at rest. */
  readonly dress: (set: Dress | undefined) => CSSProperties;
}

export function sheetColours(brand: Brand, theme: string, see: See): SheetColours {
  const resolved = resolveTheme(brand, theme);
  const colourOf = (token: Token | undefined) => (token && resolved.get(token.id)?.colour) ?? null;
  const css = (token: Token | undefined) => {
    const colour = colourOf(token);
    return colour ? see(colour) : undefined;
  };
  const ink = (text: Token | undefined, ground: Token | undefined) => {
    const under = colourOf(ground);
    return css(text) ?? (under ? inkOn(under) : undefined);
  };
  const dress = (set: Dress | undefined) => {
    if (!set) return {};
    const rest = css(set.rest);
    const states = TOKEN_STATES.map((state) => [`--${state}`, css(set.states[state]) ?? rest]);
    return { '--rest': rest, ...Object.fromEntries(states), '--on': ink(set.text, set.rest) } as CSSProperties;
  };
  return { colourOf, css, ink, dress };
}

/** Marks which tokens a part is coloured with, for whoever asks what is under the pointer. */
export function partOf(set: Dress | undefined): { 'data-rest'?: string } {
  return set ? { 'data-rest': set.rest.id } : {};
}
