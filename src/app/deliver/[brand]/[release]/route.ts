import { z } from 'zod';
import { slug } from '@/core/base/words';
import { EntityId } from '@/core/brand/document/fields';
import { mayFetch } from '@/server/people/build-tokens';
import { Refused } from '@/server/http/refused';
import { latestNumber, ReleaseNumber } from '@/server/releases/release-number';
import { releaseOf, releaseZip } from '@/server/releases/releases';
import { isKnown } from '@/server/http/entity-tag';
import { answer } from '@/server/http/request';

const Params = z.object({ brand: EntityId, release: z.union([z.literal('latest'), ReleaseNumber]) });

/** A whole release as one zip, for whoever may fetch its files. `latest` is the newest. */
export function GET(request: Request, { params }: { params: Promise<Record<string, unknown>> }): Promise<Response> {
  return answer(async () => {
    const parsed = Params.safeParse(await params);
    if (!parsed.success) throw new Refused(404, 'There is no such release.');
    const { brand, release } = parsed.data;
    const note = await mayFetch(request, brand);
    const found = await releaseOf(brand, release === 'latest' ? await latestNumber(brand) : release);
    if (!found) throw new Refused(404, 'There is no such release.');
    const { number, document, at } = found;
    await note(number);
    const etag = `"${number}-${at.getTime()}"`;
    const has = isKnown(request, etag);
    return new Response(has ? null : new Uint8Array(await releaseZip(brand, number)), {
      status: has ? 304 : 200,
      headers: {
        etag,
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="${slug(document.name)}-${number}.zip"`,
        'x-breakwater-release': String(number),
        'cache-control': release === 'latest' ? 'private, no-cache' : 'private, max-age=31536000, immutable',
      },
    });
  });
}
