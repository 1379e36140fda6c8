import { auditAsCsv } from '@/server/people/audit';
import { allowedIn, answer } from '@/server/http/request';

/** All that was done in an organisation, as a table for whoever looks into it elsewhere. */
export function GET(_request: Request, { params }: { params: Promise<{ organisation: string }> }): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    await allowedIn(organisation, 'govern');
    return new Response(auditAsCsv(organisation), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="what-was-done.csv"',
      },
    });
  });
}
