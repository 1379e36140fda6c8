import { Refused } from '@/server/http/refused';
import { releaseOf } from '@/server/releases/releases';
import { allowed, answer } from '@/server/http/request';
import { ReleaseNumber } from '@/server/releases/release-number';

/** A release's number and document. */
export function GET(_request: Request, { params }: { params: Promise<{ brand: string; number: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, number } = await params;
    await allowed(brand, 'read');
    const known = ReleaseNumber.safeParse(number);
    const release = known.success ? await releaseOf(brand, known.data) : null;
    if (!release) throw new Refused(404, 'There is no such release.');
    return Response.json(release);
  });
}
