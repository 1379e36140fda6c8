import { z } from 'zod';
import { EntityId } from '@/core/brand/document/fields';
import { mayFetch } from '@/server/people/build-tokens';
import { drawMatch, MATCH_FORMS } from '@/server/releases/match';
import { Refused } from '@/server/http/refused';
import { answerAnywhere, mayAsk } from '@/server/http/request';

const Wish = z.object({ brand: EntityId, as: z.enum(MATCH_FORMS).default('json') });

/** The match report: what screens were last found to show, held against the latest release. */
export function GET(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answerAnywhere(async () => {
    const as = new URL(request.url).searchParams.get('as') ?? undefined;
    const wish = Wish.safeParse({ ...(await params), as });
    if (!wish.success) throw new Refused(404, 'There is no such report; it is asked for as json, csv or pdf.');
    await mayFetch(request, wish.data.brand);
    const { name, mediaType, bytes } = await drawMatch(wish.data.brand, wish.data.as);
    return new Response(new Uint8Array(bytes), {
      headers: { 'content-type': mediaType, 'content-disposition': `attachment; filename="${name}"` },
    });
  });
}

/** Browsers ask first whether a page of elsewhere may. */
export function OPTIONS(): Response {
  return mayAsk();
}
