import { slug } from '@/core/base/words';
import { EntityId } from '@/core/brand/document/fields';
import { exportBrand } from '@/server/brands/brand-archive';
import { Refused } from '@/server/http/refused';
import { allowedIn, answer } from '@/server/http/request';

/** A brand whole, with its history and its files, for owners of its organisation. */
export function GET(
  _request: Request,
  { params }: { params: Promise<{ organisation: string; brand: string }> },
): Promise<Response> {
  return answer(async () => {
    const { organisation, brand } = await params;
    const { person } = await allowedIn(organisation, 'govern');
    if (!EntityId.safeParse(brand).success) throw new Refused(404, 'There is no such brand here.');
    const { name, bytes } = await exportBrand(person, organisation, brand);
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="${slug(name) || 'brand'}-whole.zip"`,
      },
    });
  });
}
