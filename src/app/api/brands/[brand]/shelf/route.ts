import { ShelfPalette } from '@/core/shelf/shelf-palette';
import { allowed, answer, body } from '@/server/http/request';
import { putOnShelf, shelfOf } from '@/server/brands/shelf';

type Context = { params: Promise<{ brand: string }> };

export function GET(_request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    return Response.json(await shelfOf(brand));
  });
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    await putOnShelf(person, brand, await body(request, ShelfPalette));
    return Response.json({});
  });
}
