import { z } from 'zod';
import { EntityId, releasePath } from '@/core/brand/document/fields';
import { Refused } from '@/server/http/refused';
import { allowed, answer } from '@/server/http/request';
import { fileAt } from '@/server/releases/screens';

const Params = z.object({ brand: EntityId, screen: EntityId, path: z.array(z.string().max(200)).max(10) });

/** A file of a simulated screen, as it has it: released, or edited by hand. */
export function GET(_request: Request, { params }: { params: Promise<Record<string, unknown>> }): Promise<Response> {
  return answer(async () => {
    const parsed = Params.safeParse(await params);
    const path = releasePath.safeParse(parsed.data?.path.join('/'));
    if (!parsed.success || !path.success) throw new Refused(404, 'There is no such file.');
    const { brand, screen } = parsed.data;
    await allowed(brand, 'read');
    const { release, mediaType, bytes } = await fileAt(brand, screen, path.data);
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': mediaType,
        'content-disposition': 'attachment',
        'x-breakwater-release': String(release),
        'cache-control': 'no-store',
      },
    });
  });
}
