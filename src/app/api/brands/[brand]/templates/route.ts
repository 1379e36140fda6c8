import { templatesFor } from '@/server/brands/templates';
import { allowed, answer } from '@/server/http/request';

/** The templates of the organisation that a brand belongs to, to start one's own from. */
export function GET(_request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    return Response.json({ templates: await templatesFor(brand) });
  });
}
