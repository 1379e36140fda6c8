import { FileHash } from '@/core/brand/document/fields';
import { mayFetch } from '@/server/people/build-tokens';
import { Refused } from '@/server/http/refused';
import { fileByHash } from '@/server/releases/releases';
import { isKnown } from '@/server/http/entity-tag';
import { answerAnywhere, mayAsk } from '@/server/http/request';

/** A released file by its hash: what it is never changes, so that it is kept by whoever has it. */
export function GET(request: Request, { params }: { params: Promise<{ brand: string; sha256: string }> }): Promise<Response> {
  return answerAnywhere(async () => {
    const { brand, sha256 } = await params;
    await mayFetch(request, brand);
    const file = FileHash.safeParse(sha256).success ? await fileByHash(brand, sha256) : null;
    if (!file) throw new Refused(404, 'No released file has this hash.');
    const etag = `"${sha256}"`;
    const has = isKnown(request, etag);
    return new Response(has ? null : new Uint8Array(file.bytes), {
      status: has ? 304 : 200,
      headers: {
        'content-type': file.mediaType,
        'content-disposition': 'attachment',
        'cache-control': 'private, max-age=31536000, immutable',
        etag,
      },
    });
  });
}

/** Browsers ask first whether a page of elsewhere may. */
export function OPTIONS(): Response {
  return mayAsk();
}
