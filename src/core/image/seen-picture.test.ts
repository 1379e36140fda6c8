import fc from 'fast-check';
import { byte } from '../colour/read';
import { seenAs, VISIONS } from '../colour/vision';
import { seenPicture } from './seen-picture';

test('every pixel is what the plain formula gives, of any vision and severity; opacity stays', () => {
  const pixels = fc.uint8Array({ minLength: 400, maxLength: 400 });
  const severity = fc.constantFrom(1, 0.999, 0.7, 0.31, 0);
  fc.assert(
    fc.property(pixels, fc.constantFrom(...VISIONS), severity, (data, vision, how) => {
      const plain = Array.from({ length: data.length / 4 }, (_, at) => {
        const [r, g, b, alpha] = data.subarray(at * 4, at * 4 + 4);
        return [...seenAs([r! / 255, g! / 255, b! / 255], vision, how).map(byte), alpha!];
      });
      expect([...seenPicture({ width: 10, height: 10, data }, vision, how).data]).toEqual(plain.flat());
    }),
    { numRuns: 400 },
  );
});

test('every grey, and every light that rounding could take otherwise, is shown as the formula has it', () => {
  const data = Uint8Array.from({ length: 256 * 4 }, (_, at) => (at % 4 === 3 ? 255 : at >> 2));
  for (const vision of VISIONS) {
    const seen = seenPicture({ width: 16, height: 16, data }, vision, 1).data;
    for (let grey = 0; grey < 256; grey++) {
      const plain = seenAs([grey / 255, grey / 255, grey / 255], vision).map(byte);
      expect([...seen.subarray(grey * 4, grey * 4 + 3)]).toEqual(plain);
    }
  }
});
