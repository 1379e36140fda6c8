import { documentAt } from '@/server/log/documents';
import { Refused } from '@/server/http/refused';
import { allowed, answer } from '@/server/http/request';

/** The brand as it was after a change; 0 is how it began. */
export function GET(_request: Request, { params }: { params: Promise<{ brand: string; seq: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, seq } = await params;
    await allowed(brand, 'read');
    if (!/^\d{1,9}$/.test(seq)) throw new Refused(404, 'There is no such change.');
    return Response.json({ document: await documentAt(brand, Number(seq)) });
  });
}
