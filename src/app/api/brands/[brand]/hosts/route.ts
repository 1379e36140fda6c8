import { LIMITS } from '@/core/brand/document/fields';
import { keepHost } from '@/server/brands/kept-files';
import { allowed, answer, bytes } from '@/server/http/request';

/** Keeps a file to graft onto; its bytes are the body. */
export function POST(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    return Response.json({ host: await keepHost(person, brand, await bytes(request, LIMITS.fileBytes)) });
  });
}
