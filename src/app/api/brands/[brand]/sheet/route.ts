import { Refused } from '@/server/http/refused';
import { allowed, answer } from '@/server/http/request';
import { drawSheet, SheetWish } from '@/server/writing/sheet';

/** The brand sheet as HTML, PDF, or one page as SVG or PNG. */
export function GET(request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    const wish = SheetWish.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!wish.success) throw new Refused(400, 'A sheet is asked for as html, pdf, svg or png, with pages that there are.');
    const { name, mediaType, bytes } = await drawSheet(brand, wish.data);
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': mediaType,
        'content-disposition': `attachment; filename="${name}"`,
        'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; font-src data:; sandbox",
        'cache-control': 'no-cache',
      },
    });
  });
}
