import { ciede2000 } from '../colour/difference';
import { labOf, type LabD65 } from '../colour/lab';
import { shownKey, type ReadColour } from '../colour/read';
import type { PaletteOrigin } from '../brand/document/palette-shape';
import { doubt, type Doubt, type Entry, type PaletteKind, type Intake } from './intake';

/** What of a colour a person decides on: less of it is copied from the worker that read it, which is felt in large catches. */
export type CaughtColour = Pick<ReadColour, 'css' | 'hex' | 'alpha'>;

/** One line of what an intake found, waiting to be accepted. */
export interface IntakeLine extends Omit<Entry, 'palette' | 'span' | 'also' | 'colour' | 'other'> {
  readonly colour: CaughtColour | null;
  readonly other?: CaughtColour;
  /** Place in the catch, from 0. */
  readonly index: number;
  /** The palette of the source it stands in, and its kind. */
  readonly palette: string;
  readonly kind: PaletteKind;
}

/** ΔE2000 below which two colours count as nearly the same: about what can be told side by side. */
const NEAR = 1;

/** A colour that is in the catch already, and where it stands, in words. */
export interface Earlier {
  readonly hex: string;
  readonly alpha: number;
  readonly place: string;
}

/** Under this name aliases stand in the catch. */
const ALIASES = 'Aliases';

/**
 * An intake as a catch, in the source's order, with what only the whole tells: colours that stand twice or nearly so,
 * lie outside sRGB or are translucent. Nothing of the intake is left out.
 * @param earlier what other sources gave, which this one is compared with as well
 */
export function catchOf({ palettes, entries }: Intake, earlier: readonly Earlier[] = []): IntakeLine[] {
  const only = palettes.length === 1 ? palettes[0]!.name : '';
  const near = new Neighbours();
  for (const { hex, alpha, place } of earlier) near.take({ hex, alpha }, place);
  return entries.map((entry, index): IntakeLine => {
    const { palette, text, name, colour, doubts, take, other, token, row, line, column } = entry;
    const head = palette === null ? { name: token?.alias ? ALIASES : only, kind: 'loose' as const } : palettes[palette]!;
    const told = colour && entry.take ? [...doubts, ...whole(entry, colour, near)] : doubts;
    return {
      index,
      palette: head.name,
      kind: head.kind,
      line,
      column,
      text,
      name,
      colour: colour && caught(colour),
      doubts: told,
      take,
      ...(other && { other: caught(other) }),
      ...(token && { token }),
      ...(row !== undefined && { row }),
    };
  });
}

/** What is known of the palettes of an intake, by the name they have in the catch. */
export function originsOf({ palettes }: Pick<Intake, 'palettes'>): Record<string, PaletteOrigin> {
  return Object.fromEntries(palettes.flatMap(({ name, about }) => (about ? [[name, about]] : [])));
}

function caught({ css, hex, alpha }: ReadColour): CaughtColour {
  return { css, hex, alpha };
}

function* whole({ doubts, token, line }: Entry, colour: ReadColour, near: Neighbours): Generator<Doubt> {
  // An alias has the colour of another on purpose.
  const neighbour = token?.alias ? null : near.take(colour, line > 0 ? `line ${line}` : 'this page');
  if (neighbour) {
    yield neighbour.distance === 0
      ? doubt('duplicate', `The same colour as on ${neighbour.place}.`)
      : doubt('near', `Hardly told from ${neighbour.hex} on ${neighbour.place}: ΔE ${neighbour.distance.toFixed(2)}.`);
  }
  if (colour.clipped > 0 && !doubts.some(({ kind }) => kind === 'outside')) {
    yield doubt('outside', `Outside sRGB: screens show ${colour.hex}, ${colour.clipped.toFixed(3)} ΔE-OK away.`);
  }
  if (colour.alpha < 1) yield doubt('translucent', `Translucent: ${Math.round(colour.alpha * 100)} % opaque.`);
}

interface Neighbour extends Earlier {
  readonly lab: LabD65;
}

/** ΔE2000 divides lightness by at most 1.75 and chroma by at most some 7 (at the highest chroma): what is nearer than 1 lies within. */
const CELL_SIDE = { l: 2, ab: 8 };

/**
 * The colours so far, in cells of Lab so that only the few in the same cell or one beside it have to be compared. Only
 * the first of a cluster is kept, which bounds each cell.
 */
class Neighbours {
  private readonly cells = new Map<number, Neighbour[]>();
  private readonly exact = new Map<string, Neighbour>();

  /** @returns the earlier colour this one is equal or near to, or null and the colour is kept. */
  take({ hex, alpha }: Pick<ReadColour, 'hex' | 'alpha'>, place: string): (Neighbour & { distance: number }) | null {
    const key = shownKey({ hex, alpha });
    const same = this.exact.get(key);
    if (same) return { ...same, distance: 0 };
    const newcomer: Neighbour = { hex, alpha, place, lab: labOf(hex) };
    this.exact.set(key, newcomer);
    const bucket = [newcomer.lab[0] / CELL_SIDE.l, newcomer.lab[1] / CELL_SIDE.ab, newcomer.lab[2] / CELL_SIDE.ab].map(
      Math.floor,
    ) as [number, number, number];
    for (let n = 0; n < 27; n++) {
      const cell = this.cells.get(
        cellKey(bucket[0] + (n % 3) - 1, bucket[1] + (Math.floor(n / 3) % 3) - 1, bucket[2] + Math.floor(n / 9) - 1),
      );
      for (const other of cell ?? []) {
        const dl = other.lab[0] - newcomer.lab[0];
        const da = other.lab[1] - newcomer.lab[1];
        const db = other.lab[2] - newcomer.lab[2];
        if (other.alpha !== alpha || Math.abs(dl) > CELL_SIDE.l || da * da + db * db > CELL_SIDE.ab ** 2) continue;
        const distance = ciede2000(newcomer.lab, other.lab);
        if (distance < NEAR) return { ...other, distance };
      }
    }
    const cellHere = cellKey(...bucket);
    const cell = this.cells.get(cellHere);
    if (cell) cell.push(newcomer);
    else this.cells.set(cellHere, [newcomer]);
    return null;
  }
}

/** Cells lie within -64..63 on every axis. */
function cellKey(l: number, a: number, b: number): number {
  return ((l + 64) << 14) | ((a + 64) << 7) | (b + 64);
}
