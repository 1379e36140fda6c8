import { ARCHIVE_LIMITS } from '@/core/archive/archive';
import { importBrand } from '@/server/brands/brand-archive';
import { allowedIn, answer, bytes } from '@/server/http/request';

/** Makes a brand of an archive, with its whole past; its bytes are the body. */
export function POST(request: Request, { params }: { params: Promise<{ organisation: string }> }): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    const { person } = await allowedIn(organisation, 'govern');
    return Response.json({ id: await importBrand(person, organisation, await bytes(request, ARCHIVE_LIMITS.packed)) });
  });
}
