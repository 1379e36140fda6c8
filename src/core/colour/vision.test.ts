import fc from 'fast-check';
import { achromat, brettel, machado, seenAs, type Dichromacy } from './vision';
import type { Srgb } from './oklab';

const KINDS = ['protan', 'deutan', 'tritan'] as const satisfies readonly Dichromacy[];
const channel = fc.double({ min: 0, max: 1, noNaN: true });
const colour = fc.tuple(channel, channel, channel);

const near = (one: Srgb, two: Srgb, within: number) =>
  one.forEach((value, at) => expect(Math.abs(value - two[at]!)).toBeLessThan(within));

// Matrices on linear sRGB that are widely published for Brettel's method, from memory, to five digits.
test.each([
  ['protan', [1, 0, 0], [0.1498, 0.10764, 0.00384]],
  ['protan', [0, 0, 1], [-0.30742, 0.03892, 1.00139]],
  ['deutan', [1, 0, 0], [0.37298, 0.25954, -0.0198]],
  ['deutan', [0, 0, 1], [-0.22858, 0.09462, 0.99278]],
  ['tritan', [1, 0, 0], [1.01277, -0.01243, 0.07589]],
  ['tritan', [0, 0, 1], [-0.12657, 0.1232, 0.24796]],
] as const)('%s sees %j as published for Brettel, Viénot and Mollon 1997', (kind, light, expected) => {
  near(brettel(light, kind), expected, 2e-3);
});

// Machado, Oliveira and Fernandes 2009, table of severities: first rows, from memory.
test.each([
  ['protan', 1, [0.152286, 1.052583, -0.204868]],
  ['deutan', 0.5, [0.547494, 0.607765, -0.155259]],
] as const)('%s of severity %d answers with the published first row', (kind, severity, row) => {
  const axes: Srgb[] = [[1, 0, 0], [0, 1, 0], [0, 0, 1]]; // prettier-ignore
  axes.forEach((axis, at) => expect(machado(axis, kind, severity)[0]).toBeCloseTo(row[at]!, 6));
});

test('greys are seen alike by everybody, and severity 0 is normal vision', () => {
  fc.assert(
    fc.property(channel, fc.constantFrom(...KINDS), (grey, kind) => {
      near(brettel([grey, grey, grey], kind), [grey, grey, grey], 1e-12);
      near(machado([grey, grey, grey], kind, 1), [grey, grey, grey], 1e-5);
    }),
  );
  fc.assert(fc.property(colour, fc.constantFrom(...KINDS), (rgb, kind) => near(machado(rgb, kind, 0), rgb, 1e-12)));
});

test('what a dichromat sees looks the same to the dichromat: seeing it twice changes nothing more', () => {
  fc.assert(
    fc.property(colour, fc.constantFrom(...KINDS), (rgb, kind) => {
      const once = brettel(rgb, kind);
      near(brettel(once, kind), once, 1e-9);
    }),
  );
});

test('without colour there is only the grey of the same luminance', () => {
  near(achromat([0, 1, 0]), [0.8624, 0.8624, 0.8624], 1e-3);
  expect(seenAs([0.2, 0.5, 0.7], 'achromat')).toEqual(achromat([0.2, 0.5, 0.7]));
});
