import { allowed, answer, mustBeSameOrigin } from '@/server/http/request';
import { takeOffShelf } from '@/server/brands/shelf';

export function DELETE(request: Request, { params }: { params: Promise<{ brand: string; palette: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, palette } = await params;
    await allowed(brand, 'edit');
    mustBeSameOrigin(request);
    await takeOffShelf(brand, palette);
    return Response.json({});
  });
}
