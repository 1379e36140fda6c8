import { storedPicture } from '@/server/brands/pictures';
import { allowed, answer } from '@/server/http/request';

/** A kept picture, byte for byte. */
export function GET(_request: Request, { params }: { params: Promise<{ brand: string; sha256: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, sha256 } = await params;
    await allowed(brand, 'read');
    const { mediaType, bytes } = await storedPicture(brand, sha256);
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': mediaType,
        // Under its hash it never changes.
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  });
}
