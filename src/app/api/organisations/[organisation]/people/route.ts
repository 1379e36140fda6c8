import { invitationsOf } from '@/server/people/invitations';
import { membersOf } from '@/server/people/members';
import { allowedIn, answer } from '@/server/http/request';

/** Everybody with a part in an organisation, and the invitations that are open: for its owners. */
export function GET(_request: Request, { params }: { params: Promise<{ organisation: string }> }): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    await allowedIn(organisation, 'govern');
    return Response.json({ people: await membersOf(organisation), invitations: await invitationsOf(organisation) });
  });
}
