import { unit } from '../base/clamp';
import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, type Rgb } from 'culori';
import { decode, encode, type Srgb } from './oklab';
import { relativeLuminance } from './contrast';

/** The kinds of colour vision that palettes are looked at with. */
export const VISIONS = ['normal', 'protan', 'deutan', 'tritan', 'achromat'] as const;
export type Vision = (typeof VISIONS)[number];
export type Dichromacy = 'protan' | 'deutan' | 'tritan';

/** Three rows of three. */
export type Matrix = readonly [Srgb, Srgb, Srgb];

/**
 * Linear-light sRGB to the responses of the three cones, L, M and S. Viénot, Brettel and Mollon, "Digital video
 * colourmaps for checking the legibility of displays by dichromats" (1999), from the fundamentals of Smith and Pokorny.
 */
const TO_CONES: Matrix = [
  [17.8824, 43.5161, 4.11935],
  [3.45565, 27.1554, 3.86714],
  [0.0299566, 0.184309, 1.46709],
];

/** Smith and Pokorny (1975): XYZ after Judd and Vos to cone responses. */
const XYZ_TO_CONES: Matrix = [
  [0.15514, 0.54312, -0.03286],
  [-0.15514, 0.45684, 0.03286],
  [0, 0, 0.01608],
];

/** XYZ (Judd and Vos, 1978) of the lights, by wavelength in nm, that a dichromat sees as others do. */
const LIGHTS = {
  475: [0.13287, 0.11284, 0.9422],
  485: [0.05699, 0.16987, 0.5864],
  575: [0.84394, 0.91558, 0.00197],
  660: [0.16161, 0.061, 0.00001],
} as const satisfies Record<number, Srgb>;

/** One half of the colours a dichromat tells apart, as a matrix on linear-light sRGB. */
export interface Half {
  readonly matrix: Matrix;
  /** What tells that a colour belongs to this half: positive on its side. */
  readonly side: Srgb;
}

/** The cone that is missing, and the two lights that with the screen's white span what is left. */
const DICHROMATS: Record<Dichromacy, readonly [Half, Half]> = {
  protan: halves(0, 475, 575),
  deutan: halves(1, 475, 575),
  tritan: halves(2, 485, 660),
};

/**
 * What a dichromat sees of a linear-light sRGB colour. Brettel, Viénot and Mollon, "Computerized simulation of color
 * appearance for dichromats" (1997), with the screen's own white as the neutral, so that greys stay as they are.
 * @returns linear-light sRGB, which may lie a little outside 0..1
 */
export function brettel(colour: Srgb, kind: Dichromacy): Srgb {
  const [first, second] = DICHROMATS[kind];
  return times(dot(first.side, colour) >= 0 ? first.matrix : second.matrix, colour);
}

/** How `seenAs` comes to linear light: the matrix of one half of the colours, and that of the other; for a lesser severity the same. */
export function halvesOf(kind: Dichromacy, severity: number): readonly [Half, Half] {
  if (severity >= 1) return DICHROMATS[kind];
  const whole = { matrix: machadoMatrix(kind, severity), side: [0, 0, 0] } as const;
  return [whole, whole];
}

function halves(missing: 0 | 1 | 2, ...lights: readonly [keyof typeof LIGHTS, keyof typeof LIGHTS]): readonly [Half, Half] {
  const white = times(TO_CONES, [1, 1, 1]);
  const [one, two] = lights.map((light) => half(missing, white, times(XYZ_TO_CONES, LIGHTS[light])));
  return [one!, two!];
}

