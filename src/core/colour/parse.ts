import { parse, type Color, type Hsl, type Rgb } from 'culori';
import { unit } from '../base/clamp';
import { encode } from './oklab';

export interface Parsed {
  /** In the space it was written in; a channel that is `none` is missing, as is the opacity of an opaque colour. */
  readonly colour: Color;
  /** Whether a channel went beyond what its notation can hold, and was cut off there as browsers do. */
  readonly cut: boolean;
}

/**
 * A CSS Color 4 colour in the space it was written in. Names, functions and units are the same in capitals.
 * @returns null when the text is no colour
 */
export function parseCss(css: string): Parsed | null {
  const text = css.toLowerCase();
  const colour = parsed(withEncodedP3(text));
  if (!colour) return null;
  // An opacity that is "none" counts as 0 (section 4.4); the parser leaves it out, which would be 1.
  const seen: Color = /\/\s*none\s*\)$/.test(text) ? { ...colour, alpha: 0 } : colour;
  return withinNotation(seen, text);
}

function parsed(css: string): Color | undefined {
  try {
    return parse(css);
  } catch (error) {
    // The parser gives up with a TypeError on half-written functions and on units it does not know: no colours either.
    if (error instanceof TypeError) return undefined;
    throw error;
  }
}

/** The linear form of Display P3 (section 10.4), which the parser does not know, as the encoded one. */
function withEncodedP3(css: string): string {
  return css.replace(/^color\(\s*display-p3-linear\s+([^/)]+)/, (_, channels: string) => {
    const encoded = channels
      .trim()
      .split(/\s+/)
      .map((part) => {
        if (part === 'none') return part;
        const value = part.endsWith('%') ? Number(part.slice(0, -1)) / 100 : Number(part);
        return String(Math.sign(value) * encode(Math.abs(value)));
      });
    return `color(display-p3 ${encoded.join(' ')} `;
  });
}

/**
 * `rgb()` and `hsl()` cannot say what lies outside sRGB: their channels are cut off at the end of their range when the
 * text is read (sections 5.1 and 7), as browsers do. `color(srgb …)` can.
 */
function withinNotation(colour: Color, text: string): Parsed {
  if (text.startsWith('rgb')) {
    const { r = 0, g = 0, b = 0 } = colour as Partial<Rgb>;
    const cut = [r, g, b].some((channel) => channel !== unit(channel));
    return { colour: cut ? ({ ...colour, r: unit(r), g: unit(g), b: unit(b) } as Color) : colour, cut };
  }
  if (text.startsWith('hsl')) {
    const { s = 0, l = 0 } = colour as Partial<Hsl>;
    const cut = s !== unit(s) || l !== unit(l);
    return { colour: cut ? ({ ...colour, s: unit(s), l: unit(l) } as Color) : colour, cut };
  }
  return { colour, cut: false };
}
