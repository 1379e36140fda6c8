import { hexDigits } from '../base/hex';
import { words, type Pixels } from '../image/pixels';
import type { ThemeColours } from './match';
import type { Reading } from './screen';

/** Colours with less than this share of a picture are left out: the edges of letters and what compression makes. Ours. */
const LEAST_SHARE = 0.001;
const MOST_COLOURS = 300;

/**
 * The colours of a screenshot as a reading: those that cover at least a thousandth of it, the largest first. It is of the theme of which most
 * of it has the colours, for a picture does not say.
 * @param themes at least one
 * @returns null when the picture is wholly transparent
 */
export function readPicture(picture: Pixels, themes: readonly ThemeColours[]): Omit<Reading, 'release'> | null {
  const counts = new Map<number, number>();
  let all = 0;
  for (const word of words(picture)) {
    if (word >>> 24 !== 255) continue;
    all++;
    counts.set(word, (counts.get(word) ?? 0) + 1);
  }
  if (all === 0) return null;
  const colours = [...counts]
    .map(([word, count]) => ({
      colour: `#${hexDigits([word & 255, (word >> 8) & 255, (word >> 16) & 255])}`,
      share: count / all,
    }))
    .filter(({ share }) => share >= LEAST_SHARE)
    .sort((one, two) => two.share - one.share)
    .slice(0, MOST_COLOURS);
  const shareIn = (theme: ThemeColours) => {
    const own = new Set(theme.colours.values());
    return colours.reduce((sum, { colour, share }) => sum + (own.has(colour) ? share : 0), 0);
  };
  const theme = themes.reduce((best, one) => (shareIn(one) > shareIn(best) ? one : best));
  return {
    theme: theme.identifier,
    seen: colours.map((each) => ({ ...each, where: 'the picture', state: 'rest' as const })),
  };
}