/** The colours of one half lie in the plane of black, white and a light; the missing cone is answered by that plane. */
function half(missing: 0 | 1 | 2, white: Srgb, light: Srgb): Half {
  const normal = cross(white, light);
  const project = [0, 1, 2].map((row) =>
    [0, 1, 2].map((column) => {
      if (row !== missing) return row === column ? 1 : 0;
      return column === missing ? 0 : -normal[column]! / normal[missing];
    }),
  ) as unknown as Matrix;
  // The halves meet in the plane of the grey axis and the missing cone's own axis.
  const axis = [0, 1, 2].map((at) => (at === missing ? 1 : 0)) as unknown as Srgb;
  const border = cross(white, axis);
  const towards = dot(border, light) >= 0 ? 1 : -1;
  const side = [0, 1, 2].map((column) => towards * dot(border, TO_CONES.map((row) => row[column]!) as unknown as Srgb));
  return { matrix: product(inverse(TO_CONES), product(project, TO_CONES)), side: side as unknown as Srgb };
}

const MACHADO = { protan: filterDeficiencyProt, deutan: filterDeficiencyDeuter, tritan: filterDeficiencyTrit } as const;

/**
 * What somebody with a weak or missing cone sees of a linear-light sRGB colour, by severity 0 (normal) to 1 (dichromat).
 * Machado, Oliveira and Fernandes, "A physiologically-based model for simulation of color vision deficiency" (2009): the
 * published matrices for each tenth, interpolated between, as the authors propose.
 * @returns linear-light sRGB, which may lie a little outside 0..1
 */
export function machado(colour: Srgb, kind: Dichromacy, severity: number): Srgb {
  return times(machadoMatrix(kind, severity), colour);
}

const matrices = new Map<string, Matrix>();

function machadoMatrix(kind: Dichromacy, severity: number): Matrix {
  const key = `${kind} ${severity}`;
  let found = matrices.get(key);
  if (!found) {
    // The library holds the published matrices but has them multiply encoded channels; they are meant for linear light, so
    // they are read off what it makes of each channel alone.
    const seen = MACHADO[kind](unit(severity));
    const columns = [0, 1, 2].map((at) => {
      const { r, g, b } = seen({ mode: 'rgb', r: Number(at === 0), g: Number(at === 1), b: Number(at === 2) }) as Rgb;
      return [r, g, b];
    });
    found = [0, 1, 2].map((row) => columns.map((column) => column[row]!)) as unknown as Matrix;
    if (matrices.size > 400) matrices.clear();
    matrices.set(key, found);
  }
  return found;
}

/** What is left of a gamma-encoded sRGB colour without any colour: the grey of the same luminance. WCAG 2.2's luminance. */
export function achromat(colour: Srgb): Srgb {
  const grey = encode(relativeLuminance(colour));
  return [grey, grey, grey];
}

/**
 * What a kind of colour vision sees of a gamma-encoded sRGB colour, cut to 0..1. Full dichromacy is Brettel's; a lesser
 * severity (0..1) is Machado's.
 */
export function seenAs(colour: Srgb, vision: Vision, severity = 1): Srgb {
  if (vision === 'normal') return colour;
  if (vision === 'achromat') return achromat(colour);
  const linear = [decode(colour[0]), decode(colour[1]), decode(colour[2])] as const;
  const seen = severity >= 1 ? brettel(linear, vision) : machado(linear, vision, severity);
  return seen.map((channel) => unit(encode(channel))) as unknown as Srgb;
}

function dot(a: Srgb, b: Srgb): number {
  return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
}

function cross(a: Srgb, b: Srgb): Srgb {
  return [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
}

function times(m: Matrix, v: Srgb): Srgb {
  return [dot(m[0], v), dot(m[1], v), dot(m[2], v)];
}

function product(a: Matrix, b: Matrix): Matrix {
  const column = (at: number): Srgb => [b[0][at]!, b[1][at]!, b[2][at]!];
  return a.map((row) => [0, 1, 2].map((at) => dot(row, column(at)))) as unknown as Matrix;
}

/** By the adjugate: the rows of the inverse are cross products of the columns. */
function inverse(m: Matrix): Matrix {
  const [x, y, z] = [0, 1, 2].map((at): Srgb => [m[0][at]!, m[1][at]!, m[2][at]!]) as [Srgb, Srgb, Srgb];
  const determinant = dot(x, cross(y, z));
  return [cross(y, z), cross(z, x), cross(x, y)].map((row) => row.map((value) => value / determinant)) as unknown as Matrix;
}
