import fc from 'fast-check';
import { around, meanColour, pixelAt, type Pixels } from './pixels';

/** Every pixel says where it stands. */
const picture: Pixels = {
  width: 5,
  height: 4,
  data: Uint8ClampedArray.from({ length: 20 }, (_, at) => at).reduce<Uint8ClampedArray>((data, at) => {
    data.set([at % 5, Math.floor(at / 5), 7, 255], at * 4);
    return data;
  }, new Uint8ClampedArray(80)),
};

test('the square about a place is the picture’s own pixels, and nothing beyond its edge', () => {
  fc.assert(
    fc.property(fc.nat(4), fc.nat(3), fc.nat(6), (x, y, reach) => {
      const square = around(picture, x, y, reach);
      expect([square.width, square.height]).toEqual([reach * 2 + 1, reach * 2 + 1]);
      for (let dy = -reach; dy <= reach; dy++) {
        for (let dx = -reach; dx <= reach; dx++) {
          const inside = x + dx >= 0 && x + dx < 5 && y + dy >= 0 && y + dy < 4;
          const expected = inside ? pixelAt(picture, x + dx, y + dy) : '#00000000';
          expect(pixelAt(square, dx + reach, dy + reach)).toBe(expected);
        }
      }
    }),
  );
});

test('a mean is one of light, and leaves out what is transparent', () => {
  // Half the light of white is #bcbcbc (IEC 61966-2-1), not #808080.
  expect(meanColour({ width: 3, height: 1, data: Uint8Array.of(0, 0, 0, 255, 255, 255, 255, 255, 255, 0, 0, 0) })).toBe(
    '#bcbcbc',
  );
  expect(meanColour({ width: 1, height: 1, data: Uint8Array.of(9, 9, 9, 0) })).toBeNull();
});
