import { hexDigits } from '../../base/hex';
import { bytesToOklab, oklabToBytes, type Oklab } from '../../colour/oklab';
import { bytesOf } from '../../colour/integers';
import { readColour, type ReadColour } from '../../colour/read';

/**
 * A surface tinted with a colour: the two mixed in OKLab with premultiplied alpha, as `color-mix(in oklab, COLOUR 30%, SURFACE)` gives it
 * (CSS Color 5, section 3), rounded to what a screen of 8-bit sRGB shows.
 * @param strength how much of the colour, 0..1
 */
export function tintColour(colour: ReadColour, surface: ReadColour, strength: number): ReadColour {
  const share = strength * colour.alpha;
  const rest = (1 - strength) * surface.alpha;
  const alpha = share + rest;
  const [one, two] = [colour, surface].map((each) => {
    const [r, g, b] = bytesOf(each);
    return bytesToOklab(r, g, b);
  }) as [Oklab, Oklab];
  const mixed = one.map((channel, at) => (alpha === 0 ? 0 : (channel * share + two[at]! * rest) / alpha));
  const opacity = alpha < 1 ? [Math.round(alpha * 255)] : [];
  return readColour(`#${hexDigits([...oklabToBytes(mixed as unknown as Oklab), ...opacity])}`)!;
}
