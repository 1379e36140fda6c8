import { auditOf } from '@/server/people/audit';
import { allowedIn, answer } from '@/server/http/request';

const AT_ONCE = 100;

/** What was done in an organisation, the latest first; `before` is the id of the last that is known. */
export function GET(request: Request, { params }: { params: Promise<{ organisation: string }> }): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    await allowedIn(organisation, 'govern');
    const before = new URL(request.url).searchParams.get('before') ?? '';
    return Response.json({ entries: await auditOf(organisation, /^\d{1,18}$/.test(before) ? before : null, AT_ONCE) });
  });
}
