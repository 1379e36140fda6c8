import { ciede2000 } from './difference';
import type { LabD65 } from './lab';

/** Two colours of a list, by their places, that are closer than a limit. */
export interface Close {
  readonly one: number;
  readonly two: number;
  /** ΔE2000. */
  readonly distance: number;
}

/** Up to so many colours every pair is compared, which costs less than sorting them into cells. */
const FEW = 64;

/**
 * How far apart two colours can lie in the space of the cells for each unit of ΔE2000. Lightness is weighed by at most 1.75, and where hue and
 * chroma are turned into each other (blues) the formula shrinks a distance to 0.37 of it; together with the weight of hue that is 4.3. The test
 * looks for pairs that lie farther.
 */
const STRETCH = 4.3;

/**
 * The pairs of colours that are closer than a limit of ΔE2000, the closest first. Colours are sorted into cells of a space in which such pairs lie
 * in the same cell or in neighbours, so that a list of thousands does not want every pair compared.
 * @param most so many pairs are enough: the limit then grows only until there are so many, and of those the closest are given
 */
export function closePairs(labs: readonly LabD65[], limit: number, most = Infinity): Close[] {
  if (labs.length <= FEW) return best(everyPair(labs, limit), most);
  for (let within = Math.min(limit, 1); ; within = Math.min(limit, within * 2)) {
    const found = inCells(labs, within);
    if (found.length >= most || within >= limit) return best(found, most);
  }
}

function best(pairs: Close[], most: number): Close[] {
  return pairs.sort((a, b) => a.distance - b.distance || a.one - b.one || a.two - b.two).slice(0, most);
}

function everyPair(labs: readonly LabD65[], limit: number): Close[] {
  const found: Close[] = [];
  for (let one = 0; one < labs.length; one++) {
    for (let two = one + 1; two < labs.length; two++) {
      const distance = ciede2000(labs[one]!, labs[two]!);
      if (distance < limit) found.push({ one, two, distance });
    }
  }
  return found;
}

/** Chroma as the formula weighs it: each unit is worth less the livelier a colour is (1 + 0.045 C'). */
function spot([l, a, b]: LabD65): LabD65 {
  const chroma = Math.hypot(a, b);
  const scale = chroma === 0 ? 1 : Math.log1p(0.045 * chroma) / 0.045 / chroma;
  return [l, a * scale, b * scale];
}

function inCells(labs: readonly LabD65[], limit: number): Close[] {
  const edge = limit * STRETCH;
  const cells = new Map<number, number[]>();
  const spots = labs.map(spot);
  const places = spots.map((at) => at.map((value) => Math.floor(value / edge)) as [number, number, number]);
  const key = (l: number, a: number, b: number) => ((l + 512) * 2048 + (a + 1024)) * 2048 + (b + 1024);
  for (const [at, place] of places.entries()) {
    const cell = cells.get(key(...place));
    if (cell) cell.push(at);
    else cells.set(key(...place), [at]);
  }
  const found: Close[] = [];
  for (const [one, [l, a, b]] of places.entries()) {
    for (let dl = -1; dl <= 1; dl++) {
      for (let da = -1; da <= 1; da++) {
        for (let db = -1; db <= 1; db++) {
          for (const two of cells.get(key(l + dl, a + da, b + db)) ?? []) {
            if (two <= one || isFar(spots[one]!, spots[two]!, edge)) continue;
            const distance = ciede2000(labs[one]!, labs[two]!);
            if (distance < limit) found.push({ one, two, distance });
          }
        }
      }
    }
  }
  return found;
}

function isFar(one: LabD65, two: LabD65, edge: number): boolean {
  return Math.abs(one[0] - two[0]) > edge || Math.abs(one[1] - two[1]) > edge || Math.abs(one[2] - two[2]) > edge;
}
