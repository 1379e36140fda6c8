import { storedHost } from '@/server/brands/kept-files';
import { allowed, answer } from '@/server/http/request';

/** A kept host file, byte for byte, and never shown as anything by a browser. */
export function GET(_request: Request, { params }: { params: Promise<{ brand: string; sha256: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, sha256 } = await params;
    await allowed(brand, 'read');
    const { bytes } = await storedHost(brand, sha256);
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': 'application/octet-stream',
        'content-disposition': 'attachment',
        // Under its hash it never changes.
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  });
}
