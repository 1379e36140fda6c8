import fc from 'fast-check';
import { evenPlaces, interpolate } from './even-steps';

test('places divide a way in the proportions asked for, however it bends', () => {
  const bend = fc.record({
    power: fc.double({ min: 0.4, max: 3, noNaN: true }),
    turn: fc.double({ min: 0, max: 2.5, noNaN: true }),
  });
  fc.assert(
    fc.property(bend, fc.integer({ min: 3, max: 16 }), ({ power, turn }, count) => {
      // A spiral piece: straight distances on it are shorter than the way.
      const colourAt = (place: number) => {
        const along = place ** power;
        return [along * Math.cos(along * turn), along * Math.sin(along * turn)] as const;
      };
      const distance = (from: number, to: number) =>
        Math.hypot(colourAt(from)[0] - colourAt(to)[0], colourAt(from)[1] - colourAt(to)[1]);
      const shares = Array.from({ length: count }, (_, n) => n / (count - 1));
      const places = evenPlaces(shares, distance);
      expect(places[0]).toBe(0);
      expect(places.at(-1)).toBeCloseTo(1, 9);
      const steps = places.slice(1).map((place, n) => distance(places[n]!, place));
      expect(Math.max(...steps) / Math.min(...steps)).toBeLessThan(1.03);
      places.slice(1).forEach((place, n) => expect(place).toBeGreaterThan(places[n]!));
    }),
  );
});

test('unequal shares, a way without length, and one that begins inside', () => {
  const straight = (from: number, to: number) => Math.abs(to - from);
  expect(evenPlaces([0, 0.25, 1], straight).map((place) => place.toFixed(3))).toEqual(['0.000', '0.250', '1.000']);
  expect(evenPlaces([0.2, 1], straight).map((place) => place.toFixed(3))).toEqual(['0.200', '1.000']);
  expect(evenPlaces([0, 0.5, 1], () => 0)).toEqual([0, 0.5, 1]);
});

test('between points a line, beyond them their ends', () => {
  const line = (x: number) => interpolate([0, 1, 3], [10, 20, 0], x);
  expect([-1, 0, 0.5, 1, 2, 3, 9].map(line)).toEqual([10, 10, 15, 20, 10, 0, 0]);
  expect(interpolate([1, 1], [5, 7], 1)).toBe(5);
});
