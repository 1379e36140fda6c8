import type { Brand } from '../brand/document';
import { textPairs, type TextPair } from '../findings/contrast';
import { FLOOR, INNER, PAPER, rect, rule, SOFT, text } from './paper';

const GAP = 22;
/** Pairs listed below the specimen of a theme. */
const ROW = 17;

/** Every theme with a specimen of its type and the contrast of its texts on their surfaces. */
export function readingPart(brand: Brand): string {
  const themes = brand.themes.slice(0, 4);
  const width = (INNER - (themes.length - 1) * GAP) / themes.length;
  return themes
    .map((theme, at) => {
      const pairs = textPairs(brand, [theme]);
      return column(brand, theme.name, pairs, PAPER.margin + at * (width + GAP), width);
    })
    .join('');
}

function column(brand: Brand, name: string, pairs: readonly TextPair[], x: number, width: number): string {
  const top = PAPER.head;
  const best = [...pairs].sort((one, two) => two.ratio - one.ratio);
  const main = ordinary(brand, pairs) ?? best[0];
  const parts = [text(x, top + 8, name, { size: 11, weight: 620, max: width }), rule(x, top + 11.5, width)];
  if (!main) return parts.join('') + text(x, top + 30, 'No text has a surface in this theme.', { size: 9, fill: SOFT });
  parts.push(specimen(main, best, x, top + 20, width));
  let y = top + 232;
  const room = Math.floor((FLOOR - y) / ROW);
  // The hardest to read first: those are the ones to know about.
  const shown = [...pairs].sort((one, two) => one.ratio - two.ratio).slice(0, room);
  for (const { text: token, surface, textColour, surfaceColour, ratio, passes } of shown) {
    parts.push(
      rect(x, y, 30, 13, surfaceColour.hex, '#c9cdd1'),
      text(x + 15, y + 10.2, 'Ag', { size: 9.5, weight: 560, fill: textColour.hex, anchor: 'middle' }),
      text(x + 36, y + 10, `${token.path} on ${surface.path}`, { size: 7.8, max: width - 92 }),
      text(x + width, y + 10, `${ratio.toFixed(1)} ${passes ? 'AA' : 'fails'}`, {
        size: 7.6,
        mono: true,
        weight: passes ? 400 : 700,
        anchor: 'end',
      }),
    );
    y += ROW;
  }
  if (shown.length < pairs.length)
    parts.push(text(x, y + 9, `and ${pairs.length - shown.length} more, all easier to read`, { size: 8, fill: SOFT }));
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
    text(x + 14, y + 46, 'Tides', { size: 36, weight: 640, fill: ink }),
    text(x + 14, y + 74, 'High water at 14:20', { size: 17, weight: 560, fill: ink, max: width - 28 }),
    text(x + 14, y + 98, 'The last boat leaves the quay', { size: 11.5, fill: ink, max: width - 28 }),
    text(x + 14, y + 114, 'twenty minutes before, in any weather.', { size: 11.5, fill: ink, max: width - 28 }),
    text(x + 14, y + 138, 'Captions and labels stay above 9 pt', { size: 9, fill: second.textColour.hex, max: width - 28 }),
    text(x + 14, y + 164, '0123456789', { size: 13, mono: true, fill: ink }),
    text(x + 14, y + 184, `${token.path} and ${second.text.path} on ${surface.path}`, { size: 7.2, fill: ink, max: width - 28 }),
  ].join('');
}
