import { loadBrand } from '@/server/log/documents';
import { latestRelease } from '@/server/releases/releases';
import { allowed, answer } from '@/server/http/request';

export function GET(_request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand: id } = await params;
    const { role } = await allowed(id, 'read');
    return Response.json({ ...(await loadBrand(id)), release: await latestRelease(id), role });
  });
}
