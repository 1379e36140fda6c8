import type { Brand } from '../brand/document/document';
import type { Palette, Swatch } from '../brand/document/palette-shape';
import { paletteWords } from '../brand/reading/palette-notes';
import { inkText, MOST_APART, type Inks } from '../colour/ink';
import { notations } from '../colour/notations';
import { readColour } from '../colour/read';
import { flow, type Block, type Content, type Section } from './flow';
import { lines, rect, rule, SMALLEST, SOFT, text } from './paper';

/** Swatches side by side; a longer palette goes on below, in rows of one length. */
const ACROSS = 8;
const GAP = 10;
const PATCH = 40;
/** Every notation that a printer, a developer or a designer asks for; the readout has the others. */
const SHOWN = ['hex', 'rgb', 'hsl', 'oklch', 'lab'];
const LEADING = 14;
/** The palette's name with its rule, and a line of what is known of it. */
const [HEAD, LINE] = [24, 15.5];
/** The name of a swatch, its notations, its inks, and what a printer has to know about them. */
const CELL = PATCH + 17 + (SHOWN.length + 2) * LEADING + 12;

/** How the brand's printing condition prints its colours, by their `#rrggbb`, and what its profile is called. */
export interface SheetInks {
  readonly name: string;
  readonly of: ReadonlyMap<string, Inks>;
}

/** Palettes with their swatches in every notation. */
export function palettesPart({ palettes }: Brand, chosen: readonly string[], inks: SheetInks | null, lead: number): Content[] {
  const wanted = palettes.filter(({ id, swatches }) => swatches.length > 0 && (chosen.length === 0 || chosen.includes(id)));
  return flow(
    wanted.map((palette) => section(palette, inks)),
    1,
    0,
    lead,
  );
}

function section(palette: Palette, inks: SheetInks | null): Section {
  const { name, kind, swatches } = palette;
  const rows = Math.ceil(swatches.length / ACROSS);
  const across = Math.ceil(swatches.length / rows);
  return {
    heading: (continued) => {
      const words = continued ? [] : lines(paletteWords(palette).join(' '), 1_000, 2).filter(Boolean);
      return {
        height: HEAD + words.length * LINE,
        draw: (x, y, width) =>
          [
            text(x, y + 10, continued ? `${name}, continued` : name, { size: 13, weight: 620, max: width - 140 }),
            text(x + width, y + 10, kind, { fill: SOFT, anchor: 'end' }),
            rule(x, y + 15, width),
            ...words.map((line, at) => text(x, y + 29 + at * LINE, line, { fill: SOFT })),
          ].join(''),
      };
    },
    rows: Array.from({ length: rows }, (_, row): Block => ({
      height: CELL,
      draw: (x, y, width) => {
        const each = (width + GAP) / ACROSS;
        return swatches
          .slice(row * across, (row + 1) * across)
          .map((swatch, at) => cell(swatch, inks, x + at * each, y, each - GAP))
          .join('');
      },
    })),
  };
}

function cell({ name, value }: Swatch, inks: SheetInks | null, x: number, y: number, width: number): string {
  const colour = readColour(value)!;
  const written = new Map(notations(colour).map(({ id, text: code }) => [id, code]));
  const ink = inks?.of.get(colour.hex);
  const codes = [...SHOWN.map((id) => brief(written.get(id)!)), brief(ink ? inkText(ink) : written.get('cmyk')!)];
  const far = ink && ink.distance > MOST_APART ? [`prints ΔE ${ink.distance.toFixed(0)} away`] : [];
  return [
    rect(x, y, width, PATCH, colour.hex),
    text(x, y + PATCH + 13, name, { weight: 560, max: width }),
    ...[...codes, ...far].map((code, line) =>
      text(x, y + PATCH + 28 + line * LEADING, code, { size: SMALLEST, fill: SOFT, max: width }),
    ),
  ].join('');
}

/** As much of a code as print needs; the files hold every digit. */
function brief(code: string): string {
  const [, name, inner] = /^(rgb|hsl|oklch|lab|cmyk)\((.*)\)$/.exec(code) ?? [];
  if (!name || !inner) return code;
  const parts = inner.split(' ').map((part, at) => {
    if (!/^-?[\d.]+%?$/.test(part)) return part;
    const digits = name === 'oklch' ? (at < 2 ? 3 : 0) : name === 'cmyk' ? 0 : 1;
    return `${Number(parseFloat(part).toFixed(digits))}${part.endsWith('%') && name !== 'cmyk' ? '%' : ''}`;
  });
  return `${name} ${parts.join(' ')}`;
}
