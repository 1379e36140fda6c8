import { placeOf } from '@/server/people/organisations';
import { allowed, answer } from '@/server/http/request';

/** What part the person has in a brand just now. */
export function GET(_request: Request, { params }: { params: Promise<{ brand: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person, role } = await allowed(brand, 'read');
    const { archived } = await placeOf(person, brand);
    // What is archived takes no edit from anybody.
    return Response.json({ role: archived ? 'viewer' : role });
  });
}
