import { unit } from '../../base/clamp';
import { contrastRatio, relativeLuminance } from '../../colour/contrast';
import { showOklch } from '../../colour/gamut';
import { decode, encode, type Srgb } from '../../colour/oklab';
import { hexOf, oklchHex, readColour, type ReadColour } from '../../colour/read';
import type { Brand } from '../document/document';
import type { ThemeRecipe } from '../document/theme-shape';
import type { Token } from '../document/token-shape';
import { isDark, pageOf } from '../reading/elevation';
import { groundsOf } from '../reading/grounds';
import type { Resolved, resolveTheme } from '../reading/resolve';

/** Least lightness of what does not flip in a theme that does, so that it still stands out from the surfaces. */
const STANDS_OUT = 0.45;

/** How the recipe maps a colour of the theme that is derived from, and whether the page is dark afterwards. */
export function mapping(brand: Brand, source: ReturnType<typeof resolveTheme>, { flip, low, high, chroma, red }: ThemeRecipe) {
  const page = pageOf(brand);
  const pageLightness = (page && source.get(page.id)?.colour?.oklch[0]) ?? 1;
  const wasDark = isDark(pageLightness);
  const isLikePage = (token: Token) => {
    const colour = source.get(token.id)?.colour;
    return colour ? isDark(colour.oklch[0]) === wasDark : true;
  };
  const flips = ({ token, kept }: Resolved): boolean => {
    if (token.role === 'surface') return isLikePage(token);
    if (token.role === 'text') return groundsOf(brand, token).slice(0, 1).every(isLikePage);
    return token.role === 'border' || kept?.palette.kind === 'sequential' || kept?.palette.kind === 'diverging';
  };
  const lightnessOf = (resolved: Resolved, l: number): number => {
    if (!flip) {
      // What is dark becomes no lighter: the page comes to the darkest, and white to the lightest.
      const least = wasDark ? pageLightness : 0;
      return low + (Math.max(0, l - least) / Math.max(1 - least, 1e-6)) * (high - low);
    }
    if (flips(resolved)) return low + (1 - l) * (high - low);
    if (resolved.token.role === 'surface' || resolved.token.role === 'text') return Math.max(low, Math.min(high, l));
    const least = Math.max(low, STANDS_OUT * high);
    return least + l * (high - least);
  };
  const map = (resolved: Resolved): ReadColour => {
    const colour = resolved.colour!;
    const [l, c, h] = colour.oklch;
    const lightness = lightnessOf(resolved, unit(l));
    const shifted = red > 0 ? redShifted([lightness, c, h], red) : ([lightness, c, h] as const);
    return readColour(oklchHex([lightness, Math.min(shifted[1], chroma), shifted[2]], colour.alpha))!;
  };
  return { map, isDarkAfter: flip !== wasDark };
}

/** The most contrast that any text has on the darkest surface. */
export function roomAbove({ low }: ThemeRecipe): number {
  return contrastRatio(readColour('#fff')!, readColour(oklchHex([low, 0, 0]))!);
}

/** Linear light of the warm red that everything tends to. */
const EMBER: Srgb = [1, 0.3, 0.1];

/**
 * A share of the light is given as warm red of the same luminance: the rods of the eye, which see in the dark, are most
 * sensitive around 500 nm and nearly blind to long waves, so red light spares them (common practice on ships' bridges).
 */
function redShifted([l, c, h]: ReadColour['oklch'], red: number): ReadColour['oklch'] {
  const { rgb } = showOklch(l, c, h);
  const light = relativeLuminance(rgb) / relativeLuminance(EMBER.map(encode) as unknown as Srgb);
  const warm = rgb.map((channel, at) => encode(Math.min(1, decode(channel) * (1 - red) + EMBER[at]! * light * red)));
  return readColour(hexOf(warm as unknown as Srgb))!.oklch;
}

/** The colour that keeps all ratios: as it is or, flipped, of the reciprocal luminance with its own hue. */
export function exactColour(colour: ReadColour, { flip, chroma, red }: ThemeRecipe): ReadColour {
  if (!flip) return readColour(oklchHex(colour.oklch, colour.alpha))!;
  const [, c, h] = red > 0 ? redShifted(colour.oklch, red) : colour.oklch;
  const wanted = 0.0525 / (relativeLuminance(colour.rgb) + 0.05) - 0.05;
  let [low, high] = [0, 1];
  const shown = (l: number) => showOklch(l, Math.min(c, chroma), h).rgb;
  while (high - low > 1e-5) {
    const middle = (low + high) / 2;
    if (relativeLuminance(shown(middle)) < wanted) low = middle;
    else high = middle;
  }
  return readColour(oklchHex([high, Math.min(c, chroma), h], colour.alpha))!;
}

export function withLightness(colour: ReadColour, l: number): ReadColour {
  return readColour(oklchHex([l, colour.oklch[1], colour.oklch[2]], colour.alpha))!;
}
