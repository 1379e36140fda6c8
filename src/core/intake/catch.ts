import { ciede2000 } from '../colour/difference';
import { labOf, type LabD65 } from '../colour/lab';
import { readColour, type ReadColour } from '../colour/read';
import type { Doubt, Found, Reading, ReadPalette } from '../formats/kit/format';
import { doubt } from './reading';

/** One line of the catch: what an intake found, waiting to be accepted. */
export interface CatchLine extends Found {
  /** Place in the catch, from 0. */
  readonly index: number;
  /** The palette of the source it stands in, and its kind. */
  readonly palette: string;
  readonly kind: ReadPalette['kind'];
  readonly colour: ReadColour | null;
  /** Whether it is taken unless somebody says otherwise. */
  readonly take: boolean;
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
 * A reading as a catch, in the source's order, with what only the whole tells: colours that stand twice or nearly so,
 * lie outside sRGB or are translucent. Nothing of the reading is left out.
 * @param earlier what other sources gave, which this one is compared with as well
 */
export function catchOf(reading: Reading, earlier: readonly Earlier[] = []): CatchLine[] {
  const taken = reading.palettes.flatMap(({ name, kind, swatches }) =>
    swatches.map((found) => ({ found, palette: name, kind, take: true })),
  );
  const kind = 'loose' as const;
  const only = reading.palettes.length === 1 ? reading.palettes[0]!.name : '';
  const left = reading.skipped.map((found) => ({ found, palette: only, kind, take: false }));
  const aliases = reading.aliases.map((found) => ({ found, palette: ALIASES, kind, take: true }));
  const all = [...taken, ...aliases, ...left];
  // Groups keep together; a single list is told in the order of its source.
  if (reading.palettes.length <= 1 && aliases.length === 0)
    all.sort((one, two) => one.found.line - two.found.line || one.found.column - two.found.column);
  const near = new Neighbours();
  for (const { hex, alpha, place } of earlier) near.take({ hex, alpha }, place);
  return all.map(({ found, take, ...group }, index) => {
    const colour = found.css === null ? null : readColour(found.css);
    const doubts = colour ? [...found.doubts, ...whole(found, colour, near)] : found.doubts;
    return { ...found, ...group, doubts, index, colour, take };
  });
}

function* whole(found: Found, colour: ReadColour, near: Neighbours): Generator<Doubt> {
  const known = found.doubts.some(({ kind }) => kind === 'duplicate');
  // An alias has the colour of another on purpose.
  const neighbour = found.token?.alias ? null : near.take(colour, `line ${found.line}`);
  if (neighbour && !known) {
    yield neighbour.distance === 0
      ? doubt('duplicate', `The same colour as on ${neighbour.place}.`)
      : doubt('near', `Hardly told from ${neighbour.hex} on ${neighbour.place}: ΔE ${neighbour.distance.toFixed(2)}.`);
  }
  if (colour.clipped > 0) {
    yield doubt('outside', `Outside sRGB: screens show ${colour.hex}, ${colour.clipped.toFixed(3)} ΔE-OK away.`);
  }
  if (colour.alpha < 1) yield doubt('translucent', `Translucent: ${Math.round(colour.alpha * 100)} % opaque.`);
}

interface Neighbour extends Earlier {
  readonly lab: LabD65;
}

/** ΔE2000 divides lightness by at most 1.75 and chroma by at most some 7 (at the highest chroma): what is nearer than 1 lies within. */
const REACH = { l: 2, ab: 8 };

/**
 * The colours so far, in cells of Lab so that only the few in the same cell or one beside it have to be compared. Only
 * the first of a cluster is kept, which bounds each cell.
 */
class Neighbours {
  private readonly cells = new Map<number, Neighbour[]>();
  private readonly exact = new Map<string, Neighbour>();

  /** @returns the earlier colour this one is equal or near to, or null and the colour is kept. */
  take({ hex, alpha }: Pick<ReadColour, 'hex' | 'alpha'>, place: string): (Neighbour & { distance: number }) | null {
    const same = this.exact.get(hex + alpha);
    if (same) return { ...same, distance: 0 };
    const own: Neighbour = { hex, alpha, place, lab: labOf(hex) };
    this.exact.set(hex + alpha, own);
    const at = [own.lab[0] / REACH.l, own.lab[1] / REACH.ab, own.lab[2] / REACH.ab].map(Math.floor) as [number, number, number];
    for (let n = 0; n < 27; n++) {
      const cell = this.cells.get(keyOf(at[0] + (n % 3) - 1, at[1] + (Math.floor(n / 3) % 3) - 1, at[2] + Math.floor(n / 9) - 1));
      for (const other of cell ?? []) {
        const dl = other.lab[0] - own.lab[0];
        const da = other.lab[1] - own.lab[1];
        const db = other.lab[2] - own.lab[2];
        if (other.alpha !== alpha || Math.abs(dl) > REACH.l || da * da + db * db > REACH.ab ** 2) continue;
        const distance = ciede2000(own.lab, other.lab);
        if (distance < NEAR) return { ...other, distance };
      }
    }
    const key = keyOf(...at);
    const cell = this.cells.get(key);
    if (cell) cell.push(own);
    else this.cells.set(key, [own]);
    return null;
  }
}

/** Cells lie within -64..63 on every axis. */
function keyOf(l: number, a: number, b: number): number {
  return ((l + 64) << 14) | ((a + 64) << 7) | (b + 64);
}
