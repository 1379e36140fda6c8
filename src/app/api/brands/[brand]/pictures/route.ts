import { LIMITS } from '@/core/brand/document/fields';
import { keepPicture } from '@/server/brands/pictures';
import { allowed, answer, bytes } from '@/server/http/request';

/** Keeps a picture that a palette was made from; its bytes are the body. */
export function POST(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    return Response.json({ picture: await keepPicture(person, brand, await bytes(request, LIMITS.fileBytes)) });
  });
}
