import { z } from 'zod';
import { EntityId } from '@/core/brand/document/fields';
import { Refused } from '@/server/http/refused';
import { latestNumber, ReleaseNumber } from '@/server/releases/release-number';
import { releasedFile } from '@/server/releases/releases';
import { mayFetch } from '@/server/people/build-tokens';
import { isKnown } from '@/server/http/entity-tag';
import { answer } from '@/server/http/request';

const Params = z.object({
  brand: EntityId,
  release: z.union([z.literal('latest'), ReleaseNumber]),
  path: z
    .array(
      z
        .string()
        .max(200)
        .regex(/^[^\0]*$/),
    )
    .max(10),
});

/**
 * A released file, exactly as it was written: what consumers fetch, signed in or with a token for builds. `latest` is the
 * newest release.
 */
export function GET(request: Request, { params }: { params: Promise<Record<string, unknown>> }): Promise<Response> {
  return answer(async () => {
    const parsed = Params.safeParse(await params);
    if (!parsed.success) throw new Refused(404, 'There is no such file.');
    const { brand, release, path } = parsed.data;
    const note = await mayFetch(request, brand);
    const number = release === 'latest' ? await latestNumber(brand) : release;
    const file = await releasedFile(brand, number, path.join('/'));
    if (!file) throw new Refused(404, 'There is no such file in this release.');
    await note(number);
    const etag = `"${file.sha256}"`;
    const has = isKnown(request, etag);
    return new Response(has ? null : new Uint8Array(file.bytes), {
      status: has ? 304 : 200,
      headers: {
        'content-type': file.mediaType,
        'content-disposition': 'attachment',
        'x-breakwater-release': String(number),
        'x-breakwater-sha256': file.sha256,
        // A release never changes; which is the newest does.
        'cache-control': release === 'latest' ? 'private, no-cache' : 'private, max-age=31536000, immutable',
        etag,
      },
    });
  });
}
