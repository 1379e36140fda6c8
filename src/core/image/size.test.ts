import sharp from 'sharp';
import { pictureSize } from './size';

test.each(['png', 'jpeg', 'gif', 'webp'] as const)(
  '%s: kind and size are told by the first bytes, or 0 when they are cut off',
  async (kind) => {
    const picture = sharp({ create: { width: 321, height: 45, channels: 3, background: '#1f6f78' } });
    const bytes = new Uint8Array(await picture.toFormat(kind).toBuffer());
    expect(pictureSize(bytes)).toEqual({ kind, width: 321, height: 45 });
    expect(pictureSize(bytes.subarray(0, 14))).toMatchObject({ kind });
  },
);

test('WebP without loss says its size in another place', async () => {
  const picture = sharp({ create: { width: 1_234, height: 567, channels: 4, background: '#1f6f7880' } });
  expect(pictureSize(new Uint8Array(await picture.webp({ lossless: true }).toBuffer()))).toMatchObject({
    width: 1_234,
    height: 567,
  });
});

test('what is no picture is none', () => {
  expect(pictureSize(new TextEncoder().encode('#1f6f78'))).toBeNull();
  expect(pictureSize(new Uint8Array())).toBeNull();
});
