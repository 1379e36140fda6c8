import { PNG } from 'pngjs';
import type { Pixels } from '@/core/image/pixels';

/** An independent decoder of PNG, as the page's and the command line's own would be. @throws on damage */
export function decodePng(bytes: Uint8Array): Promise<Pixels> {
  return new Promise((resolve) => {
    const { width, height, data } = PNG.sync.read(Buffer.from(bytes));
    resolve({ width, height, data: new Uint8Array(data) });
  });
}
