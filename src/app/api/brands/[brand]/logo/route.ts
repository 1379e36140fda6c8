import { keepLogo } from '@/server/brands/pictures';
import { allowed, answer, bytes } from '@/server/http/request';

/** Keeps a logo, PNG or SVG, as a picture and nothing else; its bytes are the body. */
export function POST(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    return Response.json({ picture: await keepLogo(person, brand, await bytes(request)) });
  });
}
