import type { Brand, Palette } from '../brand/document';
import { notations } from '../colour/notations';
import { readColour } from '../colour/read';
import { FLOOR, INNER, PAPER, rect, rule, SOFT, text } from './paper';

/** Swatches side by side; a longer palette goes on below. */
const ACROSS = 16;
/** With more than this side by side there is room for two notations only. */
const ROOMY = 11;
const PATCH = 32;
/** Every notation that a printer, a developer or a designer asks for; CMYK is without a profile, and says so. */
const ALL = ['hex', 'rgb', 'hsl', 'oklch', 'cmyk'];
const FEW = ['hex', 'rgb'];
const LEADING = 8.6;
const HEAD = 16;

const across = ({ swatches }: Palette) => Math.min(ACROSS, Math.max(8, swatches.length));
const shownOf = (palette: Palette) => (across(palette) > ROOMY ? FEW : ALL);
const rowOf = (palette: Palette) => PATCH + 16 + shownOf(palette).length * LEADING + 4;
const heightOf = (palette: Palette) => HEAD + Math.ceil(palette.swatches.length / across(palette)) * rowOf(palette);

/** Palettes with their swatches in every notation, as many as fit. @returns the drawing, and how many palettes are on it */
export function palettesPart(brand: Brand): { drawn: string; count: number } {
  const parts: string[] = [];
  let y: number = PAPER.head;
  let count = 0;
  for (const palette of brand.palettes.filter(({ swatches }) => swatches.length > 0)) {
    if (y + heightOf(palette) > FLOOR + 16) break;
    parts.push(paletteAt(palette, y));
    y += heightOf(palette);
    count++;
  }
  return { drawn: parts.join(''), count };
}

function paletteAt(palette: Palette, top: number): string {
  const columns = across(palette);
  const width = INNER / columns;
  // By the longest code that stands there.
  const size = Math.min(7.4, width / (shownOf(palette) === ALL ? 14.3 : 9.2));
  const drawn = palette.swatches.map(({ name, value }, at) => {
    const x = PAPER.margin + (at % columns) * width;
    const y = top + HEAD + Math.floor(at / columns) * rowOf(palette);
    const colour = readColour(value)!;
    const written = new Map(notations(colour).map(({ id, text: code }) => [id, code]));
    const lines = shownOf(palette).map((id, line) =>
      text(x, y + PATCH + 20 + line * LEADING, brief(written.get(id)!), { size, mono: true, fill: SOFT, max: width - 2 }),
    );
    return [
      rect(x, y, width - 4, PATCH, colour.hex),
      text(x, y + PATCH + 10.5, name, { size: Math.min(8.6, width / 8), weight: 560, max: width - 4 }),
      ...lines,
    ].join('');
  });
  return [
    text(PAPER.margin, top + 8, palette.name, { size: 11, weight: 620, max: 400 }),
    text(PAPER.margin + INNER, top + 8, palette.kind, { size: 9, fill: SOFT, anchor: 'end' }),
    rule(PAPER.margin, top + 11.5, INNER),
    ...drawn,
  ].join('');
}

/** As much of a code as print needs; the files hold every digit. */
function brief(code: string): string {
  const [, name, inner] = /^(rgb|hsl|oklch|cmyk)\((.*)\)$/.exec(code) ?? [];
  if (!name || !inner) return code;
  const places = name === 'cmyk' ? 0 : 1;
  const parts = inner.split(' ').map((part, at) => {
    if (!/^[\d.]+%?$/.test(part)) return part;
    const digits = name === 'oklch' && at < 2 ? 3 : places;
    return `${Number(parseFloat(part).toFixed(digits))}${part.endsWith('%') ? '%' : ''}`;
  });
  return `${name} ${parts.join(' ')}`;
}
