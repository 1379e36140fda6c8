import type { Brand } from '../brand/document/document';
import { textPairs, type TextPair } from '../findings/contrast';
import type { Content } from './flow';
import { FLOOR, INNER, PAPER, rect, rule, SOFT, text } from './paper';

const GAP = 26;
/** Themes side by side; more go on further pages. */
const ACROSS = 3;
/** Pairs listed below the specimen of a theme. */
const ROW = 18;

/** Every theme with a specimen of its type and the contrast of its texts on their surfaces. */
export function readingPart(brand: Brand, lead: number): Content[] {
  const across = Math.min(ACROSS, brand.themes.length);
  const width = (INNER - (across - 1) * GAP) / across;
  return Array.from({ length: Math.ceil(brand.themes.length / across) }, (_, page) => () => {
    const top = PAPER.head + (page === 0 ? lead : 0);
    return brand.themes
      .slice(page * across, (page + 1) * across)
      .map((theme, at) => column(brand, theme.name, textPairs(brand, [theme]), PAPER.margin + at * (width + GAP), top, width))
      .join('');
  });
}

function column(brand: Brand, name: string, pairs: readonly TextPair[], x: number, top: number, width: number): string {
  const best = [...pairs].sort((one, two) => two.ratio - one.ratio);
  const main = ordinary(brand, pairs) ?? best[0];
  const parts = [text(x, top + 10, name, { size: 13, weight: 620, max: width }), rule(x, top + 15, width)];
  if (!main) return parts.join('') + text(x, top + 34, 'No text has a surface in this theme.', { fill: SOFT });
  parts.push(specimen(main, best, x, top + 24, width));
  let y = top + 240;
  const room = Math.floor((FLOOR - y) / ROW) - 1;
  // The hardest to read first: those are the ones to know about.
  const shown = [...pairs].sort((one, two) => one.ratio - two.ratio).slice(0, room);
  for (const { text: token, surface, textColour, surfaceColour, ratio, passes } of shown) {
    parts.push(
      rect(x, y, 30, 14, surfaceColour.hex, '#c9cdd1'),
      text(x + 15, y + 11, 'Ag', { weight: 560, fill: textColour.hex, anchor: 'middle' }),
      text(x + 36, y + 11, `${token.path} on ${surface.path}`, { max: width - 108 }),
      text(x + width, y + 11, `${ratio.toFixed(1)} ${passes ? 'AA' : 'fails'}`, {
        weight: passes ? 400 : 700,
        anchor: 'end',
      }),
    );
    y += ROW;
  }
  if (shown.length < pairs.length)
    parts.push(text(x, y + 11, `and ${pairs.length - shown.length} more, all easier to read`, { fill: SOFT, max: width }));
  return parts.join('');
}

/** The first text that can be read on the first surface it has: what most of a page looks like. */
function ordinary(brand: Brand, pairs: readonly TextPair[]): TextPair | undefined {
  const place = new Map(brand.tokens.map(({ id }, at) => [id, at]));
  const order = ({ text: token, surface }: TextPair) => place.get(token.id)! * brand.tokens.length + place.get(surface.id)!;
  const readable = pairs.filter(({ passes, surface }) => passes && surface.role === 'surface');
  return readable.sort((one, two) => order(one) - order(two))[0];
}

/** A heading, a paragraph and a caption as they look on the theme's best surface, at sizes that screens use. */
function specimen(
  { textColour, surfaceColour, surface, text: token }: TextPair,
  best: readonly TextPair[],
  x: number,
  y: number,
  width: number,
): string {
  const on = best.filter((pair) => pair.surface.id === surface.id);
  const second = on.find((pair) => pair.text.id !== token.id && pair.passes) ?? on[0]!;
  const ink = textColour.hex;
  return [
    rect(x, y, width, 196, surfaceColour.hex, '#c9cdd1'),
    text(x + 14, y + 46, 'Heading', { size: 36, weight: 640, fill: ink }),
    text(x + 14, y + 74, 'A line that leads in', { size: 17, weight: 560, fill: ink, max: width - 28 }),
    text(x + 14, y + 98, 'An ordinary paragraph of the size that most', { size: 12, fill: ink, max: width - 28 }),
    text(x + 14, y + 114, 'pages are set in, on their first surface.', { size: 12, fill: ink, max: width - 28 }),
    text(x + 14, y + 138, 'Captions and labels stay at 8 pt or above', { fill: second.textColour.hex, max: width - 28 }),
    text(x + 14, y + 164, '0123456789', { size: 13, mono: true, fill: ink }),
    text(x + 14, y + 184, `${token.path} and ${second.text.path} on ${surface.path}`, { fill: ink, max: width - 28 }),
  ].join('');
}
