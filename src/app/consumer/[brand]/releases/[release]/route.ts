import { z } from 'zod';
import { sha256 } from '@/core/base/sha256';
import { EntityId } from '@/core/brand/document/fields';
import { mayFetch } from '@/server/people/build-tokens';
import { Refused } from '@/server/http/refused';
import { latestNumber, ReleaseNumber } from '@/server/releases/release-number';
import { toldRelease } from '@/server/releases/releases';
import { isKnown } from '@/server/http/entity-tag';
import { answerAnywhere, mayAsk } from '@/server/http/request';

const Params = z.object({ brand: EntityId, release: z.union([z.literal('latest'), ReleaseNumber]) });

/** What a release is and which colours it has, for consumers. `latest` is the newest. */
export function GET(request: Request, { params }: { params: Promise<Record<string, unknown>> }): Promise<Response> {
  return answerAnywhere(async () => {
    const parsed = Params.safeParse(await params);
    if (!parsed.success) throw new Refused(404, 'There is no such release.');
    const { brand, release } = parsed.data;
    await mayFetch(request, brand);
    const told = await toldRelease(brand, release === 'latest' ? await latestNumber(brand) : release);
    if (!told) throw new Refused(404, 'There is no such release.');
    const json = JSON.stringify(told);
    const etag = `"${await sha256(new TextEncoder().encode(json))}"`;
    const headers = { 'content-type': 'application/json', 'cache-control': 'private, no-cache', etag };
    return isKnown(request, etag) ? new Response(null, { status: 304, headers }) : new Response(json, { headers });
  });
}

/** Browsers ask first whether a page of elsewhere may. */
export function OPTIONS(): Response {
  return mayAsk();
}
